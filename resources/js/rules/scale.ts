/** Steps of a scale, as `Harmony\Scale` of the core has them: what moves under the hand cannot be asked of the server. */

/** Pitch classes, 0 for C; of a scale that is not empty. */
type Classes = ReadonlySet<number>;

/** So many steps of a scale on from a pitch. One outside goes to the nearest that way first, which counts as one. */
export function stepped(classes: Classes, pitch: number, steps: number): number {
    const way = Math.sign(steps);
    for (let i = Math.abs(steps); i > 0; i--) {
        do pitch += way;
        while (!classes.has(((pitch % 12) + 12) % 12));
    }
    return pitch;
}

/** The pitch of a scale that is nearest to one; of two as near the lower. */
export function nearest(classes: Classes, pitch: number): number {
    if (classes.has(pitch % 12)) return pitch;
    const [up, down] = [stepped(classes, pitch, 1), stepped(classes, pitch, -1)];
    return up - pitch < pitch - down ? up : down;
}

/** How many steps of a scale lead from a pitch as far as another, and not past it. */
export function stepsTo(classes: Classes, from: number, to: number): number {
    const way = Math.sign(to - from);
    let steps = 0;
    for (
        let next = stepped(classes, from, way);
        way !== 0 && (to - next) * way >= 0;
        next = stepped(classes, next, way)
    )
        steps += way;
    return steps;
}

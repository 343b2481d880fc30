/** An edge that was pressed is followed until it is let go. */
export function follow(press: PointerEvent, move: (at: PointerEvent) => void): void {
    const edge = press.currentTarget as HTMLElement;
    edge.setPointerCapture(press.pointerId);
    edge.onpointermove = move;
    edge.onpointerup = edge.onpointercancel = () =>
        (edge.onpointermove = edge.onpointerup = edge.onpointercancel = null);
}

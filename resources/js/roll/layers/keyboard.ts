import type { Colours } from '../../stage/colours';
import type { View } from '../../stage/view';
import { isDark, pitchName } from '../names';

/** The keyboard with its names: every C, and every key when rows are tall; drums by name. */
export function paintKeyboard(
    ctx: CanvasRenderingContext2D,
    view: View,
    width: number,
    drums: Record<string, string> | null,
    /** Names that a person gave to rows. */
    named: Record<string, string>,
    lit: ReadonlySet<number>,
    c: Colours,
): void {
    ctx.fillStyle = c.paper;
    ctx.fillRect(0, 0, width, view.height);
    ctx.font = `${Math.min(12, Math.max(10, view.row))}px ${c.font}`;
    ctx.textBaseline = 'middle';
    const keyEnd = drums || Object.keys(named).length > 0 ? 12 : width * 0.58;
    view.eachRow((p, y) => {
        if (isDark(p)) {
            ctx.fillStyle = c.keyDark;
            ctx.fillRect(0, y + 0.5, keyEnd, view.row - 1);
        }
        if (lit.has(p)) {
            ctx.fillStyle = c.sounding;
            ctx.fillRect(0, y, 5, view.row);
        }
        ctx.fillStyle = c.line;
        ctx.fillRect(
            isDark(p) ? keyEnd : 0,
            Math.round(y + view.row) - 0.5,
            width,
            p % 12 === 0 || p % 12 === 5 ? 1 : 0.5,
        );
        const drum = named[String(p)] ?? drums?.[String(p)];
        const own = drums !== null || named[String(p)] !== undefined;
        if (own ? drum && view.row >= 10 : p % 12 === 0 || view.row >= 13) {
            ctx.fillStyle = isDark(p) && !own ? c.paper : p % 12 === 0 ? c.ink : c.faint;
            ctx.fillText(
                drum ?? pitchName(p),
                own ? 16 : isDark(p) ? 8 : width - 30,
                y + view.row / 2 + 0.5,
                own ? width - 18 : 28,
            );
        }
    });
    ctx.fillStyle = c.bar;
    ctx.fillRect(width - 1, 0, 1, view.height);
}

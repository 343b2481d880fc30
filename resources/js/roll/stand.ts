import { keys } from '../keys/keys.svelte';
import { reach } from '../keys/reach.svelte';
import { transport } from '../sound/transport.svelte';
import { takeKeys } from '../stage/keys';
import { commandsOf, listen } from './commands';
import { inLanes } from './commands/lanes';
import { layersOf } from './layers';
import { notesSeen } from './seen';
import type { LayerName, Sheet } from './sheet.svelte';
import { fit } from './sizes';

/**
 * Sets the roll up where it stands on the page: its layers, its size, its keys, and who tells it what.
 *
 * @param cancel drops what is held; says whether anything was
 * @returns takes it all down again
 */
export function stand(
    sheet: Sheet,
    canvases: Record<LayerName, HTMLCanvasElement>,
    body: HTMLElement,
    cancel: () => boolean,
): () => void {
    const { song } = sheet;
    for (const [name, spec] of Object.entries(layersOf(sheet)))
        sheet.stage.add(name as LayerName, canvases[name as LayerName], spec);
    const resize = (): void => fit(sheet, canvases.notes.parentElement!);
    const room = (): void => void (sheet.lanes.room = body.clientHeight);
    const observer = new ResizeObserver(resize);
    observer.observe(canvases.notes.parentElement!);
    const around = new ResizeObserver(room);
    around.observe(body);
    room();
    resize();
    takeKeys(body);
    const off = keys.handle(commandsOf(sheet, cancel));
    const offLanes = keys.handle(inLanes(sheet));
    const deaf = listen(sheet);
    transport.onFrame = (tick) => sheet.onFrame(tick);
    song.onCaret = () => sheet.caretCame();
    reach.things = () => notesSeen(sheet, canvases.notes.getBoundingClientRect());
    return () => {
        song.onCaret = () => {};
        reach.things = () => [];
        transport.onFrame = () => {};
        song.seen = { left: sheet.view.left, scale: sheet.view.scale, row: sheet.view.row };
        deaf();
        offLanes();
        observer.disconnect();
        around.disconnect();
        off();
        sheet.stage.close();
    };
}

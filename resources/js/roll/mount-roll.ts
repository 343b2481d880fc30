import { keys } from '../keys/keys.svelte';
import { reach } from '../keys/reach.svelte';
import { transport } from '../sound/transport.svelte';
import { takeKeys } from '../stage/keys';
import { commandsOf, listen } from './commands';
import { inLanes } from './commands/lanes';
import { onOwn } from './commands/own';
import { layersOf } from './layers';
import { visibleNotes } from './visible-notes';
import type { RollModel } from './roll-model.svelte';
import type { LayerName } from './roll-state';
import { fit } from './sizes';

/**
 * Sets the roll up where it stands on the page: its layers, its size, its keys, and who tells it what.
 *
 * @param cancel drops what is held; says whether anything was
 * @returns takes it all down again
 */
export function mountRoll(
    model: RollModel,
    canvases: Record<LayerName, HTMLCanvasElement>,
    body: HTMLElement,
    cancel: () => boolean,
): () => void {
    const { song } = model;
    for (const [name, spec] of Object.entries(layersOf(model)))
        model.stage.add(name as LayerName, canvases[name as LayerName], spec);
    const resize = (): void => fit(model, canvases.notes.parentElement!);
    const room = (): void => void (model.lanes.room = body.clientHeight);
    const observer = new ResizeObserver(resize);
    observer.observe(canvases.notes.parentElement!);
    const around = new ResizeObserver(room);
    around.observe(body);
    room();
    resize();
    takeKeys(body);
    const off = keys.handle(commandsOf(model, cancel));
    const offLanes = keys.handle(inLanes(model));
    const offOwn = keys.handle(onOwn(model));
    const deaf = listen(model);
    transport.onFrame = (tick) => model.onFrame(tick);
    song.onCaret = () => model.caretCame();
    reach.things = () => visibleNotes(model, canvases.notes.getBoundingClientRect());
    return () => {
        song.onCaret = () => {};
        reach.things = () => [];
        transport.onFrame = () => {};
        song.seen = { left: model.view.left, scale: model.view.scale, row: model.view.row };
        deaf();
        offOwn();
        offLanes();
        observer.disconnect();
        around.disconnect();
        off();
        model.stage.close();
    };
}

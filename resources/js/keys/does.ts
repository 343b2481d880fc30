import type { Attachment } from 'svelte/attachments';
import { keys } from './keys.svelte';
import { labels } from './strokes';

/**
 * Makes a button do a command, say its key in its title, and be counted as done by mouse. What only a keyless click
 * knows, such as which row was meant, is done `before`.
 */
export function does(
    command: string,
    params: Record<string, unknown> = {},
    before?: () => void,
): Attachment<HTMLElement> {
    return (el) => {
        const title = el.dataset.title ?? el.title;
        el.dataset.title = title;
        el.dataset.command = command;
        const found = keys.keysFor(command, params);
        el.title = found ? `${title} (${labels(found).join(' ')})` : title;
        const click = (e: MouseEvent): void => {
            e.stopPropagation();
            before?.();
            keys.run(command, params);
        };
        el.addEventListener('click', click);
        return () => el.removeEventListener('click', click);
    };
}

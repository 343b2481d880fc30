import type { Attachment } from 'svelte/attachments';

/**
 * Keeps what is being typed into a field whose value comes from the song: an answer that comes before the field has told
 * its change does not write over it. Esc, which puts the old value back, and a field without the keys take any value.
 */
export const keepTyped: Attachment<HTMLInputElement> = (field) => {
    const own = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!;
    let isTyped = false;
    let answered: string | null = null;
    Object.defineProperty(field, 'value', {
        configurable: true,
        get: () => own.get!.call(field) as string,
        set(value: string) {
            if (isTyped && document.activeElement === field) answered = value;
            else own.set!.call(field, value);
        },
    });
    const begin = (): void => void (isTyped = true);
    const end = (): void => {
        isTyped = false;
        answered = null;
    };
    const leave = (): void => {
        const value = answered;
        const wasTyped = isTyped;
        end();
        if (wasTyped && value !== null) own.set!.call(field, value);
    };
    const cancel = (e: KeyboardEvent): void => void (e.key === 'Escape' && end());
    field.addEventListener('input', begin, true);
    field.addEventListener('change', end, true);
    field.addEventListener('blur', leave, true);
    field.addEventListener('keydown', cancel, true);
    return () => {
        field.removeEventListener('input', begin, true);
        field.removeEventListener('change', end, true);
        field.removeEventListener('blur', leave, true);
        field.removeEventListener('keydown', cancel, true);
    };
};

import type { Attachment } from 'svelte/attachments';

/**
 * Keeps what is being typed into a field whose value comes from the song: an answer that comes before the field has told
 * its change does not write over it, and neither does the answer to an older change once it has told one. Esc, which puts
 * the old value back, and a field without the keys take any value.
 */
export const keepTyped: Attachment<HTMLInputElement> = (field) => {
    const own = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!;
    const shown = (): string => own.get!.call(field) as string;
    let isTyped = false;
    /** What the field has told, until the song has it; what is written while it is telling corrects it. */
    let told: string | null = null;
    let isTelling = false;
    let answered: string | null = null;
    Object.defineProperty(field, 'value', {
        configurable: true,
        get: shown,
        set(value: string) {
            const waits = isTyped || (told !== null && !isTelling && String(value) !== told);
            if (waits && document.activeElement === field) {
                answered = value;
                return;
            }
            own.set!.call(field, value);
            told = answered = null;
        },
    });
    const begin = (): void => void (isTyped = true);
    const end = (): void => {
        isTyped = false;
        told = answered = null;
    };
    const tell = (): void => {
        end();
        told = shown();
        isTelling = true;
        setTimeout(() => (isTelling = false));
    };
    const leave = (): void => {
        const value = answered;
        const waited = isTyped || told !== null;
        end();
        if (waited && value !== null) own.set!.call(field, value);
    };
    const cancel = (e: KeyboardEvent): void => void (e.key === 'Escape' && end());
    field.addEventListener('input', begin, true);
    field.addEventListener('change', tell, true);
    field.addEventListener('blur', leave, true);
    field.addEventListener('keydown', cancel, true);
    return () => {
        field.removeEventListener('input', begin, true);
        field.removeEventListener('change', tell, true);
        field.removeEventListener('blur', leave, true);
        field.removeEventListener('keydown', cancel, true);
    };
};

/** Escape in a field puts back what was in it and gives the keys back; Enter takes what was typed. */
export function leave(e: KeyboardEvent, giveBack: () => void): void {
    const input = e.currentTarget as HTMLInputElement;
    if (e.key === 'Enter') input.blur();
    if (e.key !== 'Escape') return;
    input.value = input.defaultValue;
    giveBack();
    e.stopPropagation();
}

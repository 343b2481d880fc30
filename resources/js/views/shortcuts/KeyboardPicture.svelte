<script lang="ts">
    import type { Setup } from '../../api/types';
    import { keys } from '../../keys/keys.svelte';
    import { nameAt, signAt } from '../../keys/layout';
    import { labels } from '../../keys/strokes';

    interface Props {
        setup: Setup;
        context: string;
        onPick: (stroke: string) => void;
    }
    let { setup, context, onPick }: Props = $props();

    const ROWS = [
        ['Escape', 'F2', 'F4', 'F6', 'F7', 'F8', 'F9', 'F10', 'Insert', 'Delete', 'Home', 'End', 'PageUp', 'PageDown'],
        ['Backquote', ...'1234567890'.split('').map((d) => `Digit${d}`), 'Minus', 'Equal', 'Backspace'],
        ['Tab', ...'QWERTYUIOP'.split('').map((l) => `Key${l}`), 'BracketLeft', 'BracketRight', 'Backslash'],
        [...'ASDFGHJKL'.split('').map((l) => `Key${l}`), 'Semicolon', 'Quote', 'Enter', 'ArrowUp'],
        [
            'IntlBackslash',
            ...'ZXCVBNM'.split('').map((l) => `Key${l}`),
            'Comma',
            'Period',
            'Slash',
            'Space',
            'ArrowLeft',
            'ArrowDown',
            'ArrowRight',
        ],
    ];

    let fixed = $state({ mod: false, alt: false, shift: false });
    const mods = $derived({
        mod: fixed.mod || keys.held.mod,
        alt: fixed.alt || keys.held.alt,
        shift: fixed.shift || keys.held.shift,
    });
    const mac = labels('Mod+A')[0]!.startsWith('⌘');

    /** The stroke that a place stands for: letters and signs go by what is on the key. */
    function strokeAt(code: string): string {
        void keys.version;
        const sign = signAt(code);
        const name = code.startsWith('Digit')
            ? code.slice(5)
            : /^[a-z]$/.test(sign)
              ? sign.toUpperCase()
              : (nameAt(code) ?? code.replace(/^Key/, ''));
        return `${mods.mod ? 'Mod+' : ''}${mods.alt ? 'Alt+' : ''}${mods.shift ? 'Shift+' : ''}${name}`;
    }

    const taken = $derived.by(() => {
        void keys.version;
        const map: Record<string, string> = {};
        for (const b of keys.resolver.bindings) {
            if (b.context !== context && b.context !== 'any') continue;
            const first = b.keys.split(' ')[0]!;
            if (b.context === context || !map[first]) map[first] = b.keys.includes(' ') ? 'then…' : b.label;
        }
        return map;
    });

    function name(code: string): string {
        void keys.version;
        return labels(strokeAt(code).split('+').at(-1)!)[0]!;
    }
</script>

<div
    class="flex flex-col gap-1 py-2 [@media(max-height:620px)]:hidden"
    data-testid="keyboard"
    aria-label="The keyboard: what is free and what is taken"
    role="group"
>
    <div class="flex items-center gap-2 pb-1 text-sm">
        {#each [['mod', mac ? '⌘' : 'Ctrl'], ['alt', mac ? '⌥' : 'Alt'], ['shift', 'Shift']] as const as [mod, label] (mod)}
            <button
                class="btn btn-xs {mods[mod] ? 'btn-neutral' : 'btn-outline border-base-300'}"
                aria-pressed={mods[mod]}
                data-field
                onclick={() => (fixed = { ...fixed, [mod]: !fixed[mod] })}>{label}</button
            >
        {/each}
        <span class="text-base-content/85"
            >hold one, or click it. Shaded keys are taken, hatched ones the browser keeps.</span
        >
    </div>
    {#each ROWS as row, i (i)}
        <div class="flex gap-1">
            {#each row as code (code)}
                {@const stroke = strokeAt(code)}
                {@const kept = setup.kept.includes(stroke)}
                <button
                    class="place {kept ? 'kept' : taken[stroke] ? 'taken' : ''}"
                    tabindex="-1"
                    data-field
                    title={kept
                        ? `${labels(stroke).join(' ')}: the browser keeps it`
                        : `${labels(stroke).join(' ')}: ${taken[stroke] ?? 'free'}`}
                    onclick={() => onPick(stroke)}
                >
                    <b>{name(code)}</b><span>{kept ? '' : (taken[stroke] ?? '')}</span>
                </button>
            {/each}
        </div>
    {/each}
</div>

<style>
    .place {
        display: flex;
        flex-direction: column;
        align-items: flex-start;
        min-width: 0;
        flex: 1 1 0;
        height: 2.3rem;
        padding: 0.05rem 0.3rem;
        border: 1px solid var(--color-base-300);
        border-radius: 0.2rem;
        overflow: hidden;
        cursor: pointer;
        text-align: left;
        line-height: 1.05rem;
        font-size: 0.8rem;
    }
    .place span {
        width: 100%;
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
        font-size: 0.72rem;
    }
    .taken {
        background: var(--color-base-300);
        border-color: var(--color-secondary);
    }
    .kept {
        background: repeating-linear-gradient(45deg, transparent 0 5px, var(--color-base-300) 5px 7px);
    }
</style>

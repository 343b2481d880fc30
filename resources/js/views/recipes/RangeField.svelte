<script lang="ts">
    import { pitchOf, toneOf } from '../../rules/pitch';
    import { pitchName, toneName } from '../../roll/names';
    import { beatsOf, ticksOf } from './beats';

    /** A stretch of values, or one; pitches and tones go by their names, ticks as beats. */
    interface Props {
        value: unknown;
        kind: 'range' | 'beats' | 'pitches' | 'tones';
        /** Ticks a beat. */
        ppq: number;
        onchange: (value: { min?: number; max?: number }) => void;
    }
    let { value, kind, ppq, onchange }: Props = $props();

    const numberOf = (text: string): number | null =>
        text.trim() !== '' && Number.isFinite(Number(text)) ? Math.round(Number(text)) : null;
    const KINDS = $derived({
        range: { read: numberOf, name: String, hint: '', width: 'w-10' },
        beats: {
            read: (text: string) => ticksOf(text, ppq),
            name: (t: number) => beatsOf(t, ppq),
            hint: '',
            width: 'w-10',
        },
        pitches: { read: pitchOf, name: pitchName, hint: 'C4', width: 'w-11' },
        tones: { read: toneOf, name: toneName, hint: 'C', width: 'w-10' },
    });
    const how = $derived(KINDS[kind]);
    const range = $derived(
        typeof value === 'number' ? { min: value, max: value } : ((value ?? {}) as { min?: number; max?: number }),
    );
    type Side = 'min' | 'max';
    /** What is being typed, as it is typed: a number becomes a name when the field is left. */
    let typed = $state<{ side: Side; text: string } | null>(null);
    const isWrong = $derived(typed !== null && typed.text !== '' && how.read(typed.text) === null);
    const shown = (side: Side): string =>
        typed?.side === side ? typed.text : range[side] === undefined ? '' : how.name(range[side]);

    function put(side: Side, text: string): void {
        typed = { side, text };
        const next = { ...range };
        const read = how.read(text);
        if (text !== '' && read === null) return;
        if (read === null) delete next[side];
        else next[side] = read;
        if (Object.keys(next).length > 0) onchange(next);
    }
</script>

{#snippet end(side: Side, label: string)}
    <input
        class="input input-xs px-1 text-right {how.width} {isWrong && typed?.side === side ? 'input-error' : ''}"
        type="text"
        inputmode={kind === 'range' ? 'numeric' : kind === 'beats' ? 'decimal' : 'text'}
        placeholder={how.hint}
        aria-label={label}
        aria-invalid={isWrong && typed?.side === side}
        title={range[side] === undefined || kind === 'range' || kind === 'beats'
            ? undefined
            : `${how.name(range[side])} (${range[side]})`}
        value={shown(side)}
        oninput={(e) => put(side, e.currentTarget.value)}
        onblur={() => (typed = null)}
    />
{/snippet}

from {@render end('min', 'From')} to {@render end('max', 'To')}

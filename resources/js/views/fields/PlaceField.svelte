<script lang="ts">
    import { placeWords } from './places';

    interface Props {
        value: unknown;
        /** The words that stand for places. */
        words: string[];
        label: string;
        onchange: (value: unknown) => void;
        first?: boolean;
    }
    let { value, words, label, onchange, first = false }: Props = $props();

    const isTick = $derived(typeof value === 'number');
</script>

<div class="flex gap-2">
    <select
        class="select select-sm w-44"
        aria-label={label}
        value={isTick ? 'tick' : typeof value === 'string' ? value : ''}
        data-first={first ? '' : undefined}
        onchange={(e) => {
            const to = e.currentTarget.value;
            onchange(to === '' ? undefined : to === 'tick' ? 0 : to);
        }}
    >
        <option value="">nowhere</option>
        {#each words as word (word)}<option value={word}>{placeWords(word)}</option>{/each}
        <option value="tick">a tick</option>
    </select>
    {#if isTick}
        <input
            class="input input-sm w-28 text-right"
            type="number"
            min="0"
            aria-label="{label}, tick"
            {value}
            oninput={(e) => {
                const n = Math.round(Number(e.currentTarget.value));
                if (e.currentTarget.value !== '' && n >= 0) onchange(n);
            }}
        />
    {/if}
</div>

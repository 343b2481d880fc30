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

    /** A text that begins with a number is a bar and beat. Ticks come only from older recipes, and stay. */
    const isPosition = $derived(typeof value === 'string' && /^\d/.test(value));
</script>

<div class="flex gap-2">
    <select
        class="select select-sm w-44"
        aria-label={label}
        value={typeof value === 'number' ? 'tick' : isPosition ? 'bar' : typeof value === 'string' ? value : ''}
        data-first={first ? '' : undefined}
        onchange={(e) => {
            const to = e.currentTarget.value;
            if (to !== 'tick') onchange(to === '' ? undefined : to === 'bar' ? '1.1' : to);
        }}
    >
        <option value="">select a place</option>
        {#each words as word (word)}<option value={word}>{placeWords(word)}</option>{/each}
        <option value="bar">bar and beat</option>
        {#if typeof value === 'number'}<option value="tick">tick {value}</option>{/if}
    </select>
    {#if isPosition}
        <input
            class="input input-sm w-28 text-right"
            type="text"
            aria-label="{label}, bar and beat"
            placeholder="17.3"
            {value}
            oninput={(e) => {
                const place = e.currentTarget.value.trim();
                if (/^\d{1,6}(\.\d{1,3}){0,3}$/.test(place)) onchange(place);
            }}
        />
    {/if}
</div>

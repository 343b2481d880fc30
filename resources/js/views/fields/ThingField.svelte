<script lang="ts">
    import { openSong } from './open-song';

    interface Props {
        what: 'track' | 'part';
        /** Its number; undefined where none is named. */
        value: unknown;
        label: string;
        first?: boolean;
        onchange: (value: number | undefined) => void;
    }
    let { what, value, label, first = false, onchange }: Props = $props();

    const song = openSong();
    const tracks = $derived.by(() => {
        void song?.revisionShown;
        return song?.tracks.filter((t) => !t.conductor) ?? [];
    });
    const set = (text: string): void => onchange(text === '' ? undefined : Number(text));
</script>

{#if song}
    <select
        class="select w-full select-sm"
        aria-label={label}
        value={typeof value === 'number' ? String(value) : ''}
        data-first={first ? '' : undefined}
        onchange={(e) => set(e.currentTarget.value)}
    >
        <option value="">none</option>
        {#each tracks as track (track.id)}
            {#if what === 'track'}<option value={String(track.id)}>{track.name}</option>
            {:else if track.parts.length > 0}
                <optgroup label={track.name}>
                    {#each track.parts as part (part.id)}<option value={String(part.id)}
                            >{part.name}, bar {part.lines.barAt(part.head.from).index + 1}</option
                        >{/each}
                </optgroup>
            {/if}
        {/each}
    </select>
{:else}
    <input
        class="input input-sm w-24 text-right"
        type="number"
        min="1"
        placeholder="none"
        aria-label="{label}: its number"
        value={typeof value === 'number' ? value : ''}
        data-first={first ? '' : undefined}
        oninput={(e) => set(e.currentTarget.value)}
    />
{/if}

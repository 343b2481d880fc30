<script lang="ts">
    import type { Part } from '../../api/part.svelte';
    import type { Song } from '../../api/song.svelte';
    import { SETTING_RANGES } from '../../contract';
    import { keepTyped, leave } from './keep-typed';

    /** A number among the settings of a part. What is out of range is not taken, and said. */
    interface Props {
        song: Song;
        part: Part;
        name: 'swing' | 'strength' | 'penVelocity';
        title: string;
        unit?: string;
        shown?: string;
        set: (change: Record<string, unknown>) => void;
        giveBack: () => void;
    }

    let { song, part, name, title, unit = '', shown = '', set, giveBack }: Props = $props();

    const settings = $derived(part.settings);

    function number(e: Event): void {
        const [min, max] = SETTING_RANGES[name];
        const input = e.currentTarget as HTMLInputElement;
        const value = Number(input.value);
        if (input.value === '' || !Number.isFinite(value) || value < min || value > max) {
            song.trouble = `Between ${min} and ${max}: ${input.value || 'nothing'} was not taken.`;
            input.value = String(settings[name]);
            giveBack();
        } else {
            set({ [name]: name === 'swing' ? value : Math.round(value) });
        }
    }
</script>

<label class="flex items-center gap-1">
    {shown}
    <input
        class="input input-xs w-13 px-1.5 text-right"
        type="number"
        min={SETTING_RANGES[name][0]}
        max={SETTING_RANGES[name][1]}
        aria-label={title}
        step={name === 'swing' ? 'any' : 1}
        value={settings[name]}
        {@attach keepTyped}
        onchange={number}
        onkeydown={(e) => leave(e, giveBack)}
    />
    {unit}
</label>

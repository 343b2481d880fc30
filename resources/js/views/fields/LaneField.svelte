<script lang="ts">
    import { LANE_STATUS } from '../../contract';
    import { commands } from '../../keys/commands.svelte';
    import { titleOf } from '../../roll/lanes.svelte';

    interface Props {
        /** Its name; undefined where none is named. */
        value: unknown;
        label: string;
        /** What holds where none is named; undefined where one has to be. */
        blank?: string;
        first?: boolean;
        onchange: (value: string | undefined) => void;
    }
    let { value, label, blank, first = false, onchange }: Props = $props();

    const CONTROLLERS = 120;
    /** Those that have a name, and the others by their numbers. */
    const named = $derived([
        ...Object.keys(LANE_STATUS).filter((name) => name !== 'cc'),
        ...Object.keys(commands.controllers).map((number) => `cc:${number}`),
    ]);
    const others = $derived(
        Array.from({ length: CONTROLLERS }, (_, number) => `cc:${number}`).filter((name) => !named.includes(name)),
    );
</script>

<select
    class="select w-full select-sm"
    aria-label={label}
    value={typeof value === 'string' ? value : ''}
    data-first={first ? '' : undefined}
    onchange={(e) => onchange(e.currentTarget.value || undefined)}
>
    {#if blank}<option value="">{blank}</option>{/if}
    {#each named as name (name)}<option value={name}>{titleOf(name)}</option>{/each}
    <optgroup label="without a name">
        {#each others as name (name)}<option value={name}>{titleOf(name)}</option>{/each}
    </optgroup>
</select>

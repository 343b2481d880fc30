<script lang="ts">
    import { does } from '../keys/does';
    import { interrupted } from '../sound/interrupted.svelte';
    import { notesIn } from '../sound/takes';

    const left = $derived(interrupted.left[0]);
    const notes = $derived(left ? notesIn(left) : 0);
</script>

{#if left}
    <div
        class="flex shrink-0 items-center gap-3 border-b border-base-content/50 bg-base-200 px-4 py-2"
        role="alert"
        data-testid="take-offer"
    >
        <p class="min-w-0 flex-1">
            A take into <b class="font-semibold">{left.head.partName}</b>, begun at
            {new Date(left.head.begun).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })}, was
            interrupted: {notes === 1 ? '1 note of it is' : `${notes} notes of it are`} kept in this browser only{interrupted
                .left.length > 1
                ? `, and ${interrupted.left.length - 1} more`
                : ''}.
        </p>
        <button class="btn btn-sm btn-primary" title="Insert it into the part" {@attach does('take', { what: 'keep' })}
            >Keep it</button
        >
        <button class="btn btn-ghost btn-sm" title="Discard" {@attach does('take', { what: 'drop' })}>Discard</button>
    </div>
{/if}

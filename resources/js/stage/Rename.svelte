<script lang="ts">
    import { onMount } from 'svelte';

    interface Props {
        name: string;
        onDone: (name: string) => void;
        onCancel: () => void;
    }
    let { name, onDone, onCancel }: Props = $props();

    let input: HTMLInputElement;
    let done = false;

    onMount(() => input.select());

    function finish(take: boolean): void {
        if (done) return;
        done = true;
        if (take && input.value.trim() !== '') onDone(input.value);
        else onCancel();
    }
</script>

<input
    bind:this={input}
    class="input input-sm w-full text-lg"
    value={name}
    maxlength="200"
    aria-label="New name"
    onkeydown={(e) => {
        if (e.key === 'Enter') finish(true);
        if (e.key === 'Escape') finish(false);
        e.stopPropagation();
    }}
    onblur={() => finish(true)}
/>

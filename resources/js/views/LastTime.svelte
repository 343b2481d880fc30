<script lang="ts" module>
    /** Whether a press in a panel asks for what was set last time. */
    export function asksForLast(e: KeyboardEvent): boolean {
        const isText = e.target instanceof HTMLInputElement && e.target.type === 'text';
        return e.key.toLowerCase() === 'l' && !e.ctrlKey && !e.metaKey && !e.altKey && !isText;
    }
</script>

<script lang="ts">
    /** What was set last time, in words; how it is set again. */
    let { words, again }: { words: string; again: () => void } = $props();
</script>

<p class="px-4 py-1 text-sm">
    <button data-field class="btn btn-xs" onclick={again}>Last settings <kbd class="key">L</kbd></button>
    <span class="ml-1 text-base-content/85">{words}</span>
</p>

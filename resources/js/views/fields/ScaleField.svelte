<script lang="ts">
    interface Props {
        /** As it is written; undefined or null for none. */
        value: string | null | undefined;
        roots: readonly string[];
        kinds: readonly string[];
        label: string;
        /** What stands for none. */
        none: string;
        first?: boolean;
        onchange: (value: string | undefined) => void;
    }
    let { value, roots, kinds, label, none, first = false, onchange }: Props = $props();

    const root = $derived(value?.split(' ')[0] ?? '');
    const kind = $derived(value?.split(' ').slice(1).join(' ') ?? kinds[0]!);
    // A spelling or steps that are not on the lists are shown as they are.
    const allRoots = $derived(root === '' || roots.includes(root) ? roots : [...roots, root]);
    const allKinds = $derived(kinds.includes(kind) ? kinds : [...kinds, kind]);

    function set(nextRoot: string, nextKind: string): void {
        onchange(nextRoot === '' ? undefined : `${nextRoot} ${nextKind}`);
    }
</script>

<div class="flex gap-2">
    <select
        class="select select-sm w-24"
        aria-label="{label}: root"
        value={root}
        data-first={first ? '' : undefined}
        onchange={(e) => set(e.currentTarget.value, kind)}
    >
        <option value="">{none}</option>
        {#each allRoots as r (r)}<option value={r}>{r}</option>{/each}
    </select>
    <select
        class="select select-sm flex-1"
        aria-label="{label}: kind"
        disabled={root === ''}
        value={kind}
        onchange={(e) => set(root, e.currentTarget.value)}
    >
        {#each allKinds as k (k)}<option value={k}>{k}</option>{/each}
    </select>
</div>

<script lang="ts">
    import type { IconNode } from 'lucide';

    interface Props {
        of: IconNode;
        /** In pixels, both ways. */
        size: number;
        /** How wide its lines are, in 24ths of its size. */
        stroke?: number;
        fill?: string;
        /** What it says where no words stand beside it. */
        label?: string;
        class?: string;
    }
    let { of, size, stroke = 2, fill = 'none', label, class: classes }: Props = $props();

    const drawn = $derived(
        of
            .map(([tag, at]) => {
                const values = Object.entries(at).map(([name, value]) => ` ${name}="${value}"`);
                return `<${tag}${values.join('')}/>`;
            })
            .join(''),
    );
</script>

<svg
    class={classes}
    width={size}
    height={size}
    viewBox="0 0 24 24"
    {fill}
    stroke="currentColor"
    stroke-width={stroke}
    stroke-linecap="round"
    stroke-linejoin="round"
    role={label ? 'img' : undefined}
    aria-label={label}
    aria-hidden={label ? undefined : 'true'}
>
    <!-- eslint-disable-next-line svelte/no-at-html-tags (the icon set's own paths) -->
    {@html drawn}
</svg>

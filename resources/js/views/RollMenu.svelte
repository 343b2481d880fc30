<script lang="ts">
    import type { Spec } from '../api/types';
    import type { MenuOf } from '../roll/roll-model.svelte';
    import Menu from './Menu.svelte';

    /** What can be done with a thing of the roll that the second button, or the menu key, asked about. */
    let { x, y, on, onClose }: { x: number; y: number; on: MenuOf; onClose: () => void } = $props();

    const forPoints = (s: Spec): boolean =>
        s.takes?.includes('points') === true || (s.group === 'lane' && s.needs !== 'notes') || s.id === 'lane-show';
    const forVelocities = (s: Spec): boolean => s.group === 'velocity';
    const OF = {
        note: { title: 'Menu of the selection', needs: ['notes'], short: true },
        empty: { title: 'Menu of this place', needs: ['part', 'song'], short: true },
        ruler: {
            title: 'Menu of the time',
            needs: ['part', 'song', 'notes'],
            short: true,
            about: /span|loop|tempo|bar/,
        },
        lane: { title: 'Menu of the lane', needs: ['notes', 'part'], of: forPoints },
        velocity: { title: 'Menu of velocities', needs: ['notes', 'part'], of: forVelocities },
    } as const;
</script>

<Menu {x} {y} context="roll" {...OF[on]} {onClose} />

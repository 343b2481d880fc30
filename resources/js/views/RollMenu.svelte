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
        note: { title: 'What can be done with what is selected', needs: ['notes'], short: true },
        empty: { title: 'What can be done here', needs: ['part', 'song'], short: true },
        ruler: {
            title: 'What can be done with a stretch of time',
            needs: ['part', 'song', 'notes'],
            short: true,
            about: /span|loop|tempo|bar/,
        },
        lane: { title: 'What can be done in the lane', needs: ['notes', 'part'], of: forPoints },
        velocity: { title: 'What can be done with velocities', needs: ['notes', 'part'], of: forVelocities },
    } as const;
</script>

<Menu {x} {y} context="roll" {...OF[on]} {onClose} />

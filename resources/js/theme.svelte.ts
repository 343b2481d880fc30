const KEPT = 'jactonic.theme';

/** Paper by day, the same score at night: as the system has it until the person selects. */
class Theme {
    name = $state<'paper' | 'night'>('paper');
    /** Goes up when colours have to be read anew. */
    version = $state(0);

    start(): void {
        const kept = localStorage.getItem(KEPT);
        const system = matchMedia('(prefers-color-scheme: dark)');
        this.set(kept === 'night' || (kept !== 'paper' && system.matches) ? 'night' : 'paper');
        system.addEventListener('change', () => {
            if (localStorage.getItem(KEPT) === null) this.set(system.matches ? 'night' : 'paper');
        });
        matchMedia('(forced-colors: active)').addEventListener('change', () => this.version++);
    }

    turn(): void {
        this.set(this.name === 'paper' ? 'night' : 'paper');
        localStorage.setItem(KEPT, this.name);
    }

    private set(name: 'paper' | 'night'): void {
        this.name = name;
        document.documentElement.dataset.theme = name;
        this.version++;
    }
}

export const theme = new Theme();

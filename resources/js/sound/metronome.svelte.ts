const ON = 'jactonic.metronome';
const LEVEL = 'jactonic.metronome.level';

/** Whether the metronome is heard whenever it plays, and how loud: kept in this browser. */
class MetronomeSettings {
    on = $state(localStorage.getItem(ON) === 'on');
    /** 0 to 1 */
    level = $state(Number(localStorage.getItem(LEVEL) ?? 0.7));
    /** Told when either changed. */
    onChange: () => void = () => {};

    turn(on: boolean): void {
        this.on = on;
        localStorage.setItem(ON, on ? 'on' : 'off');
        this.onChange();
    }

    setLevel(level: number): void {
        this.level = Math.max(0, Math.min(1, level));
        localStorage.setItem(LEVEL, String(this.level));
        this.onChange();
    }
}

export const metronome = new MetronomeSettings();

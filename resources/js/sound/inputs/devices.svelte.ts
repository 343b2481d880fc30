import { inputs } from './inputs.svelte';

export interface Device {
    id: string;
    name: string;
}

const CHOSEN = 'jactonic.input';
const ALLOWED = 'jactonic.midi';
const NOTHING = new Uint8Array();

/**
 * MIDI keyboards, where the browser has Web MIDI and the person allows it. Devices that are pulled out end what they
 * hold; put in again, they play on.
 */
class Devices {
    /** off: not asked yet; asking; on; refused: by the person or the browser; missing: there is no Web MIDI. */
    state = $state<'off' | 'asking' | 'on' | 'refused' | 'missing'>('off');
    /** Why it is refused or missing, and what to do instead. */
    why = $state('');
    all = $state.raw<Device[]>([]);
    /** Id of the one that is listened to; empty for all. */
    chosen = $state(localStorage.getItem(CHOSEN) ?? '');
    private access: MIDIAccess | null = null;
    private heard = new Map<string, MIDIInput>();

    /** Asks for the devices: the browser may ask the person. */
    async ask(): Promise<void> {
        if (this.state === 'on' || this.state === 'asking') return;
        if (!('requestMIDIAccess' in navigator)) {
            this.state = 'missing';
            this.why =
                'This browser has no Web MIDI, so a MIDI keyboard cannot be heard. Chromium, Firefox and those made from them have it; until then the computer keys or the simulated player can play.';
            return;
        }
        this.state = 'asking';
        try {
            this.access = await navigator.requestMIDIAccess();
            this.access.onstatechange = () => this.look();
            this.state = 'on';
            localStorage.setItem(ALLOWED, 'yes');
            this.look();
        } catch (e) {
            this.state = 'refused';
            this.why = `MIDI keyboards were not allowed (${(e instanceof Error ? e.message : String(e)).replace(/\.$/, '')}). Allow MIDI devices for this page in the browser, beside its address, and ask again; until then the computer keys or the simulated player can play.`;
        }
    }

    /** Looks again for what was allowed before: nobody is asked. */
    async recall(): Promise<void> {
        if (localStorage.getItem(ALLOWED) !== 'yes' || this.state !== 'off') return;
        const now = await navigator.permissions?.query({ name: 'midi' as PermissionName }).catch(() => null);
        if (now?.state === 'granted') await this.ask();
    }

    choose(id: string): void {
        for (const heard of this.heard.keys()) if (id && heard !== id) inputs.letGo(who(heard));
        this.chosen = id;
        localStorage.setItem(CHOSEN, id);
    }

    private look(): void {
        const plugged = [...(this.access?.inputs.values() ?? [])].filter((i) => i.state === 'connected');
        for (const [id, input] of this.heard) {
            if (plugged.includes(input)) continue;
            input.onmidimessage = null;
            this.heard.delete(id);
            inputs.letGo(who(id));
        }
        for (const input of plugged) {
            if (this.heard.has(input.id)) continue;
            this.heard.set(input.id, input);
            // To listen opens it; each message comes whole, without running status.
            input.onmidimessage = (e) => this.hear(input.id, e.data ?? NOTHING, e.timeStamp);
        }
        this.all = plugged.map((i) => ({ id: i.id, name: i.name || 'MIDI keyboard' }));
    }

    private hear(id: string, data: Uint8Array, stamp: number): void {
        if (this.chosen && this.chosen !== id && this.all.some((d) => d.id === this.chosen)) return;
        const [status = 0, first = 0, second = 0] = data;
        switch (status & 0xf0) {
            case 0x90:
                if (second > 0) return inputs.on(who(id), first, second, stamp);
                return inputs.off(who(id), first, stamp);
            case 0x80:
                return inputs.off(who(id), first, stamp, second);
            case 0xb0:
                // All notes off, all sound off: of what it holds.
                if (first === 120 || first === 123) return inputs.letGo(who(id));
                if (first < 120) inputs.message(who(id), 'controller', [first, second], stamp);
                return;
            case 0xe0:
                return inputs.message(who(id), 'bend', [first, second], stamp);
            case 0xd0:
                return inputs.message(who(id), 'pressure', [first], stamp);
        }
    }
}

function who(id: string): string {
    return `midi ${id}`;
}

export const devices = new Devices();

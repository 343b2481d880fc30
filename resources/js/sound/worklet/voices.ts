import {
    SoundBankLoader,
    SpessaLog,
    SpessaSynthProcessor,
    type BasicPreset,
    type BasicSample,
    type MIDIPatch,
} from 'spessasynth_core';
import type { Message, Wanted } from '../protocol';

const CHANNELS = 16;
const BLOCK = 128;
const SUSTAIN = 64;
/** Timecents of a soft end: about 30 ms. */
const SOFT = -6000;

/** Parts of the synthesizer that it does not show, and that keeping time and letting go need. */
interface Core {
    currentTime: number;
    voices: Voice[];
}

interface Voice {
    isActive: boolean;
    isInRelease: boolean;
    velocity: number;
    overrideReleaseVolEnv: number;
    volEnv: { attenuationCb: number };
    releaseVoice(now: number): void;
}

interface Presets {
    getPreset(patch: MIDIPatch, system: string): BasicPreset | undefined;
}

/** The synthesizer, kept to the audio clock. */
export class Voices {
    /** The farthest that its own clock stood from the audio clock after a block that it made, in seconds. */
    apart = 0;
    private readonly synth: SpessaSynthProcessor;
    private readonly core: Core;
    private decoder: MessagePort | null = null;
    private readonly decoding = new Map<number, BasicSample>();
    private asked = 0;
    private waiting: { token: number; left: Set<number> }[] = [];

    /** @param warmed told when what was wanted is ready */
    constructor(
        rate: number,
        private readonly warmed: (token: number) => void,
    ) {
        SpessaLog.setLogLevel(false, false, false);
        this.synth = new SpessaSynthProcessor(rate, { maxBufferSize: BLOCK, eventsEnabled: false });
        this.core = (this.synth as unknown as { synthCore: Core }).synthCore;
    }

    async load(bytes: ArrayBuffer, decoder: MessagePort): Promise<void> {
        await this.synth.processorInitialized;
        this.synth.soundBankManager.addSoundBank(SoundBankLoader.fromArrayBuffer(bytes), 'main');
        this.decoder = decoder;
        decoder.onmessage = ({ data }: MessageEvent<{ id: number; audio: Float32Array | null }>) =>
            this.decoded(data.id, data.audio);
    }

    get count(): number {
        return this.synth.voiceCount;
    }

    /**
     * Sets its clock: it counts what it is asked for, and a machine that is late asks for less.
     *
     * @param follows whether the block before was made too
     */
    setClock(seconds: number, follows: boolean): void {
        if (follows) this.apart = Math.max(this.apart, Math.abs(this.core.currentTime - seconds));
        this.core.currentTime = seconds;
    }

    channels(count: number, drums: readonly number[]): void {
        while (this.synth.midiChannels.length < count) {
            this.synth.createMIDIChannel();
            // A new channel has all its controllers at nought, its volume too.
            (this.synth.midiChannels.at(-1) as unknown as { reset: (tell: boolean) => void }).reset(false);
        }
        for (let channel = CHANNELS; channel < count; channel++)
            this.synth.midiChannels[channel]!.setDrums(drums.includes(channel));
    }

    send([channel, status, ...data]: Message): void {
        this.synth.processMessage([(status & 0xf0) | (channel % CHANNELS), ...data], channel - (channel % CHANNELS));
    }

    render(left: Float32Array, right: Float32Array, from: number, count: number): void {
        this.synth.process(left, right, from, count);
    }

    /** Ends all notes as their sound ends, and lets go of the pedals that hold them. */
    endAll(): void {
        for (let channel = 0; channel < this.synth.midiChannels.length; channel++)
            this.send([channel, 0xb0, SUSTAIN, 0]);
        this.synth.stopAllChannels(false);
    }

    cutAll(): void {
        this.synth.stopAllChannels(true);
    }

    /** Softly ends the quietest voices until so many are left; gives how many went. */
    letGo(left: number): number {
        // Those that are let go already sound a little longer.
        const active = this.core.voices.filter((v) => v.isActive && v.overrideReleaseVolEnv !== SOFT);
        const going = active.sort((a, b) => importance(a) - importance(b)).slice(0, Math.max(0, active.length - left));
        for (const voice of going) {
            voice.overrideReleaseVolEnv = SOFT;
            voice.isInRelease = false;
            voice.releaseVoice(this.core.currentTime);
        }
        return going.length;
    }

    /** Has the samples for notes decoded elsewhere, before they are struck. */
    warm(token: number, wanted: readonly Wanted[]): void {
        const samples = new Set<BasicSample>();
        for (const { program, drums, strikes } of wanted) {
            const patch = { program, bankMSB: 0, bankLSB: 0, isGMGSDrum: drums };
            const preset = (this.synth.soundBankManager as unknown as Presets).getPreset(patch, 'gs');
            for (const strike of strikes)
                for (const { sample } of preset?.getVoiceParameters(strike >> 7, strike & 127) ?? [])
                    if (sample.isCompressed && !(sample as unknown as { audioData?: unknown }).audioData)
                        samples.add(sample);
        }
        const left = new Set([...samples].map((sample) => this.decode(sample)));
        if (left.size === 0) this.warmed(token);
        else this.waiting.push({ token, left });
    }

    private decode(sample: BasicSample): number {
        for (const [id, known] of this.decoding) if (known === sample) return id;
        const id = ++this.asked;
        this.decoding.set(id, sample);
        const bytes = (sample as unknown as { compressedData: Uint8Array }).compressedData.slice();
        this.decoder!.postMessage({ id, bytes }, [bytes.buffer]);
        return id;
    }

    private decoded(id: number, audio: Float32Array | null): void {
        const sample = this.decoding.get(id);
        this.decoding.delete(id);
        // What cannot be read is read again where it is struck, and stays silent there.
        if (sample && audio && sample.isCompressed) sample.setAudioData(audio, sample.sampleRate);
        for (const one of this.waiting) if (one.left.delete(id) && one.left.size === 0) this.warmed(one.token);
        this.waiting = this.waiting.filter((one) => one.left.size > 0);
    }
}

function importance(voice: Voice): number {
    return (voice.isInRelease ? -100 : 0) + voice.velocity / 25 - voice.volEnv.attenuationCb / 200;
}

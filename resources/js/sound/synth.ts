import { WorkletSynthesizer } from 'spessasynth_lib';

const CHANNELS = 16;
const BLOCK = 128;
/** Time constants of fading out, in seconds. */
const FADE = 0.08;
const SHARP_FADE = 0.004;
/** Hertz and seconds of the metronome. */
const ACCENT = 1760;
const BEAT = 1175;
const CLICK_LENGTH = 0.05;

/** The synthesizer: loaded when it is first needed, in an audio worklet of its own, with the bank that ships. */
export class Synth {
    readonly context: AudioContext;
    private readonly analyser: AnalyserNode;
    private readonly output: GainNode;
    /** The synthesizer acts at the start of a block of samples: half a block early, the mean error is none. */
    private readonly lead: number;
    private readonly samples = new Float32Array(1024);

    private constructor(
        context: AudioContext,
        private readonly synth: WorkletSynthesizer,
    ) {
        this.context = context;
        this.analyser = context.createAnalyser();
        this.analyser.fftSize = this.samples.length;
        this.output = context.createGain();
        this.lead = BLOCK / 2 / context.sampleRate;
        synth.connect(this.output);
        this.output.connect(this.analyser);
        this.analyser.connect(context.destination);
    }

    static async load(context: AudioContext): Promise<Synth> {
        const [bank] = await Promise.all([
            fetch('/sound/bank.sf3').then((r) =>
                r.ok
                    ? r.arrayBuffer()
                    : Promise.reject(new Error('The sound bank is missing; build the application again.')),
            ),
            context.audioWorklet.addModule('/sound/processor.js'),
        ]);
        const worklet = new WorkletSynthesizer(context);
        // Connected at once: its clock starts with it but goes on only while it is asked for sound, and one that lags
        // would begin notes late, even after they were ended.
        const synth = new Synth(context, worklet);
        await worklet.isReady;
        await worklet.soundBankManager.addSoundBank(bank, 'main');
        return synth;
    }

    /** Makes sure that there are so many channels; those from 16 on are drums where `drums` says so. */
    channels(count: number, drums: (channel: number) => boolean): void {
        while (this.synth.channelCount < count) this.synth.addNewChannel();
        for (let channel = CHANNELS; channel < count; channel++)
            this.synth.midiChannels[channel]?.setDrums(drums(channel));
    }

    /** Sends a channel message, at a time of the audio clock in seconds, or now. */
    send(channel: number, status: number, data: number[], time?: number): void {
        this.synth.sendMessage(
            [(status & 0xf0) | (channel % CHANNELS), ...data],
            Math.floor(channel / CHANNELS) * CHANNELS,
            this.when(time),
        );
    }

    on(channel: number, pitch: number, velocity: number, time?: number): void {
        this.synth.noteOn(channel, pitch, velocity, this.when(time));
    }

    off(channel: number, pitch: number, time?: number): void {
        this.synth.noteOff(channel, pitch, this.when(time));
    }

    /**
     * A beat of the metronome: a short tick of two pitches, the first beat of a bar higher and louder.
     *
     * @param loud 0 to 1
     */
    click(time: number, accent: boolean, loud: number): void {
        const tone = this.context.createOscillator();
        const gain = this.context.createGain();
        const at = Math.max(time, this.context.currentTime);
        tone.type = 'triangle';
        tone.frequency.value = accent ? ACCENT : BEAT;
        gain.gain.setValueAtTime(loud * (accent ? 0.6 : 0.35), at);
        gain.gain.exponentialRampToValueAtTime(1e-4, at + CLICK_LENGTH);
        tone.connect(gain).connect(this.output);
        tone.start(at);
        tone.stop(at + CLICK_LENGTH);
    }

    /** Lets sound out, from a time of the audio clock on. */
    open(at: number): void {
        this.output.gain.cancelScheduledValues(this.context.currentTime);
        this.output.gain.setValueAtTime(1, at);
    }

    private when(time: number | undefined): { time: number } | undefined {
        return time === undefined ? undefined : { time: time - this.lead };
    }

    /**
     * Ends everything: notes, pedals that hold them, and after a moment the room's echo. `sharp` lets nothing more
     * out at once, for what was handed over for the near future cannot be called back.
     */
    silence(sharp: boolean): void {
        for (let channel = 0; channel < this.synth.channelCount; channel++) this.send(channel, 0xb0, [64, 0]);
        this.synth.stopAll(true);
        const { gain } = this.output;
        gain.cancelScheduledValues(this.context.currentTime);
        gain.setTargetAtTime(0, this.context.currentTime, sharp ? SHARP_FADE : FADE);
    }

    /** The loudest sample of the last moment, 0 to 1 (or over). */
    level(): number {
        this.analyser.getFloatTimeDomainData(this.samples);
        let peak = 0;
        for (const s of this.samples) peak = Math.max(peak, Math.abs(s));
        return peak;
    }
}

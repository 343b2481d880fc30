import decoderUrl from './decoder?worker&url';
import workletUrl from './worklet/processor?worker&url';
import type { Count, FromSound, Message, Plan, Strike, ToSound, Wanted } from './protocol';

const BANK = '/sound/bank.sf3';

/** What the sound tells: where song time and audio time meet, that the song is over, that voices were let go. */
export interface SynthListener {
    met: (at: number, seconds: number) => void;
    ended: () => void;
    letGo: (voices: number) => void;
}

/** The page's side of the sound: it is made in a thread of its own, which keeps the time. */
export class Synth {
    private readonly analyser: AnalyserNode;
    private readonly samples = new Float32Array(1024);
    private readonly asked = new Map<string, ((message: FromSound) => void)[]>();
    private readonly warming = new Map<number, () => void>();
    private tokens = 0;
    /** What was asked for already: program and drums, then pitch and velocity. */
    private readonly warm = new Map<string, Set<number>>();

    private constructor(
        readonly context: AudioContext,
        private readonly node: AudioWorkletNode,
        private readonly listener: SynthListener,
    ) {
        this.analyser = context.createAnalyser();
        this.analyser.fftSize = this.samples.length;
        node.connect(this.analyser);
        this.analyser.connect(context.destination);
        node.port.onmessage = ({ data }: MessageEvent<FromSound>) => this.hear(data);
    }

    /**
     * Fetches the bank and starts the thread.
     *
     * @param progress told the share that is there, 0 to 1
     * @throws Error where the bank is missing or cannot be read
     */
    static async load(
        context: AudioContext,
        listener: SynthListener,
        progress: (share: number) => void,
    ): Promise<Synth> {
        const [bytes] = await Promise.all([fetchBank(progress), context.audioWorklet.addModule(workletUrl)]);
        const synth = new Synth(
            context,
            new AudioWorkletNode(context, 'jactonic-sound', { numberOfInputs: 0, outputChannelCount: [2] }),
            listener,
        );
        const { port1, port2 } = new MessageChannel();
        new Worker(decoderUrl, { type: 'module' }).postMessage(port1, [port1]);
        const answer = synth.answer('ready', 'failed');
        synth.tell({ kind: 'bank', bytes, decoder: port2 }, [bytes, port2]);
        const ready = await answer;
        if (ready.kind === 'failed') throw new Error(`The sound bank cannot be read: ${ready.why}`);
        return synth;
    }

    private tell(message: ToSound, transfer: Transferable[] = []): void {
        this.node.port.postMessage(message, transfer);
    }

    private answer(...kinds: FromSound['kind'][]): Promise<FromSound> {
        return new Promise((resolve) => {
            for (const kind of kinds) this.asked.set(kind, [...(this.asked.get(kind) ?? []), resolve]);
        });
    }

    private hear(message: FromSound): void {
        for (const resolve of this.asked.get(message.kind) ?? []) resolve(message);
        this.asked.delete(message.kind);
        if (message.kind === 'began' || message.kind === 'round') this.listener.met(message.at, message.seconds);
        else if (message.kind === 'ended') this.listener.ended();
        else if (message.kind === 'let-go') this.listener.letGo(message.voices);
        else if (message.kind === 'warmed') this.warming.get(message.token)?.();
    }

    /** Makes sure that there are so many channels; those from 16 on are drums where they are among these. */
    channels(count: number, drums: number[]): void {
        this.tell({ kind: 'channels', count, drums });
    }

    /** Has notes ready before they are struck; resolves when they are. */
    async have(wanted: readonly Wanted[]): Promise<void> {
        const missing: Wanted[] = [];
        for (const { program, drums, strikes } of wanted) {
            const key = `${program} ${drums}`;
            const known = this.warm.get(key) ?? new Set();
            this.warm.set(key, known);
            const left = strikes.filter((s) => !known.has(s));
            for (const s of left) known.add(s);
            if (left.length > 0) missing.push({ program, drums, strikes: left });
        }
        if (missing.length > 0) {
            const token = ++this.tokens;
            const done = new Promise<void>((resolve) => this.warming.set(token, resolve));
            this.tell({ kind: 'warm', token, wanted: missing });
            void done.then(() => this.warming.delete(token));
            this.pending = Promise.all([this.pending, done]);
        }
        await this.pending;
    }
    private pending: Promise<unknown> = Promise.resolve();

    plan(plan: Plan): void {
        this.tell({ kind: 'plan', plan });
    }

    /** Plays from a moment of the song; gives the audio time at which that is heard. */
    async play(from: number, chase: Message[], count: Count | null): Promise<number> {
        const began = this.answer('began');
        this.tell({ kind: 'play', from, chase, count });
        return ((await began) as { at: number }).at;
    }

    stop(): void {
        this.tell({ kind: 'stop' });
    }

    metronome(on: boolean, level: number): void {
        this.tell({ kind: 'metronome', on, level });
    }

    /** Clicks by themselves; gives the audio time of the first. */
    async count(count: Count): Promise<number> {
        const counts = this.answer('counts');
        this.tell({ kind: 'count', count });
        return ((await counts) as { at: number }).at;
    }

    /** Sends channel messages at once. */
    send(...messages: Message[]): void {
        this.tell({ kind: 'send', messages });
    }

    /** Sounds notes for a moment; those tried before end. */
    try(strikes: Strike[]): void {
        this.tell({ kind: 'try', strikes });
    }

    /** The loudest sample of the last moment, 0 to 1 (or over). */
    level(): number {
        this.analyser.getFloatTimeDomainData(this.samples);
        let peak = 0;
        for (const s of this.samples) peak = Math.max(peak, Math.abs(s));
        return peak;
    }
}

async function fetchBank(progress: (share: number) => void): Promise<ArrayBuffer> {
    const answer = await fetch(BANK);
    if (!answer.ok || !answer.body) throw new Error('The sound bank is missing; build the application again.');
    const total = Number(answer.headers.get('Content-Length')) || 0;
    const pieces: Uint8Array[] = [];
    let got = 0;
    const reader = answer.body.getReader();
    for (;;) {
        const { done, value } = await reader.read();
        if (done) break;
        pieces.push(value);
        got += value.length;
        if (total > 0) progress(got / total);
    }
    const bytes = new Uint8Array(got);
    let at = 0;
    for (const piece of pieces) {
        bytes.set(piece, at);
        at += piece.length;
    }
    return bytes.buffer;
}

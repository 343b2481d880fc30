/** What stands in the scope of an audio worklet. */
declare class AudioWorkletProcessor {
    readonly port: MessagePort;
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void;
declare const currentFrame: number;
declare const sampleRate: number;

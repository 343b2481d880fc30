import { StbVorbis } from 'stb-vorbis';

/** The highest that a sample of sixteen bits can be. */
const HIGHEST = 0.999969482421875;

/** Decodes samples of the bank away from the thread that makes the sound, which must not be held up. */
async function decode(bytes: Uint8Array<ArrayBuffer>): Promise<Float32Array | null> {
    await StbVorbis.ready;
    try {
        const audio = StbVorbis.decode(bytes).channels[0] ?? null;
        if (audio) for (let i = 0; i < audio.length; i++) audio[i] = Math.max(-1, Math.min(audio[i]!, HIGHEST));
        return audio;
    } catch {
        return null;
    }
}

self.onmessage = ({ data: port }: MessageEvent<MessagePort>) => {
    port.onmessage = async ({ data }: MessageEvent<{ id: number; bytes: Uint8Array<ArrayBuffer> }>) => {
        const audio = await decode(data.bytes);
        port.postMessage({ id: data.id, audio }, audio ? [audio.buffer] : []);
    };
};

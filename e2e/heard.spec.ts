import { expect, test, type Page } from '@playwright/test';
import { bring, type SongJson } from './support';
import { done, told, watchSound } from './listen';

/** A channel message with the second at which it is due. */
type Message = [seconds: number, ...bytes: number[]];

/** 96 ticks to the quarter: notes on two channels, a pedal, a bend, and a tempo that doubles at the second beat. */
const EVENTS: [tick: number, ...bytes: number[]][] = [
    [0, 0xff, 0x51, 3, 0x07, 0xa1, 0x20],
    [0, 0xc0, 4],
    [0, 0xc1, 32],
    [10, 0x90, 60, 80],
    [12, 0x91, 36, 90],
    [24, 0xb0, 64, 127],
    [50, 0x80, 60, 64],
    [60, 0x90, 64, 70],
    [72, 0xe0, 0, 80],
    [90, 0x81, 36, 64],
    [96, 0xff, 0x51, 3, 0x03, 0xd0, 0x90],
    [100, 0x90, 67, 75],
    [130, 0xb0, 64, 0],
    [140, 0xe0, 0, 64],
    [150, 0x80, 64, 64],
    [200, 0x80, 67, 64],
    [210, 0x90, 72, 100],
    [300, 0x80, 72, 64],
];

function file(): Buffer {
    let last = 0;
    const body = EVENTS.flatMap(([tick, ...bytes]) => {
        const delta = tick - last;
        last = tick;
        return [...(delta > 127 ? [(delta >> 7) | 128, delta & 127] : [delta]), ...bytes];
    });
    const head = Buffer.from('4d546864000000060000000100604d54726b00000000', 'hex');
    body.push(0, 0xff, 0x2f, 0);
    head.writeUInt32BE(body.length, 18);
    return Buffer.concat([head, Buffer.from(body)]);
}

/** What a MIDI file says: its channel messages in seconds, those of all tracks together. */
function played(data: Buffer): Message[] {
    const ppq = data.readUInt16BE(12);
    const all: { tick: number; bytes: number[] }[] = [];
    for (let at = 14; at < data.length;) {
        const end = at + 8 + data.readUInt32BE(at + 4);
        let [tick, status] = [0, 0];
        at += 8;
        const quantity = (): number => {
            let n = 0;
            for (;;) {
                const byte = data[at++]!;
                n = (n << 7) | (byte & 127);
                if (byte < 128) return n;
            }
        };
        while (at < end) {
            tick += quantity();
            if (data[at]! >= 0x80) status = data[at++]!;
            if (status === 0xff) {
                const kind = data[at++]!;
                const length = quantity();
                if (kind === 0x51) all.push({ tick, bytes: [0xff, data.readUIntBE(at, 3)] });
                at += length;
            } else {
                const length = (status & 0xe0) === 0xc0 ? 1 : 2;
                all.push({ tick, bytes: [status, ...data.subarray(at, at + length)] });
                at += length;
            }
        }
    }
    all.sort((a, b) => a.tick - b.tick);
    let [seconds, last, tempo] = [0, 0, 500_000];
    const out: Message[] = [];
    for (const { tick, bytes } of all) {
        seconds += ((tick - last) * tempo) / ppq / 1e6;
        last = tick;
        if (bytes[0] === 0xff) tempo = bytes[1]!;
        else out.push([seconds, ...bytes]);
    }
    return out;
}

/** What counts of a message: a note-on of velocity 0 is a note-off, and the velocity of that is not played. */
function plain([seconds, status, ...data]: Message): [bytes: string, seconds: number] {
    const off = (status! & 0xf0) === 0x80 || ((status! & 0xf0) === 0x90 && data[1] === 0);
    return [(off ? [0x80 | (status! & 15), data[0]] : [status, ...data]).join(' '), seconds];
}

/** In an order that does not hang on when exactly each was. */
function sorted(all: Message[]): [string, number][] {
    return all.map(plain).sort(([a, at], [b, bt]) => (a === b ? at - bt : a < b ? -1 : 1));
}

async function edit(page: Page, song: SongJson, commands: unknown[]): Promise<void> {
    const { revision } = (await (await page.request.get(`/api/songs/${song.id}`)).json()) as SongJson;
    const answer = await page.request.post(`/api/songs/${song.id}/edits`, { data: { base: revision, do: commands } });
    expect(answer.status(), await answer.text()).toBe(200);
}

test('the player plays what a saved file holds, to the millisecond: with notes and parts muted and parts moved', async ({
    page,
}) => {
    const song = await bring(page, file());
    const last = song.tracks.findLast((t) => t.parts.length > 0)!;
    const [first, second] = song.tracks.filter((t) => t.parts.length > 0).map((t) => t.parts[0]!);
    await edit(page, song, [
        { edit: 'mute', on: { part: first!.id, notes: [first!.notes.find((n) => n[3] === 64)![0]] } },
        { edit: 'part-move', on: { parts: [second!.id] }, params: { steps: 1, by: { unit: 'ticks', amount: 120 } } },
        { edit: 'part-new', on: { tracks: [last.id] } },
    ]);
    const made = (await (await page.request.get(`/api/songs/${song.id}`)).json()) as SongJson;
    const third = made.tracks.find((t) => t.id === last.id)!.parts.find((p) => p.id !== second!.id)!;
    await edit(page, song, [
        {
            edit: 'insert',
            on: { part: third.id, notes: [] },
            params: { notes: [{ start: 400, length: 99, pitch: 50, velocity: 60 }] },
        },
        { edit: 'part-mute', on: { parts: [third.id] } },
    ]);
    const saved = played(await (await page.request.get(`/api/songs/${song.id}/file`)).body());

    await watchSound(page);
    await page.addInitScript(() => localStorage.setItem('jactonic.hear', 'off'));
    await page.goto(`/songs/${song.id}/parts/${first!.id}`);
    await expect(page.getByTestId('roll')).toHaveAttribute('data-drawn', /^\d/);
    await page.keyboard.press('Home');
    await page.keyboard.press('Space');
    const heard = async (): Promise<Message[]> =>
        (await done(page)).flatMap(([at, m]) =>
            typeof m === 'string' ? [] : [[at, m[1]! | (m[0]! & 15), ...m.slice(2)]],
        );
    await expect.poll(async () => (await heard()).filter(([, s, p]) => s === 0x80 && p === 72).length).toBe(1);
    await page.keyboard.press('Space');

    const sounding = sorted(saved.filter(([seconds]) => seconds > 0));
    // What stands before the first tick is put in place early; stopping lets all go.
    const [begun] = (await told(page)).filter((t) => t.kind === 'began');
    const due = sorted(
        (await heard())
            .map(([at, ...bytes]): Message => [at - begun!.at!, ...bytes])
            .filter(([seconds, , controller]) => seconds > 1e-4 && controller !== 123),
    );
    expect(due.map(([bytes]) => bytes)).toEqual(sounding.map(([bytes]) => bytes));
    due.forEach(([, seconds], i) => expect(Math.abs(seconds - sounding[i]![1])).toBeLessThan(0.0005));
    // And it was no empty file: five notes, one of them muted, and four points.
    const kinds = sounding.map(([bytes]) => Number(bytes.split(' ')[0]) & 0xf0);
    expect(kinds.filter((k) => k === 0x90)).toHaveLength(4);
    expect(kinds.filter((k) => k === 0xb0 || k === 0xe0)).toHaveLength(4);
});

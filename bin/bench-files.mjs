// Files that the bench brings in.

/** A MIDI file of so many notes, sixteenths a little off the grid, four at a time. */
export function midi(count, program = 0) {
    const body = [0, 0xc0, program];
    let seed = 7;
    const random = (n) => (seed = (seed * 1103515245 + 12345) % 2147483648) % n;
    const events = [];
    for (let i = 0; i < count; i++) {
        const start = Math.max(0, Math.floor(i / 4) * 24 + random(9) - 4);
        events.push([start, 0x90, 40 + ((i * 7) % 48), 50 + random(60)], [start + 8 + random(12), 0x80, 40 + ((i * 7) % 48), 64]);
    }
    events.sort((a, b) => a[0] - b[0]);
    return track(events, body);
}

export function track(events, body) {
    let last = 0;
    for (const [at, ...bytes] of events) {
        let delta = at - last;
        last = at;
        const quantity = [delta & 127];
        while ((delta >>= 7)) quantity.unshift((delta & 127) | 128);
        body.push(...quantity, ...bytes);
    }
    body.push(0, 255, 47, 0);
    const head = Buffer.from('4d54686400000006000100010060' + '4d54726b00000000', 'hex');
    head.writeUInt32BE(body.length, 18);
    return Buffer.concat([head, Buffer.from(body)]);
}

/** Two files of one track as one of two. */
export function joined(a, b) {
    const head = Buffer.from(a.subarray(0, 14));
    head.writeUInt16BE(1, 8);
    head.writeUInt16BE(2, 10);
    return Buffer.concat([head, a.subarray(14), b.subarray(14)]);
}

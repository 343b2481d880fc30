// Started by bin/soak: soak.mjs PORT MINUTES STEPS. Ends with 1 where anything acknowledged was lost or was done twice.
import { spawn } from 'node:child_process';
import { readFileSync, readdirSync, statSync } from 'node:fs';

const [port, minutes, most] = process.argv.slice(2).map(Number);
const base = `http://127.0.0.1:${port}`;
const EVERY_KILL = 400;
let seed = 11;
const random = (n) => (seed = (seed * 1103515245 + 12345) % 2147483648) % n;
let server;

async function start() {
    server = spawn('php', [...process.env.PHP_FAST.split(' '), '-d', 'memory_limit=1G', '-S', `127.0.0.1:${port}`, '-t', 'public', 'bin/router.php'], { env: { ...process.env, PHP_CLI_SERVER_WORKERS: '2' }, stdio: 'ignore', detached: true });
    for (let i = 0; i < 200; i++) {
        if (await fetch(`${base}/api/alive`).then((r) => r.ok, () => false)) return;
        await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error('The server does not answer.');
}

const kill = () => process.kill(-server.pid, 'SIGKILL');

/** Memory of the server's processes, in MB. */
function memory() {
    let pages = 0;
    for (const pid of readdirSync('/proc').filter((p) => /^\d+$/.test(p))) {
        try {
            if (readFileSync(`/proc/${pid}/stat`, 'utf8').split(' ')[4] === String(server.pid)) pages += Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]);
        } catch {
            // It is gone meanwhile.
        }
    }
    return (pages * 4096) / 1e6;
}

async function ask(method, path, body) {
    const answer = await fetch(`${base}/api/${path}`, { method, headers: { 'Content-Type': 'application/json' }, body: body && JSON.stringify(body) });
    return { status: answer.status, body: answer.status === 204 ? null : await answer.json() };
}

function command(part) {
    const on = { part, pick: random(3) ? { pitch: { min: 40 + random(40) } } : { all: true } };
    return [
        { edit: 'transpose', on, params: { semitones: random(5) - 2 } },
        { edit: 'velocity-add', on, params: { amount: random(21) - 10 } },
        { edit: 'quantize', on, params: { grid: ['1/8', '1/16', '1/8T'][random(3)], strength: 50 } },
        { edit: 'humanize', on, params: { seed: random(1e6) } },
        { edit: 'mute', on, params: { state: 'toggle' } },
        { edit: 'as-played', on },
    ][random(6)];
}

await start();
const made = (await ask('POST', 'songs', { name: 'Soak' })).body;
const [id, part] = [made.song.id, made.part];
let { revision } = (await ask('GET', `songs/${id}`)).body;
const notes = Array.from({ length: 400 }, (_, i) => ({ start: i * 240 + random(40), length: 200, pitch: 40 + random(40), velocity: 40 + random(60) }));
revision = (await ask('POST', `songs/${id}/edits`, { base: revision, do: [{ edit: 'insert', on: { part, notes: [] }, params: { notes } }] })).body.revision;

const begun = Date.now();
let steps = 0, kills = 0, refused = 0, lost = 0, told = 0;
const file = () => ['', '-wal'].reduce((sum, end) => sum + (() => { try { return statSync(`storage/soak.sqlite${end}`).size; } catch { return 0; } })(), 0) / 1e6;
console.log('minutes   steps  kills  memory MB  file MB');
while (Date.now() - begun < minutes * 60_000 && steps < most) {
    const key = `soak-${steps}-${kills}`;
    const [path, body] = random(12) === 0 ? [random(2) ? 'undo' : 'redo', { times: 1 + random(5) }] : ['edits', { do: [command(part)] }];
    const dies = steps % EVERY_KILL === EVERY_KILL - 1;
    if (dies) setTimeout(kill, random(12));
    const answer = await ask('POST', `songs/${id}/${path}`, { base: revision, key, ...body }).catch(() => null);
    if (dies) {
        kills++;
        await new Promise((resolve) => setTimeout(resolve, 40));
        await start();
        const now = (await ask('GET', `songs/${id}`)).body.revision;
        // What was answered is there; what was not is there whole or not at all, and is not done again.
        const acknowledged = answer?.status === 200 ? answer.body.revision : revision;
        if (now < acknowledged || now > acknowledged + 1) lost++;
        if (!answer) {
            const again = await ask('POST', `songs/${id}/${path}`, { base: revision, key, ...body });
            const after = again.status === 200 ? again.body.revision : again.body.catchUp?.revision ?? now;
            if (after > revision + 1) lost++;
            revision = after;
        } else revision = answer.body.revision ?? now;
    } else if (answer?.status === 200) revision = answer.body.revision;
    else if (answer?.status === 422) refused++;
    else lost++;
    steps++;
    if (Date.now() - begun > told * 60_000 || steps === most) {
        console.log(`${String(told++).padStart(7)} ${String(steps).padStart(7)} ${String(kills).padStart(6)} ${memory().toFixed(0).padStart(10)} ${file().toFixed(1).padStart(8)}`);
    }
}
const all = (await ask('GET', `songs/${id}/steps`)).body.all;
kill();
console.log(`${steps} steps asked for, ${refused} refused as they should be, ${all} kept; the server killed ${kills} times; lost or done twice: ${lost}.`);
process.exit(lost === 0 ? 0 : 1);

// Clients that use a running server at once: node bin/support/load.mjs ADDRESS CLIENTS SECONDS [--study] [PROCESS…]
// Prints, as JSON, how long answers took by kind, how many were refused, and the memory of those processes with what they began (each by its share of what they share).
import { readFileSync } from 'node:fs';

const study = process.argv.includes('--study');
const [address, clients, seconds, ...processes] = process.argv.slice(2).filter((each) => each !== '--study');
const headers = { 'Content-Type': 'application/json' };
const document = readFileSync('database/demo/heron-wharf.brookstone.json', 'utf8');
const took = {};
const refused = [];

async function ask(kind, method, path, body) {
    const start = performance.now();
    const response = await fetch(`${address}/api/${path}`, {
        method,
        headers,
        body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    });
    const text = await response.text();
    (took[kind] ??= []).push(performance.now() - start);
    if (!response.ok) refused.push(`${kind}: ${response.status} ${text.slice(0, 120)}`);
    return response.ok && text !== '' ? JSON.parse(text) : {};
}

/** What somebody does at the bench, in an order that each client has for itself: mostly looking and turning one number, now and then something larger. */
async function client(number, until) {
    let build = await ask('import', 'POST', 'builds/import', document);
    const mass = () => 400 + Math.floor(200 * random());
    let seed = number + 1;
    const random = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
    const change = () => ({ version: build.version, changes: [{ path: 'motions.1.mechanism.mass_kg', text: String(mass()), unit: 'g' }] });
    const acts = [
        [6, () => ask('read', 'GET', `builds/${build.id}`)],
        [2, () => ask('shelf', 'GET', 'builds')],
        [
            5,
            async () => {
                build = await ask('edit', 'POST', `builds/${build.id}/edits`, change());
            },
        ],
        [3, () => ask('try', 'POST', `builds/${build.id}/try`, change())],
        [2, () => ask('judgement', 'GET', `builds/${build.id}/judgement`)],
        [2, () => ask('run', 'POST', `builds/${build.id}/routines/harbour-show/run`, { scenario: 'visitor' })],
        [1, () => ask('rank', 'GET', `builds/${build.id}/motions/drawbridge/drives`)],
    ];
    const all = acts.reduce((sum, [weight]) => sum + weight, 0);
    while (performance.now() < until) {
        let at = random() * all;
        const [, act] = acts.find(([weight]) => (at -= weight) < 0);
        await act();
        await new Promise((done) => setTimeout(done, 300 * random())); // a hand takes its time
    }
    await ask('delete', 'DELETE', `builds/${build.id}`, '{}');
}

/** Every fault of a routine is tried, one time after another, by what works beside the pages. */
async function studies(until) {
    const build = await ask('import', 'POST', 'builds/import', document);
    let done = 0;
    while (performance.now() < until) {
        let { id, state } = await ask('study', 'POST', `builds/${build.id}/studies`, { kind: 'faults', routine: 'harbour-show', scenario: 'visitor' });
        while (performance.now() < until && !['done', 'failed', 'cancelled'].includes(state)) {
            await new Promise((next) => setTimeout(next, 500));
            ({ state } = await ask('study', 'GET', `studies/${id}`));
        }
        done += state === 'done' ? 1 : 0;
    }
    return done;
}

const read = (path) => {
    try {
        return readFileSync(path, 'utf8');
    } catch {
        return ''; // it has ended since
    }
};
const memory_MB = () => {
    const all = processes.flatMap((pid) => [pid, ...read(`/proc/${pid}/task/${pid}/children`).trim().split(' ')]).filter(Boolean);
    return Math.round(all.reduce((sum, pid) => sum + Number(/^Pss:\s+(\d+)/m.exec(read(`/proc/${pid}/smaps_rollup`))?.[1] ?? 0), 0) / 1024);
};

const before = memory_MB();
const until = performance.now() + 1000 * seconds;
const middle = new Promise((done) => setTimeout(() => done(memory_MB()), 500 * seconds));
const [swept] = await Promise.all([study ? studies(until) : 0, ...Array.from({ length: Number(clients) }, (_, i) => client(i, until))]);
const round = (value) => Math.round(value);
const of = (times) => {
    const sorted = [...times].sort((a, b) => a - b);
    const share = (part) => round(sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))]);
    return { answers: sorted.length, half_ms: share(0.5), most_95_ms: share(0.95), most_99_ms: share(0.99), worst_ms: round(sorted.at(-1)) };
};
console.log(
    JSON.stringify(
        {
            all: of(Object.values(took).flat()),
            kinds: Object.fromEntries(Object.entries(took).map(([kind, times]) => [kind, of(times)])),
            studies: swept,
            refused: refused.length,
            refusals: refused.slice(0, 5),
            memory_MB: { before, middle: await middle, after: memory_MB() },
        },
        null,
        2,
    ),
);

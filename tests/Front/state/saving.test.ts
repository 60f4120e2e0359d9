import { QueryClient } from '@tanstack/react-query';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Edit, StoredBuild } from '../../../resources/js/api/types';
import { draftKey, useDrafts } from '../../../resources/js/state/drafts';
import { Saver, useSaving } from '../../../resources/js/state/saving';

interface Sent {
    version: number;
    changes?: Edit[];
    what: string;
}

const UNSAVED = 'brookstone-unsaved:b1';
let sent: Sent[];
let answers: (() => Response)[];
let queries: QueryClient;
let version: number;

const stored = (): StoredBuild => ({ id: 'b1', version }) as StoredBuild;
const reply = (status: number, body: unknown) => new Response(JSON.stringify(body), { status });
const settle = () => vi.waitFor(() => expect(['saved', 'overtaken', 'offline', 'refused']).toContain(useSaving.getState().status), { interval: 1 });

beforeEach(() => {
    sent = [];
    answers = [];
    version = 1;
    localStorage.clear();
    useSaving.getState().set('saved');
    useDrafts.setState({ drafts: {} });
    queries = new QueryClient();
    queries.setQueryDefaults(['build', 'b1'], { queryFn: () => stored() });
    queries.setQueryData(['build', 'b1'], stored());
    vi.stubGlobal('fetch', async (path: string, options: { body: string }) => {
        sent.push({ what: path.split('/').pop()!, ...(JSON.parse(options.body) as { version: number }) });
        const answer = answers.shift();
        if (answer !== undefined) {
            return answer();
        }
        version += 1;
        return reply(200, stored());
    });
});

afterEach(() => {
    vi.unstubAllGlobals();
    vi.useRealTimers();
});

describe('saving', () => {
    it('sends one edit after the other, each on the version that the last one gave', async () => {
        const saver = new Saver('b1', queries);
        saver.edit([{ path: 'name', value: 'A' }]);
        saver.edit([{ path: 'note', value: 'B' }]);
        saver.step('undo');
        await vi.waitFor(() => expect(sent).toHaveLength(3));
        await settle();
        expect(sent.map((each) => [each.what, each.version])).toEqual([
            ['edits', 1],
            ['edits', 2],
            ['undo', 3],
        ]);
        expect(useSaving.getState().status).toBe('saved');
        expect(localStorage.getItem(UNSAVED)).toBeNull();
    });

    it('sends only the last of what was typed into one field meanwhile', async () => {
        const saver = new Saver('b1', queries);
        for (const text of ['5', '50', '500']) {
            saver.edit([{ path: 'motions.0.mechanism.mass_kg', text, unit: 'g' }]);
        }
        await vi.waitFor(() => expect(sent.length).toBeGreaterThanOrEqual(2));
        await settle();
        expect(sent.map((each) => each.changes![0]!.text)).toEqual(['5', '500']);
    });

    it('takes an entry away and puts another in at once, and neither undoes the other', async () => {
        const reads = (list: string[]) => ({ id: 'b1', version, document: { things: list } }) as unknown as StoredBuild;
        answers = [['a'], ['a', 'c'], ['a', 'c', 'd']].map((list) => () => reply(200, reads(list)));
        queries.setQueryData(['build', 'b1'], reads(['a', 'b']));
        const saver = new Saver('b1', queries);
        saver.edit([{ path: 'things', value: ['a'] }]);
        saver.edit([{ path: 'things', value: ['a', 'b', 'c'] }]);
        saver.edit([{ path: 'things', value: ['a', 'b', 'd'] }]);
        await vi.waitFor(() => expect(sent).toHaveLength(3));
        await settle();
        expect(sent.map((each) => each.changes)).toEqual([['a'], ['a', 'c'], ['a', 'c', 'd']].map((value) => [{ path: 'things', value }]));
    });

    it('stops when another window has saved, and puts its own on top when told', async () => {
        answers = [() => reply(409, { message: 'changed elsewhere', errors: [] })];
        const saver = new Saver('b1', queries);
        saver.edit([{ path: 'name', value: 'Mine' }]);
        await vi.waitFor(() => expect(useSaving.getState().status).toBe('overtaken'));
        saver.edit([{ path: 'note', value: 'More of mine' }]);
        expect(sent).toHaveLength(1);
        expect(JSON.parse(localStorage.getItem(UNSAVED)!)).toHaveLength(2);

        version = 7;
        await saver.applyOnTop();
        await vi.waitFor(() => expect(sent).toHaveLength(3));
        await settle();
        expect(sent[1]).toMatchObject({ version: 7, changes: [{ path: 'name', value: 'Mine' }] });
        expect(useSaving.getState().status).toBe('saved');
    });

    it('lets its own go when told', async () => {
        answers = [() => reply(409, { message: 'changed elsewhere', errors: [] })];
        const saver = new Saver('b1', queries);
        saver.edit([{ path: 'name', value: 'Mine' }]);
        await vi.waitFor(() => expect(useSaving.getState().status).toBe('overtaken'));
        await saver.letGo();
        expect(localStorage.getItem(UNSAVED)).toBeNull();
        expect(useSaving.getState().status).toBe('saved');
        saver.edit([{ path: 'name', value: 'Again' }]);
        await vi.waitFor(() => expect(sent).toHaveLength(2));
    });

    it('keeps what could not be sent and tries again', async () => {
        vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
        answers = [
            () => {
                throw new TypeError('no network');
            },
        ];
        const saver = new Saver('b1', queries);
        saver.edit([{ path: 'name', value: 'Kept' }]);
        for (let i = 0; i < 20; i++) await Promise.resolve();
        expect(useSaving.getState().status).toBe('offline');
        expect(localStorage.getItem(UNSAVED)).toContain('Kept');
        await vi.advanceTimersByTimeAsync(2100);
        for (let i = 0; i < 20; i++) await Promise.resolve();
        expect(sent).toHaveLength(2);
        expect(localStorage.getItem(UNSAVED)).toBeNull();
    });

    it('keeps what there was no room for and tries again', async () => {
        vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
        answers = [() => reply(507, { message: 'The disk is full.', errors: [{ field: '', message: 'The disk is full.' }] })];
        const saver = new Saver('b1', queries);
        saver.edit([{ path: 'name', value: 'Kept' }]);
        for (let i = 0; i < 20; i++) await Promise.resolve();
        expect(useSaving.getState()).toMatchObject({ status: 'offline', message: 'The disk is full.' });
        expect(localStorage.getItem(UNSAVED)).toContain('Kept');
        await vi.advanceTimersByTimeAsync(2100);
        for (let i = 0; i < 20; i++) await Promise.resolve();
        expect(sent).toHaveLength(2);
        expect(localStorage.getItem(UNSAVED)).toBeNull();
    });

    it('sends after a reload what was left over', async () => {
        localStorage.setItem(UNSAVED, JSON.stringify([{ kind: 'edit', edits: [{ path: 'name', value: 'From before' }] }]));
        const close = new Saver('b1', queries).open();
        await vi.waitFor(() => expect(sent).toHaveLength(1));
        expect(sent[0]!.changes![0]!.value).toBe('From before');
        await settle();
        close();
    });

    it('puts a refusal at the field that was edited, with what was typed', async () => {
        answers = [() => reply(422, { message: 'x', errors: [{ field: 'motions.0.mechanism.mass_kg', message: 'Must be more.' }] })];
        const saver = new Saver('b1', queries);
        saver.edit([{ path: 'motions.0.mechanism.mass_kg', text: '-3' }]);
        await vi.waitFor(() =>
            expect(useDrafts.getState().drafts[draftKey('b1', 'motions.0.mechanism.mass_kg')]).toEqual({ text: '-3', message: 'Must be more.' }),
        );
        await settle();
        expect(useSaving.getState().status).toBe('saved');

        saver.edit([{ path: 'motions.0.mechanism.mass_kg', text: '3' }]);
        await vi.waitFor(() => expect(useDrafts.getState().drafts).toEqual({}));
    });

    it('says at a box that it may not be ticked, until anything else is saved', async () => {
        answers = [() => reply(422, { message: 'x', errors: [{ field: 'motions.0.task.keeps_turning', message: 'A dial turns on and on.' }] })];
        const saver = new Saver('b1', queries);
        saver.edit([{ path: 'motions.0.task.keeps_turning', value: false }]);
        await vi.waitFor(() => expect(useDrafts.getState().drafts[draftKey('b1', 'motions.0.task.keeps_turning')]?.message).toBe('A dial turns on and on.'));
        await settle();
        expect(useSaving.getState().status).toBe('saved');

        saver.edit([{ path: 'name', value: 'Another' }]);
        await vi.waitFor(() => expect(useDrafts.getState().drafts).toEqual({}));
    });

    it('says at the top what fits no field', async () => {
        answers = [() => reply(422, { message: 'x', errors: [{ field: 'routines.0.steps.1.motion', message: 'There is no motion lid in this build.' }] })];
        const saver = new Saver('b1', queries);
        saver.edit([{ path: 'motions', value: [] }]);
        await vi.waitFor(() => expect(useSaving.getState()).toMatchObject({ status: 'refused', message: 'There is no motion lid in this build.' }));
    });
});

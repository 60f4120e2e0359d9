import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { read, Reader, type Asked, type Read } from '../../../resources/js/routine/reads';

/** Stands in for a thread of its own: answers when it is told to. */
class Beside {
    static all: Beside[] = [];

    onmessage: ((event: { data: Read }) => void) | null = null;

    onerror: (() => void) | null = null;

    asked: Asked[] = [];

    isEnded = false;

    constructor() {
        Beside.all.push(this);
    }

    postMessage(asked: Asked): void {
        this.asked.push(asked);
    }

    answer(): void {
        this.onmessage?.({ data: read(this.asked.shift()!) });
    }

    terminate(): void {
        this.isEnded = true;
    }
}

beforeEach(() => {
    Beside.all = [];
    vi.stubGlobal('Worker', Beside);
});
afterEach(() => vi.unstubAllGlobals());

test('a text is read, and what was refused of it is found in it', () => {
    const text = 'id: a\nname: A\nsteps:\n  - do: wait\n    for_s: -1\n';
    expect(read({ text })).toEqual({ value: { id: 'a', name: 'A', steps: [{ do: 'wait', for_s: -1 }] } });
    expect(read({ text, refused: { errors: [{ field: 'routines.0.steps.0.for_s', message: 'Must be more.' }], base: 'routines.0' } })).toEqual({
        errors: [{ line: 5, column: 12, message: 'steps.0.for_s: Must be more.' }],
    });
    expect(read({ text: 'id: [' })).toHaveProperty('errors');
});

test('a newer text lets an older one go, which is never answered; one after the other is read by the same', async () => {
    const reader = new Reader();
    const answered: string[] = [];
    void reader.ask({ text: 'id: old' }).then(() => answered.push('old'));
    const newer = reader.ask({ text: 'id: new' }).then((got) => {
        answered.push('new');
        return got;
    });
    expect(Beside.all.map((each) => each.isEnded)).toEqual([true, false]);
    Beside.all[1]!.answer();
    expect(await newer).toEqual({ value: { id: 'new' } });
    const third = reader.ask({ text: 'id: third' });
    Beside.all[1]!.answer();
    await third;
    expect(Beside.all).toHaveLength(2);
    expect(answered).toEqual(['new']);
    reader.end();
    expect(Beside.all[1]!.isEnded).toBe(true);
});

test('one that breaks is told, and the next text is read by another', async () => {
    const reader = new Reader();
    const broken = reader.ask({ text: 'id: a' });
    Beside.all[0]!.onerror!();
    await expect(broken).rejects.toThrow('could not be read');
    const next = reader.ask({ text: 'id: b' });
    Beside.all[1]!.answer();
    expect(await next).toEqual({ value: { id: 'b' } });
});

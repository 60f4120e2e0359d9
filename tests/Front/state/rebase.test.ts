import { describe, expect, it } from 'vitest';
import { rebased, valueAt } from '../../../resources/js/state/rebase';

describe('a list that changed meanwhile', () => {
    const nut = { name: 'a nut', x_mm: 0 };
    const bolt = { name: 'a bolt', x_mm: 4 };
    const post = { name: 'a post', x_mm: 9 };

    it.each([
        ['stands as it was to become where nothing has changed', [bolt], [bolt, nut], [bolt], [bolt, nut]],
        ['does not bring back what was taken away', [bolt], [bolt, nut], [], [nut]],
        ['keeps what came in', [bolt], [nut], [bolt, post], [nut, post]],
        ['keeps what came in where it came in', [bolt, nut], [bolt, nut], [post, bolt, nut], [post, bolt, nut]],
        ['puts what came in between its neighbours', [bolt, nut], [bolt, nut, nut], [bolt, post, nut], [bolt, post, nut, nut]],
        ['has what was changed', [bolt, nut], [bolt, nut, post], [bolt, { ...nut, x_mm: 1 }], [bolt, { ...nut, x_mm: 1 }, post]],
        ['has it where it was moved meanwhile', [bolt, nut], [nut, bolt], [bolt, { ...nut, x_mm: 1 }], [{ ...nut, x_mm: 1 }, bolt]],
        ['keeps apart two that are alike, of which one was changed', [nut, bolt, nut], [nut, bolt, nut, post], [nut, bolt, post], [nut, bolt, post, post]],
        ['does not bring back the second of two that are alike', [nut, bolt, nut], [nut, bolt, nut, post], [nut, bolt], [nut, bolt, post]],
        [
            'stands as it was to become where both changed an entry',
            [bolt, nut],
            [bolt, { ...nut, x_mm: 2 }],
            [bolt, { ...nut, x_mm: 1 }],
            [bolt, { ...nut, x_mm: 2 }],
        ],
        ['keeps its new order', [bolt, nut], [nut, bolt], [bolt, nut, post], [nut, bolt, post]],
        ['counts entries that are the same', [nut, nut], [nut], [nut, nut, nut], [nut, nut]],
        ['has an entry that both changed once, by its id', [{ id: 'a', n: 1 }], [{ id: 'a', n: 2 }], [{ id: 'a', n: 3 }], [{ id: 'a', n: 2 }]],
    ])('%s', (_, base, mine, now, wanted) => {
        expect(rebased(base, mine, now)).toEqual(wanted);
    });

    it.each([
        [5, 6, 7, 6],
        [undefined, [nut], [], [nut]],
        [[bolt], [nut], null, [nut]],
        [null, [nut], [bolt], [nut]],
    ])('is as it was to become where there was or is no list (%#)', (base, mine, now, wanted) => {
        expect(rebased(base, mine, now)).toEqual(wanted);
    });

    it('is found by its path', () => {
        const document = { motions: [{ train: [1] }, { train: [2, 3] }] };
        expect(valueAt(document, 'motions.1.train')).toEqual([2, 3]);
        expect(valueAt(document, 'motions.2.train')).toBeUndefined();
        expect(valueAt(undefined, 'motions')).toBeUndefined();
    });
});

/** Lists of letters that are made from one another by chance, the same each time. */
function changed(list: string[], seed: number): string[] {
    const result = [...list];
    for (let i = 0, s = seed; i < 2; i++, s = (s * 1103515245 + 12345) % 2147483648) {
        const at = s % (result.length + 1);
        if (s % 3 === 0) {
            result.splice(at, 1);
        } else {
            result.splice(at, 0, `n${seed}-${i}`);
        }
    }
    return result;
}

it('is what the one made of it where the other changed nothing, and holds what both brought in and left', () => {
    for (let seed = 1; seed < 400; seed++) {
        const base = ['a', 'b', 'a', 'c', 'b'].slice(0, seed % 6);
        const [mine, now] = [changed(base, seed * 7919), changed(base, seed * 104729)];
        expect(rebased(base, mine, base)).toEqual(mine);
        expect(rebased(base, base, now)).toEqual(now);
        const both = rebased(base, mine, now) as string[];
        expect(both).toEqual(expect.arrayContaining(mine.filter((name) => name.startsWith('n'))));
        if (mine.length === base.length + 2) {
            expect(both).toEqual(expect.arrayContaining(now.filter((name) => name.startsWith('n'))));
            expect(both).toHaveLength(now.length + 2);
        }
    }
});

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

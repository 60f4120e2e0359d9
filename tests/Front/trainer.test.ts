import { expect, it } from 'vitest';
import { hard, type Solved } from '../../resources/js/trainer/record';

const one = (kind: string, found: boolean, wrong = 0): Solved => ({ kind, found, measured: 2, wrong });

it('holds for hard what was not found, or only after wrong names, until it was found at once three times', () => {
    expect(hard([])).toEqual([]);
    expect(hard([one('jams', true)])).toEqual([]);
    expect(hard([one('jams', false), one('weak', true, 1), one('slow', true)])).toEqual(['jams', 'weak']);
    expect(hard([one('jams', false), one('jams', true), one('jams', true)])).toEqual(['jams']);
    expect(hard([one('jams', false), one('jams', true), one('jams', true), one('jams', true)])).toEqual([]);
});

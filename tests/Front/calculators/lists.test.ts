import { describe, expect, it } from 'vitest';
import { columns, entries, isNumbers, rows } from '../../../resources/js/calculators/lists';

const gears = {
    type: 'array',
    items: { type: 'object', properties: { teeth: { type: 'integer' }, count: { type: 'integer' }, material: { enum: ['brass'] } } },
};

describe('lists that are typed', () => {
    it('takes numbers apart, and leaves a comma in a number alone', () => {
        expect(entries('8 mm, 11 mm; 14,5 mm\n 20')).toEqual(['8 mm', '11 mm', '14,5 mm', '20']);
        expect(entries('  ')).toEqual([]);
    });
    it('reads rows by lines, with cells by spaces or semicolons', () => {
        expect(rows('20 2\n\n24; 1; printed PLA\n')).toEqual([
            ['20', '2'],
            ['24', '1', 'printed PLA'],
        ]);
    });
    it('knows which list is which', () => {
        expect(isNumbers({ type: 'array', items: { type: 'number' } })).toBe(true);
        expect(isNumbers(gears)).toBe(false);
        expect(columns(gears)!.map(([key]) => key)).toEqual(['teeth', 'count', 'material']);
        expect(columns({ type: 'array', items: { type: 'object', properties: { steps: gears } } })).toBeNull();
        expect(columns({ type: 'number' })).toBeNull();
    });
});

import { describe, expect, it } from 'vitest';
import type { Build } from '../../../resources/js/api/types';
import { changedOverBy, followersOf, isSelected, joining, ownerOf, together } from '../../../resources/js/state/motors';

type Motion = Build['motions'][number];
type Selector = NonNullable<NonNullable<Motion['drive']>['selector']>;

const places = ['rest', 'low', 'high'].map((id) => ({ id, name: id, at: 0 }));
const motion = (id: string, shares: string | null = null, shares_by = 'selector', selector: Selector | null = null) =>
    ({ id, name: id, places, drive: { shares, shares_by, selector, motor: { kind: 'dc_motor' } } }) as unknown as Motion;
const byServo = (place: string): Selector => ({ motion: 'neck', place, other: 'high', tells: 'beam' });

describe('motions on one motor', () => {
    const motions = [motion('sun'), motion('moon', 'sun', 'direction'), motion('star', 'moon', 'direction'), motion('bell'), motion('neck')];

    it('belong to the one that has it, however they name each other', () => {
        expect(motions.map((each) => ownerOf(motions, each.id))).toEqual(['sun', 'sun', 'sun', 'bell', 'neck']);
        expect(followersOf(motions, 'sun').map(({ motion, index }) => [motion.id, index])).toEqual([
            ['moon', 1],
            ['star', 2],
        ]);
        expect(ownerOf([motion('a', 'b'), motion('b', 'a')], 'a')).toBe('a'); // a circle, which the core refuses
    });

    it('go by a selector only where they say so', () => {
        expect(isSelected(motions, 'sun')).toBe(false);
        expect(isSelected([motion('sun'), motion('moon', 'sun')], 'sun')).toBe(true);
        expect(isSelected([motion('sun'), motion('moon', 'sun')], 'bell')).toBe(false);
    });

    it('share it in one way: what joins takes that over, with a place of its own', () => {
        expect(joining(motions, motions[3]!, 'sun', 'motions.3')).toEqual([
            { path: 'motions.3.drive.shares_by', value: 'direction' },
            { path: 'motions.3.drive.selector', value: null },
        ]);
        expect(joining(motions, motions[0]!, 'bell', 'motions.0')).toEqual([]);
        const selected = [motion('sun'), motion('moon', 'sun', 'selector', byServo('rest')), motion('bell'), motion('neck')];
        expect(joining(selected, selected[2]!, 'moon', 'motions.2')[1]).toEqual({
            path: 'motions.2.drive.selector',
            value: { motion: 'neck', place: 'low', other: 'high', tells: null },
        });
    });

    it('are told the same together', () => {
        expect(together(motions, motions[2]!, (_, path) => ({ path: `${path}.shares_by`, value: 'in_turn' }))).toEqual([
            { path: 'motions.1.drive.shares_by', value: 'in_turn' },
        ]);
    });

    it('are changed over by one servo, each at its own place', () => {
        const { own, others } = changedOverBy(motions, motions[2]!, 'neck');
        expect(own).toEqual({ motion: 'neck', place: 'low', other: 'high', tells: null });
        expect(others).toEqual([{ path: 'motions.1.drive.selector', value: { motion: 'neck', place: 'rest', other: 'high', tells: null } }]);
        expect(changedOverBy(motions, motions[1]!, '').own).toEqual({ motion: null, place: null, other: null, tells: null });
    });
});

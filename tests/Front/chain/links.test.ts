import { describe, expect, it } from 'vitest';
import { isStation, labelOf, linkPath, LINKS } from '../../../resources/js/chain/links';

describe('the links of a chain', () => {
    it('go to a page of the motion, or to the one page that the whole build has for it', () => {
        expect(LINKS.map((link) => linkPath('mill', 'lid', link))).toEqual([
            '/builds/mill/motions/lid/task',
            '/builds/mill/motions/lid/load',
            '/builds/mill/motions/lid/drive',
            '/builds/mill/motions/lid/train',
            '/builds/mill/motions/lid/stops',
            '/builds/mill/wiring',
            '/builds/mill/routines',
            '/builds/mill/log',
        ]);
    });

    it('are stations where the motion has a page for them, and nothing else is', () => {
        expect(LINKS.filter(isStation)).toEqual(['task', 'load', 'drive', 'train', 'stops']);
        expect([isStation('routine'), isStation('proof'), isStation('oven'), isStation(undefined)]).toEqual([false, false, false, false]);
    });

    it('each have a word', () => {
        expect(LINKS.map(labelOf)).toEqual(['Task', 'Load', 'Drive', 'Train', 'Stops', 'Wiring', 'Routine', 'Proof']);
    });
});

import { describe, expect, it } from 'vitest';
import { queued, type Line } from '../../../resources/js/rig/queue';

const on = { what: 'sensor', sensor: 'button', is: 'on' };
const off = { what: 'sensor', sensor: 'button', is: 'off' };

describe('what is to be said to the rig', () => {
    it('holds a click that was quicker than its sending for a moment', () => {
        const lines = queued(queued([], on, true), off, true);
        expect(lines.map((line) => line.do)).toEqual(['event', 'step', 'event']);
        expect(lines[1]!.seconds).toBeGreaterThan(0.02);
    });

    it('adds nothing to a press that was sent before, to another sensor, or while it stands still', () => {
        const doing = (lines: Line[]) => lines.map((line) => line.do);
        expect(doing(queued([], off, true))).toEqual(['event']);
        expect(doing(queued(queued([], { ...on, sensor: 'beam' }, true), off, true))).toEqual(['event', 'event']);
        expect(doing(queued(queued([], on, false), off, false))).toEqual(['event', 'event']);
        expect(doing(queued(queued([], on, true), { what: 'power', is: 'off' }, true))).toEqual(['event', 'event']);
    });
});

import { act, createElement } from 'react';
import { createRoot } from 'react-dom/client';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Mishap } from '../../../resources/js/shell/Mishap';

vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true);

function Page({ draws }: { draws: boolean }) {
    if (!draws) throw new Error('no such gear');
    return 'the page';
}

describe('a page that cannot be drawn', () => {
    beforeEach(() => void vi.spyOn(console, 'error').mockImplementation(() => undefined));
    afterEach(() => void vi.restoreAllMocks());

    it('says so and what went wrong, and is tried again at another address alone', () => {
        const at = document.createElement('div');
        const root = createRoot(at);
        const show = (place: string, draws: boolean) => act(() => root.render(createElement(Mishap, { place, children: createElement(Page, { draws }) })));
        show('/a', false);
        expect(at.querySelector('[role=alert]')?.textContent).toContain('This page could not be drawn');
        expect(at.textContent).toContain('no such gear');
        show('/a', true);
        expect(at.textContent).toContain('could not be drawn');
        show('/b', true);
        expect(at.textContent).toBe('the page');
    });
});

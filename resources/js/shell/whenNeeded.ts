import { lazy, type ComponentType } from 'react';

const AT_REST_MS = 1500; // by then the first page has what it shows

/**
 * A page whose program is fetched at once where the address has its word, so that it comes beside what it shows; otherwise when it is first shown, or once
 * the first page has come to rest.
 */
export function whenNeeded(word: string, fetch: () => Promise<ComponentType>) {
    const once = () => fetch().then((page) => ({ default: page }));
    const soon = () => void once().catch(() => undefined); // it is asked for again when it is needed, and says then what is wrong
    const quiet = window.requestIdleCallback ?? ((run: () => void) => setTimeout(run, 500));
    if (window.location.pathname.split('/').includes(word)) {
        soon();
    } else {
        window.addEventListener('load', () => setTimeout(() => quiet(soon), AT_REST_MS), { once: true });
    }
    return lazy(once);
}

import { lazy, type ComponentType } from 'react';

/** A page whose program is fetched when it is first shown, or once the first page has come to rest. */
export function whenNeeded(fetch: () => Promise<ComponentType>) {
    const once = () => fetch().then((page) => ({ default: page }));
    const soon = () => void once().catch(() => undefined); // it is asked for again when it is needed, and says then what is wrong
    const quiet = window.requestIdleCallback ?? ((run: () => void) => setTimeout(run, 500));
    window.addEventListener('load', () => quiet(soon), { once: true });
    return lazy(once);
}

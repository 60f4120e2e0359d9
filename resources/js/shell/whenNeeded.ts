import { createElement, lazy, useState, type ComponentType } from 'react';

const AT_REST_MS = 1500; // by then the first page has what it shows

const wanted: Promise<void>[] = [];

/** Once the programs of the pages that the address names are there, or have failed: what is drawn first then needs no blank in between. */
export function firstPages(): Promise<unknown> {
    return Promise.all(wanted);
}

/**
 * A page whose program is fetched at once where the address has its word, so that it comes beside what it shows; otherwise when it is first shown, or once
 * the first page has come to rest. One that is there already is drawn at once.
 */
export function whenNeeded(word: string, fetch: () => Promise<ComponentType>) {
    let there: ComponentType | null = null;
    const once = () =>
        fetch().then((page) => {
            there = page;
            return { default: page };
        });
    const soon = () =>
        once().then(
            () => undefined,
            () => undefined, // it is asked for again when it is needed, and says then what is wrong
        );
    const quiet = window.requestIdleCallback ?? ((run: () => void) => setTimeout(run, 500));
    if (window.location.pathname.split('/').includes(word)) {
        wanted.push(soon());
    } else {
        window.addEventListener('load', () => setTimeout(() => quiet(() => void soon()), AT_REST_MS), { once: true });
    }
    const later = lazy(once);
    return function Page() {
        const [page] = useState<ComponentType>(() => there ?? later); // the same as long as it is shown
        return createElement(page);
    };
}

import type { LinkName } from '../api/types';

/** The links in the order of the work: the word for each, and the page that it is worked on; its own page of the motion where none is named. */
const PAGES = {
    task: { label: 'Task', page: null },
    load: { label: 'Load', page: null },
    drive: { label: 'Drive', page: null },
    train: { label: 'Train', page: null },
    stops: { label: 'Stops', page: null },
    wiring: { label: 'Wiring', page: 'wiring' },
    routine: { label: 'Routine', page: 'routines' },
    proof: { label: 'Proof', page: 'log' },
} as const satisfies Record<LinkName, { label: string; page: string | null }>;

/** A link that has a page of its own for each motion. */
export type Station = { [Name in LinkName]: (typeof PAGES)[Name]['page'] extends null ? Name : never }[LinkName];

export const LINKS = Object.keys(PAGES) as LinkName[];

export function labelOf(link: LinkName): string {
    return PAGES[link].label;
}

export function isStation(link: string | undefined): link is Station {
    return LINKS.some((name) => name === link && PAGES[name].page === null);
}

/** Where a link of a motion is worked on. */
export function linkPath(build: string, motion: string, link: LinkName): string {
    const { page } = PAGES[link];
    return page === null ? `/builds/${build}/motions/${motion}/${link}` : `/builds/${build}/${page}`;
}

export const MARKER_BG = { yellow: 'bg-yellow', coral: 'bg-coral', sky: 'bg-sky', lilac: 'bg-lilac' } as const;

export const MARKER_COLOR = { yellow: 'var(--color-yellow)', coral: 'var(--color-coral)', sky: 'var(--color-sky)', lilac: 'var(--color-lilac)' } as const;

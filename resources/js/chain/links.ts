import type { LinkName } from '../api/types';

/** The seven links in the order of the work, with the words for them. */
export const LINKS: { name: LinkName; label: string }[] = [
    { name: 'task', label: 'Task' },
    { name: 'load', label: 'Load' },
    { name: 'drive', label: 'Drive' },
    { name: 'train', label: 'Train' },
    { name: 'stops', label: 'Stops' },
    { name: 'routine', label: 'Routine' },
    { name: 'proof', label: 'Proof' },
];

/** Where a link of a motion is worked on. */
export function linkPath(build: string, motion: string, link: LinkName): string {
    return link === 'routine' ? `/builds/${build}/routines` : link === 'proof' ? `/builds/${build}/log` : `/builds/${build}/motions/${motion}/${link}`;
}

export const MARKER_BG = { yellow: 'bg-yellow', coral: 'bg-coral', sky: 'bg-sky', lilac: 'bg-lilac' } as const;

export const MARKER_COLOR = { yellow: 'var(--color-yellow)', coral: 'var(--color-coral)', sky: 'var(--color-sky)', lilac: 'var(--color-lilac)' } as const;

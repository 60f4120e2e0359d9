import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { linkPath } from '../chain/links';
import type { LinkName } from '../api/types';

export interface WalkStep {
    title: string;
    /** One sentence of why; words in brackets are the trade's. */
    why: string;
    /** What to do there. */
    does: string;
    /** The link of the chain that this is about. */
    link: LinkName | null;
    path: (build: string, motion: string) => string;
}

const station = (link: LinkName) => (build: string, motion: string) => linkPath(build, motion, link);

/** The way from a thing that shall move to a sheet for the bench, over the pages where that is done. */
export const STEPS: WalkStep[] = [
    {
        title: 'Task',
        why: 'Everything is computed from what it has to do: from which [place] to which, and how quickly.',
        does: 'Count the time out loud while you move your hand as it should move, and type it.',
        link: 'task',
        path: station('task'),
    },
    {
        title: 'Load',
        why: 'What it weighs and how far that hangs from its axis decides the torque; more than anything else.',
        does: 'Put the part on a kitchen scale, balance it on a pencil, and type both.',
        link: 'load',
        path: station('load'),
    },
    {
        title: 'Drive',
        why: 'A drive needs a [margin] over the worst moment: with its [stall torque] just reached it stands still and burns.',
        does: 'Take one of the list; the first is what your task asks for.',
        link: 'drive',
        path: station('drive'),
    },
    {
        title: 'Train',
        why: 'A [train] trades speed for torque by its [ratio], and loses some in each stage.',
        does: 'Leave it out where the drive has enough by itself; otherwise let one be found.',
        link: 'train',
        path: station('train'),
    },
    {
        title: 'Stops',
        why: 'A [limit switch] must stop it before the [hard stop] does, and it runs on a little after that: its [run-on].',
        does: 'Say where it can go at most, and where its switches are. A [servo] needs none.',
        link: 'stops',
        path: station('stops'),
    },
    {
        title: 'Wiring',
        why: 'Motors draw most at the moment they start: that is when supplies [sag] and wires get warm.',
        does: 'Look at what is proposed: the boards, the pins, the wires.',
        link: 'wiring',
        path: station('wiring'),
    },
    {
        title: 'Routine',
        why: 'A routine says what starts it, what moves, and when it must [give up].',
        does: 'Take a ready one or write the first, then press Play: it is run on the physics of your build.',
        link: 'routine',
        path: station('routine'),
    },
    {
        title: 'Proof',
        why: 'Once it is built, a watch tells whether all this was true: that is the [proof].',
        does: 'Time the first move at the bench and write it down here.',
        link: 'proof',
        path: station('proof'),
    },
    {
        title: 'Sheets',
        why: 'At the bench paper is better than a screen: holes to scale, wires by number, steps in order.',
        does: 'Print what you need. That was the whole way.',
        link: null,
        path: (build) => `/builds/${build}/sheets`,
    },
];

interface Walk {
    build: string | null;
    at: number;
    begin: (build: string) => void;
    go: (at: number) => void;
    end: () => void;
}

/** The walk goes on where it was, also after a reload. */
export const useWalk = create<Walk>()(
    persist(
        (set) => ({
            build: null,
            at: 0,
            begin: (build) => set({ build, at: 0 }),
            go: (at) => set({ at: Math.max(0, Math.min(STEPS.length - 1, at)) }),
            end: () => set({ build: null, at: 0 }),
        }),
        { name: 'brookstone-walk' },
    ),
);

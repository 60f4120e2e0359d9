import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** How one case went. */
export interface Solved {
    /** Of the fault. */
    kind: string;
    found: boolean;
    measured: number;
    /** Faults that were named and were not it. */
    wrong: number;
}

const KEPT = 200;

const ENOUGH = 3; // of one kind, found at once each time, and it is hard no more

interface Record {
    solved: Solved[];
    add: (one: Solved) => void;
}

/** What was practised, kept with the browser. */
export const useTrainerRecord = create<Record>()(
    persist((set) => ({ solved: [], add: (one) => set((state) => ({ solved: [...state.solved, one].slice(-KEPT) })) }), { name: 'brookstone-trainer' }),
);

/** Kinds that were not found, or only after wrong names, lately: the last few of a kind count. */
export function hard(solved: Solved[]): string[] {
    const kinds = [...new Set(solved.map((each) => each.kind))];
    return kinds.filter((kind) =>
        solved
            .filter((each) => each.kind === kind)
            .slice(-ENOUGH)
            .some((each) => !each.found || each.wrong > 0),
    );
}

import type { ReactNode } from 'react';
import { create } from 'zustand';
import { useBuild } from '../state/BuildContext';
import { useDrafts } from '../state/drafts';

/** A group of fields under a heading. */
export function FieldGroup({ title, children }: { title: string; children: ReactNode }) {
    return (
        <section aria-label={title}>
            <h2 className="mb-1 text-[1.05rem]">{title}</h2>
            <div className="divide-y divide-line border-y border-line">{children}</div>
        </section>
    );
}

/** Which folds were opened or shut by hand, until the page is left. */
const useFolds = create<{ open: Record<string, boolean>; turn: (key: string, isOpen: boolean) => void }>((set) => ({
    open: {},
    turn: (key, isOpen) => set((state) => (state.open[key] === isOpen ? state : { open: { ...state.open, [key]: isOpen } })),
}));

const keyOf = (build: string, title: string, path: string) => `${build}:${path}:${title}`;

/** Opens a fold that is about to be there: what was just added is what is edited next. */
export function openFold(build: string, title: string, path: string) {
    useFolds.getState().turn(keyOf(build, title, path), true);
}

/**
 * A group of fields that are seldom changed: shut it says what is in them, and it opens by itself where one of them was not understood.
 *
 * @param path what the paths of its fields begin with, one or several
 */
export function FieldFold({ title, says, path, children }: { title: string; says: string; path: string | string[]; children: ReactNode }) {
    const { stored } = useBuild();
    const key = keyOf(stored.id, title, [path].flat()[0]!);
    const turn = useFolds((state) => state.turn);
    const isOpen = useFolds((state) => state.open[key] ?? false);
    const isWrong = useDrafts((state) => Object.keys(state.drafts).some((each) => [path].flat().some((begin) => each.startsWith(`${stored.id}:${begin}`))));
    return (
        <section aria-label={title}>
            <details className="group border-y border-line" open={isWrong || isOpen} onToggle={(event) => !isWrong && turn(key, event.currentTarget.open)}>
                <summary className="cursor-pointer py-1.5">
                    <h2 className="inline text-[1.05rem]">{title}</h2>
                    <span className="narrow mt-0.5 block text-quiet group-open:hidden">{says}</span>
                </summary>
                <div className="divide-y divide-line border-t border-line">{children}</div>
            </details>
        </section>
    );
}

export const STATION_BUTTON = 'border border-line bg-well px-2 py-0.5 hover:bg-ground disabled:opacity-40';

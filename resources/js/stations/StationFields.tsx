import { useEffect, type ReactNode } from 'react';
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

/** Opens a fold that is about to be there, by its first path: what was just added is what is edited next. */
export function openFold(build: string, path: string) {
    useFolds.getState().turn(`${build}:${path}`, true);
}

/**
 * A group of fields that are seldom changed: shut it says what is in them, and it opens by itself where one of them was not understood,
 * and stays open when that has been mended.
 *
 * @param path what the paths of its fields begin with, one or several
 */
export function FieldFold({ title, says, path, children }: { title: string; says: string; path: string | string[]; children: ReactNode }) {
    const { stored } = useBuild();
    const key = `${stored.id}:${[path].flat()[0]}`; // its title may be the name that is changed in it
    const turn = useFolds((state) => state.turn);
    const isOpen = useFolds((state) => state.open[key] ?? false);
    const isWrong = useDrafts((state) => Object.keys(state.drafts).some((each) => [path].flat().some((begin) => each.startsWith(`${stored.id}:${begin}`))));
    useEffect(() => {
        if (isWrong) {
            turn(key, true);
        }
    }, [isWrong, key, turn]);
    return (
        <section aria-label={title}>
            <details className="group border-y border-line" open={isWrong || isOpen} onToggle={(event) => turn(key, event.currentTarget.open)}>
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

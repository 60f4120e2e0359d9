import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** What was typed and not understood, by build and path. It outlives a reload: nothing typed is lost. */
interface Drafts {
    drafts: Record<string, { text: string; message: string; passing?: true }>;
    keep: (key: string, text: string, message: string) => void;
    /** A choice that was refused: nothing is typed there, and once anything else is saved it need not be said any longer. */
    keepPassing: (key: string, message: string) => void;
    drop: (key: string) => void;
    dropPassing: (build: string) => void;
}

export const useDrafts = create<Drafts>()(
    persist(
        (set) => ({
            drafts: {},
            keep: (key, text, message) => set((state) => ({ drafts: { ...state.drafts, [key]: { text: text.slice(0, 5000), message } } })),
            keepPassing: (key, message) => set((state) => ({ drafts: { ...state.drafts, [key]: { text: '', message, passing: true } } })),
            dropPassing: (build) =>
                set((state) => {
                    const left = Object.entries(state.drafts).filter(([key, draft]) => !(draft.passing && key.startsWith(`${build}:`)));
                    return left.length === Object.keys(state.drafts).length ? state : { drafts: Object.fromEntries(left) };
                }),
            drop: (key) =>
                set((state) => {
                    if (!(key in state.drafts)) {
                        return state;
                    }
                    return { drafts: Object.fromEntries(Object.entries(state.drafts).filter(([each]) => each !== key)) };
                }),
        }),
        { name: 'brookstone-drafts' },
    ),
);

export const draftKey = (build: string, path: string) => `${build}:${path}`;

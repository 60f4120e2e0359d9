import { create } from 'zustand';
import { api, Refused } from '../api/client';
import type { Fix, Sentence, StoredBuild } from '../api/types';

/** A fix that is looked at before it is kept. */
interface Trying {
    fix: Fix | null;
    after: StoredBuild | null;
    message: string;
    /** What it brings that is not good, where nothing makes that good. */
    brings: Sentence | null;
    begin: (stored: StoredBuild, fix: Fix) => Promise<void>;
    /** A choice of the builder: what it needs besides comes with it. */
    choose: (stored: StoredBuild, fix: Fix) => Promise<void>;
    drop: () => void;
}

export const useTrying = create<Trying>((set, get) => ({
    fix: null,
    after: null,
    message: '',
    brings: null,
    choose: async (stored, chosen) => {
        set({ fix: chosen, after: null, message: '', brings: null });
        try {
            const { fix, brings } = await api.complete(stored.id, chosen.does.text, chosen.changes);
            if (get().fix === chosen) {
                await get().begin(stored, fix);
                set({ brings });
            }
        } catch (error) {
            set({ message: refusal(error) });
        }
    },
    begin: async (stored, fix) => {
        set({ fix, after: null, message: '', brings: null });
        try {
            for (const rehearsed of stored.assessment.rehearsed ? [false, true] : [false]) {
                const after = await api.tryOut(stored.id, stored.version, fix.changes, rehearsed); // the first answer, then the whole one
                if (get().fix !== fix) {
                    return;
                }
                set({ after });
            }
        } catch (error) {
            set({ message: refusal(error) });
        }
    },
    drop: () => set({ fix: null, after: null, message: '', brings: null }),
}));

function refusal(error: unknown): string {
    return error instanceof Refused ? (error.errors[0]?.message ?? error.message) : 'This could not be tried.';
}

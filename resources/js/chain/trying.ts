import { create } from 'zustand';
import { api, Refused } from '../api/client';
import type { Fix, StoredBuild } from '../api/types';

/** A fix that is looked at before it is kept. */
interface Trying {
    fix: Fix | null;
    after: StoredBuild | null;
    message: string;
    begin: (stored: StoredBuild, fix: Fix) => Promise<void>;
    drop: () => void;
}

export const useTrying = create<Trying>((set, get) => ({
    fix: null,
    after: null,
    message: '',
    begin: async (stored, fix) => {
        set({ fix, after: null, message: '' });
        try {
            for (const rehearsed of stored.assessment.rehearsed ? [false, true] : [false]) {
                const after = await api.tryOut(stored.id, stored.version, fix.changes, rehearsed); // the first answer, then the whole one
                if (get().fix !== fix) {
                    return;
                }
                set({ after });
            }
        } catch (error) {
            set({ message: error instanceof Refused ? (error.errors[0]?.message ?? error.message) : 'This could not be tried.' });
        }
    },
    drop: () => set({ fix: null, after: null, message: '' }),
}));

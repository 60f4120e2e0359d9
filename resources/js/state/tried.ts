import { create } from 'zustand';

/** How many mends have been tried on the whole build, of how many. */
export const useTried = create<{ done: number; of: number; set: (done: number, of: number) => void }>((set) => ({
    done: 0,
    of: 0,
    set: (done, of) => set({ done, of }),
}));

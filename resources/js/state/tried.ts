import { create } from 'zustand';

interface Tried {
    /** Mends that have been tried on the whole build, of how many. */
    done: number;
    of: number;
    /** Something more pressing is tried: the rest waits. */
    isHeld: boolean;
    set: (done: number, of: number) => void;
    hold: (isHeld: boolean) => void;
}

export const useTried = create<Tried>((set) => ({
    done: 0,
    of: 0,
    isHeld: false,
    set: (done, of) => set({ done, of }),
    hold: (isHeld) => set({ isHeld }),
}));

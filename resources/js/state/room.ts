import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export const ROOMS = ['system', 'dark', 'light'] as const;

export type Room = (typeof ROOMS)[number];

interface RoomChoice {
    room: Room;
    next: () => void;
}

/** `public/room.js` reads the same before anything is drawn. */
export const useRoom = create<RoomChoice>()(
    persist((set) => ({ room: 'system', next: () => set((state) => ({ room: after(state.room) })) }), { name: 'brookstone-room' }),
);

export const after = (room: Room): Room => ROOMS[(ROOMS.indexOf(room) + 1) % ROOMS.length]!;

/** The page is in the room that was chosen, or in that of the system. */
export function showRoom(root: HTMLElement, room: Room) {
    if (room === 'system') {
        delete root.dataset.room;
    } else {
        root.dataset.room = room;
    }
}

useRoom.subscribe((state) => showRoom(document.documentElement, state.room));

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Curves } from '../api/types';
import { runAt } from './geometry';

const PAUSE_S = 0.5; // at the far end before it comes back

type Path = NonNullable<Curves['there']>;

/** Plays a motion there and back at its computed speed. Where the system asks for less motion it only goes to the end. */
export function usePlay(curves: Curves | undefined, onPosition: (position: number) => void) {
    const [time, setTime] = useState<number | null>(null);
    const frame = useRef(0);
    const length = (path: Path | null) => (path === null ? 0 : (path.times_s[path.times_s.length - 1] ?? 0));
    const stop = useCallback(() => {
        cancelAnimationFrame(frame.current);
        setTime(null);
    }, []);
    useEffect(() => stop, [stop, curves]);

    const play = useCallback(() => {
        if (curves === undefined || curves.there === null) {
            return;
        }
        const { there, back } = curves;
        const comesBack = there.time_s !== null && back !== null && back.time_s !== null;
        const end = length(there) + (comesBack ? PAUSE_S + length(back) : 0);
        if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) {
            onPosition(there.positions[there.positions.length - 1]!);
            return;
        }
        const start = performance.now();
        const tick = () => {
            const now = (performance.now() - start) / 1000;
            const onTheWay = now <= length(there) + PAUSE_S || !comesBack;
            onPosition(
                onTheWay
                    ? runAt(there.times_s, there.positions, Math.min(now, length(there)))
                    : runAt(back!.times_s, back!.positions, now - length(there) - PAUSE_S),
            );
            if (now < end) {
                setTime(now);
                frame.current = requestAnimationFrame(tick);
            } else {
                setTime(null);
            }
        };
        frame.current = requestAnimationFrame(tick);
    }, [curves, onPosition]);

    return { time, isPlaying: time !== null, toggle: time === null ? play : stop };
}

import { useCallback, useEffect, useRef, useState } from 'react';

/** A cursor over a run. Where the system asks for less motion it goes to the end at once. */
export function usePlayhead(end: number) {
    const [time, setTime] = useState(0);
    const [isPlaying, setPlaying] = useState(false);
    const frame = useRef(0);
    const stop = useCallback(() => {
        cancelAnimationFrame(frame.current);
        setPlaying(false);
    }, []);
    useEffect(() => () => cancelAnimationFrame(frame.current), []);
    const toggle = useCallback(() => {
        if (isPlaying) {
            stop();
            return;
        }
        if (window.matchMedia('(prefers-reduced-motion: reduce)').matches) {
            setTime(end);
            return;
        }
        const from = time >= end ? 0 : time;
        const start = performance.now();
        setPlaying(true);
        const tick = () => {
            const now = from + (performance.now() - start) / 1000;
            setTime(Math.min(now, end));
            if (now < end) {
                frame.current = requestAnimationFrame(tick);
            } else {
                setPlaying(false);
            }
        };
        frame.current = requestAnimationFrame(tick);
    }, [isPlaying, time, end, stop]);
    const seek = useCallback(
        (to: number) => {
            stop();
            setTime(to);
        },
        [stop],
    );
    return { time: Math.min(time, end), isPlaying, toggle, seek };
}

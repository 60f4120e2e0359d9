import { useCallback, useEffect, useRef, useState } from 'react';
import { api, Refused } from '../api/client';
import type { RigState } from '../api/types';
import { queued, type Line, type RigEvent } from './queue';

const TICK_MS = 80;
const LONGEST_STEP_S = 0.5; // a page that was asleep does not leap

export interface Past {
    at_s: number;
    positions: Record<string, number>;
}

/** A live session: time goes on while it plays, lines are said one after the other, and what it answers is kept. */
export function useRig(build: string, version: number, begins: string | null) {
    const kept = `brookstone-rig-${build}-${version}-${begins ?? ''}`; // of this version of the build: another is another machine
    const session = useRef<string | null>(null);
    const waiting = useRef<Line[]>([]);
    const [state, setState] = useState<RigState | null>(null);
    const [past, setPast] = useState<Past[]>([]);
    const [words, setWords] = useState<RigState['events']>([]);
    const [isPlaying, setPlaying] = useState(true);
    const [problem, setProblem] = useState('');
    const [round, setRound] = useState(0);
    const playing = useRef(isPlaying);
    useEffect(() => {
        playing.current = isPlaying;
    }, [isPlaying]);

    const take = useCallback((next: RigState) => {
        setState(next);
        setPast((before) => [
            ...before.slice(-600),
            { at_s: next.now_s, positions: Object.fromEntries(next.motions.map((each) => [each.motion, each.position])) },
        ]);
        setWords((before) => [...before, ...next.events].slice(-200));
    }, []);

    useEffect(() => {
        let isOver = false;
        let timer = 0;
        let last = performance.now();
        const open = async () => {
            const before = localStorage.getItem(kept);
            if (before !== null) {
                try {
                    const { answers } = await api.sayRig(before, [{ do: 'get' }]);
                    session.current = before;
                    return answers[0]?.state;
                } catch (failure) {
                    if (!(failure instanceof Refused)) {
                        throw failure;
                    }
                }
            }
            localStorage.removeItem(`${kept}-wrong`); // a new machine, with nothing wrong
            const opened = await api.openRig(build, begins);
            session.current = opened.id;
            localStorage.setItem(kept, opened.id);
            return opened.answers[0]?.state;
        };
        const tick = async () => {
            const said = waiting.current;
            try {
                const now = performance.now();
                const seconds = Math.min(LONGEST_STEP_S, (now - last) / 1000);
                last = now;
                waiting.current = [];
                const lines: Line[] = [...said, ...(playing.current ? [{ do: 'step', seconds }] : said.length > 0 ? [{ do: 'get' }] : [])];
                if (lines.length > 0) {
                    const { answers } = await api.sayRig(session.current!, lines);
                    const refused = answers.find((answer) => !answer.ok);
                    setProblem(refused?.errors?.[0]?.message ?? '');
                    const next = answers[answers.length - 1]?.state;
                    if (!isOver && next) {
                        take({ ...next, events: answers.flatMap((answer) => answer.state?.events ?? []) }); // each tells what happened since the one before
                    }
                }
            } catch (failure) {
                setProblem((failure as Error).message);
                waiting.current = [...said.filter((line) => line.do === 'event'), ...waiting.current]; // to be so twice is to be so
            }
            if (!isOver) {
                timer = window.setTimeout(() => void tick(), TICK_MS);
            }
        };
        open()
            .then((first) => {
                if (!isOver) {
                    if (first) {
                        take(first);
                    }
                    last = performance.now();
                    void tick();
                }
            })
            .catch((failure: Error) => setProblem(failure.message));
        return () => {
            isOver = true;
            clearTimeout(timer);
        };
    }, [build, begins, kept, round, take]);

    const happens = useCallback((event: RigEvent) => {
        waiting.current = queued(waiting.current, event, playing.current);
    }, []);
    const again = useCallback(() => {
        localStorage.removeItem(kept);
        setState(null);
        setPast([]);
        setWords([]);
        setRound((before) => before + 1);
    }, [kept]);
    const save = useCallback(async (id: string, name: string) => (await api.sayRig(session.current!, [{ do: 'save', id, name }])).answers[0]!.scenario!, []);
    return { kept, state, past, words, isPlaying, setPlaying, problem, happens, again, save };
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { createContext, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useParams } from 'react-router';
import { api, Refused } from '../api/client';
import type { Chain, Edit, Motion, StoredBuild } from '../api/types';
import { NotThere } from '../shell/NotThere';
import { Saver } from './saving';
import { useTried } from './tried';

interface BuildHandle {
    stored: StoredBuild;
    saver: Saver;
    /** Saves values or typed texts at paths of the document. */
    edit: (...edits: Edit[]) => void;
}

const Context = createContext<BuildHandle | null>(null);

export function BuildProvider({ children }: { children: ReactNode }) {
    const { buildId } = useParams();
    const id = buildId ?? '';
    const queries = useQueryClient();
    const { data, error } = useQuery({ queryKey: ['build', id], queryFn: () => api.build(id), staleTime: 10_000 });
    useWholeJudgement(id, data);
    const saver = useMemo(() => new Saver(id, queries), [id, queries]);
    useEffect(() => saver.open(), [saver]);
    const value = useMemo(() => (data === undefined ? null : { stored: data, saver, edit: (...edits: Edit[]) => saver.edit(edits) }), [data, saver]);
    if (value === null) {
        return error === null ? null : <NotThere what={error instanceof Refused && error.status === 404 ? 'There is no such build.' : error.message} />;
    }
    return <Context value={value}>{children}</Context>;
}

const SETTLED_MS = 1000; // who is still typing is not held up by it

const HELD_MS = 200;

/** The answer to an edit is the first one: the whole judgement follows when the edits have come to rest, and then what mends it, as it is tried. */
function useWholeJudgement(id: string, stored: StoredBuild | undefined) {
    const queries = useQueryClient();
    const settled = useSettled(stored?.version, SETTLED_MS);
    const isSettled = stored !== undefined && settled === stored.version;
    const { data: whole } = useQuery({
        queryKey: ['judgement', id, settled],
        queryFn: ({ signal }) => api.judgement(id, signal),
        enabled: isSettled && !stored.assessment.rehearsed,
        staleTime: Infinity,
    });
    useEffect(() => {
        if (whole !== undefined) {
            queries.setQueryData<StoredBuild>(['build', id], (now) =>
                now !== undefined && now.version === whole.version && !now.assessment.rehearsed ? { ...now, assessment: whole.assessment } : now,
            );
        }
    }, [queries, id, whole, stored]);
    const { data: mends } = useQuery({
        queryKey: ['mends', id, settled],
        queryFn: async ({ signal }) => {
            for (;;) {
                const sofar = await api.mends(id, signal);
                if (sofar.assessment.tried) {
                    return sofar;
                }
                useTried.getState().set(sofar.done, sofar.of);
                while (useTried.getState().isHeld && !signal.aborted) {
                    await new Promise((resolve) => setTimeout(resolve, HELD_MS));
                }
                queries.setQueryData<StoredBuild>(['build', id], (now) =>
                    now !== undefined && now.version === sofar.version && !now.assessment.tried ? { ...now, assessment: sofar.assessment } : now,
                );
            }
        },
        enabled: isSettled && stored.assessment.rehearsed && !stored.assessment.tried,
        staleTime: Infinity,
    });
    useEffect(() => {
        if (mends !== undefined) {
            queries.setQueryData<StoredBuild>(['build', id], (now) =>
                now !== undefined && now.version === mends.version && !now.assessment.tried ? { ...now, assessment: mends.assessment } : now,
            );
        }
    }, [queries, id, mends, stored]);
}

function useSettled<T>(value: T, after_ms: number): T {
    const [settled, settle] = useState(value);
    useEffect(() => {
        const timer = setTimeout(() => settle(value), after_ms);
        return () => clearTimeout(timer);
    }, [value, after_ms]);
    return settled;
}

export function useBuild(): BuildHandle {
    const value = useContext(Context);
    if (value === null) {
        throw new Error('BuildProvider is missing above this component.');
    }
    return value;
}

export interface MotionHandle {
    motion: Motion;
    chain: Chain;
    /** `motions.2` */
    path: string;
}

export function useMotion(id: string | undefined): MotionHandle | null {
    const { stored } = useBuild();
    const index = stored.document.motions.findIndex((motion) => motion.id === id);
    const chain = stored.assessment.chains.find((each) => each.motion === id);
    return index < 0 || chain === undefined ? null : { motion: stored.document.motions[index]!, chain, path: `motions.${index}` };
}

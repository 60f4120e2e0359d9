import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, Refused, type KeptTable } from '../api/client';
import { askAnew } from '../state/asking';
import { typed, understood, type Row, type TableKind } from './tables';

/** What is typed and not kept yet, and which version of the drawer it was typed over. */
interface Draft {
    rows: Row[];
    version: number;
}

const CHANGED_ELSEWHERE = 409;

/** Of this tab alone: another has its own. */
function remembered(key: string): Draft | null {
    try {
        const kept = JSON.parse(sessionStorage.getItem(key) ?? 'null') as Draft | null;
        return Array.isArray(kept?.rows) ? kept : null;
    } catch {
        return null;
    }
}

/** A drawer that is one table, saved as it is typed, one save after the other. Where another tab was quicker, both stay until somebody says which counts. */
export function useTable(kind: TableKind) {
    const queries = useQueryClient();
    const key = `brookstone-${kind.table}-draft`;
    const { data, error } = useQuery({ queryKey: ['table', kind.table], queryFn: () => api.table(kind.table) });
    const [draft, setDraft] = useState(() => remembered(key));
    const [wrong, setWrong] = useState<Record<string, string>>({});
    const [isOvertaken, setOvertaken] = useState(false);
    const latest = useRef(draft);
    const saving = useRef(Promise.resolve());
    const put = (next: Draft | null) => {
        latest.current = next;
        setDraft(next);
        if (next === null) {
            sessionStorage.removeItem(key);
        } else {
            sessionStorage.setItem(key, JSON.stringify(next));
        }
    };
    const refuse = (failure: unknown) => {
        setOvertaken(failure instanceof Refused && failure.status === CHANGED_ELSEWHERE);
        setWrong(
            failure instanceof Refused ? Object.fromEntries(failure.errors.map((each) => [each.field, each.message])) : { '': (failure as Error).message },
        );
    };
    const settle = async (now: KeptTable) => {
        queries.setQueryData(['table', kind.table], now);
        setWrong({});
        setOvertaken(false);
        await askAnew(queries, kind.asks);
    };
    const save = async () => {
        const sent = latest.current;
        if (sent === null) {
            return; // it went with the save before
        }
        try {
            const now = await api.keepTable(kind.table, understood(kind, sent.rows), sent.version);
            put(latest.current === sent || latest.current === null ? null : { rows: latest.current.rows, version: now.version });
            await settle(now);
        } catch (failure) {
            refuse(failure);
        }
    };
    const type = (rows: Row[]) => put({ rows, version: latest.current?.version ?? data?.version ?? 1 });
    const keep = (rows: Row[]) => {
        type(rows);
        saving.current = saving.current.then(save);
    };
    return {
        data,
        rows: draft?.rows ?? typed(kind, data?.lines ?? []),
        hasDraft: draft !== null,
        wrong,
        error,
        isOvertaken,
        type,
        keep,
        bring: async (csv: string) => {
            try {
                const now = await api.importTable(kind.table, csv, data?.version);
                put(null);
                await settle(now);
            } catch (failure) {
                refuse(failure);
            }
        },
        takeTheirs: async () => {
            put(null);
            setWrong({});
            setOvertaken(false);
            await queries.invalidateQueries({ queryKey: ['table', kind.table] });
        },
        keepMine: async () => {
            const { version } = await api.table(kind.table);
            put({ rows: latest.current?.rows ?? [], version });
            await save();
        },
    };
}

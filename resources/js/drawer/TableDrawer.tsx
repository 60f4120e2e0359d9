import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, Refused } from '../api/client';
import { STATION_BUTTON } from '../stations/StationFields';
import { askAnew } from '../state/asking';

type Cell = string | number | null;
type Row = Record<string, string>;

interface Column {
    key: string;
    label: string;
    wide?: boolean;
    isText?: boolean;
    choices?: [string, string][];
}

export interface TableKind {
    table: 'gears' | 'lines';
    one: string;
    says: (count: number, kinds: number) => string;
    columns: Column[];
    fresh: Row;
    asks: string[]; // what is made out of it, to be asked for anew
}

export const GEARS: TableKind = {
    table: 'gears',
    one: 'gear',
    says: (count, kinds) => `${count} gears of ${kinds} kinds. Trains are made out of these.`,
    columns: [
        { key: 'teeth', label: 'Teeth' },
        { key: 'module_mm', label: 'Module, mm' },
        { key: 'face_mm', label: 'Width, mm' },
        { key: 'count', label: 'How many' },
        {
            key: 'material',
            label: 'Material',
            choices: [
                ['printed_pla', 'printed PLA'],
                ['printed_nylon', 'printed nylon'],
                ['nylon', 'nylon'],
                ['acetal', 'acetal'],
                ['brass', 'brass'],
                ['steel', 'mild steel'],
            ],
        },
    ],
    fresh: { teeth: '', module_mm: '1', face_mm: '6', count: '1', material: 'acetal' },
    asks: ['trains'],
};

export const LINES: TableKind = {
    table: 'lines',
    one: 'line',
    says: (count, kinds) => `${count} cords, belts, chains and rods of ${kinds} kinds. Advice is taken out of these.`,
    columns: [
        {
            key: 'kind',
            label: 'Kind',
            choices: [
                ['cord', 'cord'],
                ['belt', 'toothed belt'],
                ['round', 'round belt'],
                ['chain', 'chain'],
                ['rod', 'rod'],
            ],
        },
        { key: 'name', label: 'Name', wide: true, isText: true },
        { key: 'size_mm', label: 'Thick, or pitch, mm' },
        { key: 'teeth', label: 'Teeth or links' },
        { key: 'length_mm', label: 'Long, mm' },
        { key: 'breaking_N', label: 'Breaks at, N' },
        { key: 'count', label: 'How many' },
    ],
    fresh: { kind: 'cord', name: '', size_mm: '', teeth: '', length_mm: '', breaking_N: '', count: '1' },
    asks: ['build'],
};

const isText = (column: Column) => column.isText === true || column.choices !== undefined;

function typed(kind: TableKind, lines: Record<string, Cell>[]): Row[] {
    return lines.map((line) => Object.fromEntries(kind.columns.map(({ key }) => [key, line[key] === null ? '' : String(line[key])])));
}

/** As the server reads it; what is no number is passed on as it was typed, to be refused at its field. */
function understood(kind: TableKind, rows: Row[]): Record<string, Cell>[] {
    const number = (text: string): Cell => (text.trim() === '' ? null : Number.isNaN(Number(text.replace(',', '.'))) ? text : Number(text.replace(',', '.')));
    return rows.map((row) => Object.fromEntries(kind.columns.map((column) => [column.key, isText(column) ? row[column.key]! : number(row[column.key]!)])));
}

function draft(key: string): Row[] | null {
    try {
        return JSON.parse(localStorage.getItem(key) ?? 'null') as Row[] | null;
    } catch {
        return null;
    }
}

/** A drawer that is one table. Saved as it is typed; what is not right is told at its field, and outlives a reload. */
export function TableDrawer({ kind }: { kind: TableKind }) {
    const queries = useQueryClient();
    const kept = `brookstone-${kind.table}-draft`;
    const { data, error } = useQuery({ queryKey: ['table', kind.table], queryFn: () => api.table(kind.table) });
    const [rows, setRows] = useState<Row[] | null>(() => draft(kept));
    const [wrong, setWrong] = useState<Record<string, string>>({});
    const lines = data?.[kind.table];
    const shown = rows ?? typed(kind, lines ?? []);
    const settle = async (now: Record<string, Record<string, Cell>[]>) => {
        queries.setQueryData(['table', kind.table], now);
        await askAnew(queries, kind.asks);
        localStorage.removeItem(kept);
        setRows(null);
        setWrong({});
    };
    const keep = async (next: Row[]) => {
        setRows(next);
        localStorage.setItem(kept, JSON.stringify(next));
        try {
            await settle(await api.keepTable(kind.table, understood(kind, next)));
        } catch (failure) {
            setWrong(failure instanceof Refused ? Object.fromEntries(failure.errors.map((each) => [each.field, each.message])) : { '': (failure as Error).message });
        }
    };
    const bring = async (file: File) => {
        try {
            await settle(await api.importTable(kind.table, await file.text()));
        } catch (failure) {
            setWrong({ '': failure instanceof Refused ? failure.errors.map((each) => each.message).join(' ') || failure.message : (failure as Error).message });
        }
    };
    const count = (lines ?? []).reduce((sum, line) => sum + Number(line.count), 0);
    return (
        <section aria-label={kind.table === 'gears' ? 'Gears' : 'Cords, belts and rods'}>
            <div className="flex flex-wrap items-center gap-3">
                <p className="flex-1 text-quiet">{lines === undefined ? 'Opening it…' : kind.says(count, lines.length)}</p>
                <button type="button" className="bg-accent px-3 py-1 font-semibold text-white" onClick={() => void keep([...shown, kind.fresh])}>
                    Add a {kind.one}
                </button>
                <label className="cursor-pointer border border-line bg-sheet px-3 py-1 focus-within:outline-2">
                    From a table…
                    <input type="file" accept=".csv,text/csv" className="sr-only" onChange={(event) => event.target.files?.[0] !== undefined && void bring(event.target.files[0])} />
                </label>
                <a className="border border-line bg-sheet px-3 py-1" href={`/api/drawer/${kind.table}/export`} download>
                    Save as a table
                </a>
            </div>
            {(error !== null || wrong[''] !== undefined) && (
                <p role="alert" className="mt-2 text-fails">
                    {wrong[''] ?? error?.message}
                </p>
            )}
            <table className="mt-3 w-full border border-line bg-sheet">
                <thead className="narrow text-left text-quiet">
                    <tr>
                        {kind.columns.map((column) => (
                            <th key={column.key} className="px-3 py-1 font-normal">
                                {column.label}
                            </th>
                        ))}
                        <th className="px-3 py-1 font-normal">
                            <span className="sr-only">Take out</span>
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {shown.map((row, i) => (
                        <tr key={i} className="border-t border-line align-top">
                            {kind.columns.map((column) => {
                                const message = wrong[`${kind.table}.${i}.${column.key}`];
                                const label = `${column.label} of ${kind.one} ${i + 1}`;
                                const changed = (value: string) => shown.map((each, j) => (j === i ? { ...each, [column.key]: value } : each));
                                return (
                                    <td key={column.key} className="px-3 py-1">
                                        {column.choices !== undefined ? (
                                            <select aria-label={label} className="border border-line bg-well px-2 py-0.5" value={row[column.key]} onChange={(event) => void keep(changed(event.target.value))}>
                                                {column.choices.map(([value, words]) => (
                                                    <option key={value} value={value}>
                                                        {words}
                                                    </option>
                                                ))}
                                            </select>
                                        ) : (
                                            <input
                                                aria-label={label}
                                                aria-invalid={message !== undefined}
                                                className={`border bg-well px-2 py-0.5 font-semibold ${column.wide ? 'w-44' : 'w-24 text-right'} ${message === undefined ? 'border-line' : 'border-fails'}`}
                                                value={row[column.key]}
                                                autoComplete="off"
                                                onChange={(event) => setRows(changed(event.target.value))}
                                                onBlur={() => rows !== null && void keep(shown)}
                                                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                                            />
                                        )}
                                        {message !== undefined && <p className="narrow max-w-48 text-fails">{message}</p>}
                                    </td>
                                );
                            })}
                            <td className="px-3 py-1 text-right">
                                <button type="button" className={STATION_BUTTON} aria-label={`Take ${kind.one} ${i + 1} out`} onClick={() => void keep(shown.filter((_, j) => j !== i))}>
                                    Out
                                </button>
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </section>
    );
}

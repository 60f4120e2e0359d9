import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, Refused } from '../api/client';
import type { GearLine } from '../api/types';
import { STATION_BUTTON } from '../stations/StationFields';

const MATERIALS: [GearLine['material'], string][] = [
    ['printed_pla', 'printed PLA'],
    ['printed_nylon', 'printed nylon'],
    ['nylon', 'nylon'],
    ['acetal', 'acetal'],
    ['brass', 'brass'],
    ['steel', 'mild steel'],
];

const COLUMNS = [
    { key: 'teeth', label: 'Teeth' },
    { key: 'module_mm', label: 'Module, mm' },
    { key: 'face_mm', label: 'Width, mm' },
    { key: 'count', label: 'How many' },
] as const;

type Row = Record<(typeof COLUMNS)[number]['key'] | 'material', string>;

const KEPT = 'brookstone-gears-draft'; // what is typed and not yet right outlives a reload

function typed(lines: GearLine[]): Row[] {
    return lines.map((line) => ({ teeth: String(line.teeth), module_mm: String(line.module_mm), face_mm: String(line.face_mm), count: String(line.count), material: line.material }));
}

function understood(rows: Row[]): GearLine[] {
    const number = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
    return rows.map((row) => ({ teeth: number(row.teeth), module_mm: number(row.module_mm), face_mm: number(row.face_mm), count: number(row.count), material: row.material })) as GearLine[];
}

function draft(): Row[] | null {
    try {
        return JSON.parse(localStorage.getItem(KEPT) ?? 'null') as Row[] | null;
    } catch {
        return null;
    }
}

/** The gears that lie in the drawer: trains are made out of these. Saved as they are typed; what is not right is told at its field. */
export function GearDrawer() {
    const queries = useQueryClient();
    const { data, error } = useQuery({ queryKey: ['gears'], queryFn: api.gears });
    const [rows, setRows] = useState<Row[] | null>(draft);
    const [wrong, setWrong] = useState<Record<string, string>>({});
    const shown = rows ?? typed(data?.gears ?? []);
    const settle = async (kept: { gears: GearLine[] }) => {
        queries.setQueryData(['gears'], kept);
        await queries.invalidateQueries({ queryKey: ['trains'] });
        localStorage.removeItem(KEPT);
        setRows(null);
        setWrong({});
    };
    const keep = async (next: Row[]) => {
        setRows(next);
        localStorage.setItem(KEPT, JSON.stringify(next));
        try {
            await settle(await api.keepGears(understood(next)));
        } catch (failure) {
            setWrong(failure instanceof Refused ? Object.fromEntries(failure.errors.map((each) => [each.field, each.message])) : { '': (failure as Error).message });
        }
    };
    const bring = async (file: File) => {
        try {
            await settle(await api.importGears(await file.text()));
        } catch (failure) {
            setWrong({ '': failure instanceof Refused ? failure.errors.map((each) => each.message).join(' ') || failure.message : (failure as Error).message });
        }
    };
    const count = (data?.gears ?? []).reduce((sum, line) => sum + line.count, 0);
    return (
        <section aria-label="Gears">
            <div className="flex flex-wrap items-center gap-3">
                <p className="flex-1 text-quiet">{data === undefined ? 'Opening it…' : `${count} gears of ${data.gears.length} kinds. Trains are made out of these.`}</p>
                <button type="button" className="bg-accent px-3 py-1 font-semibold text-white" onClick={() => void keep([...shown, { teeth: '', module_mm: '1', face_mm: '6', count: '1', material: 'acetal' }])}>
                    Add a gear
                </button>
                <label className="cursor-pointer border border-line bg-sheet px-3 py-1 focus-within:outline-2">
                    From a table…
                    <input type="file" accept=".csv,text/csv" className="sr-only" onChange={(event) => event.target.files?.[0] !== undefined && void bring(event.target.files[0])} />
                </label>
                <a className="border border-line bg-sheet px-3 py-1" href="/api/drawer/gears/export" download>
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
                        {COLUMNS.map((column) => (
                            <th key={column.key} className="px-3 py-1 font-normal">
                                {column.label}
                            </th>
                        ))}
                        <th className="px-3 py-1 font-normal">Material</th>
                        <th className="px-3 py-1 font-normal">
                            <span className="sr-only">Take out</span>
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {shown.map((row, i) => (
                        <tr key={i} className="border-t border-line align-top">
                            {COLUMNS.map((column) => {
                                const message = wrong[`gears.${i}.${column.key}`];
                                return (
                                    <td key={column.key} className="px-3 py-1">
                                        <input
                                            aria-label={`${column.label} of gear ${i + 1}`}
                                            aria-invalid={message !== undefined}
                                            className={`w-24 border bg-well px-2 py-0.5 text-right font-semibold ${message === undefined ? 'border-line' : 'border-fails'}`}
                                            value={row[column.key]}
                                            autoComplete="off"
                                            onChange={(event) => setRows(shown.map((each, j) => (j === i ? { ...each, [column.key]: event.target.value } : each)))}
                                            onBlur={() => rows !== null && void keep(shown)}
                                            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                                        />
                                        {message !== undefined && <p className="narrow max-w-48 text-fails">{message}</p>}
                                    </td>
                                );
                            })}
                            <td className="px-3 py-1">
                                <select aria-label={`Material of gear ${i + 1}`} className="border border-line bg-well px-2 py-0.5" value={row.material} onChange={(event) => void keep(shown.map((each, j) => (j === i ? { ...each, material: event.target.value } : each)))}>
                                    {MATERIALS.map(([material, label]) => (
                                        <option key={material} value={material}>
                                            {label}
                                        </option>
                                    ))}
                                </select>
                            </td>
                            <td className="px-3 py-1 text-right">
                                <button type="button" className={STATION_BUTTON} aria-label={`Take gear ${i + 1} out`} onClick={() => void keep(shown.filter((_, j) => j !== i))}>
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

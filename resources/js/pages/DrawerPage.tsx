import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { Drive, DrawerEntry } from '../api/types';
import { DriveForm } from '../drawer/DriveForm';
import { ImportSheet } from '../drawer/ImportSheet';
import { BOARDS, GEARS, LEADS, LINES, SENSORS, SUPPLIES } from '../drawer/tables';
import { TableDrawer } from '../drawer/TableDrawer';
import { Plain } from '../shell/Plain';
import { askAnew } from '../state/asking';
import { useSpeaking } from '../state/UnitsContext';
import { driveRows, DRIVE_WORDS } from '../stations/driveRows';
import { Rows } from '../stations/DriveStation';
import { STATION_BUTTON } from '../stations/StationFields';

const DRAWERS = {
    drives: 'Drives',
    gears: 'Gears',
    lines: 'Cords, belts, rods',
    boards: 'Boards',
    supplies: 'Supplies',
    sensors: 'Sensors',
    leads: 'Wires, fuses, plugs',
} as const;

const TABLES = { gears: GEARS, lines: LINES, boards: BOARDS, supplies: SUPPLIES, sensors: SENSORS, leads: LEADS };

/** The builder's drawers. */
export function DrawerPage() {
    const [open, setOpen] = useState<keyof typeof DRAWERS>('drives');
    return (
        <Plain title="Drawer">
            <main className="mx-auto max-w-6xl px-6 py-6">
                <h1 className="text-[1.6rem]">Your drawer</h1>
                <div className="mt-2 mb-4 flex gap-1 border-b border-line" role="group" aria-label="Which drawer">
                    {(Object.keys(DRAWERS) as (keyof typeof DRAWERS)[]).map((each) => (
                        <button
                            key={each}
                            type="button"
                            aria-pressed={open === each}
                            className={`border border-b-0 border-line px-4 py-1 ${open === each ? 'bg-sheet font-semibold' : 'bg-ground text-quiet'}`}
                            onClick={() => setOpen(each)}
                        >
                            {DRAWERS[each]}
                        </button>
                    ))}
                </div>
                {open === 'drives' ? <DriveDrawer /> : <TableDrawer key={open} kind={TABLES[open]} />}
            </main>
        </Plain>
    );
}

/** What every choice of a drive is made from. */
function DriveDrawer() {
    const queries = useQueryClient();
    const { data, error } = useQuery({ queryKey: ['drawer'], queryFn: api.drawer });
    const [search, setSearch] = useState('');
    const [kind, setKind] = useState<Drive['kind'] | 'all'>('all');
    const [open, setOpen] = useState<{ entry: DrawerEntry | null; copy: boolean } | null>(null);
    const [isImporting, setImporting] = useState(false);
    const [shown, setShown] = useState<number | null>(null);
    const refresh = () => askAnew(queries, ['drawer', 'drives', 'build']);
    const entries = (data ?? []).filter(
        (entry) =>
            (kind === 'all' || entry.drive.kind === kind) &&
            `${entry.drive.code} ${entry.drive.series} ${DRIVE_WORDS[entry.drive.kind]} ${entry.drive.gear_material}`
                .toLowerCase()
                .includes(search.trim().toLowerCase()),
    );
    return (
        <>
            <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
                <div className="flex-1">
                    <p className="text-quiet">{data === undefined ? 'Opening it…' : `${data.length} drives. Every choice is made from these.`}</p>
                </div>
                <button type="button" className="bg-accent px-3 py-1 font-semibold text-sheet" onClick={() => setOpen({ entry: null, copy: false })}>
                    Add a drive
                </button>
                <button type="button" className="border border-line bg-sheet px-3 py-1" onClick={() => setImporting(true)}>
                    From a table…
                </button>
                <a className="border border-line bg-sheet px-3 py-1" href="/api/drawer/export" download>
                    Save as a table
                </a>
            </div>
            {error !== null && (
                <p role="alert" className="mt-4 text-fails">
                    {error.message}
                </p>
            )}
            <div className="mt-4 flex gap-3">
                <input
                    aria-label="Find a drive"
                    placeholder="Find a drive"
                    className="w-56 border border-line bg-well px-2 py-1"
                    value={search}
                    onChange={(event) => setSearch(event.target.value)}
                />
                <select
                    aria-label="Kind"
                    className="border border-line bg-well px-2 py-1"
                    value={kind}
                    onChange={(event) => setKind(event.target.value as typeof kind)}
                >
                    <option value="all">all kinds</option>
                    {Object.entries(DRIVE_WORDS).map(([each, word]) => (
                        <option key={each} value={each}>
                            {word}s
                        </option>
                    ))}
                </select>
            </div>
            <ul className="mt-3 divide-y divide-line border border-line bg-sheet" aria-label="Drives">
                {entries.map((entry) => (
                    <Row
                        key={entry.id}
                        entry={entry}
                        isShown={shown === entry.id}
                        onShow={() => setShown(shown === entry.id ? null : entry.id)}
                        onEdit={() => setOpen({ entry, copy: false })}
                        onCopy={() => setOpen({ entry, copy: true })}
                        onGone={refresh}
                    />
                ))}
                {data !== undefined && entries.length === 0 && <li className="p-4 text-quiet">No drive of that name or kind. Add one, or bring a table.</li>}
            </ul>
            {open !== null && (
                <DriveForm
                    key={`${open.entry?.id ?? 'new'} ${open.copy}`}
                    entry={open.entry}
                    copy={open.copy}
                    onClose={() => setOpen(null)}
                    onStored={refresh}
                />
            )}
            <ImportSheet open={isImporting} onClose={() => setImporting(false)} onStored={refresh} />
        </>
    );
}

function Row({
    entry,
    isShown,
    onShow,
    onEdit,
    onCopy,
    onGone,
}: {
    entry: DrawerEntry;
    isShown: boolean;
    onShow: () => void;
    onEdit: () => void;
    onCopy: () => void;
    onGone: () => Promise<void>;
}) {
    const { text, say } = useSpeaking();
    const [isSure, setSure] = useState(false);
    const { drive } = entry;
    const [problem, setProblem] = useState('');
    const remove = async () => {
        try {
            await api.removeDrive(entry.id, entry.version);
        } catch (thrown) {
            setProblem((thrown as Error).message);
        }
        await onGone();
    };
    return (
        <li className="px-4 py-2">
            <div className="flex items-baseline gap-4">
                <button type="button" className="w-32 shrink-0 text-left font-semibold" aria-expanded={isShown} onClick={onShow}>
                    {drive.code}
                </button>
                <span className="narrow w-40 shrink-0 text-quiet">{drive.kind === 'dc_motor' && drive.worm ? 'worm gear motor' : DRIVE_WORDS[drive.kind]}</span>
                <span className="narrow min-w-0 flex-1 truncate">
                    {driveRows(drive, text)
                        .slice(0, 3)
                        .map(([name, value]) => `${name.charAt(0).toLowerCase()}${name.slice(1)} ${value}`)
                        .join(' · ')}
                </span>
                <span className="w-16 shrink-0 text-right text-quiet">{text({ si: drive.mass_kg, dimension: 'mass' })}</span>
                <span className="flex shrink-0 gap-1.5">
                    <button type="button" className={STATION_BUTTON} aria-label={`Change ${drive.code}`} onClick={onEdit}>
                        Change
                    </button>
                    <button type="button" className={STATION_BUTTON} aria-label={`Copy ${drive.code}`} onClick={onCopy}>
                        Copy
                    </button>
                    <button
                        type="button"
                        className={`${STATION_BUTTON} ${isSure ? 'font-semibold text-fails' : ''}`}
                        aria-label={isSure ? `Really take ${drive.code} out` : `Take ${drive.code} out`}
                        onBlur={() => setSure(false)}
                        onClick={() => (isSure ? void remove() : setSure(true))}
                    >
                        {isSure ? 'Really?' : 'Out'}
                    </button>
                </span>
            </div>
            {problem !== '' && (
                <p role="alert" className="mt-1 text-fails">
                    {problem}
                </p>
            )}
            {entry.odd.map((odd, i) => (
                <p key={i} className="mt-1 border-l-3 border-tight bg-tight-soft px-2">
                    <strong>Odd:</strong> {say(odd.says)}
                </p>
            ))}
            {isShown && <Rows rows={driveRows(drive, text)} />}
        </li>
    );
}

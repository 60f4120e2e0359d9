import { useEffect, useRef, useState, type ReactNode } from 'react';
import { STATION_BUTTON } from '../stations/StationFields';
import { Overtaken } from './Overtaken';
import type { Column, Row, TableKind } from './tables';
import { useTable } from './useTable';

/** A drawer that is one table. Saved as it is typed; what is not right is told at its field, and outlives a reload. */
export function TableDrawer({ kind }: { kind: TableKind }) {
    const { data, rows, hasDraft, wrong, error, isOvertaken, type, keep, bring, takeTheirs, keepMine } = useTable(kind);
    const lines = data?.lines;
    const count = (lines ?? []).reduce((sum, line) => sum + Number(line.count), 0);
    const cell = (i: number, column: Column) => (
        <Cell
            column={column}
            label={`${column.label} of ${kind.one} ${i + 1}`}
            value={rows[i]![column.key]!}
            message={wrong[`${kind.table}.${i}.${column.key}`]}
            onType={(value) => type(rows.map((each, j) => (j === i ? { ...each, [column.key]: value } : each)))}
            onChoose={(value) => keep(rows.map((each, j) => (j === i ? { ...each, [column.key]: value } : each)))}
            onLeave={() => hasDraft && keep(rows)}
        />
    );
    const out = (i: number) => (
        <button type="button" className={STATION_BUTTON} aria-label={`Take ${kind.one} ${i + 1} out`} onClick={() => keep(rows.filter((_, j) => j !== i))}>
            Out
        </button>
    );
    return (
        <section aria-label={kind.title}>
            <div className="flex flex-wrap items-center gap-3">
                <p className="flex-1 text-quiet">{lines === undefined ? 'Opening it…' : kind.says(count, lines.length)}</p>
                <button type="button" className="bg-accent px-3 py-1 font-semibold text-sheet" onClick={() => keep([...rows, kind.fresh])}>
                    Add a {kind.one}
                </button>
                <label className="cursor-pointer border border-line bg-sheet px-3 py-1 focus-within:outline-2">
                    From a table…
                    <input type="file" accept=".csv,text/csv" className="sr-only" onChange={(event) => void event.target.files?.[0]?.text().then(bring)} />
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
            {isOvertaken && <Overtaken onTheirs={() => void takeTheirs()} onMine={() => void keepMine()} />}
            {kind.isWide === true ? <Cards {...{ kind, rows, cell, out }} /> : <Table {...{ kind, rows, cell, out }} />}
        </section>
    );
}

interface Shown {
    kind: TableKind;
    rows: Row[];
    cell: (i: number, column: Column) => ReactNode;
    out: (i: number) => ReactNode;
}

function Table({ kind, rows, cell, out }: Shown) {
    return (
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
                {rows.map((row, i) => (
                    <tr key={i} className="border-t border-line align-top">
                        {kind.columns.map((column) => (
                            <td key={column.key} className="px-3 py-1">
                                {column.of?.includes(row.kind!) !== false && cell(i, column)}
                            </td>
                        ))}
                        <td className="px-3 py-1 text-right">{out(i)}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

/** Each row folded up under its name, with what is asked of its kind. */
function Cards({ kind, rows, cell, out }: Shown) {
    return (
        <ul className="mt-3 divide-y divide-line border border-line bg-sheet">
            {rows.map((row, i) => (
                <Card key={i} row={row} kind={kind} out={out(i)}>
                    {kind.columns
                        .filter((column) => column.of?.includes(row.kind!) !== false)
                        .map((column) => (
                            <div key={column.key} className={column.key === 'pins' ? 'col-span-4' : ''}>
                                <span aria-hidden="true" className="narrow block text-quiet">
                                    {column.label}
                                </span>
                                {cell(i, column)}
                            </div>
                        ))}
                </Card>
            ))}
        </ul>
    );
}

/** One that nothing is known of yet stands open, in sight. */
function Card({ row, kind, out, children }: { row: Row; kind: TableKind; out: ReactNode; children: ReactNode }) {
    const [isNew] = useState(row.name === '');
    const [isOpen, setOpen] = useState(isNew);
    const words = Object.fromEntries(kind.columns[0]!.choices ?? []);
    const card = useRef<HTMLLIElement>(null);
    useEffect(() => {
        if (isNew) card.current?.scrollIntoView({ block: 'nearest' });
    }, [isNew]);
    return (
        <li ref={card}>
            <details open={isOpen} onToggle={(event) => setOpen(event.currentTarget.open)}>
                <summary className="flex items-baseline gap-4 px-3 py-1.5 hover:bg-well">
                    <strong className="w-44">{row.name === '' ? 'New' : row.name}</strong>
                    <span className="w-44 text-quiet">{words[row.kind!] ?? row.kind}</span>
                    <span>
                        {(kind.tells ?? [])
                            .filter(
                                ([key]) =>
                                    !['', '0'].includes(row[key]!) &&
                                    kind.columns.some((column) => column.key === key && column.of?.includes(row.kind!) !== false),
                            )
                            .map(([key, word]) => `${row[key]} ${word}`)
                            .join(', ')}
                    </span>
                </summary>
                {isOpen && (
                    <div className="grid grid-cols-4 gap-x-5 gap-y-2 px-3 pt-1 pb-3">
                        {children}
                        <div className="self-end text-right">{out}</div>
                    </div>
                )}
            </details>
        </li>
    );
}

interface CellProps {
    column: Column;
    label: string;
    value: string;
    message: string | undefined;
    onType: (value: string) => void;
    onChoose: (value: string) => void;
    onLeave: () => void;
}

function Cell({ column, label, value, message, onType, onChoose, onLeave }: CellProps) {
    const wide = column.key === 'pins' ? 'w-full' : column.wide ? 'w-44' : 'w-24 text-right';
    return (
        <>
            {column.choices !== undefined ? (
                <select aria-label={label} className="border border-line bg-well px-2 py-0.5" value={value} onChange={(event) => onChoose(event.target.value)}>
                    {column.choices.map(([choice, words]) => (
                        <option key={choice} value={choice}>
                            {words}
                        </option>
                    ))}
                </select>
            ) : (
                <input
                    aria-label={label}
                    aria-invalid={message !== undefined}
                    className={`border bg-well px-2 py-0.5 font-semibold ${wide} ${message === undefined ? 'border-line' : 'border-fails'}`}
                    value={value}
                    autoComplete="off"
                    onChange={(event) => onType(event.target.value)}
                    onBlur={onLeave}
                    onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                />
            )}
            {message !== undefined && <p className="narrow max-w-48 text-fails">{message}</p>}
        </>
    );
}

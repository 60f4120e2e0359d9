import { STATION_BUTTON } from '../stations/StationFields';
import { Overtaken } from './Overtaken';
import type { TableKind } from './tables';
import { useTable } from './useTable';

/** A drawer that is one table. Saved as it is typed; what is not right is told at its field, and outlives a reload. */
export function TableDrawer({ kind }: { kind: TableKind }) {
    const { data, rows, hasDraft, wrong, error, isOvertaken, type, keep, bring, takeTheirs, keepMine } = useTable(kind);
    const lines = data?.lines;
    const count = (lines ?? []).reduce((sum, line) => sum + Number(line.count), 0);
    return (
        <section aria-label={kind.table === 'gears' ? 'Gears' : 'Cords, belts and rods'}>
            <div className="flex flex-wrap items-center gap-3">
                <p className="flex-1 text-quiet">{lines === undefined ? 'Opening it…' : kind.says(count, lines.length)}</p>
                <button type="button" className="bg-accent px-3 py-1 font-semibold text-white" onClick={() => keep([...rows, kind.fresh])}>
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
                            {kind.columns.map((column) => {
                                const message = wrong[`${kind.table}.${i}.${column.key}`];
                                const label = `${column.label} of ${kind.one} ${i + 1}`;
                                const changed = (value: string) => rows.map((each, j) => (j === i ? { ...each, [column.key]: value } : each));
                                return (
                                    <td key={column.key} className="px-3 py-1">
                                        {column.choices !== undefined ? (
                                            <select
                                                aria-label={label}
                                                className="border border-line bg-well px-2 py-0.5"
                                                value={row[column.key]}
                                                onChange={(event) => keep(changed(event.target.value))}
                                            >
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
                                                onChange={(event) => type(changed(event.target.value))}
                                                onBlur={() => hasDraft && keep(rows)}
                                                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                                            />
                                        )}
                                        {message !== undefined && <p className="narrow max-w-48 text-fails">{message}</p>}
                                    </td>
                                );
                            })}
                            <td className="px-3 py-1 text-right">
                                <button
                                    type="button"
                                    className={STATION_BUTTON}
                                    aria-label={`Take ${kind.one} ${i + 1} out`}
                                    onClick={() => keep(rows.filter((_, j) => j !== i))}
                                >
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

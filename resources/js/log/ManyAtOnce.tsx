import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { useBuild } from '../state/BuildContext';
import { STATION_BUTTON } from '../stations/StationFields';
import { today } from './today';

/** Measurements as a table or as lines of JSON, pasted or from a file: what is wrong in which row is said before anything is written down. */
export function ManyAtOnce() {
    const { stored, edit } = useBuild();
    const [text, setText] = useState('');
    const read = useMutation({ mutationFn: (table: string) => api.readLog(stored.id, table, today()) });
    const take = (table: string) => {
        setText(table);
        if (table.trim() === '') {
            read.reset();
        } else {
            read.mutate(table);
        }
    };
    const found = text.trim() === '' ? undefined : read.data;
    return (
        <section aria-label="Many at once" className="mt-6 border border-line bg-sheet p-4">
            <div className="flex items-end gap-3">
                <div className="flex-1">
                    <h2 className="text-[1.15rem]">Many at once</h2>
                    <p className="text-quiet">
                        A table whose first row names its columns, or lines of JSON: motion, from, to, time, current, stalled, stopped at, temperature, after,
                        pull, failed, speed, carries, supply, warm, day, note. Numbers may have units.
                    </p>
                </div>
                <a className={STATION_BUTTON} href={`/api/builds/${stored.id}/log.csv`} download>
                    The log as a table, CSV
                </a>
            </div>
            <textarea
                aria-label="Measurements as a table"
                className="mt-2 h-24 w-full border border-line bg-well p-2 font-mono text-[0.85rem]"
                value={text}
                placeholder={'motion,from,to,time,speed,warm\nDrawbridge,Down,Up,1.92 s,100 %,no'}
                spellCheck={false}
                onChange={(event) => take(event.target.value)}
            />
            <input
                type="file"
                aria-label="A file with such a table"
                className="mt-1"
                accept=".csv,.tsv,.txt,.json,.jsonl"
                onChange={(event) => void event.target.files?.[0]?.text().then(take)}
            />
            {read.error !== null && (
                <p role="alert" className="mt-2 text-fails">
                    {read.error.message}
                </p>
            )}
            {found !== undefined && (
                <div role="status" className="mt-2">
                    {found.problems.map((problem) => (
                        <p key={`${problem.line} ${problem.field} ${problem.message}`} className="text-fails">
                            Row {problem.line}
                            {problem.field === '' ? '' : `, ${problem.field}`}: {problem.message}
                        </p>
                    ))}
                    {found.problems.length < found.wrong && <p className="text-fails">{found.wrong} rows are wrong; these are the first.</p>}
                    <p>
                        {found.entries.length} {found.entries.length === 1 ? 'measurement' : 'measurements'} understood.
                    </p>
                    {found.entries.length > 0 && (
                        <button
                            type="button"
                            className={`${STATION_BUTTON} mt-2`}
                            onClick={() => {
                                edit({ path: 'log', value: [...stored.document.log, ...found.entries] });
                                take('');
                            }}
                        >
                            Write {found.entries.length === 1 ? 'it' : `all ${found.entries.length}`} down
                        </button>
                    )}
                </div>
            )}
        </section>
    );
}

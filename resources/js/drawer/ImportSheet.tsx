import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { api, Refused } from '../api/client';
import type { DrawerImport } from '../api/types';
import { Sheet } from '../shell/Sheet';
import { STATION_BUTTON } from '../stations/StationFields';

const MOST_BYTES = 1_500_000;

/** A table of drives from a file: looked at first, every bad row named, and then put into the drawer. */
export function ImportSheet({ open, onClose, onStored }: { open: boolean; onClose: () => void; onStored: () => Promise<void> }) {
    const file = useRef<HTMLInputElement>(null);
    const { data: guide } = useQuery({ queryKey: ['drawer-guide'], queryFn: api.drawerGuide, staleTime: Infinity, enabled: open });
    const [csv, setCsv] = useState('');
    const [name, setName] = useState('');
    const [answer, setAnswer] = useState<DrawerImport | null>(null);
    const [problem, setProblem] = useState('');
    const send = async (text: string, look: boolean) => {
        setProblem('');
        try {
            const got = await api.importDrawer(text, look, look ? undefined : answer?.as_of);
            setAnswer(got);
            if (!look) {
                await onStored();
            }
        } catch (thrown) {
            setAnswer(null);
            setProblem(thrown instanceof Refused ? thrown.message : String(thrown));
            if (thrown instanceof Refused && thrown.status === 409) {
                setAnswer(await api.importDrawer(text, true)); // what it would replace by now
            }
        }
    };
    const pick = async (picked: File | undefined) => {
        if (picked === undefined) {
            return;
        }
        setName(picked.name);
        if (picked.size > MOST_BYTES) {
            setAnswer(null);
            setProblem(`${picked.name} is too large: at most 1.5 MB are read.`);
            return;
        }
        const text = await picked.text();
        setCsv(text);
        await send(text, true);
    };
    const close = () => {
        setAnswer(null);
        setProblem('');
        setCsv('');
        setName('');
        onClose();
    };
    const good = answer === null ? 0 : answer.new.length + answer.replaced.length;
    return (
        <Sheet open={open} onClose={close} title="Drives from a table" wide>
            <p>
                A CSV file with a first line that names the columns. Numbers may carry any unit, such as <code>3.5 kg cm</code>; empty cells are fine where a
                kind has no such figure.{' '}
                <a className="text-accent underline" href="/api/drawer/export" download>
                    Your drawer as a table
                </a>{' '}
                is a good example.
            </p>
            <div className="mt-3 flex items-center gap-3">
                <button type="button" className="border border-line bg-well px-3 py-1" onClick={() => file.current?.click()}>
                    Choose the file…
                </button>
                <span className="text-quiet">{name}</span>
                <input
                    ref={file}
                    type="file"
                    hidden
                    aria-label="Table of drives"
                    accept=".csv,text/csv,text/plain"
                    onChange={(event) => void pick(event.target.files?.[0])}
                />
            </div>
            {problem !== '' && (
                <p role="alert" className="mt-3 border-l-3 border-fails pl-2 text-fails">
                    {problem}
                </p>
            )}
            {answer !== null && (
                <div role="status" className="mt-3">
                    <p>
                        <strong>
                            {answer.stored
                                ? `${good} ${good === 1 ? 'drive is' : 'drives are'} in the drawer now`
                                : `${good} ${good === 1 ? 'row is' : 'rows are'} right`}
                        </strong>
                        {answer.replaced.length > 0 &&
                            `, ${answer.replaced.length} of them ${answer.stored ? 'replaced one' : 'replace one'} of the same name (${answer.replaced.slice(0, 6).join(', ')}${answer.replaced.length > 6 ? '…' : ''})`}
                        .
                    </p>
                    {answer.errors.length > 0 && (
                        <table className="mt-2 w-full border border-fails">
                            <caption className="bg-fails-soft px-2 py-1 text-left font-semibold">Not understood, and left out</caption>
                            <thead className="narrow text-left text-quiet">
                                <tr>
                                    <th className="px-2 font-normal">Line</th>
                                    <th className="font-normal">Column</th>
                                    <th className="font-normal">What is wrong</th>
                                </tr>
                            </thead>
                            <tbody>
                                {answer.errors.map((error, i) => (
                                    <tr key={i} className="border-t border-line align-top">
                                        <td className="px-2 py-0.5">{error.line}</td>
                                        <td className="py-0.5 pr-3">{error.column}</td>
                                        <td className="py-0.5 break-words">{error.message}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    )}
                </div>
            )}
            <div className="mt-4 flex gap-2">
                {answer !== null && !answer.stored && good > 0 && (
                    <button type="button" className="bg-accent px-3 py-1 font-semibold text-sheet" onClick={() => void send(csv, false)}>
                        Put {good === 1 ? 'it' : `these ${good}`} in the drawer
                    </button>
                )}
                <button type="button" className="border border-line bg-well px-3 py-1" onClick={close}>
                    {answer?.stored === true ? 'Done' : 'Not now'}
                </button>
            </div>
            <details className="mt-4">
                <summary className="cursor-pointer font-semibold">What the columns mean</summary>
                <div className="mt-1 max-h-64 overflow-y-auto" tabIndex={0} role="group" aria-label="Columns">
                    <dl className="narrow grid grid-cols-[10rem_1fr] gap-x-3 gap-y-0.5">
                        {(guide ?? []).map((column) => (
                            <div key={column.column} className="contents">
                                <dt className="font-mono text-[0.86rem]">{column.column}</dt>
                                <dd>
                                    {column.says} {!column.needed && <span className="text-quiet">May be empty.</span>}{' '}
                                    {column.kinds.length < 6 && <span className="text-quiet">Only for {column.kinds.join(', ')}.</span>}
                                </dd>
                            </div>
                        ))}
                    </dl>
                </div>
            </details>
            {answer !== null && answer.errors.length > 0 && !answer.stored && (
                <p className="mt-2 text-quiet">
                    Mend the lines in your file and choose it again, or take what is right now.{' '}
                    <button type="button" className={STATION_BUTTON} onClick={() => file.current?.click()}>
                        Choose again
                    </button>
                </p>
            )}
        </Sheet>
    );
}

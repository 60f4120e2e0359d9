import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState, type FormEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, Refused } from '../api/client';
import type { ShelfEntry, StoredBuild } from '../api/types';
import { LinkGlyph, VerdictWord } from '../chain/LinkGlyph';
import { FrontView } from '../mat/FrontView';
import { Plain } from '../shell/Plain';
import { BeginWalk } from '../walk/BeginWalk';
import { useSpeaking } from '../state/UnitsContext';

const MOST_BYTES = 7_000_000; // as the server takes

const RANKS = { fails: 0, tight: 1, not_said: 2, holds: 3 };

const ORDERS: Record<'changed' | 'name' | 'worst', { label: string; by: (a: ShelfEntry, b: ShelfEntry) => number }> = {
    changed: { label: 'changed last', by: (a, b) => b.changed_at.localeCompare(a.changed_at) },
    name: { label: 'by name', by: (a, b) => a.name.localeCompare(b.name) },
    worst: { label: 'what gives first', by: (a, b) => RANKS[a.verdict] - RANKS[b.verdict] },
};

/** It has every word that is wanted, in its name, its note or what moves. */
export function finds(entry: ShelfEntry, wanted: string): boolean {
    const text = [entry.name, entry.note, ...entry.chains.map((chain) => chain.name)].join(' ').toLowerCase();
    return wanted
        .toLowerCase()
        .split(/\s+/)
        .every((word) => text.includes(word));
}

/** All builds, the one that changed last on top. */
export function ShelfPage() {
    const { data, error } = useQuery({ queryKey: ['shelf'], queryFn: api.shelf });
    const [problem, setProblem] = useState<string[]>([]);
    const [wanted, setWanted] = useState('');
    const [order, setOrder] = useState<keyof typeof ORDERS>('changed');
    const shown = (data ?? []).filter((entry) => finds(entry, wanted)).sort(ORDERS[order].by);
    const navigate = useNavigate();
    const queries = useQueryClient();
    const open = (stored: StoredBuild) => {
        queries.setQueryData(['build', stored.id], stored);
        void navigate(`/builds/${stored.id}`);
    };
    const fail = (thrown: unknown) =>
        setProblem(
            thrown instanceof Refused
                ? thrown.errors.slice(0, 8).map((each) => (each.field === '' ? each.message : `${each.field}: ${each.message}`))
                : [String(thrown)],
        );
    return (
        <Plain title="">
            <main className="mx-auto max-w-5xl px-6 py-6">
                <div className="flex items-end justify-between gap-6">
                    <div>
                        <h1 className="text-[1.6rem]">Your builds</h1>
                        <p className="text-quiet">Everything that moves, from the load to the running routine.</p>
                    </div>
                    <NewBuild onMade={open} onFail={fail} />
                </div>
                {problem.length > 0 && (
                    <div role="alert" className="mt-4 border border-fails bg-fails-soft px-4 py-2">
                        {problem.map((line) => (
                            <p key={line} className="break-words">
                                {line}
                            </p>
                        ))}
                    </div>
                )}
                {error !== null && <p className="mt-4 text-fails">{error.message}</p>}
                {data !== undefined && data.length > 1 && (
                    <div className="mt-4 flex flex-wrap items-center gap-4">
                        <input
                            type="search"
                            aria-label="Search the shelf"
                            placeholder="Search by name, note or motion"
                            value={wanted}
                            onChange={(event) => setWanted(event.target.value)}
                            className="w-80 border border-line bg-well px-2 py-1"
                        />
                        <label className="flex items-center gap-2">
                            <span className="narrow text-quiet">Order</span>
                            <select
                                value={order}
                                onChange={(event) => setOrder(event.target.value as keyof typeof ORDERS)}
                                className="border border-line bg-well px-2 py-1"
                            >
                                {Object.entries(ORDERS).map(([name, { label }]) => (
                                    <option key={name} value={name}>
                                        {label}
                                    </option>
                                ))}
                            </select>
                        </label>
                    </div>
                )}
                {data !== undefined && (
                    <>
                        <ul className="mt-4 divide-y divide-line border border-line bg-sheet">
                            {shown.map((entry) => (
                                <Entry key={entry.id} entry={entry} onCopied={open} />
                            ))}
                            {data !== undefined && data.length > 0 && shown.length === 0 && (
                                <li className="p-5 text-quiet">Nothing on the shelf is called so.</li>
                            )}
                            {data?.length === 0 && (
                                <li className="p-5 text-quiet">
                                    The shelf is empty. Name a new build above, or bring one from a file. The demo builds come back with{' '}
                                    <code>bin/reset-demo</code>.
                                </li>
                            )}
                        </ul>
                        <BeginWalk onMade={open} onFail={fail} />
                        <Examples onMade={open} onFail={fail} />
                    </>
                )}
            </main>
        </Plain>
    );
}

/** Small sound builds, one for each way of moving, to be opened and changed. */
function Examples({ onMade, onFail }: { onMade: (stored: StoredBuild) => void; onFail: (error: unknown) => void }) {
    const { data } = useQuery({ queryKey: ['examples'], queryFn: api.examples, staleTime: Infinity });
    return (
        <section aria-label="Examples" className="mt-6">
            <h2 className="text-[1.2rem]">Examples to open</h2>
            <ul className="mt-2 grid grid-cols-2 gap-x-6 border-y border-line">
                {(data ?? []).map((example) => (
                    <li key={example.example} className="border-b border-line py-1.5 last:border-b-0">
                        <button type="button" className="text-left hover:underline" onClick={() => void api.openExample(example.example).then(onMade, onFail)}>
                            <strong>{example.name}</strong> <span className="text-quiet">{example.note}</span>
                        </button>
                    </li>
                ))}
            </ul>
        </section>
    );
}

function Entry({ entry, onCopied }: { entry: ShelfEntry; onCopied: (stored: StoredBuild) => void }) {
    const { say } = useSpeaking();
    const queries = useQueryClient();
    const [isSure, setSure] = useState(false);
    const remove = async () => {
        await api.remove(entry.id);
        await queries.invalidateQueries({ queryKey: ['shelf'] });
    };
    return (
        <li className="flex gap-5 px-5 py-4 hover:bg-well">
            {entry.front.length > 0 && <FrontView of={entry.front} label={`${entry.name} from the front`} className="h-24 w-24 shrink-0" />}
            <Link to={`/builds/${entry.id}`} className="min-w-0 flex-1">
                <h2 className="flex items-baseline gap-3 text-[1.2rem]">
                    {entry.name}
                    {entry.is_demo && <span className="narrow text-[0.86rem] font-normal text-quiet">demo</span>}
                </h2>
                <p className="mt-1 flex items-start gap-3">
                    <VerdictWord verdict={entry.verdict} />
                    <span className="min-w-0">{say(entry.says)}</span>
                </p>
                {!entry.rehearsed && <p className="mt-1">Its routines have not been rehearsed yet: that begins when it is opened.</p>}
                <p className="narrow mt-1 text-quiet">{entry.note}</p>
            </Link>
            <ul className="w-60 shrink-0" aria-label={`Chains of ${entry.name}`}>
                {entry.chains.slice(0, 6).map((chain) => (
                    <li key={chain.name} className="flex items-center justify-between gap-2 py-0.5">
                        <span className="narrow min-w-0 truncate">{chain.name}</span>
                        <span className="flex">
                            {chain.links.map((verdict, i) => (
                                <LinkGlyph key={i} verdict={verdict} size={8} />
                            ))}
                        </span>
                    </li>
                ))}
            </ul>
            <div className="narrow flex w-20 shrink-0 flex-col items-end gap-1 text-quiet">
                <button
                    type="button"
                    className="py-1 leading-4 underline"
                    aria-label={`Copy ${entry.name}`}
                    onClick={() => void api.copy(entry.id).then(onCopied)}
                >
                    Copy
                </button>
                <a className="py-1 leading-4 underline" href={`/api/builds/${entry.id}/export`} download>
                    Save as file
                </a>
                {isSure ? (
                    <button
                        type="button"
                        className="py-1 text-right leading-4 font-semibold text-fails underline"
                        onClick={() => void remove()}
                        onBlur={() => setSure(false)}
                    >
                        Really throw away
                    </button>
                ) : (
                    <button type="button" className="py-1 leading-4 underline" onClick={() => setSure(true)} aria-label={`Throw away ${entry.name}`}>
                        Throw away
                    </button>
                )}
            </div>
        </li>
    );
}

function NewBuild({ onMade, onFail }: { onMade: (stored: StoredBuild) => void; onFail: (error: unknown) => void }) {
    const [name, setName] = useState('');
    const file = useRef<HTMLInputElement>(null);
    const make = async (event: FormEvent) => {
        event.preventDefault();
        await api.create(name).then(onMade, onFail);
    };
    const bring = async (picked: File | undefined) => {
        if (picked === undefined) {
            return;
        }
        if (picked.size > MOST_BYTES) {
            onFail(new Refused(422, '', [{ field: '', message: `${picked.name} is too large: at most 2 MB are read.` }]));
            return;
        }
        await api.importFile(await picked.text()).then(onMade, onFail);
    };
    return (
        <form className="flex gap-2" onSubmit={(event) => void make(event)}>
            <input
                aria-label="Name of a new build"
                className="w-52 border border-line bg-well px-2 py-1"
                placeholder="Name of a new build"
                value={name}
                onChange={(event) => setName(event.target.value)}
            />
            <button type="submit" className="bg-accent px-3 py-1 font-semibold text-sheet">
                Create it
            </button>
            <button type="button" className="border border-line bg-sheet px-3 py-1" onClick={() => file.current?.click()}>
                From a file…
            </button>
            <input
                ref={file}
                type="file"
                hidden
                aria-label="Build file"
                accept=".json,application/json"
                onChange={(event) => void bring(event.target.files?.[0])}
            />
        </form>
    );
}

import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { api } from '../api/client';
import type { ComparedCell, ComparedGroup, ComparedRow } from '../api/types';
import { LinkGlyph } from '../chain/LinkGlyph';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';

const STATES = 60; // nobody remembers more

/** Two variants side by side, what differs first: with another build, or with an earlier state of this one. */
export function ComparePage() {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const [search, setSearch] = useSearchParams();
    const other = search.toString();
    const { data, error } = useQuery({
        queryKey: ['compare', stored.id, stored.version, other],
        queryFn: () => api.compare(stored.id, other),
        enabled: other !== '',
        placeholderData: (before) => before,
        retry: false,
    });
    return (
        <main className="mx-auto max-w-6xl px-6 py-5">
            <div className="flex flex-wrap items-end justify-between gap-4">
                <h1 className="min-w-0 flex-1 text-[1.5rem] leading-tight">
                    {data === undefined ? `${stored.document.name} beside another build, or as it was` : say(data.says)}
                </h1>
                <With value={other} onChange={(query) => setSearch(query)} />
            </div>
            {error !== null && (
                <p role="alert" className="mt-3 text-fails">
                    {error.message}
                </p>
            )}
            {data !== undefined && error === null && (
                <table className="mt-4 w-full border border-line bg-sheet">
                    <thead className="text-left">
                        <tr>
                            <th className="px-3 py-2">
                                <span className="sr-only">What</span>
                            </th>
                            {data.names.map((name, i) => (
                                <th key={i} className="w-[43%] px-3 py-2 text-[1.1rem]">
                                    {name}
                                </th>
                            ))}
                        </tr>
                    </thead>
                    {data.groups.map((group) => (
                        <Group key={group.id} of={group} />
                    ))}
                </table>
            )}
        </main>
    );
}

function With({ value, onChange }: { value: string; onChange: (query: string) => void }) {
    const { stored } = useBuild();
    const shelf = useQuery({ queryKey: ['shelf'], queryFn: api.shelf });
    const states = useQuery({ queryKey: ['revisions', stored.id, stored.version], queryFn: () => api.revisions(stored.id) });
    return (
        <label className="block">
            <span className="narrow block text-quiet">Compare with</span>
            <select value={value} onChange={(event) => onChange(event.target.value)} className="max-w-80 border border-line bg-well px-2 py-1">
                <option value="">choose …</option>
                <optgroup label="Another build">
                    {shelf.data
                        ?.filter((each) => each.id !== stored.id)
                        .map((each) => (
                            <option key={each.id} value={`with=${each.id}`}>
                                {each.name}
                            </option>
                        ))}
                </optgroup>
                <optgroup label="This build as it was">
                    {states.data
                        ?.filter((each) => !each.is_now)
                        .slice(0, STATES)
                        .map((each) => (
                            <option key={each.number} value={`revision=${each.number}`}>
                                {`State ${each.number}, ${new Date(each.at).toLocaleString()}`}
                            </option>
                        ))}
                </optgroup>
            </select>
        </label>
    );
}

function Group({ of }: { of: ComparedGroup }) {
    const [showsAll, setShowsAll] = useState(false);
    const same = of.rows.length - of.differing;
    return (
        <tbody className="border-t-2 border-line">
            <tr>
                <th scope="rowgroup" colSpan={3} className="px-3 pt-3 pb-1 text-left text-[1.05rem]">
                    {of.name}
                    {same > 0 && (
                        <button type="button" className="narrow ml-3 min-h-6 font-normal text-accent underline" onClick={() => setShowsAll(!showsAll)}>
                            {showsAll ? 'only what differs' : of.differing === 0 ? 'the same' : `${same} the same`}
                        </button>
                    )}
                </th>
            </tr>
            {of.rows
                .filter((row) => row.differs || showsAll)
                .map((row) => (
                    <Row key={row.what} of={row} />
                ))}
        </tbody>
    );
}

function Row({ of }: { of: ComparedRow }) {
    return (
        <tr className="border-t border-line align-baseline">
            <th scope="row" className="px-3 py-1.5 text-left font-normal text-quiet">
                {of.what}
            </th>
            {of.cells.map((cell, i) => (
                <td key={i} className={`px-3 py-1.5 ${of.better === i ? 'bg-holds-soft' : ''}`}>
                    <Cell of={cell} isBetter={of.better === i} />
                </td>
            ))}
        </tr>
    );
}

function Cell({ of, isBetter }: { of: ComparedCell | null; isBetter: boolean }) {
    const { say } = useSpeaking();
    if (of === null) {
        return <span className="text-quiet">not there</span>;
    }
    return (
        <div className="flex items-baseline gap-2">
            {of.verdict !== null && (
                <span className="self-center">
                    <LinkGlyph verdict={of.verdict} size={12} />
                    <span className="sr-only">{of.verdict === 'not_said' ? 'not said' : of.verdict}</span>
                </span>
            )}
            <span className="min-w-0 flex-1">
                <span className={of.about === null ? '' : 'font-semibold'}>{say(of.says)}</span>
                {of.about !== null && <span className="narrow text-quiet"> {say(of.about)}</span>}
            </span>
            {isBetter && <span className="narrow font-semibold text-holds">better</span>}
        </div>
    );
}

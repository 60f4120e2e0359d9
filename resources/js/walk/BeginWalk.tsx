import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import type { StoredBuild } from '../api/types';
import { useWalk } from './walk';

/** The first hour: over the real pages, on an example or on a thing of one's own. */
export function BeginWalk({ onMade, onFail }: { onMade: (stored: StoredBuild) => void; onFail: (error: unknown) => void }) {
    const { data } = useQuery({ queryKey: ['examples'], queryFn: api.examples, staleTime: Infinity });
    const begin = useWalk((state) => state.begin);
    const [example, setExample] = useState('');
    const [own, setOwn] = useState('');
    const goes = (stored: StoredBuild) => {
        begin(stored.id);
        onMade(stored);
    };
    const withOwn = (event: FormEvent) => {
        event.preventDefault();
        void api.create(own).then(goes, onFail);
    };
    const chosen = example !== '' ? example : data?.[0]?.example;
    return (
        <section aria-label="First walk" className="mt-6 border border-line bg-sheet px-5 py-4">
            <h2 className="text-[1.2rem]">The first time here?</h2>
            <p className="text-quiet">
                A walk over the pages, in the order of the work: from what shall move to a sheet for the bench. It can be left at any step. The words are
                explained on the way, and in the{' '}
                <Link className="text-accent underline" to="/glossary">
                    glossary
                </Link>
                .
            </p>
            <div className="mt-3 flex flex-wrap items-end gap-x-8 gap-y-3">
                <div className="flex items-end gap-2">
                    <label className="block">
                        <span className="narrow block text-quiet">On an example</span>
                        <select value={chosen ?? ''} onChange={(event) => setExample(event.target.value)} className="border border-line bg-well px-2 py-1">
                            {(data ?? []).map((each) => (
                                <option key={each.example} value={each.example}>
                                    {each.name}
                                </option>
                            ))}
                        </select>
                    </label>
                    <button
                        type="button"
                        disabled={chosen === undefined}
                        className="border border-accent px-3 py-1 font-semibold text-accent"
                        onClick={() => chosen !== undefined && void api.openExample(chosen).then(goes, onFail)}
                    >
                        Walk through it
                    </button>
                </div>
                <form className="flex items-end gap-2" onSubmit={withOwn} noValidate>
                    <label className="block">
                        <span className="narrow block text-quiet">Or on my own thing</span>
                        <input
                            value={own}
                            placeholder="A head that turns"
                            onChange={(event) => setOwn(event.target.value)}
                            className="border border-line bg-well px-2 py-1"
                        />
                    </label>
                    <button type="submit" className="border border-accent px-3 py-1 font-semibold text-accent">
                        Begin with it
                    </button>
                </form>
            </div>
        </section>
    );
}

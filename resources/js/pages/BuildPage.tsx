import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate } from 'react-router';
import { api } from '../api/client';
import type { Chain, SupplyAsked } from '../api/types';
import { ChainRow } from '../chain/ChainRow';
import { LinkGlyph, VerdictWord } from '../chain/LinkGlyph';
import { linkPath, MARKER_BG } from '../chain/links';
import { useLinkKeys } from '../chain/useLinkKeys';
import { useTrying } from '../chain/trying';
import { MendAll } from '../chain/MendAll';
import { Costs, Trying } from '../chain/Mends';
import { TryPanel } from '../chain/TryPanel';
import { TextInput } from '../fields/PlainFields';
import { FrontView } from '../mat/FrontView';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { AddMotion } from './AddMotion';

/** The front page of a build: what gives first, then every chain, worst first. */
export function BuildPage() {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const begin = useTrying((state) => state.begin);
    const [isAdding, setAdding] = useState(false);
    const [isMending, setMending] = useState(false);
    const navigate = useNavigate();
    const { assessment } = stored;
    const mend = assessment.mend;
    const isWrong = assessment.verdict === 'fails' || assessment.verdict === 'tight';
    const first = assessment.chains[0];
    useHotkeys('t', () => void (mend !== null && begin(stored, mend)), { enabled: mend !== null }, [mend, stored]);
    useLinkKeys(stored.id, first?.motion);
    useHotkeys(']', () => void (first !== undefined && navigate(linkPath(stored.id, first.motion, 'task'))), { useKey: true }, [first]);
    return (
        <main className="mx-auto max-w-[1500px] px-6 py-5">
            <section aria-label="What gives first" className="flex items-start gap-5">
                <span className="mt-1.5">
                    <LinkGlyph verdict={assessment.verdict} size={30} />
                </span>
                <div className="min-w-0 flex-1">
                    <h1 className="text-[1.55rem] leading-tight">{say(assessment.says)}</h1>
                    <p role="status" className="mt-1 text-quiet empty:hidden">
                        {assessment.rehearsed ? '' : 'Its routines are being rehearsed: there may be more to say.'}
                    </p>
                    {assessment.rehearsed && isWrong && <Trying />}
                    {isWrong && (
                        <div className="mt-2 flex flex-wrap items-start gap-3">
                            {mend !== null && (
                                <div>
                                    <button
                                        type="button"
                                        className="bg-accent px-3 py-1 text-left font-semibold text-sheet"
                                        onClick={() => void begin(stored, mend)}
                                    >
                                        Try: {say(mend.does)} <kbd className="key narrow font-normal opacity-80">t</kbd>
                                    </button>
                                    <Costs of={mend} />
                                </div>
                            )}
                            {!isMending && (
                                <button
                                    type="button"
                                    className="border border-accent px-3 py-1 font-semibold text-accent hover:bg-accent hover:text-sheet"
                                    onClick={() => setMending(true)}
                                >
                                    Mend all
                                </button>
                            )}
                        </div>
                    )}
                </div>
                {assessment.stage.front.length > 0 && (
                    <Link to={`/builds/${stored.id}/stage`} className="shrink-0" title="The stage">
                        <FrontView of={assessment.stage.front} label={`${stored.document.name} from the front: to the stage`} className="h-24 w-28" />
                    </Link>
                )}
                <button
                    type="button"
                    className={stored.document.motions.length === 0 ? 'bg-accent px-3 py-1 font-semibold text-sheet' : 'border border-line bg-sheet px-3 py-1'}
                    onClick={() => setAdding(true)}
                >
                    Add a motion
                </button>
            </section>
            <div className="mt-4 space-y-4 empty:hidden">
                <TryPanel />
                {isMending && <MendAll onClose={() => setMending(false)} />}
            </div>
            {assessment.chains.length === 0 && <FirstSteps />}
            <ul className="mt-5 space-y-4">
                {assessment.chains.map((chain) => (
                    <ChainBlock key={chain.motion} chain={chain} isTold={chain.motion === assessment.first} />
                ))}
            </ul>
            <section className="mt-6" aria-label="Routines">
                <h2 className="mb-1 text-[1.05rem]">Routines</h2>
                <ul className="divide-y divide-line border border-line bg-sheet">
                    {assessment.routines.map((routine) => (
                        <li key={routine.id}>
                            <Link className="flex items-center gap-4 px-4 py-2 hover:bg-well" to={`/builds/${stored.id}/routines/${routine.id}`}>
                                <strong className="w-48">{routine.name}</strong>
                                <span className="w-28">
                                    <VerdictWord verdict={routine.verdict} />
                                </span>
                                <span className="w-72 text-quiet">
                                    {routine.takes_s === null
                                        ? 'does not come to an end'
                                        : `${assessment.rehearsed ? 'up to' : 'about'} ${significant(routine.takes_s, 3)} s`}
                                    {routine.target_s === null ? '' : `, ${significant(routine.target_s, 3)} s asked for`}
                                </span>
                                <span className="min-w-0 flex-1 truncate text-quiet">
                                    {routine.findings[0] === undefined ? '' : say(routine.findings[0].says)}
                                </span>
                            </Link>
                        </li>
                    ))}
                    {assessment.routines.length === 0 && (
                        <li className="px-4 py-2 text-quiet">
                            None yet.{' '}
                            <Link className="text-accent underline" to={`/builds/${stored.id}/routines`}>
                                Write the first
                            </Link>
                            : what starts, what moves, how long to wait.
                        </li>
                    )}
                </ul>
            </section>
            <Supplies of={assessment.supplies} />
            <section className="mt-6 flex flex-wrap items-end gap-4" aria-label="This build">
                <div className="min-w-80 flex-1">
                    <span className="narrow block text-quiet">Note, for the shelf</span>
                    <TextInput label="Note, for the shelf" path="note" value={stored.document.note} className="w-full border border-line bg-well px-2 py-1" />
                </div>
                <CopyBuild />
                <Link className="pb-1.5 text-accent underline" to={`/builds/${stored.id}/compare`}>
                    Compare with another, or as it was
                </Link>
            </section>
            <AddMotion open={isAdding} onClose={() => setAdding(false)} />
        </main>
    );
}

/** A variant to try something else on: the same once more, under a name of its own. */
function CopyBuild() {
    const { stored } = useBuild();
    const navigate = useNavigate();
    const queries = useQueryClient();
    const copy = async () => {
        const made = await api.copy(stored.id);
        queries.setQueryData(['build', made.id], made);
        void navigate(`/builds/${made.id}`);
    };
    return (
        <button type="button" className="border border-line bg-sheet px-3 py-1" onClick={() => void copy()}>
            Copy this build
        </button>
    );
}

/** What the rehearsals ask of each supply: at once, and over the day. */
function Supplies({ of }: { of: SupplyAsked[] }) {
    const { say } = useSpeaking();
    if (of.length === 0) {
        return null;
    }
    return (
        <section className="mt-6" aria-label="Supplies">
            <h2 className="mb-1 text-[1.05rem]">Supplies, as rehearsed</h2>
            <ul className="divide-y divide-line border border-line bg-sheet">
                {of.map((supply) => (
                    <li key={supply.id} className="flex flex-wrap items-baseline gap-x-4 px-4 py-2">
                        <strong className="w-48">{supply.name}</strong>
                        <span className={`w-96 ${supply.most_A > supply.max_A ? 'text-tight' : ''}`}>{say(supply.at_once)}</span>
                        <span className="min-w-0 flex-1">
                            {say(supply.over_day)}
                            {supply.takes.length > 0 && <span className="block text-quiet">{supply.takes.map((each) => say(each.says)).join(', ')}</span>}
                        </span>
                    </li>
                ))}
            </ul>
        </section>
    );
}

const NEEDED = [
    [
        'A kitchen scale',
        'weighs the part finished: with its paint, costume and wires. A guess will do to begin with; the program then says what 30 % more would do.',
    ],
    ['A pencil and a ruler', 'find where it balances, and how far that is from its pivot. For something lifted, measure the drum instead.'],
    ['Your hand and a watch', 'move it the way it should move, and take the time.'],
] as const;

/** What to measure before the first motion is added, and with what. */
function FirstSteps() {
    return (
        <section aria-label="What you need" className="mt-6 max-w-3xl border border-line bg-sheet px-5 py-4">
            <h2 className="text-[1.05rem]">What you need</h2>
            <dl className="mt-2 grid grid-cols-[12rem_1fr] gap-y-2">
                {NEEDED.map(([what, does]) => (
                    <div key={what} className="contents">
                        <dt className="font-semibold">{what}</dt>
                        <dd>{does}</dd>
                    </div>
                ))}
            </dl>
            <p className="mt-3 text-quiet">
                For example: a drawbridge of 500 g that balances 160 mm from its pivot, up by 80° in 4 s, and staying put with the power off.
            </p>
        </section>
    );
}

/** @param isTold its worst finding stands on top of the page already */
function ChainBlock({ chain, isTold }: { chain: Chain; isTold: boolean }) {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const marker = stored.document.motions.find((motion) => motion.id === chain.motion)?.marker ?? 'yellow';
    const weakest = chain.links.find((link) => link.link === chain.weakest)!;
    const finding = weakest.findings[0];
    return (
        <li className="border border-line bg-sheet">
            <div className="flex items-center gap-3 border-b border-line px-3 py-1.5">
                <span aria-hidden="true" className={`size-3.5 border border-ink/40 ${MARKER_BG[marker]}`} />
                <h2 className="text-[1.1rem]">
                    <Link to={linkPath(stored.id, chain.motion, 'task')}>{chain.name}</Link>
                </h2>
                <VerdictWord verdict={chain.verdict} />
                {finding !== undefined && chain.verdict !== 'holds' && !isTold && (
                    <p className="min-w-0 flex-1 truncate text-quiet" title={say(finding.says)}>
                        {say(finding.says)}
                    </p>
                )}
            </div>
            <ChainRow build={stored.id} chain={chain} />
        </li>
    );
}

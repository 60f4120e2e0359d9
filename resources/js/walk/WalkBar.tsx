import { Link, useLocation, useNavigate } from 'react-router';
import { VerdictWord } from '../chain/LinkGlyph';
import { useBuild } from '../state/BuildContext';
import { Term } from './Term';
import { STEPS, useWalk } from './walk';

/** One strip over the pages of a build while somebody is walked through them: where they are, why it matters, what to do, and on. */
export function WalkBar() {
    const { stored } = useBuild();
    const { build, at, go, end } = useWalk();
    const navigate = useNavigate();
    const { pathname } = useLocation();
    if (build !== stored.id) {
        return null;
    }
    const motion = stored.document.motions[0];
    const step = STEPS[at]!;
    const next = STEPS[at + 1];
    const to = (i: number) => {
        go(i);
        void navigate(STEPS[i]!.path(stored.id, motion?.id ?? ''));
    };
    const link = stored.assessment.chains.find((chain) => chain.motion === motion?.id)?.links.find((each) => each.link === step.link);
    const isWrong = link?.verdict === 'fails' || link?.verdict === 'tight';
    const path = motion === undefined ? `/builds/${stored.id}` : step.path(stored.id, motion.id);
    return (
        <aside aria-label="First walk" className="flex flex-wrap items-start gap-x-6 gap-y-2 border-b-2 border-accent bg-well px-4 py-2 print:hidden">
            <div className="min-w-72 flex-1">
                {motion === undefined ? (
                    <p>
                        <strong>What has to move?</strong> Add the first motion: its name, and how it moves. All figures can be typed over afterwards.
                    </p>
                ) : (
                    <>
                        <p>
                            <strong>
                                {at + 1} of {STEPS.length}: {step.title}.
                            </strong>{' '}
                            <WithTerms text={step.why} />
                        </p>
                        <p className="text-quiet">
                            <WithTerms text={step.does} />{' '}
                            {link !== undefined && (
                                <span className="inline-flex items-center gap-1 align-middle">
                                    <VerdictWord verdict={link.verdict} />
                                </span>
                            )}
                            {isWrong && ' Try the first mend under What gives first.'}
                        </p>
                    </>
                )}
            </div>
            <div className="flex items-center gap-2">
                {!pathname.startsWith(path) && (
                    <Link className="text-accent underline" to={path}>
                        Back to {motion === undefined ? 'the build' : step.title}
                    </Link>
                )}
                {motion !== undefined && at > 0 && (
                    <button type="button" className="border border-line bg-sheet px-3 py-1" onClick={() => to(at - 1)}>
                        {STEPS[at - 1]!.title}
                    </button>
                )}
                {motion !== undefined && next !== undefined && (
                    <button type="button" className="bg-accent px-3 py-1 font-semibold text-sheet" onClick={() => to(at + 1)}>
                        On to {next.title}
                    </button>
                )}
                <button type="button" className="border border-line bg-sheet px-3 py-1" onClick={end}>
                    {next === undefined && motion !== undefined ? 'Done' : 'Leave the walk'}
                </button>
            </div>
        </aside>
    );
}

/** A sentence in which words in brackets are the trade's. */
function WithTerms({ text }: { text: string }) {
    return text.split(/\[([^\]]+)\]/).map((part, i) => (i % 2 === 0 ? part : <Term key={i} word={part} />));
}

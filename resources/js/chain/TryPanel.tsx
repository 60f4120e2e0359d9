import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Chain, StoredBuild } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { VerdictWord } from './LinkGlyph';
import { labelOf } from './links';
import { Costs } from './Mends';
import { useTrying } from './trying';

interface Difference {
    key: string;
    label: string;
    before: Chain['links'][number];
    after: Chain['links'][number];
}

/** What would change: every link whose number or verdict is not the same. */
function differences(before: StoredBuild, after: StoredBuild): Difference[] {
    return before.assessment.chains.flatMap((chain) => {
        const other = after.assessment.chains.find((each) => each.motion === chain.motion);
        return chain.links.flatMap((link, i) => {
            const now = other?.links[i];
            return now === undefined || (now.figure.text === link.figure.text && now.about.text === link.about.text && now.verdict === link.verdict)
                ? []
                : [{ key: `${chain.motion} ${link.link}`, label: `${chain.name}, ${labelOf(link.link).toLowerCase()}`, before: link, after: now }];
        });
    });
}

/** A chain that failed or was tight, and does so no longer. */
function closes(before: StoredBuild, after: StoredBuild): boolean {
    const bad = (stored: StoredBuild, motion: string) =>
        ['fails', 'tight'].includes(stored.assessment.chains.find((chain) => chain.motion === motion)?.verdict ?? '');
    return before.assessment.chains.some((chain) => bad(before, chain.motion) && !bad(after, chain.motion));
}

/** Before and after of a fix, side by side. Nothing is saved until it is kept. */
export function TryPanel() {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const { fix, after, message, brings, drop } = useTrying();
    const isStale = after !== null && (after.id !== stored.id || after.version !== stored.version); // an edit came in between
    const keep = () => {
        if (fix !== null && after !== null && !isStale) {
            edit(...fix.changes);
            drop();
        }
    };
    useHotkeys('k', keep, { enabled: after !== null && !isStale }, [fix, after]);
    useHotkeys('escape', drop, { enabled: fix !== null });
    useEffect(() => {
        if (isStale) {
            drop();
        }
    }, [isStale, drop]);
    useEffect(() => drop, [stored.id, drop]);
    if (fix === null || isStale) {
        return null;
    }
    const changes = after === null ? [] : differences(stored, after);
    return (
        <section aria-label="Try" className="border-2 border-accent bg-well">
            <div className="flex items-center gap-4 border-b border-line px-4 py-2">
                <h2 className="flex-1 text-[1.05rem]">Trying: {say(fix.does)}</h2>
                <button type="button" className="bg-accent px-3 py-1 font-semibold text-sheet disabled:opacity-50" disabled={after === null} onClick={keep}>
                    Keep <kbd className="key narrow font-normal opacity-80">k</kbd>
                </button>
                <button type="button" className="border border-line bg-sheet px-3 py-1" onClick={drop}>
                    Drop <kbd className="key narrow text-quiet">Esc</kbd>
                </button>
            </div>
            {message !== '' && <p className="px-4 py-2 text-fails">{message}</p>}
            {after === null && message === '' && (
                <p role="status" className="px-4 py-2 text-quiet">
                    It is tried on the whole build, with what it needs besides.
                </p>
            )}
            {brings !== null && <p className="px-4 pt-2 text-fails">With it: {say(brings)}</p>}
            {fix.costs.length > 0 && (
                <div className="px-4 pt-2">
                    <Costs of={fix} />
                </div>
            )}
            {after !== null && (
                <div className="px-4 py-2" aria-live="polite">
                    <table className="w-full">
                        <thead>
                            <tr className="narrow text-left text-quiet">
                                <th className="w-1/5 py-1 font-normal">Link</th>
                                <th className="w-2/5 py-1 font-normal">Now</th>
                                <th className="w-2/5 py-1 font-normal">Then</th>
                            </tr>
                        </thead>
                        <tbody>
                            {changes.map((change) => (
                                <tr key={change.key} className="border-t border-line align-top">
                                    <th scope="row" className="py-1 text-left font-normal">
                                        {change.label}
                                    </th>
                                    {[change.before, change.after].map((link, i) => (
                                        <td key={i} className="py-1 pr-4">
                                            <span className="mr-3 text-[1.15rem] font-semibold">{say(link.figure)}</span>
                                            <VerdictWord verdict={link.verdict} />
                                            <span className="narrow block text-quiet">{say(link.about)}</span>
                                        </td>
                                    ))}
                                </tr>
                            ))}
                        </tbody>
                    </table>
                    {closes(stored, after) && <p className="py-1 font-semibold text-holds">The chain closes: nothing fails or is tight any more.</p>}
                    {changes.length === 0 && <p className="py-1 text-quiet">No link changes its number by this.</p>}
                </div>
            )}
        </section>
    );
}

import { LinkGlyph } from '../chain/LinkGlyph';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';

const SEVERITY = {
    fails: { verdict: 'fails', word: 'Fails' },
    tight: { verdict: 'tight', word: 'Tight' },
    note: { verdict: 'not_said', word: 'Note' },
} as const;

/** What measuring and testing say of each motion: the findings of all Proof links. */
export function BenchSays() {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const rows = stored.assessment.chains.flatMap((chain) =>
        chain.links.filter((link) => link.link === 'proof').flatMap((link) => link.findings.map((finding) => ({ name: chain.name, finding }))),
    );
    if (rows.length === 0) {
        return null;
    }
    return (
        <section aria-label="What the bench says" className="mt-4">
            <h2 className="text-[1.1rem]">What the bench says</h2>
            <ul className="mt-1 divide-y divide-line border-y border-line">
                {rows.map(({ name, finding }, i) => (
                    <li key={`${name} ${finding.code} ${i}`} className="flex gap-3 py-1.5">
                        <span className="mt-0.5 w-9 shrink-0">
                            <LinkGlyph verdict={SEVERITY[finding.severity].verdict} size={15} />
                        </span>
                        <span>
                            <strong>
                                {name}, {SEVERITY[finding.severity].word.toLowerCase()}.
                            </strong>{' '}
                            {say(finding.says)}
                        </span>
                    </li>
                ))}
            </ul>
        </section>
    );
}

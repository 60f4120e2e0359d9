import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import type { Finding, Fix } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { Costs, Trying } from './Mends';
import { LinkGlyph } from './LinkGlyph';
import { useTrying } from './trying';

const SEVERITY = {
    fails: { verdict: 'fails', word: 'Fails' },
    tight: { verdict: 'tight', word: 'Tight' },
    note: { verdict: 'not_said', word: 'Note' },
} as const;

const RANK = { fails: 0, tight: 1, note: 2 };

interface Props {
    findings: Finding[];
    /** Findings of other links, which are told in short. */
    elsewhere?: { finding: Finding; label: string; to: string }[];
    title?: string;
    none?: string;
}

/** What gives first: findings, worst first, each with what can be done about it. */
export function Findings({ findings, elsewhere = [], title = 'What gives first', none = 'Nothing: every link that can be judged holds.' }: Props) {
    const { stored } = useBuild();
    const begin = useTrying((state) => state.begin);
    const rows = [...findings.map((finding) => ({ finding, label: null, to: '' })), ...elsewhere].sort(
        (a, b) => RANK[a.finding.severity] - RANK[b.finding.severity],
    );
    const keys = keysOf(rows.map((row) => `${row.finding.code} ${row.finding.place} ${row.finding.says.template}`));
    const first = rows.flatMap((row) => row.finding.fixes)[0];
    useHotkeys('t', () => void (first !== undefined && begin(stored, first)), { enabled: first !== undefined }, [first, stored]);
    return (
        <section aria-label={title}>
            <h2 className="mb-2 text-[1.05rem]">{title}</h2>
            {rows.some((row) => row.finding.severity !== 'note') && <Trying />}
            {rows.length === 0 && <p className="text-quiet">{none}</p>}
            <ol className="divide-y divide-line border-y border-line empty:hidden">
                {rows.map(({ finding, label, to }, i) =>
                    label === null ? (
                        <FindingRow key={keys[i]} finding={finding} onTry={(fix) => void begin(stored, fix)} />
                    ) : (
                        <ElsewhereRow key={keys[i]} finding={finding} label={label} to={to} />
                    ),
                )}
            </ol>
        </section>
    );
}

/** The same names, numbered where one comes again: of two rows with one key React would leave one behind. */
function keysOf(names: string[]): string[] {
    return names.map((name, i) => `${name} ${names.slice(0, i).filter((each) => each === name).length}`);
}

/** A finding of another link: one line that leads there. */
function ElsewhereRow({ finding, label, to }: { finding: Finding; label: string; to: string }) {
    const { say } = useSpeaking();
    const { verdict, word } = SEVERITY[finding.severity];
    return (
        <li>
            <Link to={to} className="flex items-center gap-3 py-1.5 hover:bg-well" title={say(finding.says)}>
                <span className="w-9 shrink-0">
                    <LinkGlyph verdict={verdict} size={15} />
                </span>
                <span className="min-w-0 truncate">
                    <span className="sr-only">{word}. </span>
                    <strong>{label}:</strong> {say(finding.says)}
                </span>
            </Link>
        </li>
    );
}

function FindingRow({ finding, onTry }: { finding: Finding; onTry: (fix: Fix) => void }) {
    const { say } = useSpeaking();
    const { verdict, word } = SEVERITY[finding.severity];
    return (
        <li className="flex gap-3 py-2">
            <span className="mt-0.5 w-9 shrink-0">
                <LinkGlyph verdict={verdict} size={15} />
            </span>
            <div className="min-w-0">
                <p className={finding.severity === 'note' ? 'text-quiet' : ''}>
                    <strong className={finding.severity === 'fails' ? 'text-fails' : finding.severity === 'tight' ? 'text-tight' : 'font-semibold text-quiet'}>
                        {word}.
                    </strong>{' '}
                    {say(finding.says)}
                </p>
                {finding.fixes.length > 0 && (
                    <div className="mt-1 flex flex-col items-start gap-1">
                        {finding.fixes.map((fix) => (
                            <div key={fix.does.template + fix.does.text}>
                                <button
                                    type="button"
                                    className="border border-accent px-2 py-0.5 text-left text-accent hover:bg-accent hover:text-sheet"
                                    onClick={() => onTry(fix)}
                                >
                                    Try: {say(fix.does)}
                                </button>
                                <Costs of={fix} />
                            </div>
                        ))}
                    </div>
                )}
                {finding.instead !== null && <p className="mt-1 text-quiet">{say(finding.instead)}</p>}
            </div>
        </li>
    );
}

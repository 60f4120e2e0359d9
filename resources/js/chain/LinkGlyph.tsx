import type { Verdict } from '../api/types';

export const VERDICT_WORDS: Record<Verdict, string> = { holds: 'holds', tight: 'tight', fails: 'fails', not_said: 'not said' };

export const VERDICT_TEXT: Record<Verdict, string> = { holds: 'text-holds', tight: 'text-tight', fails: 'text-fails', not_said: 'text-unsaid' };

/** A link of a chain: closed, stretched, open or dotted. Decoration beside the word that says the same. */
export function LinkGlyph({ verdict, size = 20 }: { verdict: Verdict; size?: number }) {
    return (
        <svg
            aria-hidden="true"
            className={`shrink-0 ${VERDICT_TEXT[verdict]}`}
            width={size * 2}
            height={size}
            viewBox="0 0 40 20"
            fill="none"
            stroke="currentColor"
            strokeWidth="3.4"
        >
            {verdict === 'holds' && <rect x="3" y="3" width="34" height="14" rx="7" />}
            {verdict === 'tight' && <path d="M8 5.5h24l6 4.5-6 4.5H8L2 10Z" strokeLinejoin="round" />}
            {verdict === 'fails' && <path d="M20 17H10a7 7 0 0 1 0-14h9M27 2l3 .6a7 7 0 0 1 6.6 7.6M34 16.4 30 17h-3" strokeLinecap="round" />}
            {verdict === 'not_said' && <rect x="3" y="3" width="34" height="14" rx="7" strokeDasharray="1.5 5" strokeLinecap="round" />}
        </svg>
    );
}

export function VerdictWord({ verdict }: { verdict: Verdict }) {
    return (
        <span className={`inline-flex items-center gap-1.5 font-semibold whitespace-nowrap ${VERDICT_TEXT[verdict]}`}>
            <LinkGlyph verdict={verdict} size={12} />
            {VERDICT_WORDS[verdict]}
        </span>
    );
}

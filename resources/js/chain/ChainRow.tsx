import { Link } from 'react-router';
import type { Chain, Link as ChainLink, LinkName } from '../api/types';
import { useSpeaking } from '../state/UnitsContext';
import { Ghost } from './Ghost';
import { LinkGlyph, VERDICT_TEXT, VERDICT_WORDS } from './LinkGlyph';
import { labelOf, linkPath, LINKS } from './links';

/** One motion's chain, from its task to its proof: summary and navigation in one. */
export function ChainRow({ build, chain, current }: { build: string; chain: Chain; current?: LinkName }) {
    return (
        <nav aria-label={`Chain of ${chain.name}`}>
            <ol className="grid" style={{ gridTemplateColumns: `repeat(${LINKS.length}, minmax(0, 1fr))` }}>
                {chain.links.map((link, i) => (
                    <li key={link.link} className="min-w-0">
                        <LinkCell
                            link={link}
                            number={i + 1}
                            to={linkPath(build, chain.motion, link.link)}
                            isCurrent={link.link === current}
                            isWeakest={link.link === chain.weakest && chain.verdict !== 'holds'}
                        />
                    </li>
                ))}
            </ol>
        </nav>
    );
}

function LinkCell({ link, number, to, isCurrent, isWeakest }: { link: ChainLink; number: number; to: string; isCurrent: boolean; isWeakest: boolean }) {
    const { say } = useSpeaking();
    const soft =
        isWeakest && link.verdict === 'fails'
            ? 'bg-fails-soft'
            : isWeakest && link.verdict === 'tight'
              ? 'bg-tight-soft'
              : isCurrent
                ? 'bg-well'
                : 'hover:bg-well';
    return (
        <Link
            to={to}
            aria-current={isCurrent ? 'page' : undefined}
            className={`flex h-full flex-col border-b-3 px-2 pt-2 pb-1.5 ${isCurrent ? 'border-ink' : 'border-transparent'} ${soft}`}
        >
            <span className="-mx-2 flex items-center">
                <span className={`h-[3px] flex-1 ${number === 1 ? '' : 'bg-line'}`} />
                <LinkGlyph verdict={link.verdict} size={18} />
                <span className={`h-[3px] flex-1 ${number === LINKS.length ? '' : 'bg-line'} ${link.verdict === 'fails' ? 'opacity-0' : ''}`} />
            </span>
            <span className="narrow mt-1 flex justify-between text-quiet">
                <span>{labelOf(link.link)}</span>
                <span className={`font-semibold ${VERDICT_TEXT[link.verdict]}`}>{VERDICT_WORDS[link.verdict]}</span>
            </span>
            <span className="figure mt-0.5 truncate">
                <Ghost text={say(link.figure)} />
            </span>
            <span className="narrow line-clamp-2 text-[0.86rem] leading-tight text-quiet">{say(link.about)}</span>
        </Link>
    );
}

import { Link } from 'react-router';
import { SYSTEMS, useUnitChoice } from '../state/units';

export function Wordmark() {
    return (
        <Link to="/" className="flex items-center gap-2 font-semibold">
            <img src="/favicon.svg" alt="" width="22" height="22" className="shrink-0" />
            <span className="sr-only 2xl:not-sr-only">Brookstone</span>
        </Link>
    );
}

export function UnitSwitch() {
    const { system, choose } = useUnitChoice();
    return (
        <div role="group" aria-label="Units" className="flex border border-line">
            {SYSTEMS.map((each) => (
                <button
                    key={each.name}
                    type="button"
                    aria-pressed={system === each.name}
                    onClick={() => choose(each.name)}
                    className={`px-2 py-0.5 ${system === each.name ? 'bg-ink text-sheet' : 'bg-well hover:bg-ground'}`}
                >
                    {each.label}
                </button>
            ))}
        </div>
    );
}

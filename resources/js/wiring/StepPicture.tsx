import type { ReactNode } from 'react';
import type { AssemblyStep } from '../api/types';

type Picture = NonNullable<AssemblyStep['picture']>;

const LINE = { stroke: 'currentColor', strokeWidth: 2, fill: 'none' };

const DRAWN: Record<Picture, { says: string; draws: ReactNode }> = {
    striped: {
        says: 'A capacitor: the stripe and the short leg are ground, the long leg is the supply',
        draws: (
            <>
                <path d="M34 34v18M52 34v10" {...LINE} />
                <rect x="24" y="6" width="38" height="28" rx="3" fill="#33505e" stroke="currentColor" />
                <rect x="48" y="6" width="8" height="28" fill="#dfe5e2" />
                <text x="70" y="42" fontSize="12" fill="currentColor">
                    ground
                </text>
                <text x="6" y="52" fontSize="12" fill="currentColor">
                    +
                </text>
            </>
        ),
    },
    banded: {
        says: 'A diode: its stripe goes where the step says',
        draws: (
            <>
                <path d="M6 28h24M78 28h24" {...LINE} />
                <rect x="30" y="16" width="48" height="24" rx="3" fill="#2a2f2e" stroke="currentColor" />
                <rect x="64" y="16" width="7" height="24" fill="#e9ece8" />
                <text x="106" y="32" fontSize="12" fill="currentColor">
                    stripe
                </text>
            </>
        ),
    },
    flat: {
        says: 'A small capacitor: either way round',
        draws: (
            <>
                <path d="M40 34v18M60 34v18" {...LINE} />
                <ellipse cx="50" cy="22" rx="22" ry="14" fill="#c98a45" stroke="currentColor" />
            </>
        ),
    },
    board: {
        says: 'A board: its first pin is the upper one on the left',
        draws: (
            <>
                <rect x="30" y="6" width="60" height="46" rx="2" {...LINE} />
                {[14, 24, 34, 44].map((y) => (
                    <g key={y}>
                        <circle cx="30" cy={y} r={y === 14 ? 4.5 : 2.5} fill="currentColor" />
                        <circle cx="90" cy={y} r="2.5" fill="currentColor" />
                    </g>
                ))}
                <text x="6" y="18" fontSize="12" fill="currentColor">
                    1
                </text>
            </>
        ),
    },
    meter: {
        says: 'A meter: one tip on the red wire, one on ground',
        draws: (
            <>
                <rect x="36" y="6" width="40" height="30" rx="3" {...LINE} />
                <path d="M44 28q12-16 24 0M56 28l6-10" {...LINE} />
                <path d="M46 36q-6 12-20 14" stroke="#b3231b" strokeWidth="2.5" fill="none" />
                <path d="M66 36q6 12 20 14" {...LINE} />
            </>
        ),
    },
};

/** Which way round it goes, drawn and in words. */
export function StepPicture({ of }: { of: Picture }) {
    return (
        <svg width="130" height="56" viewBox="0 0 130 56" role="img" aria-label={DRAWN[of].says} className="shrink-0">
            {DRAWN[of].draws}
        </svg>
    );
}

import type { ReactNode } from 'react';
import type { Chain, Motion } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { useSpeaking } from '../state/UnitsContext';
import { Frame } from './geometry';
import { kindOf } from './kinds';
import { MatGround } from './MatGround';

const SIZE = { width: 300, height: 170 };

/** One motion where it stands at a moment, small; what else is said of it lies over it. */
export function SmallMat({
    motion,
    chain,
    position,
    isActive = false,
    children,
}: {
    motion: Motion;
    chain: Chain;
    position: number;
    isActive?: boolean;
    children?: ReactNode;
}) {
    const { text, book } = useSpeaking();
    const kind = kindOf(motion.mechanism);
    const frame = new Frame(kind.extent(motion.mechanism, chain.curves), SIZE.width, SIZE.height, { left: 26, right: 66, top: 36, bottom: 18 });
    const unit = chain.curves.position_unit === 'deg' ? '°' : 'm';
    const stands = text({ si: book.toSi(position, unit), dimension: unit === '°' ? 'angle' : 'length' });
    return (
        <div className={`on-mat relative bg-mat text-mat-ink ${isActive ? 'outline-2 -outline-offset-2 outline-mat-ink' : ''}`}>
            <svg viewBox={`0 0 ${SIZE.width} ${SIZE.height}`} className="block w-full" role="img" aria-label={`${motion.name} stands at ${stands}`}>
                <MatGround frame={frame} />
                <kind.Draw
                    motion={motion}
                    thing={motion.mechanism}
                    curves={chain.curves}
                    frame={frame}
                    position={position}
                    color={MARKER_COLOR[motion.marker]}
                />
            </svg>
            <p className="pointer-events-none absolute top-1 left-2 bg-mat/85 px-1 font-semibold">
                {motion.name} <span className="font-normal">{stands}</span>
            </p>
            {children}
        </div>
    );
}

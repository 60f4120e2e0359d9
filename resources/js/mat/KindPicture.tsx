import type { CSSProperties, ReactNode } from 'react';
import type { Mechanism } from '../api/types';

/** A part that goes to and fro, or round, while the picture is looked at. */
function Goes({
    by,
    about = [0, 0],
    children,
}: {
    by: { turn?: number; x?: number; y?: number; round?: boolean };
    about?: [number, number];
    children: ReactNode;
}) {
    const style = {
        transformBox: 'view-box',
        transformOrigin: `${about[0]}px ${about[1]}px`,
        '--turn': `${by.turn ?? 0}deg`,
        '--x': `${by.x ?? 0}px`,
        '--y': `${by.y ?? 0}px`,
    } as CSSProperties;
    return (
        <g className={by.round === true ? 'goes-round' : 'goes'} style={style}>
            {children}
        </g>
    );
}

const INK = 'var(--color-mat-ink)';
const FIXED = 'var(--color-mat-quiet)';
const MOVED = 'var(--color-yellow)';
const OTHER = 'var(--color-sky)';

const Base = ({ x, y }: { x: number; y: number }) => <path d={`M${x} ${y}l-7 10h14z`} fill="var(--color-mat-rule)" stroke={FIXED} />;
const Pin = ({ x, y }: { x: number; y: number }) => <circle cx={x} cy={y} r="3" fill="var(--color-mat)" stroke={INK} strokeWidth="1.5" />;
const Wheel = ({ x, y, r = 7 }: { x: number; y: number; r?: number }) => (
    <Goes by={{ turn: 360, round: true }} about={[x, y]}>
        <circle cx={x} cy={y} r={r} fill="none" stroke={OTHER} strokeWidth="2" />
        <path d={`M${x - r} ${y}h${2 * r}M${x} ${y - r}v${2 * r}`} stroke={OTHER} />
    </Goes>
);
const Ground = ({ y }: { y: number }) => <path d={`M6 ${y}h84`} stroke={FIXED} />;

const DRAWN: Record<Mechanism['kind'], ReactNode> = {
    arm: (
        <>
            <Base x={26} y={42} />
            <Goes by={{ turn: -50 }} about={[26, 42]}>
                <path d="M26 42h44" stroke={MOVED} strokeWidth="5" strokeLinecap="round" />
                <circle cx="54" cy="42" r="5" fill="var(--color-mat)" stroke={INK} />
            </Goes>
            <Pin x={26} y={42} />
        </>
    ),
    turntable: (
        <>
            <path d="M48 6v48" stroke={FIXED} strokeDasharray="3 3" />
            <ellipse cx="48" cy="40" rx="28" ry="9" fill="none" stroke={FIXED} />
            <Goes by={{ turn: 70 }} about={[48, 40]}>
                <path d="M48 40h22" stroke={MOVED} strokeWidth="5" strokeLinecap="round" />
            </Goes>
            <Pin x={48} y={40} />
        </>
    ),
    hoist: (
        <>
            <circle cx="40" cy="14" r="7" fill="none" stroke={OTHER} strokeWidth="2" />
            <Goes by={{ y: -18 }}>
                <path d="M47 -20v60" stroke={INK} />
                <rect x="37" y="38" width="20" height="14" fill={MOVED} />
            </Goes>
            <rect x="30" y="0" width="30" height="6" fill={FIXED} />
        </>
    ),
    slide: (
        <>
            <path d="M8 40h80M8 46h80" stroke={FIXED} strokeWidth="2" />
            <Goes by={{ x: 40 }}>
                <rect x="14" y="26" width="26" height="14" fill={MOVED} />
            </Goes>
        </>
    ),
    wheels: (
        <>
            <Ground y={50} />
            <Goes by={{ x: 30 }}>
                <rect x="14" y="26" width="36" height="14" fill={MOVED} />
                <Wheel x={22} y={43} />
                <Wheel x={42} y={43} />
            </Goes>
        </>
    ),
    balancer: (
        <>
            <Ground y={52} />
            <Goes by={{ x: 14 }}>
                <Goes by={{ turn: 12 }} about={[40, 44]}>
                    <rect x="35" y="10" width="10" height="32" rx="4" fill={MOVED} />
                </Goes>
                <Wheel x={40} y={44} r={8} />
            </Goes>
        </>
    ),
    crank: (
        <>
            <circle cx="24" cy="32" r="12" fill="none" stroke={OTHER} strokeWidth="2" />
            <Goes by={{ turn: 360, round: true }} about={[24, 32]}>
                <circle cx="36" cy="32" r="3" fill={INK} />
            </Goes>
            <path d="M52 24h36M52 40h36" stroke={FIXED} />
            <Goes by={{ x: -16 }}>
                <path d="M40 32h26" stroke={INK} strokeWidth="2" />
                <rect x="64" y="25" width="16" height="14" fill={MOVED} />
            </Goes>
        </>
    ),
    crank_rocker: (
        <>
            <circle cx="22" cy="40" r="8" fill="none" stroke={OTHER} strokeWidth="2" />
            <Goes by={{ turn: 360, round: true }} about={[22, 40]}>
                <circle cx="30" cy="40" r="2.5" fill={INK} />
            </Goes>
            <Goes by={{ turn: 24 }} about={[66, 48]}>
                <path d="M66 48L60 14" stroke={MOVED} strokeWidth="5" strokeLinecap="round" />
                <path d="M62 26L28 36" stroke={INK} strokeWidth="1.5" />
            </Goes>
            <Pin x={66} y={48} />
        </>
    ),
    pushed: (
        <>
            <Goes by={{ turn: 40 }} about={[24, 44]}>
                <path d="M24 44V22" stroke={OTHER} strokeWidth="4" strokeLinecap="round" />
            </Goes>
            <Goes by={{ x: 13 }}>
                <path d="M24 23h40" stroke={INK} strokeWidth="1.5" />
            </Goes>
            <Goes by={{ turn: 40 }} about={[64, 44]}>
                <path d="M64 44V10" stroke={MOVED} strokeWidth="5" strokeLinecap="round" />
            </Goes>
            <Pin x={24} y={44} />
            <Pin x={64} y={44} />
        </>
    ),
    ball: (
        <>
            <Ground y={54} />
            <Goes by={{ x: 26 }}>
                <circle cx="34" cy="34" r="20" fill="none" stroke={MOVED} strokeWidth="2.5" />
                <Goes by={{ turn: -22 }} about={[34, 34]}>
                    <path d="M34 34v12" stroke={INK} />
                    <circle cx="34" cy="47" r="4" fill={INK} />
                </Goes>
            </Goes>
        </>
    ),
    spring_lever: (
        <>
            <path d="M14 14l5 4-6 4 6 4-6 4 6 4-5 4" fill="none" stroke={FIXED} strokeWidth="1.5" />
            <Goes by={{ turn: -34 }} about={[30, 46]}>
                <path d="M30 46L66 26" stroke={MOVED} strokeWidth="5" strokeLinecap="round" />
                <circle cx="68" cy="25" r="6" fill={MOVED} />
            </Goes>
            <path d="M74 8a12 12 0 0 1 10 12" fill="none" stroke={OTHER} strokeWidth="2" />
            <Pin x={30} y={46} />
        </>
    ),
    feeder: (
        <>
            <path d="M16 34h64" stroke={FIXED} strokeWidth="3" />
            <path d="M16 48h64" stroke={FIXED} strokeWidth="3" />
            <Wheel x={16} y={41} />
            <Wheel x={80} y={41} />
            <Goes by={{ x: 26 }}>
                <rect x="20" y="22" width="10" height="10" fill={MOVED} />
                <rect x="46" y="22" width="10" height="10" fill={MOVED} />
            </Goes>
        </>
    ),
    measured: (
        <>
            <Base x={20} y={42} />
            <Goes by={{ turn: -40 }} about={[20, 42]}>
                <path d="M20 42h30" stroke={MOVED} strokeWidth="5" strokeLinecap="round" />
            </Goes>
            <path d="M62 50V38l4-3-8-4 8-4-8-4 8-4-4-3V10" fill="none" stroke={INK} strokeWidth="1.5" />
            <path d="M78 12v36M78 12h6M78 21h4M78 30h6M78 39h4M78 48h6" stroke={FIXED} />
            <Pin x={20} y={42} />
        </>
    ),
};

/** One way to move on a small mat; it moves while it is looked at or chosen. */
export function KindPicture({ kind }: { kind: Mechanism['kind'] }) {
    return (
        <svg viewBox="0 0 96 60" className="block w-full bg-mat" aria-hidden="true">
            <path
                d="M0 12h96M0 24h96M0 36h96M0 48h96M12 0v60M24 0v60M36 0v60M48 0v60M60 0v60M72 0v60M84 0v60"
                stroke="var(--color-mat-grid)"
                strokeWidth="0.6"
            />
            {DRAWN[kind]}
        </svg>
    );
}

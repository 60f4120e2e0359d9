import type { Arm, Motion, SwitchRunOn } from '../api/types';
import { armReach, polar, type Frame, type Point } from './geometry';
import { Bar, Grips, MassCentre, SensorMarks } from './marks';
import type { Grabs } from './scene';
import { Switches } from './Switches';

const LABEL_APART = 15; // points between names on the same side

/** An arm on its pivot: its body at an angle, its travel, places, switches and stops. */
export function ArmDrawing({
    motion,
    arm,
    frame,
    position,
    runOn,
    color,
    grabs = {},
}: {
    motion: Motion;
    arm: Arm;
    frame: Frame;
    position: number;
    runOn: SwitchRunOn[];
    color: string;
    grabs?: Grabs;
}) {
    const reach = armReach(arm);
    const pivot = frame.at({ x: 0, y: 0 });
    const along = (radius: number, degrees: number) => frame.at(polar(radius, degrees));
    const tip = along(reach, position);
    const low = Math.min(...motion.places.map((place) => place.at));
    const high = Math.max(...motion.places.map((place) => place.at));
    const thick = Math.max(5, Math.min(14, reach * frame.scale * 0.09));
    return (
        <g>
            <path d={arc(along, reach * 1.05, low, high)} fill="none" stroke="var(--color-mat-quiet)" strokeDasharray="2 4" />
            {[motion.stops.hard_low, motion.stops.hard_high].map(
                (at, i) => at !== null && <Bar key={i} from={along(reach * 0.9, at)} to={along(reach * 1.12, at)} />,
            )}
            <path d={`M${pivot.x - 16} ${pivot.y + 20}h32l-9-14h-14z`} fill="var(--color-mat-rule)" stroke="var(--color-mat-ink)" />
            <line x1={pivot.x} y1={pivot.y} x2={tip.x} y2={tip.y} stroke={color} strokeWidth={thick} strokeLinecap="round" />
            <circle cx={pivot.x} cy={pivot.y} r={thick * 0.75} fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2.5" />
            {motion.segments.map((segment, i) => (
                <path key={i} d={arc(along, reach * 1.05, segment.from, segment.to)} fill="none" stroke="var(--color-lilac)" strokeWidth="9" opacity="0.55" />
            ))}
            {arm.payload_kg > 0 && <Payload at={along(arm.payload_m * 1000, position)} size={thick * 1.9} />}
            <MassCentre at={along(arm.cg_m * 1000, position)} />
            <Grips motion={motion} grabs={grabs} at={(at) => along(reach * 1.05, at)} stop={(at) => along(reach * 1.01, at)} />
            <Switches motion={motion} runOn={runOn} unit="deg" at={(at, away = 0) => along(reach * 0.86 + away / frame.scale, at)} onGrab={grabs.switch} />
            <SensorMarks motion={motion.id} at={(at) => along(reach * 0.86, at)} />
            <Names motion={motion} along={along} reach={reach} />
        </g>
    );
}

function Names({ motion, along, reach }: { motion: Motion; along: (radius: number, degrees: number) => Point; reach: number }) {
    const marks = [
        ...motion.places.map((place) => ({
            key: place.id,
            at: place.at,
            text: `${place.name} ${String(place.at).replace('-', '−')}°`,
            ink: 'var(--color-mat-ink)',
        })),
        ...[motion.stops.hard_low, motion.stops.hard_high].flatMap((at, i) =>
            at === null ? [] : [{ key: `stop${i}`, at, text: `stop ${String(at).replace('-', '−')}°`, ink: 'var(--color-mat-quiet)' }],
        ),
    ].map((mark) => ({ ...mark, ...along(reach * 1.15, mark.at) }));
    const placed: typeof marks = [];
    for (const mark of [...marks].sort((a, b) => a.y - b.y)) {
        const above = placed.filter((other) => Math.abs(other.x - mark.x) < 110).map((other) => other.y);
        placed.push({ ...mark, y: Math.max(mark.y, ...above.map((y) => y + LABEL_APART)) });
    }
    const pivot = along(0, 0);
    return (
        <g fontSize="12" className="narrow">
            {placed.map((mark) => (
                <text key={mark.key} x={mark.x} y={mark.y + 4} fill={mark.ink} textAnchor={mark.x >= pivot.x - 2 ? 'start' : 'end'}>
                    {mark.text}
                </text>
            ))}
        </g>
    );
}

function arc(along: (radius: number, degrees: number) => Point, radius: number, from: number, to: number): string {
    const steps = 40;
    return Array.from({ length: steps + 1 }, (_, i) => along(radius, from + ((to - from) * i) / steps))
        .map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x.toFixed(1)} ${point.y.toFixed(1)}`)
        .join('');
}

function Payload({ at, size }: { at: Point; size: number }) {
    return (
        <rect x={at.x - size / 2} y={at.y - size / 2} width={size} height={size} fill="var(--color-mat-rule)" stroke="var(--color-mat-ink)" strokeWidth="1.5" />
    );
}

import type { Motion, SwitchRunOn } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { Grips, SensorMarks } from './marks';
import type { Grabs } from './scene';
import { Switches } from './Switches';
import type { Frame, Point } from './geometry';

/** Where a position lies on the mat, mm. */
export type Track = (position: number) => Point;

const TOGETHER = 26; // points: names nearer than this share a line
const NEAR = 1e-3; // of the travel, for the direction of the track
const LINE = 15;

/** The places of a dial, a short line each. */
function DialMarks({ motion, at }: { motion: string; at: (position: number, away?: number) => Point }) {
    const { stored } = useBuild();
    return stored.assessment.chains
        .find((chain) => chain.motion === motion)
        ?.curves.dial.map((position) => {
            const [from, to] = [at(position, -5), at(position, 5)];
            return <line key={position} x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="var(--color-mat-quiet)" strokeWidth="2" />;
        });
}

/** Places, stops, switches with their run-on, and segments, along the way that a motion takes. */
export function TrackMarks({
    motion,
    frame,
    track,
    runOn,
    outwards,
    unit,
    grabs = {},
    aside = { x: 0, y: 0 },
}: {
    aside?: Point;
    grabs?: Grabs;
    unit: 'deg' | 'm';
    motion: Motion;
    frame: Frame;
    track: Track;
    runOn: SwitchRunOn[];
    outwards: (position: number) => Point;
}) {
    const { text } = useSpeaking();
    const ends = motion.places.map((place) => place.at);
    const travel = Math.max(...ends) - Math.min(...ends) || 1;
    const at = (position: number, away = 0) => {
        const out = outwards(position);
        const point = frame.at(track(position));
        return { x: point.x + out.x * away, y: point.y - out.y * away };
    };
    const path = (from: number, to: number) =>
        Array.from({ length: 41 }, (_, i) => at(from + ((to - from) * i) / 40))
            .map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x.toFixed(1)} ${point.y.toFixed(1)}`)
            .join('');
    const along = (position: number) => {
        const a = at(position - travel * NEAR);
        const b = at(position + travel * NEAR);
        const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
        return { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
    };
    const say = (position: number) => (unit === 'deg' ? `${String(position).replace('-', '−')}°` : text({ si: position, dimension: 'length' }));
    const names = motion.places.reduce<{ at: Point; texts: string[]; key: string; position: number }[]>((groups, place) => {
        const here = { x: at(place.at, 14).x + aside.x, y: at(place.at, 14).y - aside.y };
        const near = groups.find((group) => Math.hypot(group.at.x - here.x, group.at.y - here.y) < TOGETHER);
        if (near !== undefined) {
            near.texts.push(`${place.name} ${say(place.at)}`);
            return groups;
        }
        return [...groups, { at: here, texts: [`${place.name} ${say(place.at)}`], key: place.id, position: place.at }];
    }, []);
    return (
        <g>
            <path d={path(Math.min(...ends), Math.max(...ends))} fill="none" stroke="var(--color-mat-quiet)" strokeDasharray="2 4" />
            {motion.segments.map((segment, i) => {
                const middle = at((segment.from + segment.to) / 2, 34);
                return (
                    <g key={`segment${i}`}>
                        <path d={path(segment.from, segment.to)} fill="none" stroke="var(--color-lilac)" strokeWidth="9" opacity="0.55" />
                        <text x={middle.x} y={middle.y + 4} fontSize="12" className="narrow" fill="var(--color-lilac)" textAnchor="middle">
                            {segment.name}
                        </text>
                    </g>
                );
            })}
            {[motion.stops.hard_low, motion.stops.hard_high].map((position, i) => {
                if (position === null) {
                    return null;
                }
                const out = outwards(position);
                const point = at(position);
                return (
                    <line
                        key={`stop${i}`}
                        x1={point.x - out.x * 11}
                        y1={point.y + out.y * 11}
                        x2={point.x + out.x * 11}
                        y2={point.y - out.y * 11}
                        stroke="var(--color-mat-ink)"
                        strokeWidth="5"
                    />
                );
            })}
            {motion.places.map((place) => {
                const point = at(place.at);
                const way = along(place.at);
                return (
                    <line
                        key={place.id}
                        x1={point.x - way.y * 7}
                        y1={point.y + way.x * 7}
                        x2={point.x + way.y * 7}
                        y2={point.y - way.x * 7}
                        stroke="var(--color-mat-ink)"
                        strokeWidth="2"
                    />
                );
            })}
            <DialMarks motion={motion.id} at={at} />
            <Grips motion={motion} grabs={grabs} at={at} />
            <Switches motion={motion} runOn={runOn} unit={unit} at={at} onGrab={grabs.switch} />
            <SensorMarks motion={motion.id} at={(position) => at(position)} />
            <g fontSize="12" className="narrow" fill="var(--color-mat-ink)">
                {names.map((group) => {
                    const out = outwards(group.position);
                    return group.texts.map((line, i) => (
                        <text
                            key={`${group.key}${i}`}
                            x={group.at.x}
                            y={group.at.y + 4 + i * LINE + (out.y < -0.5 ? 8 : out.y > 0.5 ? -4 - (group.texts.length - 1) * LINE : 0)}
                            textAnchor={aside.x > 0 || out.x > 0.3 ? 'start' : out.x < -0.3 ? 'end' : 'middle'}
                        >
                            {line}
                        </text>
                    ));
                })}
            </g>
        </g>
    );
}

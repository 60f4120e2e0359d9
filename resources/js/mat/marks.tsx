import type { Motion } from '../api/types';
import { useBuild } from '../state/BuildContext';
import type { Point } from './geometry';
import type { Grabs } from './scene';

export function Bar({ from, to }: { from: Point; to: Point }) {
    return <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="var(--color-mat-ink)" strokeWidth="5" />;
}

/** Room to take hold of the places and hard stops of a motion, where they can be dragged. Switches lie over it: they are smaller. */
export function Grips({
    motion,
    grabs,
    at,
    stop = at,
}: {
    motion: Motion;
    grabs: Grabs;
    at: (position: number) => Point;
    /** Where a hard stop is taken hold of, if that is not on the way itself. */
    stop?: (position: number) => Point;
}) {
    return (
        <>
            {[motion.stops.hard_low, motion.stops.hard_high].map(
                (position, i) => position !== null && <Grip key={i} at={stop(position)} name="the hard stop" grabs={grabs.stop} index={i} />,
            )}
            {motion.places.map((place, i) => (
                <Grip key={place.id} at={at(place.at)} name={place.name} grabs={grabs.place} index={i} />
            ))}
        </>
    );
}

function Grip({ at, name, grabs, index }: { at: Point; name: string; grabs: ((index: number) => void) | undefined; index: number }) {
    return (
        grabs !== undefined && (
            <circle
                cx={at.x}
                cy={at.y}
                r="14"
                fill="transparent"
                stroke="var(--color-yellow)"
                strokeWidth="1.5"
                strokeDasharray="3 3"
                className="cursor-move"
                onPointerDown={(event) => {
                    event.preventDefault();
                    grabs(index);
                }}
            >
                <title>{`Drag ${name}`}</title>
            </circle>
        )
    );
}

/** Where a switch trips. */
export function SwitchMark({ at }: { at: Point }) {
    return <path d={`M${at.x} ${at.y - 6}l6 6l-6 6l-6 -6z`} fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2" />;
}

/** The sensors that a motion passes by, by name, each where it sits. */
export function SensorMarks({ motion, at }: { motion: string; at: (position: number) => Point }) {
    const { stored } = useBuild();
    return stored.document.sensors.map((sensor) => {
        if (sensor.motion !== motion || sensor.at === null) {
            return null;
        }
        const point = at(sensor.at);
        return (
            <g key={sensor.id}>
                <circle cx={point.x} cy={point.y} r="6" fill="var(--color-mat)" stroke="var(--color-sky)" strokeWidth="2.5" />
                <text
                    x={point.x + 10}
                    y={point.y + 16}
                    fontSize="12"
                    className="narrow"
                    fill="var(--color-sky)"
                    stroke="var(--color-mat)"
                    strokeWidth="3"
                    paintOrder="stroke"
                >
                    {sensor.name}
                </text>
            </g>
        );
    });
}

/** Where the weight of a thing acts. */
export function MassCentre({ at }: { at: Point }) {
    return (
        <g stroke="var(--color-mat)" strokeWidth="1.5">
            <circle cx={at.x} cy={at.y} r="7" fill="var(--color-mat-ink)" />
            <path d={`M${at.x - 7} ${at.y}h14M${at.x} ${at.y - 7}v14`} />
        </g>
    );
}

/** A fixed bearing, drawn as the ground it stands on. */
export function Bearing({ at, size = 7 }: { at: Point; size?: number }) {
    return (
        <g>
            <path
                d={`M${at.x - size * 1.9} ${at.y + size * 2.4}h${size * 3.8}l${-size} ${-size * 1.5}h${-size * 1.8}z`}
                fill="var(--color-mat-rule)"
                stroke="var(--color-mat-ink)"
            />
            <circle cx={at.x} cy={at.y} r={size} fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2.5" />
        </g>
    );
}

/** A wheel with a spoke, so that its turn is seen. */
export function Wheel({ at, radius, degrees, fill = 'var(--color-mat-rule)' }: { at: Point; radius: number; degrees: number; fill?: string }) {
    const turn = (degrees * Math.PI) / 180;
    return (
        <g>
            <circle cx={at.x} cy={at.y} r={radius} fill={fill} stroke="var(--color-mat-ink)" strokeWidth="2.5" />
            <line x1={at.x} y1={at.y} x2={at.x + Math.cos(turn) * radius} y2={at.y - Math.sin(turn) * radius} stroke="var(--color-mat-ink)" strokeWidth="2" />
        </g>
    );
}

/** A bar between two joints. */
export function Rod({ from, to, width = 6, color = 'var(--color-mat-ink)' }: { from: Point; to: Point; width?: number; color?: string }) {
    return <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke={color} strokeWidth={width} strokeLinecap="round" />;
}

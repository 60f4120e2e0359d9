import type { LimitSwitch, Motion, SwitchRunOn } from '../api/types';
import { useSpeaking } from '../state/UnitsContext';
import { significant } from '../state/units';
import type { Point } from './geometry';
import { SwitchMark } from './marks';

const POINTS = 40;
const NEAR = 9; // points
const BESIDE = 22;
const HALO = { stroke: 'var(--color-mat)', strokeWidth: 3, paintOrder: 'stroke' } as const;

interface Props {
    motion: Motion;
    runOn: SwitchRunOn[];
    unit: 'deg' | 'm';
    /** Where a position lies on the drawing, and so many points beside that. */
    at: (position: number, away?: number) => Point;
    /** A switch is grabbed; where there is none they are only shown. */
    onGrab?: (index: number) => void;
}

/** The switches of a motion along its way: where each is touched, trips, how far it then runs on at each speed of the routines, and what is left. */
export function Switches({ motion, runOn, unit, at, onGrab }: Props) {
    return motion.stops.switches.map((each, i) => (
        <OneSwitch key={each.id} one={each} runOn={runOn.find((other) => other.switch === each.id)} unit={unit} at={at} onGrab={onGrab && (() => onGrab(i))} />
    ));
}

function OneSwitch({
    one,
    runOn,
    unit,
    at,
    onGrab,
}: {
    one: LimitSwitch;
    runOn: SwitchRunOn | undefined;
    unit: 'deg' | 'm';
    at: Props['at'];
    onGrab: (() => void) | undefined;
}) {
    const { text } = useSpeaking();
    const way = one.end === 'low' ? -1 : 1;
    const path = (from: number, to: number) =>
        Array.from({ length: POINTS + 1 }, (_, i) => at(from + ((to - from) * i) / POINTS))
            .map((point, i) => `${i === 0 ? 'M' : 'L'}${point.x.toFixed(1)} ${point.y.toFixed(1)}`)
            .join('');
    const say = (length: number) => (unit === 'deg' ? `${significant(length, 3)}°` : text({ si: length, dimension: 'length' }));
    const left = runOn?.left ?? null;
    const [trips, ends] = [at(one.at), at(one.at + way * (runOn?.distance ?? 0))];
    const beside = at(one.at + way * (runOn?.distance ?? 0), -BESIDE);
    const side = beside.x - ends.x;
    const apart = (distance: number | null) => Math.hypot(at(one.at + way * (distance ?? 0)).x - trips.x, at(one.at + way * (distance ?? 0)).y - trips.y);
    return (
        <g>
            {one.travel > 0 && (
                <path d={path(one.at - way * one.travel, one.at)} fill="none" stroke="var(--color-yellow)" strokeWidth="3" strokeDasharray="2 2" />
            )}
            <path d={path(one.at, one.at + way * (runOn?.distance ?? 0))} fill="none" stroke="var(--color-coral)" strokeWidth="5" opacity="0.8" />
            {onGrab !== undefined &&
                (runOn?.slower ?? []).map((each) => {
                    if (apart(each.distance) < NEAR) {
                        return null; // the mark of the switch lies over it
                    }
                    const [from, to, name] = [
                        at(one.at + way * (each.distance ?? 0), -7),
                        at(one.at + way * (each.distance ?? 0), 7),
                        at(one.at + way * (each.distance ?? 0), -12),
                    ];
                    return (
                        <g key={each.share}>
                            <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="var(--color-coral)" strokeWidth="2" />
                            <text x={name.x} y={name.y + 4} fontSize="11" className="narrow" textAnchor="end" fill="var(--color-coral)" {...HALO}>
                                {significant(each.share * 100, 2)} %
                            </text>
                        </g>
                    );
                })}
            {onGrab !== undefined && left !== null && (
                <text
                    x={beside.x}
                    y={beside.y + 4}
                    fontSize="12"
                    className="narrow"
                    textAnchor={side < -6 ? 'end' : side > 6 ? 'start' : 'middle'}
                    {...HALO}
                    fill={left < 0 ? 'var(--color-coral)' : 'var(--color-mat-ink)'}
                >
                    {left < 0 ? `${say(-left)} too far` : `${say(left)} left`}
                </text>
            )}
            <g
                className={onGrab === undefined ? '' : 'cursor-move'}
                onPointerDown={(event) => {
                    if (onGrab !== undefined) {
                        event.preventDefault();
                        onGrab();
                    }
                }}
            >
                <title>{onGrab === undefined ? one.name : `Drag ${one.name}`}</title>
                {onGrab !== undefined && <circle cx={at(one.at).x} cy={at(one.at).y} r="14" fill="transparent" />}
                <SwitchMark at={at(one.at)} />
            </g>
        </g>
    );
}

import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { BatteryCurve } from '../api/types';
import { significant } from '../state/units';
import { Axes } from './Axes';

const WIDTH = 460;
const HEIGHT = 150;
const MARGIN = { left: 44, right: 118, top: 12, bottom: 32 };
const APART = 13; // between two lines of words

/** Volts of a battery over the charge that has been taken of it, at rest and while the most is asked, with what must arrive. */
export function DischargeChart({ curve, name }: { curve: BatteryCurve; name: string }) {
    const last = curve.taken_Ah.length - 1;
    const levels = [
        { volts_V: curve.needs_V, says: 'needed', colour: 'var(--color-fails)' },
        { volts_V: curve.cutoff_V, says: 'cuts itself off', colour: 'var(--color-quiet)' },
    ].filter((level): level is typeof level & { volts_V: number } => level.volts_V !== null);
    const volts = [...curve.rest_V, ...curve.most_V, ...levels.map((level) => level.volts_V)];
    const x = scaleLinear([0, curve.taken_Ah[last]!], [MARGIN.left, WIDTH - MARGIN.right]);
    const y = scaleLinear([Math.min(...volts), Math.max(...volts)], [HEIGHT - MARGIN.bottom, MARGIN.top]).nice(4);
    const draw = (values: number[]) =>
        line<number>(
            (_, i) => x(curve.taken_Ah[i]!),
            (volt) => y(volt),
        )(values) ?? '';
    const most = `with ${significant(curve.most_A, 3)} A`;
    const isLower = curve.most_V[0]! < curve.rest_V[0]!; // else it loses nothing inside, and both are one line
    const names = apart([
        { at: y(curve.rest_V[last]!), says: isLower || curve.most_A === 0 ? 'at rest' : `at rest, ${most}`, colour: 'var(--color-ink)' },
        ...(isLower ? [{ at: y(curve.most_V[last]!), says: most, colour: 'var(--color-tight)' }] : []),
        ...levels.map((level) => ({ at: y(level.volts_V), says: `${level.says}, ${significant(level.volts_V, 3)} V`, colour: level.colour })),
    ]);
    return (
        <figure className="mt-2 w-[33rem] max-w-full border border-line bg-well">
            <svg
                viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
                className="block w-full"
                role="img"
                aria-label={`Voltage of ${name} over the charge that is taken: at rest ${significant(curve.rest_V[0]!, 3)} V full and ${significant(curve.rest_V[last]!, 3)} V empty${isLower ? `, ${most} ${significant(curve.most_V[0]!, 3)} V full and ${significant(curve.most_V[last]!, 3)} V empty` : ''}.`}
            >
                <Axes x={x} y={y} box={{ ...MARGIN, width: WIDTH, height: HEIGHT }} across="charge taken, Ah" up="terminals, V" />
                {levels.map((level) => (
                    <line
                        key={level.says}
                        x1={MARGIN.left}
                        x2={WIDTH - MARGIN.right}
                        y1={y(level.volts_V)}
                        y2={y(level.volts_V)}
                        stroke={level.colour}
                        strokeWidth="1.5"
                        strokeDasharray="6 3"
                    />
                ))}
                {isLower && <path d={draw(curve.most_V)} fill="none" stroke="var(--color-tight)" strokeWidth="2" strokeDasharray="2 3" />}
                <path d={draw(curve.rest_V)} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
                <g fontSize="11" className="narrow">
                    {names.map((each) => (
                        <text key={each.says} x={WIDTH - MARGIN.right + 5} y={each.at + 4} fill={each.colour}>
                            {each.says}
                        </text>
                    ))}
                </g>
            </svg>
        </figure>
    );
}

/** Names beside their lines, none on another, all on the picture. */
function apart<T extends { at: number }>(names: T[]): T[] {
    const sorted = [...names].sort((a, b) => a.at - b.at);
    let free = -Infinity;
    const down = sorted.map((each) => ({ ...each, at: (free = Math.max(free + APART, each.at)) }));
    let below = HEIGHT - MARGIN.bottom + APART;
    return down.reverse().map((each) => ({ ...each, at: (below = Math.min(below - APART, each.at)) }));
}

import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { HeatCurve } from '../api/types';
import { significant } from '../state/units';
import { Axes } from './Axes';

const WIDTH = 384;
const HEIGHT = 132;
const MARGIN = { left: 44, right: 74, top: 12, bottom: 30 };
const SHOWN_OVER_LIMIT = 1.6; // a held motor goes far past its limit: the rest is off the chart

/** Temperature of the winding from cold: over the day as the task says, and stalled. */
export function HeatChart({ heat }: { heat: HeatCurve }) {
    const hottest = Math.min(heat.limit_C * SHOWN_OVER_LIMIT, Math.max(heat.limit_C * 1.1, ...heat.held_C));
    const end = heat.times_s[heat.times_s.length - 1]!;
    const minutes = end > 240;
    const shown = (time_s: number) => (minutes ? time_s / 60 : time_s);
    const x = scaleLinear([0, shown(end)], [MARGIN.left, WIDTH - MARGIN.right]);
    const y = scaleLinear([Math.min(20, heat.running_C[0]!), hottest], [HEIGHT - MARGIN.bottom, MARGIN.top]).clamp(true);
    const points = heat.times_s.map((_, i) => i);
    const draw = (values: number[]) =>
        line<number>(
            (i) => x(shown(heat.times_s[i]!)),
            (i) => y(values[i]!),
        )(points.filter((i) => values[i]! <= hottest)) ?? '';
    const passes = heat.held_C.findIndex((each) => each > heat.limit_C);
    return (
        <figure className="mt-1 border border-line bg-well">
            <svg
                viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
                className="block w-full"
                role="img"
                aria-label={`Temperature of the winding: over the day it settles at ${significant(heat.running_C[heat.running_C.length - 1]!, 3)} °C, ${passes < 0 ? 'stalled it stays under' : `stalled it passes after about ${significant(heat.times_s[passes]!, 2)} s`} the limit of ${heat.limit_C} °C.`}
            >
                <Axes x={x} y={y} box={{ ...MARGIN, width: WIDTH, height: HEIGHT }} across={`${minutes ? 'minutes' : 'seconds'} from cold`} up="winding, °C" />
                <line
                    x1={MARGIN.left}
                    x2={WIDTH - MARGIN.right}
                    y1={y(heat.limit_C)}
                    y2={y(heat.limit_C)}
                    stroke="var(--color-fails)"
                    strokeWidth="1.5"
                    strokeDasharray="6 3"
                />
                <path d={draw(heat.held_C)} fill="none" stroke="var(--color-tight)" strokeWidth="2" strokeDasharray="2 3" />
                <path d={draw(heat.running_C)} fill="none" stroke="var(--color-ink)" strokeWidth="2" />
                <g fontSize="11" className="narrow">
                    <text x={WIDTH - MARGIN.right + 5} y={y(heat.limit_C) + 4} fill="var(--color-fails)">
                        limit
                    </text>
                    <text x={WIDTH - MARGIN.right + 5} y={y(heat.running_C[heat.running_C.length - 1]!) + 4} fill="var(--color-ink)">
                        over the day
                    </text>
                    <text
                        x={WIDTH - MARGIN.right + 5}
                        y={Math.min(y(heat.limit_C) - 9, Math.max(20, y(heat.held_C[heat.held_C.length - 1]!) + 4))}
                        fill="var(--color-tight)"
                    >
                        stalled
                    </text>
                </g>
            </svg>
        </figure>
    );
}

import { scaleLinear, scaleLog, scaleSqrt } from 'd3-scale';
import { line } from 'd3-shape';
import { useState } from 'react';
import type { ChoicePoint } from '../api/types';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';

/** More in hand than this is drawn at the top. */
const MOST = 1000;

const MARGIN = { left: 48, right: 16, top: 30, bottom: 34 };

/** What carries the load: time of the move against what is in hand, mass as size. The front is what nothing beats in both. */
export function TradeChart({
    points,
    chosen,
    onPick,
    width,
    height,
}: {
    points: ChoicePoint[];
    chosen: string | undefined;
    onPick: (code: string) => void;
    width: number;
    height: number;
}) {
    const { text } = useSpeaking();
    const [over, setOver] = useState<ChoicePoint | null>(null);
    if (points.length === 0) {
        return <p className="border border-line bg-well p-3 text-quiet">Nothing of the drawer carries this load with any of the ratios.</p>;
    }
    const times = points.map((point) => point.time_s);
    const margins = points.map((point) => Math.min(point.margin, MOST));
    const isLogarithmic = Math.max(...times) / Math.min(...times) > 8;
    const x = (isLogarithmic ? scaleLog() : scaleLinear())
        .domain([Math.min(...times) * 0.92, Math.max(...times) * 1.06])
        .range([MARGIN.left, width - MARGIN.right]);
    const y = scaleLog()
        .domain([Math.min(...margins, 1.5) * 0.92, Math.max(...margins, 2) * 1.1])
        .range([height - MARGIN.bottom, MARGIN.top]);
    const size = scaleSqrt([0, Math.max(...points.map((point) => point.mass_kg))], [2, 11]);
    const front = points.filter((point) => point.front).sort((a, b) => a.time_s - b.time_s);
    const shown = over ?? front.find((point) => point.code === chosen) ?? front[0] ?? points[0]!;
    return (
        <figure className="relative border border-line bg-well">
            <svg
                viewBox={`0 0 ${width} ${height}`}
                className="block w-full"
                role="group"
                aria-label="The trade: time of the move against what is in hand. The drives that nothing beats in both are buttons."
            >
                <g fontSize="11" fill="var(--color-quiet)">
                    {y
                        .ticks(4)
                        .filter(isRound)
                        .map((tick) => (
                            <g key={tick}>
                                <line x1={MARGIN.left} x2={width - MARGIN.right} y1={y(tick)} y2={y(tick)} stroke="var(--color-line)" />
                                <text x={MARGIN.left - 6} y={y(tick) + 4} textAnchor="end">
                                    {tick} ×
                                </text>
                            </g>
                        ))}
                    {x
                        .ticks(5)
                        .filter(isLogarithmic ? isRound : () => true)
                        .map((tick) => (
                            <text key={tick} x={x(tick)} y={height - MARGIN.bottom + 15} textAnchor="middle">
                                {significant(tick, 2)}
                            </text>
                        ))}
                    <text x={(MARGIN.left + width - MARGIN.right) / 2} y={height - 5} textAnchor="middle">
                        time of the move, s
                    </text>
                    <text transform={`translate(12 ${(MARGIN.top + height - MARGIN.bottom) / 2}) rotate(-90)`} textAnchor="middle">
                        margin, × what is needed
                    </text>
                </g>
                {points.map((point, i) =>
                    point.front ? null : (
                        <circle
                            key={i}
                            cx={x(point.time_s)}
                            cy={y(Math.min(point.margin, MOST))}
                            r={size(point.mass_kg)}
                            fill="var(--color-quiet)"
                            opacity={point.code === shown.code ? 0.6 : 0.22}
                            onPointerEnter={() => setOver(point)}
                        />
                    ),
                )}
                <path
                    d={
                        line<ChoicePoint>(
                            (point) => x(point.time_s),
                            (point) => y(Math.min(point.margin, MOST)),
                        )(front) ?? ''
                    }
                    fill="none"
                    stroke="var(--color-holds)"
                    strokeWidth="1.5"
                />
                {front.map((point) => (
                    <circle
                        key={point.code + point.ratio}
                        cx={x(point.time_s)}
                        cy={y(Math.min(point.margin, MOST))}
                        r={Math.max(4.5, size(point.mass_kg))}
                        fill="var(--color-holds)"
                        stroke={point === shown ? 'var(--color-ink)' : 'var(--color-well)'}
                        strokeWidth="2"
                        tabIndex={0}
                        role="button"
                        aria-label={`${point.code} at ${significant(point.ratio, 3)} to 1: ${significant(point.time_s, 3)} s, ${significant(point.margin, 3)} in hand`}
                        className="cursor-pointer focus:outline-2 focus:outline-accent"
                        onPointerEnter={() => setOver(point)}
                        onFocus={() => setOver(point)}
                        onClick={() => onPick(point.code)}
                        onKeyDown={(event) => event.key === 'Enter' && onPick(point.code)}
                    />
                ))}
                <text x={MARGIN.left} y={17} fontSize="12.5" fill="var(--color-ink)">
                    <tspan fontWeight="600">{shown.code}</tspan> at {significant(shown.ratio, 3)} : 1 · {significant(shown.time_s, 3)} s ·{' '}
                    {significant(shown.margin, 3)} × in hand · {text({ si: shown.mass_kg, dimension: 'mass' })}
                </text>
            </svg>
        </figure>
    );
}

/** 1, 2 and 5, and their tens. */
function isRound(tick: number): boolean {
    return [1, 2, 5].some((digit) => Math.abs(Math.log10(tick / digit) - Math.round(Math.log10(tick / digit))) < 1e-9);
}

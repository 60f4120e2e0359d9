import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useState, type PointerEvent } from 'react';
import { api } from '../api/client';
import { Axes } from '../charts/Axes';
import { Pick } from '../stations/Pick';
import { useSpeaking } from '../state/UnitsContext';
import { gap, significant } from '../state/units';

const SIZE = { width: 660, height: 220 };
const MARGIN = { left: 62, right: 20, top: 14, bottom: 34 };

/** One result while one input goes from half to twice of what it is; which of them, can be chosen. */
export function SweepChart({
    name,
    inputs,
    labelOf,
    resultOf,
}: {
    name: string;
    inputs: object;
    labelOf: (key: string) => string;
    resultOf: (key: string) => string;
}) {
    const { book } = useSpeaking();
    const [over, setOver] = useState<string | null>(null);
    const [of, setOf] = useState<string | null>(null);
    const [at, setAt] = useState<number | null>(null);
    const { data } = useQuery({
        queryKey: ['sweep', name, inputs, over, of],
        queryFn: () => api.sweep(name, { inputs, over, of }),
        placeholderData: keepPreviousData,
        staleTime: Infinity,
        retry: false,
    });
    const points = (data?.points ?? []).flatMap(({ x, y }) => (y === null ? [] : [{ x, y }]));
    if (data === undefined || data.over === null || data.of === null || points.length < 2) {
        return null;
    }
    const [xUnit, yUnit] = [book.keptIn(data.over), book.keptIn(data.of)];
    const inUnit = (words: string, unit: string) => (unit === '' ? words : `${words}, ${unit}`);
    const ys = points.map((point) => point.y);
    const [low, high] = [Math.min(...ys), Math.max(...ys)];
    const room = high === low ? Math.max(1, Math.abs(high)) : (high - low) * 0.1;
    const x = scaleLinear([points[0]!.x, points[points.length - 1]!.x], [MARGIN.left, SIZE.width - MARGIN.right]);
    const y = scaleLinear([Math.min(low - room, low >= 0 ? Math.max(0, low - room) : low - room), high + room], [SIZE.height - MARGIN.bottom, MARGIN.top]);
    const nearest = (wanted: number) => points.reduce((best, point) => (Math.abs(point.x - wanted) < Math.abs(best.x - wanted) ? point : best));
    const shown = nearest(at ?? data.at ?? points[0]!.x);
    const hover = (event: PointerEvent<SVGSVGElement>) => {
        const bounds = event.currentTarget.getBoundingClientRect();
        setAt(x.invert(((event.clientX - bounds.left) / bounds.width) * SIZE.width));
    };
    const say = (value: number, unit: string) => `${significant(value, 4)}${gap(unit)}${unit}`;
    return (
        <section aria-label="How it changes" className="mt-5">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
                <Pick label="Drawn" value={data.of} choices={data.results.map((value) => ({ value, label: resultOf(value) }))} onPick={setOf} />
                <Pick label="over" value={data.over} choices={data.inputs.map((value) => ({ value, label: labelOf(value) }))} onPick={setOver} />
            </div>
            <figure className="mt-2 border border-line bg-well">
                <svg
                    viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
                    className="block w-full"
                    role="img"
                    aria-label={`${resultOf(data.of)} over ${labelOf(data.over)}; the numbers are in the table that follows`}
                    onPointerMove={hover}
                    onPointerLeave={() => setAt(null)}
                >
                    <Axes x={x} y={y} box={{ ...MARGIN, ...SIZE }} across={inUnit(labelOf(data.over), xUnit)} up={yUnit === '' ? 'result' : yUnit} />
                    <path
                        d={
                            line<{ x: number; y: number }>(
                                (point) => x(point.x),
                                (point) => y(point.y),
                            )(points) ?? ''
                        }
                        fill="none"
                        stroke="var(--color-ink)"
                        strokeWidth="2"
                    />
                    <line x1={x(shown.x)} x2={x(shown.x)} y1={MARGIN.top} y2={SIZE.height - MARGIN.bottom} stroke="var(--color-line)" />
                    <circle cx={x(shown.x)} cy={y(shown.y)} r="5" fill="var(--color-accent)" />
                </svg>
                <figcaption className="border-t border-line px-3 py-1">
                    {shown.x === data.at ? 'As given: ' : ''}
                    at {say(shown.x, xUnit)} <strong>{say(shown.y, yUnit)}</strong>
                </figcaption>
            </figure>
            <table className="sr-only">
                <caption>
                    {resultOf(data.of)} over {labelOf(data.over)}
                </caption>
                <tbody>
                    {points.map((point) => (
                        <tr key={point.x}>
                            <th scope="row">{say(point.x, xUnit)}</th>
                            <td>{say(point.y, yUnit)}</td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </section>
    );
}

import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import type { PointerEvent } from 'react';
import type { Curves } from '../api/types';
import { lookUp } from '../mat/geometry';
import { useSpeaking } from '../state/UnitsContext';
import { significant } from '../state/units';

const MARGIN = { left: 58, right: 118, top: 14, bottom: 34 };

/** Torque over the travel: what it takes going up and down, and what the drive has. */
export function TorqueChart({
    curves,
    position,
    onPosition,
    width,
    height,
}: {
    curves: Curves;
    position: number;
    onPosition: (position: number) => void;
    width: number;
    height: number;
}) {
    const { book, system, text } = useSpeaking();
    const unit = book.preferred('torque', system);
    const torque = (si: number) => book.fromSi(si, unit);
    const positionUnit = curves.position_unit === 'deg' ? '°' : 'm';
    const shownUnit = curves.position_unit === 'deg' ? '°' : book.preferred('length', system);
    const place = (own: number) => book.fromSi(book.toSi(own, positionUnit), shownUnit);

    const speedingUp = curves.speeding_up_Nm;
    const need = Math.max(...speedingUp.map(Math.abs), ...curves.falling_Nm.map(Math.abs), 1e-9);
    const limit = curves.limit_Nm;
    const limitFits = limit !== null && limit <= need * 2.5;
    const top = torque(Math.max(...speedingUp, limitFits ? limit : 0, 0)) * (limit === null || limitFits ? 1.12 : 1.35);
    const bottom = torque(Math.min(...curves.falling_Nm, 0)) * 1.12;
    const x = scaleLinear([place(curves.positions[0]!), place(curves.positions[curves.positions.length - 1]!)], [MARGIN.left, width - MARGIN.right]);
    const y = scaleLinear([bottom, top], [height - MARGIN.bottom, MARGIN.top]);
    const indices = curves.positions.map((_, i) => i);
    const draw = (values: number[]) =>
        line<number>(
            (i) => x(place(curves.positions[i]!)),
            (i) => y(torque(values[i]!)),
        )(indices) ?? '';
    const over = limitFits
        ? area<number>(
              (i) => x(place(curves.positions[i]!)),
              () => y(torque(limit)),
              (i) => y(torque(Math.max(limit, speedingUp[i]!))),
          )(indices)
        : null;
    const at = x(place(position));

    const hover = (event: PointerEvent<SVGSVGElement>) => {
        const bounds = event.currentTarget.getBoundingClientRect();
        const wanted = x.invert(((event.clientX - bounds.left) / bounds.width) * width);
        const own = book.fromSi(book.toSi(wanted, shownUnit), positionUnit);
        onPosition(Math.max(curves.positions[0]!, Math.min(curves.positions[curves.positions.length - 1]!, own)));
    };
    const end = (values: number[]) => y(torque(values[values.length - 1]!));
    const labels = spread([
        { y: end(speedingUp), text: 'speeding up', color: 'var(--color-ink)' },
        { y: end(curves.rising_Nm), text: curves.ways[0] ?? '', color: 'var(--color-ink)' },
        ...(curves.rising_Nm[0] === curves.falling_Nm[0] ? [] : [{ y: end(curves.falling_Nm), text: curves.ways[1] ?? '', color: 'var(--color-quiet)' }]),
        ...(limitFits ? [{ y: y(torque(limit)), text: 'drive stalls', color: 'var(--color-fails)' }] : []),
        ...(limitFits && curves.continuous_Nm !== null ? [{ y: y(torque(curves.continuous_Nm)), text: 'all day', color: 'var(--color-tight)' }] : []),
    ]);

    return (
        <figure className="relative border border-line bg-well">
            <svg
                viewBox={`0 0 ${width} ${height}`}
                className="block w-full"
                role="img"
                aria-label="Torque over the travel; the numbers are in the table that follows"
                onPointerMove={hover}
                onPointerDown={hover}
            >
                <g fontSize="11" fill="var(--color-quiet)">
                    {y.ticks(5).map((tick) => (
                        <g key={tick}>
                            <line
                                x1={MARGIN.left}
                                x2={width - MARGIN.right}
                                y1={y(tick)}
                                y2={y(tick)}
                                stroke={tick === 0 ? 'var(--color-quiet)' : 'var(--color-line)'}
                            />
                            <text x={MARGIN.left - 6} y={y(tick) + 4} textAnchor="end">
                                {significant(tick, 3)}
                            </text>
                        </g>
                    ))}
                    {x.ticks(8).map((tick) => (
                        <text key={tick} x={x(tick)} y={height - MARGIN.bottom + 15} textAnchor="middle">
                            {significant(tick, 4)}
                        </text>
                    ))}
                    <text x={(MARGIN.left + width - MARGIN.right) / 2} y={height - 5} textAnchor="middle">
                        position, {shownUnit === '°' ? 'degrees' : shownUnit}
                    </text>
                    <text transform={`translate(13 ${(MARGIN.top + height - MARGIN.bottom) / 2}) rotate(-90)`} textAnchor="middle">
                        torque, {unit}
                    </text>
                </g>
                {over !== null && <path d={over} fill="var(--color-fails)" opacity="0.25" />}
                {limitFits && (
                    <line
                        x1={MARGIN.left}
                        x2={width - MARGIN.right}
                        y1={y(torque(limit))}
                        y2={y(torque(limit))}
                        stroke="var(--color-fails)"
                        strokeWidth="2.5"
                    />
                )}
                {limitFits && curves.continuous_Nm !== null && (
                    <line
                        x1={MARGIN.left}
                        x2={width - MARGIN.right}
                        y1={y(torque(curves.continuous_Nm))}
                        y2={y(torque(curves.continuous_Nm))}
                        stroke="var(--color-tight)"
                        strokeDasharray="7 4"
                        strokeWidth="1.5"
                    />
                )}
                <path d={draw(curves.falling_Nm)} fill="none" stroke="var(--color-quiet)" strokeWidth="1.5" strokeDasharray="3 3" />
                <path d={draw(speedingUp)} fill="none" stroke="var(--color-ink)" strokeWidth="1.2" />
                <path d={draw(curves.rising_Nm)} fill="none" stroke="var(--color-ink)" strokeWidth="2.5" />
                <line x1={at} x2={at} y1={MARGIN.top} y2={height - MARGIN.bottom} stroke="var(--color-accent)" />
                <circle cx={at} cy={y(torque(lookUp(curves.positions, curves.rising_Nm, position)))} r="4.5" fill="var(--color-accent)" />
                <g fontSize="11.5">
                    {labels.map((label) => (
                        <text key={label.text} x={width - MARGIN.right + 6} y={label.y + 4} fill={label.color}>
                            {label.text}
                        </text>
                    ))}
                </g>
            </svg>
            {limit !== null && !limitFits && (
                <p className="narrow absolute top-1 right-3 bg-well px-1 text-quiet">
                    The drive stalls at {text({ si: limit, dimension: 'torque' })}, far above.
                </p>
            )}
            {limit === null && <p className="narrow absolute top-1 right-3 bg-well px-1 text-quiet">No drive yet.</p>}
            <figcaption className="sr-only">
                <table>
                    <caption>Torque over the travel</caption>
                    <thead>
                        <tr>
                            <th>Position</th>
                            <th>Going {curves.ways[0]}</th>
                            <th>Speeding up</th>
                            <th>Going {curves.ways[1]}</th>
                        </tr>
                    </thead>
                    <tbody>
                        {curves.positions.map(
                            (own, i) =>
                                i % 8 === 0 && (
                                    <tr key={own}>
                                        <td>{significant(place(own), 4) + shownUnit}</td>
                                        <td>{text({ si: curves.rising_Nm[i]!, dimension: 'torque' })}</td>
                                        <td>{text({ si: speedingUp[i]!, dimension: 'torque' })}</td>
                                        <td>{text({ si: curves.falling_Nm[i]!, dimension: 'torque' })}</td>
                                    </tr>
                                ),
                        )}
                    </tbody>
                </table>
            </figcaption>
        </figure>
    );
}

/** Moves labels apart that would stand on each other. */
function spread<T extends { y: number }>(labels: T[]): T[] {
    const sorted = [...labels].sort((a, b) => a.y - b.y);
    let last = -Infinity;
    return sorted.map((label) => {
        last = Math.max(label.y, last + 13);
        return { ...label, y: last };
    });
}

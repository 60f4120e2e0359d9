import type { ScaleLinear } from 'd3-scale';
import { significant } from '../state/units';

interface Props {
    x: ScaleLinear<number, number>;
    y: ScaleLinear<number, number>;
    /** Of the picture, in its own units. */
    box: { left: number; right: number; top: number; bottom: number; width: number; height: number };
    across: string;
    up: string;
}

/** The grid of a small chart: lines across, figures on both sides, and what they are of. */
export function Axes({ x, y, box, across, up }: Props) {
    const right = box.width - box.right;
    const foot = box.height - box.bottom;
    return (
        <g fontSize="11" fill="var(--color-quiet)">
            {y.ticks(4).map((tick) => (
                <g key={tick}>
                    <line x1={box.left} x2={right} y1={y(tick)} y2={y(tick)} stroke="var(--color-line)" />
                    <text x={box.left - 5} y={y(tick) + 4} textAnchor="end">
                        {significant(tick, 3)}
                    </text>
                </g>
            ))}
            {x.ticks(4).map((tick) => (
                <text key={tick} x={x(tick)} y={foot + 14} textAnchor="middle">
                    {significant(tick, 3)}
                </text>
            ))}
            <text x={(box.left + right) / 2} y={box.height - 4} textAnchor="middle">
                {across}
            </text>
            <text transform={`translate(12 ${(box.top + foot) / 2}) rotate(-90)`} textAnchor="middle">
                {up}
            </text>
        </g>
    );
}

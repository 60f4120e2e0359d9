import type { Frame } from './geometry';

const FIGURES_APART = 42; // points between figures of the rulers

const RULER = 20; // points, along the lower and the left edge

/** The cutting mat: millimetre grid and ruled edges with figures. */
export function MatGround({ frame }: { frame: Frame }) {
    const step = frame.gridStep();
    const figures = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].find((each) => each % step === 0 && each * frame.scale >= FIGURES_APART) ?? step * 10;
    const from = frame.back({ x: 0, y: frame.height });
    const to = frame.back({ x: frame.width, y: 0 });
    const xs = range(from.x, to.x, step);
    const ys = range(from.y, to.y, step);
    return (
        <g aria-hidden="true">
            <rect width={frame.width} height={frame.height} fill="var(--color-mat)" />
            {xs.map((mm) => (
                <line
                    key={`x${mm}`}
                    x1={frame.x(mm)}
                    x2={frame.x(mm)}
                    y1={0}
                    y2={frame.height - RULER}
                    stroke={mm % figures === 0 ? 'var(--color-mat-rule)' : 'var(--color-mat-grid)'}
                />
            ))}
            {ys.map((mm) => (
                <line
                    key={`y${mm}`}
                    y1={frame.y(mm)}
                    y2={frame.y(mm)}
                    x1={RULER + 8}
                    x2={frame.width}
                    stroke={mm % figures === 0 ? 'var(--color-mat-rule)' : 'var(--color-mat-grid)'}
                />
            ))}
            <g fill="var(--color-mat-quiet)" fontSize="10" textAnchor="middle">
                {xs
                    .filter((mm) => mm % figures === 0 && frame.x(mm) > 50 && frame.x(mm) < frame.width - 30)
                    .map((mm) => (
                        <text key={mm} x={frame.x(mm)} y={frame.height - 6}>
                            {String(mm).replace('-', '−')}
                        </text>
                    ))}
                {ys
                    .filter((mm) => mm % figures === 0 && frame.y(mm) > 12 && frame.y(mm) < frame.height - RULER - 8)
                    .map((mm) => (
                        <text key={mm} x={14} y={frame.y(mm) + 3.5}>
                            {String(mm).replace('-', '−')}
                        </text>
                    ))}
                <text x={frame.width - 14} y={frame.height - 6}>
                    mm
                </text>
            </g>
        </g>
    );
}

function range(from: number, to: number, step: number): number[] {
    const first = Math.ceil(from / step);
    const count = Math.max(0, Math.min(400, Math.floor(to / step) - first + 1));
    return Array.from({ length: count }, (_, i) => (first + i) * step);
}

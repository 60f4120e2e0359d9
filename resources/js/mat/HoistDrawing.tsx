import type { Hoist, Motion, SwitchRunOn } from '../api/types';
import { useSpeaking } from '../state/UnitsContext';
import { Bar, Grips, SensorMarks } from './marks';
import type { Grabs } from './scene';
import { Switches } from './Switches';
import { hoistShape, type Frame } from './geometry';

/** A load on a cord under its drum, with the heights that have a name. */
export function HoistDrawing({
    motion,
    hoist,
    frame,
    position,
    positions,
    runOn,
    color,
    grabs = {},
}: {
    motion: Motion;
    hoist: Hoist;
    frame: Frame;
    position: number;
    positions: number[];
    runOn: SwitchRunOn[];
    color: string;
    grabs?: Grabs;
}) {
    const { text } = useSpeaking();
    const { drum, radius, load } = hoistShape(hoist, positions);
    const centre = frame.at(drum);
    const height = position * 1000;
    const cordX = frame.x(0);
    const loadTop = frame.y(height + load);
    const spoke = position / hoist.drum_radius_m;
    const side = load * frame.scale;
    const mark = (mm: number) => ({ x: frame.x(load * 0.85), y: frame.y(mm) });
    return (
        <g>
            <line x1={cordX} y1={centre.y} x2={cordX} y2={loadTop} stroke="var(--color-mat-ink)" strokeWidth="2" />
            <circle cx={centre.x} cy={centre.y} r={radius * frame.scale} fill="var(--color-mat-rule)" stroke="var(--color-mat-ink)" strokeWidth="2.5" />
            <line
                x1={centre.x}
                y1={centre.y}
                x2={centre.x + Math.cos(spoke) * radius * frame.scale}
                y2={centre.y - Math.sin(spoke) * radius * frame.scale}
                stroke="var(--color-mat-ink)"
                strokeWidth="2"
            />
            <rect x={cordX - side / 2} y={loadTop} width={side} height={side} fill={color} stroke="var(--color-mat-ink)" strokeWidth="1.5" />
            <g fontSize="12" className="narrow" fill="var(--color-mat-ink)">
                {[...motion.places]
                    .sort((a, b) => b.at - a.at)
                    .map((place) => {
                        const at = mark(place.at * 1000);
                        return (
                            <g key={place.id}>
                                <line x1={cordX - side / 2} x2={at.x} y1={at.y} y2={at.y} stroke="var(--color-mat-quiet)" strokeDasharray="2 4" />
                                <text x={at.x + 14} y={at.y + 4}>
                                    {place.name} {text({ si: place.at, dimension: 'length' })}
                                </text>
                            </g>
                        );
                    })}
            </g>
            {[motion.stops.hard_low, motion.stops.hard_high].map(
                (at, i) =>
                    at !== null && (
                        <Bar key={i} from={{ x: cordX - side * 0.9, y: frame.y(at * 1000) }} to={{ x: cordX - side * 0.55, y: frame.y(at * 1000) }} />
                    ),
            )}
            <Grips motion={motion} grabs={grabs} at={(at) => mark(at * 1000)} stop={(at) => ({ x: cordX - side * 0.72, y: frame.y(at * 1000) })} />
            <Switches motion={motion} runOn={runOn} unit="m" at={(at, away = 0) => ({ ...mark(at * 1000), x: mark(0).x + away })} onGrab={grabs.switch} />
            <SensorMarks motion={motion.id} at={(at) => mark(at * 1000)} />
        </g>
    );
}

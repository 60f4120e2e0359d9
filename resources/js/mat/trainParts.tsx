import type { Layout, Mechanism, TrainLinkage, TrainSheet, TrainWheel } from '../api/types';
import { toothed } from './gears';
import type { Frame, Point } from './geometry';

interface WheelProps {
    wheel: TrainWheel;
    at: Point;
    /** Where the other shaft of its stage stands. */
    towards: Point | undefined;
    frame: Frame;
    angle: number;
    color: string;
    clashes: boolean;
    /** A field with its teeth lies over the drawing, where there is room for one. */
    isFigureBelow?: boolean;
}

const lying = (wheel: TrainWheel) => (wheel.type === 'worm' && wheel.driver) || wheel.type === 'screw';

/** Where the teeth of a wheel are told. */
export function teethAt(wheel: TrainWheel, frame: Frame): Point {
    return {
        x: frame.x(wheel.x_mm),
        y: frame.y(wheel.y_mm) - 4 - (lying(wheel) || (cornered(wheel) && !wheel.driver) ? 14 : wheel.pitch_mm * frame.scale * 0.5),
    };
}

/** One wheel of a stage as it looks from above, turned by an angle. */
export function WheelDrawing(props: WheelProps) {
    const { wheel, at, frame, color, clashes } = props;
    const middle = frame.at(at);
    const paint = {
        fill: wheel.driver ? color : 'var(--color-mat-rule)',
        fillOpacity: wheel.driver ? 0.85 : 0.8,
        stroke: clashes ? 'var(--color-coral)' : 'var(--color-mat-ink)',
        strokeWidth: clashes ? 3 : 1.3,
    };
    const lies = lying(wheel);
    return (
        <g>
            {lies ? (
                <Thread {...props} paint={paint} />
            ) : cornered(wheel) && !wheel.driver ? (
                <EdgeOn {...props} paint={paint} />
            ) : (
                <Round {...props} paint={paint} />
            )}
            <text
                x={middle.x}
                y={middle.y - (lies || (cornered(wheel) && !wheel.driver) ? 14 : wheel.pitch_mm * frame.scale * 0.5)}
                fontSize="12"
                className={props.isFigureBelow ? 'lg:hidden' : ''}
                textAnchor="middle"
                fill="var(--color-mat-ink)"
                stroke="var(--color-mat)"
                strokeWidth="3"
                paintOrder="stroke"
            >
                {wheel.type === 'round' ? '' : wheel.teeth}
            </text>
        </g>
    );
}

type Paint = { fill: string; fillOpacity: number; stroke: string; strokeWidth: number };

const cornered = (wheel: TrainWheel) => wheel.type === 'bevel' || wheel.type === 'crown';

const degrees = (radians: number) => (radians * 180) / Math.PI;

/** Gear, pulley, sprocket, the pinion of a rack, the wheel of a pawl. */
function Round({ wheel, at, towards, frame, angle, paint }: WheelProps & { paint: Paint }) {
    const middle = frame.at(at);
    const s = frame.scale;
    const path = toothed(wheel)
        .map((point, i) => `${i === 0 ? 'M' : 'L'}${(point.x * s).toFixed(2)} ${(-point.y * s).toFixed(2)}`)
        .join('');
    const along = towards === undefined ? 0 : Math.atan2(towards.y - at.y, towards.x - at.x);
    return (
        <>
            {wheel.type === 'rack' && <RackBar wheel={wheel} middle={middle} scale={s} shift={angle * wheel.pitch_mm * s} paint={paint} />}
            <g transform={`translate(${middle.x} ${middle.y}) rotate(${(-degrees(angle)).toFixed(3)})`} {...paint}>
                {wheel.type === 'belt' || wheel.type === 'round' ? <circle r={wheel.outside_mm * s} /> : <path d={`${path}Z`} />}
                {(wheel.type === 'round' || cornered(wheel)) && <circle r={wheel.pitch_mm * s * (wheel.type === 'round' ? 0.85 : 0.6)} fill="none" />}
                <line x1="0" y1="0" x2={wheel.pitch_mm * s * 0.82} y2="0" />
            </g>
            {wheel.type === 'pawl' && (
                <g
                    transform={`translate(${middle.x} ${middle.y}) rotate(${(-degrees(along) - 50).toFixed(1)})`}
                    fill="none"
                    stroke="var(--color-yellow)"
                    strokeWidth="3"
                >
                    <path d={`M${(wheel.outside_mm + 4) * s} ${-6}L${(wheel.outside_mm - 0.5) * s} 4`} />
                    <circle cx={(wheel.outside_mm + 4) * s} cy="-6" r="2.5" />
                </g>
            )}
            <circle cx={middle.x} cy={middle.y} r={wheel.pitch_mm * s} fill="none" stroke="var(--color-mat-quiet)" strokeDasharray="2 4" />
        </>
    );
}

/** A worm or lead screw lies across: its thread runs along as it turns. */
function Thread({ wheel, at, towards, frame, angle, paint }: WheelProps & { paint: Paint }) {
    const middle = frame.at(at);
    const s = frame.scale;
    const along = wheel.type === 'screw' || towards === undefined ? 0 : Math.atan2(towards.y - at.y, towards.x - at.x) + Math.PI / 2;
    const module = wheel.outside_mm - wheel.pitch_mm;
    const pitch = Math.PI * module * s;
    const half = (wheel.type === 'screw' ? 16 : 5) * Math.PI * 0.5 * module * s;
    const wide = wheel.outside_mm * s;
    const shift = ((((angle / (2 * Math.PI)) * wheel.teeth * pitch) % pitch) + pitch) % pitch;
    const turns = Array.from({ length: Math.max(0, Math.floor((2 * half) / pitch)) }, (_, i) => -half + shift + i * pitch).filter(
        (x) => x + pitch * 0.5 <= half,
    );
    return (
        <g transform={`translate(${middle.x} ${middle.y}) rotate(${(-degrees(along)).toFixed(2)})`} {...paint}>
            <rect x={-half} y={-wide} width={2 * half} height={2 * wide} />
            {turns.map((x, i) => (
                <line key={i} x1={x} y1={wide} x2={x + pitch * 0.5} y2={-wide} />
            ))}
        </g>
    );
}

/** The bevel or crown wheel whose shaft lies in the drawing, seen on its edge. */
function EdgeOn({ wheel, at, towards, frame, paint }: WheelProps & { paint: Paint }) {
    const middle = frame.at(at);
    const s = frame.scale;
    const along = towards === undefined ? 0 : Math.atan2(towards.y - at.y, towards.x - at.x);
    const [out, thick] = [wheel.outside_mm * s, Math.max(8, 0.35 * wheel.outside_mm * s)];
    const inner = wheel.type === 'bevel' ? out - thick * 0.6 : out;
    return (
        <g transform={`translate(${middle.x} ${middle.y}) rotate(${(-degrees(along)).toFixed(2)})`} {...paint}>
            <path d={`M0 ${-out}L${thick} ${-inner}L${thick} ${inner}L0 ${out}Z`} />
            <line x1={-thick * 1.6} y1="0" x2={thick} y2="0" strokeWidth="4" />
            {Array.from({ length: Math.min(24, wheel.teeth) }, (_, i) => -out + ((i + 0.5) * 2 * out) / Math.min(24, wheel.teeth)).map((y, i) => (
                <line key={i} x1={thick * 0.55} y1={y * 0.94} x2={thick} y2={(y * inner) / out} />
            ))}
        </g>
    );
}

function RackBar({ wheel, middle, scale, shift, paint }: { wheel: TrainWheel; middle: Point; scale: number; shift: number; paint: Paint }) {
    const module = (wheel.outside_mm - wheel.pitch_mm) * scale;
    const pitch = Math.PI * module;
    const line = middle.y + wheel.pitch_mm * scale;
    const count = Math.max(8, Math.ceil((4 * wheel.pitch_mm * scale) / pitch));
    const left = middle.x - (count / 2) * pitch;
    const offset = ((shift % pitch) + pitch) % pitch;
    const teeth = Array.from({ length: count }, (_, i) => left + offset + i * pitch)
        .map(
            (x) =>
                `L${(x + 0.1 * pitch).toFixed(1)} ${line + module * 1.25}L${(x + 0.35 * pitch).toFixed(1)} ${line - module}L${(x + 0.65 * pitch).toFixed(1)} ${line - module}L${(x + 0.9 * pitch).toFixed(1)} ${line + module * 1.25}`,
        )
        .join('');
    return (
        <path
            d={`M${left} ${line + module * 1.25}${teeth}L${left + (count + 1) * pitch} ${line + module * 1.25}L${left + (count + 1) * pitch} ${line + module * 4}L${left} ${line + module * 4}Z`}
            {...paint}
            fill="var(--color-mat-rule)"
        />
    );
}

/** The two straight sides of each belt and chain. */
export function Belts({ sheet, shafts, frame }: { sheet: TrainSheet; shafts: Point[]; frame: Frame }) {
    return sheet.wheels
        .filter((wheel) => wheel.driver && (wheel.type === 'belt' || wheel.type === 'chain' || wheel.type === 'round'))
        .flatMap((driver) => {
            const driven = sheet.wheels.find((wheel) => wheel.stage === driver.stage && !wheel.driver)!;
            const [a, b] = [shafts[driver.shaft]!, shafts[driven.shaft]!];
            const apart = Math.hypot(b.x - a.x, b.y - a.y) || 1;
            const along = Math.atan2(b.y - a.y, b.x - a.x);
            return [1, -1].map((side) => {
                const turn = along + side * Math.acos(Math.max(-1, Math.min(1, (driver.pitch_mm - driven.pitch_mm) / apart)));
                const from = frame.at({ x: a.x + driver.pitch_mm * Math.cos(turn), y: a.y + driver.pitch_mm * Math.sin(turn) });
                const to = frame.at({ x: b.x + driven.pitch_mm * Math.cos(turn), y: b.y + driven.pitch_mm * Math.sin(turn) });
                return <line key={`${driver.stage} ${side}`} x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="var(--color-mat-ink)" strokeWidth="3" />;
            });
        });
}

/** The bars of a linkage where they stand at a share of their way, and the way that their joints go. */
export function LinkageBars({ linkage, share, frame, color }: { linkage: TrainLinkage; share: number; frame: Frame; color: string }) {
    const last = linkage.ways.length - 1;
    const way = linkage.ways[Math.max(0, Math.min(last, Math.round(share * last)))]!;
    const ends = (bar: number, of: number[] = way) =>
        [frame.at({ x: of[4 * bar]!, y: of[4 * bar + 1]! }), frame.at({ x: of[4 * bar + 2]!, y: of[4 * bar + 3]! })] as const;
    return (
        <g pointerEvents="none">
            {linkage.bars.map((bar, i) => (
                <polyline
                    key={bar}
                    points={linkage.ways
                        .map((each) => ends(i, each)[1])
                        .map((point) => `${point.x.toFixed(1)},${point.y.toFixed(1)}`)
                        .join(' ')}
                    fill="none"
                    stroke={color}
                    strokeOpacity="0.5"
                    strokeDasharray="2 3"
                />
            ))}
            {linkage.bars.map((bar, i) => {
                const [from, to] = ends(i);
                return (
                    <line
                        key={bar}
                        x1={from.x}
                        y1={from.y}
                        x2={to.x}
                        y2={to.y}
                        stroke={linkage.clashing.includes(bar) ? 'var(--color-coral)' : color}
                        strokeOpacity="0.75"
                        strokeWidth={linkage.bar_mm * frame.scale}
                        strokeLinecap="round"
                    />
                );
            })}
            {linkage.bars.map((bar, i) => {
                const [from, to] = ends(i);
                return [from, to].map((joint, j) => (
                    <circle key={`${bar} ${j}`} cx={joint.x} cy={joint.y} r="3" fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="1.5" />
                ));
            })}
        </g>
    );
}

/** Plates above the first: their edges, and between which planes they lie. */
export function UpperPlates({ layout, frame }: { layout: Layout; frame: Frame }) {
    return layout.plates.map((plate, i) => (
        <g key={i} pointerEvents="none">
            <rect
                x={frame.x(plate.x_mm)}
                y={frame.y(plate.y_mm + plate.height_mm)}
                width={plate.width_mm * frame.scale}
                height={plate.height_mm * frame.scale}
                fill="none"
                stroke="var(--color-lilac)"
                strokeWidth="1.5"
                strokeDasharray="10 4 2 4"
            />
            <text
                x={frame.x(plate.x_mm) + 4}
                y={frame.y(plate.y_mm) - 5}
                fontSize="11"
                className="narrow"
                fill="var(--color-lilac)"
                stroke="var(--color-mat)"
                strokeWidth="3"
                paintOrder="stroke"
            >
                {plate.name}, above plane {plate.above_plane}
            </text>
        </g>
    ));
}

const ON_SHAFT: Partial<Record<Mechanism['kind'], { key: string; word: string }>> = {
    hoist: { key: 'drum_radius_m', word: 'drum' },
    slide: { key: 'pulley_radius_m', word: 'pulley, rack pinion or screw' },
    wheels: { key: 'wheel_radius_m', word: 'wheel' },
    feeder: { key: 'drum_radius_m', word: 'feeder drum' },
    crank: { key: 'crank_m', word: 'crank' },
    crank_rocker: { key: 'crank_m', word: 'crank' },
    pushed: { key: 'arm_m', word: 'arm of the rod' },
};

/** What sits on the shaft of the load and passes the movement on, to scale. */
export function AtTheLoad({ thing, at, scale }: { thing: Mechanism; at: Point; scale: number }) {
    const on = ON_SHAFT[thing.kind];
    const radius = on === undefined ? undefined : (thing as unknown as Record<string, number | undefined>)[on.key];
    return on === undefined || radius === undefined ? null : (
        <g pointerEvents="none">
            <circle cx={at.x} cy={at.y} r={radius * 1000 * scale} fill="none" stroke="var(--color-sky)" strokeWidth="2" strokeDasharray="6 3" />
            <text
                x={at.x}
                y={at.y + radius * 1000 * scale + 13}
                fontSize="11"
                className="narrow"
                textAnchor="middle"
                fill="var(--color-sky)"
                stroke="var(--color-mat)"
                strokeWidth="3"
                paintOrder="stroke"
            >
                {on.word}
            </text>
        </g>
    );
}

/** An arrow around a shaft: which way it turns when the drive goes forward. */
export function Turning({ at, way, radius }: { at: Point; way: number; radius: number }) {
    const point = (degrees: number, r = radius) =>
        `${(at.x + r * Math.cos((degrees * Math.PI) / 180)).toFixed(1)} ${(at.y - r * Math.sin((degrees * Math.PI) / 180)).toFixed(1)}`;
    const [tip, barb] = way >= 0 ? [160, 138] : [20, 42];
    return (
        <g fill="none" stroke="var(--color-yellow)" strokeWidth="2" pointerEvents="none">
            <path d={`M${point(20)}A${radius} ${radius} 0 0 0 ${point(160)}`} />
            <path d={`M${point(barb, radius + 5)}L${point(tip)}L${point(barb, radius - 5)}`} />
        </g>
    );
}

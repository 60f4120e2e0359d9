import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Curves, Layout, Mechanism, Motion, TrainHole, TrainSheet, TrainWheel } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { significant } from '../state/units';
import { toothed, turned, snapped } from './gears';
import { box, Frame, type Point } from './geometry';
import { MatGround } from './MatGround';

const FITS: Record<TrainHole['fit'], string> = { fits: 'meshes', tight: 'meshes without play', binds: 'too near: it binds', loose: 'too far: it runs loose', apart: 'too far: it skips', free: 'free' };

interface Props {
    motion: Motion;
    sheet: TrainSheet;
    layout: Layout;
    curves: Curves;
    position: number;
    width: number;
    height: number;
    play: { isPlaying: boolean; toggle: () => void };
    onShaft: (shaft: number, at: Point) => void;
}

/** The train seen from above on its plate, to scale, turning as it turns. Drag a shaft: it snaps to the holes. */
export function TrainPlan({ motion, sheet, layout, curves, position, width, height, play, onShaft }: Props) {
    const svg = useRef<SVGSVGElement>(null);
    const [held, setHeld] = useState<{ shaft: number; at: Point } | null>(null);
    const frame = new Frame(extent(sheet, layout), width, height, { left: 46, right: 30, top: 22, bottom: 34 });
    const step = layout.grid_mm === null ? null : layout.half ? layout.grid_mm / 2 : layout.grid_mm;
    const [low, high] = [curves.positions[0]!, curves.positions[curves.positions.length - 1]!];
    const load = curves.position_unit === 'deg' ? (position * Math.PI) / 180 : ((position - low) / (high - low || 1)) * 2 * Math.PI;
    const angles = turned(sheet.wheels, load * (sheet.shafts[0]?.turns ?? 1));
    const clashing = new Set(sheet.clashes.map((clash) => `${clash.stage} ${clash.driver}`));
    const color = MARKER_COLOR[motion.marker];
    const shafts = sheet.shafts.map((shaft, i) => (held?.shaft === i ? held.at : { x: shaft.x_mm ?? 0, y: shaft.y_mm ?? 0 }));
    const near = held === null ? undefined : sheet.holes[held.shaft]?.find((hole) => Math.hypot(hole.x_mm - held.at.x, hole.y_mm - held.at.y) < 0.01);

    const under = (event: PointerEvent): Point => {
        const bounds = svg.current!.getBoundingClientRect();
        const point = frame.back({ x: ((event.clientX - bounds.left) / bounds.width) * width, y: ((event.clientY - bounds.top) / bounds.height) * height });
        return { x: snapped(point.x, step), y: snapped(point.y, step) };
    };
    const drop = () => {
        if (held !== null) {
            const now = sheet.shafts[held.shaft]!;
            if (now.x_mm !== held.at.x || now.y_mm !== held.at.y) {
                onShaft(held.shaft, held.at);
            }
            setHeld(null);
        }
    };
    const press = (shaft: number) => (event: KeyboardEvent) => {
        const by = (step ?? 0.5) * (event.shiftKey ? 4 : 1);
        const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[event.key];
        if (move !== undefined) {
            event.preventDefault();
            const now = sheet.shafts[shaft]!;
            onShaft(shaft, { x: snapped((now.x_mm ?? 0) + move[0]!, step), y: snapped((now.y_mm ?? 0) + move[1]!, step) });
        }
    };
    return (
        <div className="on-mat relative bg-mat text-mat-ink">
            <svg ref={svg} viewBox={`0 0 ${width} ${height}`} className="block w-full touch-none select-none" role="group" aria-label={`Train of ${motion.name} on its plate`} onPointerMove={(event) => held !== null && setHeld({ ...held, at: under(event) })} onPointerUp={drop} onPointerCancel={() => setHeld(null)}>
                <MatGround frame={frame} />
                <Ground frame={frame} layout={layout} step={step} />
                {held !== null &&
                    (sheet.holes[held.shaft] ?? []).map((hole) => (
                        <circle key={`${hole.x_mm} ${hole.y_mm}`} cx={frame.x(hole.x_mm)} cy={frame.y(hole.y_mm)} r={hole.fit === 'fits' ? 6 : 3.5} fill={hole.fit === 'fits' ? 'var(--color-yellow)' : 'none'} stroke="var(--color-yellow)" strokeWidth="1.5" />
                    ))}
                {[...sheet.wheels]
                    .sort((a, b) => a.plane - b.plane)
                    .map((wheel) => (
                        <WheelDrawing key={`${wheel.stage} ${wheel.driver}`} wheel={wheel} at={shafts[wheel.shaft]!} frame={frame} angle={angles.get(wheel) ?? 0} color={color} clashes={clashing.has(`${wheel.stage} ${wheel.driver}`)} />
                    ))}
                <Belts sheet={sheet} shafts={shafts} frame={frame} />
                <AtTheLoad thing={motion.mechanism} at={frame.at(shafts[shafts.length - 1]!)} scale={frame.scale} />
                {shafts.map((at, i) => {
                    const shaft = sheet.shafts[i]!;
                    const name = i === 0 ? 'Shaft 1, of the drive' : i === shafts.length - 1 ? `Shaft ${i + 1}, of the load` : `Shaft ${i + 1}`;
                    const fit = i === 0 ? '' : `, ${FITS[sheet.meetings[i - 1]?.fit ?? 'free']}`;
                    return (
                        <g key={i}>
                            <circle
                                cx={frame.x(at.x)}
                                cy={frame.y(at.y)}
                                r={Math.max((layout.shaft_mm / 2) * frame.scale, 7)}
                                className="cursor-grab"
                                fill="var(--color-mat)"
                                stroke="var(--color-mat-ink)"
                                strokeWidth="2.5"
                                role="button"
                                tabIndex={0}
                                aria-label={`${name}, at ${significant(at.x, 4)} and ${significant(at.y, 4)} mm${fit}. Arrow keys move it.`}
                                onPointerDown={(event) => {
                                    svg.current?.setPointerCapture(event.pointerId);
                                    setHeld({ shaft: i, at });
                                }}
                                onKeyDown={press(i)}
                            />
                            <Turning at={frame.at(at)} way={shaft.way} radius={Math.max((layout.shaft_mm / 2) * frame.scale, 7) + 5} />
                        </g>
                    );
                })}
                {shafts.map((at, i) => (
                    <text key={i} x={frame.x(at.x)} y={frame.y(at.y) + 26} fontSize="12" className="narrow" textAnchor="middle" fill="var(--color-mat-ink)" stroke="var(--color-mat)" strokeWidth="3" paintOrder="stroke" pointerEvents="none">
                        {i === 0 ? 'drive' : i === shafts.length - 1 ? 'load' : ''} {significant(Math.abs(sheet.shafts[i]!.rpm), 3)} rpm
                    </text>
                ))}
            </svg>
            <p role="status" className="pointer-events-none absolute top-2 left-9 bg-mat/85 px-2 py-1 empty:hidden">
                {held === null ? '' : `${significant(held.at.x, 4)} · ${significant(held.at.y, 4)} mm${near === undefined ? ': no mesh here' : `: ${FITS[near.fit]}`}`}
            </p>
            <button type="button" className="absolute top-2 right-2 border border-mat-quiet bg-mat px-3 py-1 hover:bg-mat-rule disabled:opacity-60" disabled={curves.there === null} onClick={play.toggle}>
                {play.isPlaying ? 'Pause' : 'Play'} <kbd className="key narrow text-mat-quiet">Space</kbd>
            </button>
        </div>
    );
}

function extent(sheet: TrainSheet, layout: Layout) {
    const points = sheet.wheels.flatMap((wheel) => [
        { x: wheel.x_mm - wheel.outside_mm, y: wheel.y_mm - wheel.outside_mm },
        { x: wheel.x_mm + wheel.outside_mm, y: wheel.y_mm + wheel.outside_mm },
    ]);
    const edges = layout.width_mm === null || layout.height_mm === null ? [] : [{ x: 0, y: 0 }, { x: layout.width_mm, y: layout.height_mm }];
    const things = layout.obstacles.flatMap((each) => [{ x: each.x_mm - each.radius_mm, y: each.y_mm - each.radius_mm }, { x: each.x_mm + each.radius_mm, y: each.y_mm + each.radius_mm }]);
    return box([...points, ...edges, ...things, { x: 0, y: 0 }]);
}

/** The holes of the plate, the room that is allowed, and what stands on it. */
function Ground({ frame, layout, step }: { frame: Frame; layout: Layout; step: number | null }) {
    const a = frame.back({ x: 30, y: frame.height - 22 });
    const b = frame.back({ x: frame.width, y: 0 });
    const holes = step === null || step * frame.scale < 7 ? [] : grid(a.x, b.x, step).flatMap((x) => grid(a.y, b.y, step).map((y) => ({ x, y })));
    return (
        <g>
            {holes.length < 6000 && <path d={holes.map(({ x, y }) => `M${frame.x(x).toFixed(1)} ${frame.y(y).toFixed(1)}h0`).join('')} stroke="var(--color-mat-quiet)" strokeWidth="3.2" strokeLinecap="round" />}
            {layout.width_mm !== null && layout.height_mm !== null && <rect x={frame.x(0)} y={frame.y(layout.height_mm)} width={layout.width_mm * frame.scale} height={layout.height_mm * frame.scale} fill="none" stroke="var(--color-mat-ink)" strokeWidth="1.5" strokeDasharray="7 4" />}
            {layout.obstacles.map((each, i) => (
                <g key={i}>
                    <circle cx={frame.x(each.x_mm)} cy={frame.y(each.y_mm)} r={each.radius_mm * frame.scale} fill="var(--color-mat-rule)" stroke="var(--color-mat-ink)" strokeDasharray="3 2" />
                    <text x={frame.x(each.x_mm)} y={frame.y(each.y_mm) - each.radius_mm * frame.scale - 4} fontSize="11" className="narrow" textAnchor="middle" fill="var(--color-mat-ink)">
                        {each.name}
                    </text>
                </g>
            ))}
        </g>
    );
}

function grid(from: number, to: number, step: number): number[] {
    const first = Math.ceil(from / step);
    return Array.from({ length: Math.max(0, Math.floor(to / step) - first + 1) }, (_, i) => (first + i) * step);
}

function WheelDrawing({ wheel, at, frame, angle, color, clashes }: { wheel: TrainWheel; at: Point; frame: Frame; angle: number; color: string; clashes: boolean }) {
    const middle = frame.at(at);
    const path = toothed(wheel)
        .map((point, i) => `${i === 0 ? 'M' : 'L'}${(point.x * frame.scale).toFixed(2)} ${(-point.y * frame.scale).toFixed(2)}`)
        .join('');
    const round = wheel.type === 'belt' || (wheel.type === 'worm' && wheel.driver);
    return (
        <g>
            <g transform={`translate(${middle.x} ${middle.y}) rotate(${((-angle * 180) / Math.PI).toFixed(3)})`} fill={wheel.driver ? color : 'var(--color-mat-rule)'} fillOpacity={wheel.driver ? 0.85 : 0.8} stroke={clashes ? 'var(--color-coral)' : 'var(--color-mat-ink)'} strokeWidth={clashes ? 3 : 1.3}>
                {round ? <circle r={wheel.outside_mm * frame.scale} /> : <path d={`${path}Z`} />}
                <line x1="0" y1="0" x2={wheel.pitch_mm * frame.scale * 0.82} y2="0" />
            </g>
            <circle cx={middle.x} cy={middle.y} r={wheel.pitch_mm * frame.scale} fill="none" stroke="var(--color-mat-quiet)" strokeDasharray="2 4" />
            <text x={middle.x} y={middle.y - wheel.pitch_mm * frame.scale * 0.5} fontSize="12" textAnchor="middle" fill="var(--color-mat-ink)" stroke="var(--color-mat)" strokeWidth="3" paintOrder="stroke">
                {wheel.teeth}
            </text>
        </g>
    );
}

/** The two straight sides of each belt and chain. */
function Belts({ sheet, shafts, frame }: { sheet: TrainSheet; shafts: Point[]; frame: Frame }) {
    return sheet.wheels
        .filter((wheel) => wheel.driver && (wheel.type === 'belt' || wheel.type === 'chain'))
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
function AtTheLoad({ thing, at, scale }: { thing: Mechanism; at: Point; scale: number }) {
    const on = ON_SHAFT[thing.kind];
    const radius = on === undefined ? undefined : (thing as unknown as Record<string, number | undefined>)[on.key];
    return on === undefined || radius === undefined ? null : (
        <g pointerEvents="none">
            <circle cx={at.x} cy={at.y} r={radius * 1000 * scale} fill="none" stroke="var(--color-sky)" strokeWidth="2" strokeDasharray="6 3" />
            <text x={at.x} y={at.y + radius * 1000 * scale + 13} fontSize="11" className="narrow" textAnchor="middle" fill="var(--color-sky)" stroke="var(--color-mat)" strokeWidth="3" paintOrder="stroke">
                {on.word}
            </text>
        </g>
    );
}

/** An arrow around a shaft: which way it turns when the drive goes forward. */
function Turning({ at, way, radius }: { at: Point; way: number; radius: number }) {
    const point = (degrees: number, r = radius) => `${(at.x + r * Math.cos((degrees * Math.PI) / 180)).toFixed(1)} ${(at.y - r * Math.sin((degrees * Math.PI) / 180)).toFixed(1)}`;
    const [tip, barb] = way >= 0 ? [160, 138] : [20, 42];
    return (
        <g fill="none" stroke="var(--color-yellow)" strokeWidth="2" pointerEvents="none">
            <path d={`M${point(20)}A${radius} ${radius} 0 0 0 ${point(160)}`} />
            <path d={`M${point(barb, radius + 5)}L${point(tip)}L${point(barb, radius - 5)}`} />
        </g>
    );
}

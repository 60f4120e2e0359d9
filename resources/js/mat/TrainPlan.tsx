import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Curves, Layout, Motion, TrainHole, TrainSheet } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { significant } from '../state/units';
import { turned, snapped } from './gears';
import { box, Frame, type Point } from './geometry';
import { MatGround } from './MatGround';
import { MatFields } from './MatFields';
import { AtTheLoad, Belts, LinkageBars, Turning, UpperPlates, WheelDrawing, teethAt } from './trainParts';

const FITS: Record<TrainHole['fit'], string> = {
    fits: 'meshes',
    tight: 'meshes without play',
    binds: 'too near: it binds',
    loose: 'too far: it runs loose',
    apart: 'too far: it skips',
    free: 'free',
};

interface Props {
    motion: Motion;
    sheet: TrainSheet;
    layout: Layout;
    curves: Curves;
    position: number;
    width: number;
    height: number;
    play: { isPlaying: boolean; toggle: () => void };
    /** What else the same motor moves, in words. */
    shared: string;
    /** Path of the motion in the document. */
    path: string;
    onShafts: (shafts: number[], at: Point) => void;
}

/** The train seen from above on its plate, to scale, turning as it turns. Drag a shaft: it snaps to the holes. */
export function TrainPlan({ motion, sheet, layout, curves, position, width, height, play, shared, path, onShafts }: Props) {
    const svg = useRef<SVGSVGElement>(null);
    const [held, setHeld] = useState<{ shaft: number; at: Point } | null>(null);
    const frame = new Frame(extent(sheet, layout), width, height, { left: 46, right: 30, top: 22, bottom: 34 });
    const step = layout.grid_mm === null ? null : layout.half ? layout.grid_mm / 2 : layout.grid_mm;
    const [low, high] = [curves.positions[0]!, curves.positions[curves.positions.length - 1]!];
    const load = curves.position_unit === 'deg' ? (position * Math.PI) / 180 : ((position - low) / (high - low || 1)) * 2 * Math.PI;
    const angles = turned(sheet.wheels, load * (sheet.shafts[0]?.turns ?? 1));
    const clashing = new Set(sheet.clashes.map((clash) => `${clash.stage} ${clash.driver}`));
    const color = MARKER_COLOR[motion.marker];
    const { from, to } = { from: curves.positions[0]!, to: curves.positions[curves.positions.length - 1]! };
    const share = to === from ? 0 : (position - from) / (to - from);
    const axisOf = (shaft: number) => sheet.shafts.flatMap((each, i) => (each.axis === sheet.shafts[shaft]!.axis ? [i] : []));
    const shafts = sheet.shafts.map((shaft) =>
        held !== null && sheet.shafts[held.shaft]!.axis === shaft.axis ? held.at : { x: shaft.x_mm ?? 0, y: shaft.y_mm ?? 0 },
    );
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
                onShafts(axisOf(held.shaft), held.at);
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
            onShafts(axisOf(shaft), { x: snapped((now.x_mm ?? 0) + move[0]!, step), y: snapped((now.y_mm ?? 0) + move[1]!, step) });
        }
    };
    return (
        <div className="on-mat relative bg-mat text-mat-ink">
            <svg
                ref={svg}
                viewBox={`0 0 ${width} ${height}`}
                className="block w-full touch-none select-none"
                role="group"
                aria-label={`Train of ${motion.name} on its plate`}
                onPointerMove={(event) => held !== null && setHeld({ ...held, at: under(event) })}
                onPointerUp={drop}
                onPointerCancel={() => setHeld(null)}
            >
                <MatGround frame={frame} />
                <Ground frame={frame} layout={layout} step={step} />
                {held !== null &&
                    (sheet.holes[held.shaft] ?? []).map((hole) => (
                        <circle
                            key={`${hole.x_mm} ${hole.y_mm}`}
                            cx={frame.x(hole.x_mm)}
                            cy={frame.y(hole.y_mm)}
                            r={hole.fit === 'fits' ? 6 : 3.5}
                            fill={hole.fit === 'fits' ? 'var(--color-yellow)' : 'none'}
                            stroke="var(--color-yellow)"
                            strokeWidth="1.5"
                        />
                    ))}
                {[...sheet.wheels]
                    .sort((a, b) => a.plane - b.plane)
                    .map((wheel) => (
                        <WheelDrawing
                            key={`${wheel.stage} ${wheel.driver}`}
                            wheel={wheel}
                            at={shafts[wheel.shaft]!}
                            towards={shafts[wheel.driver ? wheel.stage + 1 : wheel.stage]}
                            frame={frame}
                            angle={angles.get(wheel) ?? 0}
                            color={color}
                            isFigureBelow={!play.isPlaying && held === null && wheel.type !== 'round'}
                            clashes={clashing.has(`${wheel.stage} ${wheel.driver}`)}
                        />
                    ))}
                <Belts sheet={sheet} shafts={shafts} frame={frame} />
                <UpperPlates layout={layout} frame={frame} />
                {sheet.linkage === null ? (
                    <AtTheLoad thing={motion.mechanism} at={frame.at(shafts[shafts.length - 1]!)} scale={frame.scale} />
                ) : (
                    <LinkageBars linkage={sheet.linkage} share={share} frame={frame} color={color} />
                )}
                {shafts.map((at, i) => {
                    const shaft = sheet.shafts[i]!;
                    if (shaft.axis !== i) {
                        return null; // it turns on the axis of one before
                    }
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
                {shafts.map(
                    (at, i) =>
                        sheet.shafts[i]!.axis === i && (
                            <text
                                key={i}
                                x={frame.x(at.x)}
                                y={frame.y(at.y) + 26}
                                fontSize="12"
                                className="narrow"
                                textAnchor="middle"
                                fill="var(--color-mat-ink)"
                                stroke="var(--color-mat)"
                                strokeWidth="3"
                                paintOrder="stroke"
                                pointerEvents="none"
                            >
                                {i === 0 ? `drive${shared}` : axisOf(i).includes(shafts.length - 1) ? 'load' : ''}{' '}
                                {significant(Math.abs(sheet.shafts[i]!.rpm), 3)} rpm
                            </text>
                        ),
                )}
            </svg>
            {!play.isPlaying && held === null && (
                <MatFields
                    width={width}
                    height={height}
                    fields={sheet.wheels
                        .filter((wheel) => wheel.type !== 'round' && (wheel.driver || !['rack', 'screw', 'pawl'].includes(wheel.type)))
                        .map((wheel) => ({
                            path: `${path}.train.${wheel.stage}.${wheel.driver ? 'driver' : 'driven'}`,
                            label: `On the drawing: ${wheel.driver ? 'driver' : 'driven'} of stage ${wheel.stage + 1}, teeth`,
                            word: '',
                            value: wheel.teeth,
                            at: teethAt(wheel, frame),
                            isOn: true,
                        }))}
                />
            )}
            <p role="status" className="pointer-events-none absolute top-2 left-9 bg-mat/85 px-2 py-1 empty:hidden">
                {held === null
                    ? ''
                    : `${significant(held.at.x, 4)} · ${significant(held.at.y, 4)} mm${near === undefined ? ': no mesh here' : `: ${FITS[near.fit]}`}`}
            </p>
            <button
                type="button"
                className="absolute top-2 right-2 border border-mat-quiet bg-mat px-3 py-1 hover:bg-mat-rule disabled:opacity-60"
                disabled={curves.there === null}
                onClick={play.toggle}
            >
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
    const edges =
        layout.width_mm === null || layout.height_mm === null
            ? []
            : [
                  { x: 0, y: 0 },
                  { x: layout.width_mm, y: layout.height_mm },
              ];
    const bars =
        sheet.linkage === null
            ? []
            : sheet.linkage.ways.flatMap((way) => Array.from({ length: way.length / 2 }, (_, i) => ({ x: way[2 * i]!, y: way[2 * i + 1]! })));
    const plates = layout.plates.flatMap((each) => [
        { x: each.x_mm, y: each.y_mm },
        { x: each.x_mm + each.width_mm, y: each.y_mm + each.height_mm },
    ]);
    const things = layout.obstacles.flatMap((each) => [
        { x: each.x_mm - each.radius_mm, y: each.y_mm - each.radius_mm },
        { x: each.x_mm + each.radius_mm, y: each.y_mm + each.radius_mm },
    ]);
    return box([...points, ...edges, ...things, ...bars, ...plates, { x: 0, y: 0 }]);
}

/** The holes of the plate, the room that is allowed, and what stands on it. */
function Ground({ frame, layout, step }: { frame: Frame; layout: Layout; step: number | null }) {
    const a = frame.back({ x: 30, y: frame.height - 22 });
    const b = frame.back({ x: frame.width, y: 0 });
    const holes = step === null || step * frame.scale < 7 ? [] : grid(a.x, b.x, step).flatMap((x) => grid(a.y, b.y, step).map((y) => ({ x, y })));
    return (
        <g>
            {holes.length < 6000 && (
                <path
                    d={holes.map(({ x, y }) => `M${frame.x(x).toFixed(1)} ${frame.y(y).toFixed(1)}h0`).join('')}
                    stroke="var(--color-mat-quiet)"
                    strokeWidth="3.2"
                    strokeLinecap="round"
                />
            )}
            {layout.width_mm !== null && layout.height_mm !== null && (
                <rect
                    x={frame.x(0)}
                    y={frame.y(layout.height_mm)}
                    width={layout.width_mm * frame.scale}
                    height={layout.height_mm * frame.scale}
                    fill="none"
                    stroke="var(--color-mat-ink)"
                    strokeWidth="1.5"
                    strokeDasharray="7 4"
                />
            )}
            {layout.obstacles.map((each, i) => (
                <g key={i}>
                    {each.to_x_mm !== null || each.to_y_mm !== null ? (
                        <line
                            x1={frame.x(each.x_mm)}
                            y1={frame.y(each.y_mm)}
                            x2={frame.x(each.to_x_mm ?? each.x_mm)}
                            y2={frame.y(each.to_y_mm ?? each.y_mm)}
                            stroke="var(--color-mat-ink)"
                            strokeOpacity="0.7"
                            strokeWidth={2 * each.radius_mm * frame.scale}
                            strokeLinecap="round"
                        />
                    ) : (
                        <circle
                            cx={frame.x(each.x_mm)}
                            cy={frame.y(each.y_mm)}
                            r={each.radius_mm * frame.scale}
                            fill="var(--color-mat-rule)"
                            stroke="var(--color-mat-ink)"
                            strokeDasharray="3 2"
                        />
                    )}
                    <text
                        x={frame.x(each.x_mm) + (each.to_x_mm === null ? 0 : 6 + each.radius_mm * frame.scale)}
                        y={frame.y(each.y_mm) - each.radius_mm * frame.scale - 4}
                        fontSize="11"
                        className="narrow"
                        textAnchor={each.to_x_mm === null ? 'middle' : 'start'}
                        fill="var(--color-mat-ink)"
                    >
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

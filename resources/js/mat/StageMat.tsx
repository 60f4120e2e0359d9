import { memo, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Build, StageBody, StageNearest, StageReport } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { Frame, type Box } from './geometry';
import { MatGround } from './MatGround';
import { around, bodyPlace, cornersOf, dot, onMat, pointOf, STILL, wayBack, type Look, type Placed, type Point3 } from './space';

/** What is picked on the stage: where a motion stands, one of its bodies, or a thing. */
export interface Picked {
    motion: string | null;
    /** null is the motion itself */
    body: string | null;
}

export function isSame(one: Picked | null, other: Picked): boolean {
    return one !== null && one.motion === other.motion && one.body === other.body;
}

interface Props {
    look: Look;
    document: Build;
    report: StageReport;
    all: Record<string, Placed>;
    box: Box;
    width: number;
    height: number;
    picked: Picked | null;
    nearest: StageNearest | null;
    centre: number[];
    onPick: (picked: Picked) => void;
    /** Moved by so much, in metres, as what it stands on sees it. */
    onMove: (picked: Picked, by: Point3) => void;
}

const Ground = memo(MatGround);

const STEP_MM = 1;

const EDGE = { left: 34, right: 14, top: 14, bottom: 26 };

/** One of the three mats: what stands there as it looks from that side. What is picked is bright; it is dragged, or moved by the arrow keys. */
export function StageMat({ look, document, report, all, box, width, height, picked, nearest, centre, onPick, onMove }: Props) {
    const svg = useRef<SVGSVGElement>(null);
    const [held, setHeld] = useState<{ picked: Picked; x: number; y: number; dx: number; dy: number } | null>(null);
    const frame = useMemo(() => new Frame(box, width, height, EDGE), [box, width, height]); // the same while it plays: its ground is not drawn anew
    const mm = (event: PointerEvent) => {
        const bounds = svg.current!.getBoundingClientRect();
        return frame.back({ x: ((event.clientX - bounds.left) / bounds.width) * width, y: ((event.clientY - bounds.top) / bounds.height) * height });
    };
    const move = (of: Picked, dx_mm: number, dy_mm: number) => {
        const on = of.motion === null ? null : of.body === null ? (report.motions.find((motion) => motion.id === of.motion)?.on ?? null) : of.motion;
        const by: Point3 = [0, 1, 2].map((i) => (look.right[i]! * dx_mm + look.up[i]! * dy_mm) / 1000) as Point3;
        onMove(of, wayBack(on === null ? STILL : all[on]!.moved, by));
    };
    const grab = (event: PointerEvent, of: Picked) => {
        const at = mm(event);
        svg.current!.setPointerCapture(event.pointerId);
        onPick(of);
        setHeld({ picked: of, x: at.x, y: at.y, dx: 0, dy: 0 });
    };
    const drag = (event: PointerEvent) => {
        if (held === null) return;
        const at = mm(event);
        setHeld({ ...held, dx: Math.round(at.x - held.x), dy: Math.round(at.y - held.y) });
    };
    const drop = () => {
        if (held !== null && (held.dx !== 0 || held.dy !== 0)) {
            move(held.picked, held.dx, held.dy);
        }
        setHeld(null);
    };
    const press = (event: KeyboardEvent, of: Picked) => {
        const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
        if (by !== undefined) {
            event.preventDefault();
            const step = STEP_MM * (event.shiftKey ? 10 : 1);
            move(of, by[0]! * step, by[1]! * step);
        } else if (event.key === 'Enter' || event.key === ' ') {
            event.preventDefault();
            onPick(of);
        }
    };
    /** What is held goes along with the pointer, and all that stands on it. */
    const shift = (of: Picked) => (held !== null && goesWith(report, held.picked, of) ? { x: held.dx * frame.scale, y: -held.dy * frame.scale } : null);
    const handle = (of: Picked, label: string) => ({
        role: 'button',
        tabIndex: 0,
        'aria-label': `${label}, ${look.name.toLowerCase()}. Arrow keys move it.`,
        'aria-pressed': isSame(picked, of),
        className: 'cursor-grab',
        transform: shift(of) === null ? undefined : `translate(${shift(of)!.x} ${shift(of)!.y})`,
        onPointerDown: (event: PointerEvent) => grab(event, of),
        onKeyDown: (event: KeyboardEvent) => press(event, of),
    });
    const bodies = [...report.bodies]
        .map((body) => ({ body, place: bodyPlace(body, all) }))
        .sort((a, b) => dot(a.place.slice(9), look.near) - dot(b.place.slice(9), look.near));
    return (
        <figure className="on-mat relative bg-mat text-mat-ink">
            <svg
                ref={svg}
                viewBox={`0 0 ${width} ${height}`}
                className="block w-full touch-none select-none"
                role="group"
                aria-label={look.name}
                onPointerMove={drag}
                onPointerUp={drop}
                onPointerCancel={() => setHeld(null)}
            >
                <Ground frame={frame} />
                {look.up[2] === 1 && (
                    <line x1={0} x2={width} y1={frame.y(0)} y2={frame.y(0)} stroke="var(--color-mat-quiet)" strokeWidth="1.5" aria-hidden="true" />
                )}
                {look.up[1] === 1 && report.feet.length > 2 && (
                    <polygon
                        points={report.feet.map(([x, y]) => `${frame.x(x! * 1000)},${frame.y(y! * 1000)}`).join(' ')}
                        fill="none"
                        stroke="var(--color-mat-quiet)"
                        strokeDasharray="2 3"
                        aria-hidden="true"
                    />
                )}
                {report.drives.map((drive) => (
                    <Outline
                        key={drive.id}
                        body={drive}
                        place={bodyPlace(drive, all)}
                        look={look}
                        frame={frame}
                        is="drive"
                        color="var(--color-mat-ink)"
                        isPicked={false}
                        isDim={picked !== null}
                    />
                ))}
                {bodies.map(({ body, place }) => {
                    const of = { motion: body.motion, body: body.id };
                    const said = saidOf(document, body);
                    return (
                        <g key={`${body.motion ?? ''}/${body.id}`} {...handle(of, said.label)}>
                            <Outline
                                body={body}
                                place={place}
                                look={look}
                                frame={frame}
                                is={said.is}
                                color={said.color}
                                isPicked={isSame(picked, of)}
                                isDim={picked !== null && picked.motion !== body.motion}
                            />
                        </g>
                    );
                })}
                {report.motions.map((motion) => {
                    const of = { motion: motion.id, body: null };
                    const marker = document.motions.find((each) => each.id === motion.id)!;
                    const at = frame.at(onMat(look, pointOf(all[motion.id]!.stands, [0, 0, 0])));
                    const way = pointOf(all[motion.id]!.stands, motion.along.map((each) => each * 0.03) as Point3);
                    const tip = frame.at(onMat(look, way));
                    const isLevel = Math.hypot(tip.x - at.x, tip.y - at.y) > 3;
                    return (
                        <g key={motion.id} {...handle(of, `${marker.name} stands here`)}>
                            <circle cx={at.x} cy={at.y} r="11" fill="transparent" />
                            {isLevel && (
                                <line
                                    x1={motion.turns ? 2 * at.x - tip.x : at.x}
                                    y1={motion.turns ? 2 * at.y - tip.y : at.y}
                                    x2={tip.x}
                                    y2={tip.y}
                                    stroke="var(--color-mat-ink)"
                                    strokeWidth="1.5"
                                    strokeDasharray={motion.turns ? '6 2 1 2' : undefined}
                                />
                            )}
                            <circle
                                cx={at.x}
                                cy={at.y}
                                r={isSame(picked, of) ? 6.5 : 4.5}
                                fill={MARKER_COLOR[marker.marker]}
                                stroke="var(--color-mat)"
                                strokeWidth="2"
                            />
                        </g>
                    );
                })}
                {centre.length === 3 && <Centre {...frame.at(onMat(look, centre))} />}
                {nearest !== null && held === null && <Gap nearest={nearest} look={look} frame={frame} />}
            </svg>
            <figcaption className="pointer-events-none absolute top-1.5 right-2 bg-mat/85 px-1.5 text-mat-quiet">{look.name}</figcaption>
        </figure>
    );
}

/** A motion takes along its bodies and all that stands on it. */
function goesWith(report: StageReport, held: Picked, of: Picked): boolean {
    if (held.body !== null || held.motion === null) {
        return isSame(held, of);
    }
    for (let id: string | null = of.motion; id !== null; id = report.motions.find((motion) => motion.id === id)?.on ?? null) {
        if (id === held.motion) return true;
    }
    return false;
}

function saidOf(document: Build, body: StageBody): { label: string; is: string; color: string } {
    const motion = document.motions.find((each) => each.id === body.motion);
    if (motion !== undefined) {
        return { label: `${motion.bodies[body.index]?.name ?? ''} of ${motion.name}`, is: 'moved', color: MARKER_COLOR[motion.marker] };
    }
    const thing = document.things[body.index];
    return {
        label: thing?.name ?? '',
        is: thing?.is ?? 'way',
        color: thing?.is === 'hands' ? 'var(--color-coral)' : thing?.is === 'carried' ? 'var(--color-mat-ink)' : 'var(--color-mat-quiet)',
    };
}

const LOOK_OF = { drive: 0.12, moved: 0.62, frame: 0.28, way: 0.16, hands: 0.07, carried: 0.5 } as const;

function Outline({
    body,
    place,
    look,
    frame,
    is,
    color,
    isPicked,
    isDim,
}: {
    body: StageBody;
    place: number[];
    look: Look;
    frame: Frame;
    is: string;
    color: string;
    isPicked: boolean;
    isDim: boolean;
}) {
    const hull = around(cornersOf(body, place).map((corner) => onMat(look, corner))).map((point) => frame.at(point));
    const skin = body.skin_m * 1000 * frame.scale;
    const opacity = LOOK_OF[is as keyof typeof LOOK_OF] * (isDim ? 0.55 : 1);
    const stroke = {
        stroke: isPicked ? 'var(--color-mat-ink)' : color,
        strokeWidth: isPicked ? 2.5 : 1.25,
        strokeDasharray: is === 'hands' ? '5 4' : is === 'drive' ? '2 2' : undefined,
    };
    const paint = { fill: color, fillOpacity: isPicked ? Math.min(1, opacity + 0.2) : opacity, ...stroke };
    if (skin <= 0) {
        return <polygon points={hull.map((point) => `${point.x},${point.y}`).join(' ')} strokeLinejoin="round" {...paint} />;
    }
    const [one, other] = [hull[0]!, hull[hull.length - 1]!];
    const length = Math.hypot(other.x - one.x, other.y - one.y);
    if (length < 0.5) {
        return <circle cx={one.x} cy={one.y} r={skin} {...paint} />;
    }
    const angle = (Math.atan2(other.y - one.y, other.x - one.x) * 180) / Math.PI;
    return (
        <rect
            x={-skin}
            y={-skin}
            width={length + 2 * skin}
            height={2 * skin}
            rx={skin}
            transform={`translate(${one.x} ${one.y}) rotate(${angle})`}
            {...paint}
        />
    );
}

function Centre({ x, y }: { x: number; y: number }) {
    return (
        <g aria-hidden="true" stroke="var(--color-mat-ink)" fill="none" pointerEvents="none">
            <circle cx={x} cy={y} r="6" />
            <path d={`M${x - 9} ${y}H${x + 9}M${x} ${y - 9}V${y + 9}`} />
        </g>
    );
}

function Gap({ nearest, look, frame }: { nearest: StageNearest; look: Look; frame: Frame }) {
    const at = frame.at(onMat(look, nearest.at_m));
    const to = frame.at(onMat(look, nearest.to_m));
    return (
        <g aria-hidden="true" stroke="var(--color-coral)" strokeWidth="2" pointerEvents="none">
            <line x1={at.x} y1={at.y} x2={to.x} y2={to.y} />
            <circle cx={at.x} cy={at.y} r="3" fill="var(--color-mat)" />
            <circle cx={to.x} cy={to.y} r="3" fill="var(--color-mat)" />
        </g>
    );
}

import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { useEffect, useId, useRef, useState, type PointerEvent, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Build, Trace } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { significant } from '../state/units';
import { unbroken } from './round';
import { closer, shifted, type View } from './view';

const LEFT = 150;
const RIGHT = 190;
const LANE = 58;
const BAR = 20;
const STEPS = 34;
const AXIS = 26;

interface Props {
    build: Build;
    trace: Trace;
    now: number;
    onNow: (time: number) => void;
    width: number;
}

/** Lanes of which a part can be seen closer: by buttons and keys, by the wheel with Ctrl or Shift, and by two fingers. */
export function ZoomedLanes(props: Props) {
    const end = Math.max(props.trace.ran_s, 0.1);
    const [chosen, setView] = useState<View>([0, end]);
    const view: View = chosen[1] > end ? [0, end] : chosen;
    const isWhole = view[0] <= 0 && view[1] >= end;
    const frame = useRef<HTMLDivElement>(null);
    const fingers = useRef(new Map<number, number>());
    const time = (clientX: number) => {
        const bounds = frame.current!.getBoundingClientRect();
        const share = (((clientX - bounds.left) / bounds.width) * props.width - LEFT) / (props.width - LEFT - RIGHT);
        return view[0] + share * (view[1] - view[0]);
    };
    const nearer = (factor: number, around = within(props.now, view)) => setView((from) => closer(from, factor, around, end));
    const aside = (share: number) => setView((from) => shifted(from, share * (from[1] - from[0]), end));
    useHotkeys('+, =', () => nearer(0.5), { useKey: true }, [props.now, end]);
    useHotkeys('-', () => nearer(2), { useKey: true }, [props.now, end]);
    useHotkeys('0', () => setView([0, end]), { useKey: true }, [end]);
    useHotkeys('shift+left', () => aside(-0.25), { preventDefault: true }, [end]);
    useHotkeys('shift+right', () => aside(0.25), { preventDefault: true }, [end]);
    useEffect(() => {
        const lanes = frame.current!;
        // Not by React: its listeners of the wheel cannot keep the page from moving.
        const turn = (event: WheelEvent) => {
            if (event.ctrlKey || event.metaKey) {
                event.preventDefault();
                nearer(2 ** (event.deltaY / 200), time(event.clientX));
            } else if (event.shiftKey || Math.abs(event.deltaX) > Math.abs(event.deltaY)) {
                event.preventDefault();
                aside((event.deltaX !== 0 ? event.deltaX : event.deltaY) / 1000);
            }
        };
        lanes.addEventListener('wheel', turn, { passive: false });
        return () => lanes.removeEventListener('wheel', turn);
    });
    const touch = (event: PointerEvent<HTMLDivElement>) => {
        const at = fingers.current;
        if (event.pointerType !== 'touch') {
            return;
        }
        if (event.type === 'pointerdown') {
            at.set(event.pointerId, event.clientX);
        } else if (event.type !== 'pointermove') {
            at.delete(event.pointerId);
        } else if (at.size === 2 && at.has(event.pointerId)) {
            event.stopPropagation(); // two fingers move what is seen, one moves the cursor
            const other = [...at].find(([id]) => id !== event.pointerId)![1];
            const [before, after] = [at.get(event.pointerId)! - other, event.clientX - other];
            if (Math.abs(before) > 8 && Math.abs(after) > 8) {
                nearer(Math.abs(before / after), time(other));
            }
            at.set(event.pointerId, event.clientX);
        }
    };
    return (
        <div>
            <div
                ref={frame}
                className="touch-pan-y"
                onPointerDownCapture={touch}
                onPointerMoveCapture={touch}
                onPointerUpCapture={touch}
                onPointerCancelCapture={touch}
            >
                <Lanes {...props} view={view} />
            </div>
            <div
                role="group"
                aria-label="How close the lanes are seen"
                className="on-mat narrow flex flex-wrap items-center gap-2 bg-mat px-3 pb-2 text-mat-ink"
            >
                <ViewButton label="Closer" keys="+" onClick={() => nearer(0.5)} />
                <ViewButton label="Further" keys="−" disabled={isWhole} onClick={() => nearer(2)} />
                <ViewButton label="Earlier" keys="Shift ←" disabled={view[0] <= 0} onClick={() => aside(-0.25)} />
                <ViewButton label="Later" keys="Shift →" disabled={view[1] >= end} onClick={() => aside(0.25)} />
                <ViewButton label="All of it" keys="0" disabled={isWhole} onClick={() => setView([0, end])} />
                <span role="status" className="text-mat-quiet">
                    {isWhole ? '' : `${significant(view[0], 3)} s to ${significant(view[1], 3)} s of ${significant(end, 3)} s`}
                </span>
            </div>
        </div>
    );
}

const within = (time: number, [from, to]: View) => (time >= from && time <= to ? time : (from + to) / 2);

function ViewButton({ label, keys, disabled = false, onClick }: { label: string; keys: string; disabled?: boolean; onClick: () => void }) {
    return (
        <button type="button" className="min-h-6 border border-mat-quiet px-2 hover:bg-mat-rule disabled:opacity-45" disabled={disabled} onClick={onClick}>
            {label} <kbd className="text-mat-quiet">{keys}</kbd>
        </button>
    );
}

/** A run on one time axis: steps, motions, inputs and outputs, with a cursor that plays. */
export function Lanes({ build, trace, now, onNow, width, view }: Props & { view?: View }) {
    const { stored } = useBuild();
    const { text, say, book } = useSpeaking();
    const clip = useId();
    const end = Math.max(trace.ran_s, 0.1);
    const [first, last] = view ?? [0, end];
    const x = scaleLinear([first, last], [LEFT, width - RIGHT]);
    const inside = `url(#${clip})`;
    const moved = trace.motions.filter(
        (motion) => motion.position.some((each) => each !== motion.position[0]) || trace.steps.some((step) => step.motion === motion.motion),
    );
    const fed = trace.supplies.filter((each) => each.peak_A > 0);
    const blown = trace.tanks.filter((each) => each.used_l > 0 || each.share_on > 0);
    const bars = [...trace.inputs, ...trace.outputs].filter((each) => each.changes.some((change) => change.on) && !isSwitch(build, each.id));
    const steps = trace.steps.filter((step) => step.do !== 'repeat');
    const height = AXIS + STEPS + (moved.length + fed.length + blown.length) * LANE + bars.length * BAR + 12;
    const sample = Math.min(Math.round(now / trace.sample_s), (trace.motions[0]?.position.length ?? 1) - 1);

    const seek = (event: PointerEvent<SVGSVGElement>) => {
        if (event.type === 'pointerdown' || (event.buttons & 1) === 1) {
            const bounds = event.currentTarget.getBoundingClientRect();
            onNow(Math.max(first, Math.min(last, x.invert(((event.clientX - bounds.left) / bounds.width) * width))));
        }
    };
    return (
        <svg
            viewBox={`0 0 ${width} ${height}`}
            className="block w-full cursor-ew-resize touch-pan-y bg-mat select-none"
            role="img"
            aria-label={`Lanes of the run over ${significant(end, 3)} seconds; the steps above have the times`}
            onPointerDown={seek}
            onPointerMove={seek}
        >
            <clipPath id={clip}>
                <rect x={LEFT - 2} y={0} width={width - LEFT - RIGHT + 4} height={height} />
            </clipPath>
            <g fontSize="11" fill="var(--color-mat-quiet)">
                {x.ticks(12).map((tick) => (
                    <g key={tick}>
                        <line x1={x(tick)} x2={x(tick)} y1={AXIS} y2={height - 6} stroke="var(--color-mat-rule)" />
                        <text x={x(tick)} y={17} textAnchor="middle">
                            {significant(tick, 4)}
                        </text>
                    </g>
                ))}
                <text x={width - RIGHT + 12} y={17}>
                    time, s
                </text>
            </g>
            <text x={12} y={AXIS + 21} fontSize="12" fill="var(--color-mat-ink)">
                Steps
            </text>
            {steps.map((step, i) => (
                <rect
                    key={i}
                    clipPath={inside}
                    x={x(step.start_s)}
                    width={Math.max(1.5, x(step.end_s ?? end) - x(step.start_s) - 1)}
                    y={AXIS + 8}
                    height={18}
                    fill={step.outcome === 'gave_up' ? 'var(--color-coral)' : 'var(--color-mat-rule)'}
                    stroke={step.start_s <= now && now < (step.end_s ?? end) ? 'var(--color-mat-ink)' : 'none'}
                >
                    <title>{say(step.says)}</title>
                </rect>
            ))}
            {moved.map((motion, i) => {
                const top = AXIS + STEPS + i * LANE;
                const goesOn = unbroken(stored, motion.motion);
                const y = scaleLinear(range(build, motion), [top + LANE - 10, top + 10]);
                const color = MARKER_COLOR[build.motions.find((each) => each.id === motion.motion)?.marker ?? 'yellow'];
                const unit = motion.position_unit === 'deg' ? '°' : 'm';
                const quantity = { si: book.toSi(motion.position[sample] ?? 0, unit), dimension: unit === '°' ? 'angle' : 'length' };
                return (
                    <g key={motion.motion}>
                        <line x1={8} x2={width - 8} y1={top} y2={top} stroke="var(--color-mat-rule)" />
                        <rect x={12} y={top + 24} width={10} height={10} fill={color} />
                        <text x={28} y={top + 33} fontSize="12" fill="var(--color-mat-ink)">
                            {motion.name}
                        </text>
                        <path
                            clipPath={inside}
                            d={
                                line<number>(
                                    (_, j) => x(j * trace.sample_s),
                                    (at) => y(at),
                                ).defined((at, j) => goesOn(motion.position[j - 1], at))(motion.position) ?? ''
                            }
                            fill="none"
                            stroke={color}
                            strokeWidth="2"
                        />
                        <text x={width - RIGHT + 12} y={top + 26} fontSize="14" fontWeight="600" fill="var(--color-mat-ink)">
                            {text(quantity)}
                        </text>
                        <text x={width - RIGHT + 12} y={top + 43} fontSize="11.5" fill="var(--color-mat-quiet)">
                            {text({ si: book.toSi(Math.abs(motion.speed[sample] ?? 0), unit), dimension: unit === '°' ? 'angular_speed' : 'speed' })} ·{' '}
                            {text({ si: motion.current_A[sample] ?? 0, dimension: 'current' })}
                        </text>
                    </g>
                );
            })}
            {fed.map((each, i) => (
                <SupplyLane
                    key={each.supply}
                    of={each}
                    top={AXIS + STEPS + (moved.length + i) * LANE}
                    x={x}
                    sample_s={trace.sample_s}
                    sample={sample}
                    width={width}
                    inside={inside}
                />
            ))}
            {blown.map((each, i) => (
                <TankLane
                    key={each.tank}
                    of={each}
                    top={AXIS + STEPS + (moved.length + fed.length + i) * LANE}
                    x={x}
                    sample_s={trace.sample_s}
                    sample={sample}
                    width={width}
                    inside={inside}
                />
            ))}
            {bars.map((each, i) => {
                const top = AXIS + STEPS + (moved.length + fed.length + blown.length) * LANE + i * BAR + 4;
                return (
                    <g key={each.id}>
                        <text x={12} y={top + 12} fontSize="12" fill="var(--color-mat-ink)">
                            {each.name}
                        </text>
                        {each.changes.map(
                            (change, j) =>
                                change.on && (
                                    <rect
                                        key={j}
                                        clipPath={inside}
                                        x={x(change.at_s)}
                                        width={Math.max(1.5, x(each.changes[j + 1]?.at_s ?? end) - x(change.at_s))}
                                        y={top + 3}
                                        height={10}
                                        fill="var(--color-mat-quiet)"
                                    />
                                ),
                        )}
                    </g>
                );
            })}
            {now >= first && now <= last && (
                <g>
                    <line x1={x(now)} x2={x(now)} y1={AXIS - 4} y2={height - 4} stroke="var(--color-mat-ink)" strokeWidth="2" />
                    <rect x={x(now) - 23} y={4} width={46} height={18} fill="var(--color-mat-ink)" />
                    <text x={x(now)} y={17} textAnchor="middle" fontSize="11.5" fontWeight="600" fill="var(--color-mat)">
                        {now.toFixed(2)} s
                    </text>
                </g>
            )}
        </svg>
    );
}

/** What gives, at `top`, over the time of the run: `x` where a time is, `inside` what it is clipped by. */
interface Source<Of> {
    of: Of;
    top: number;
    x: (time: number) => number;
    sample_s: number;
    sample: number;
    width: number;
    inside: string;
}

/** What a supply is asked for: the sum of its motors, with its largest, its mean, its charge, and what it can give. */
function SupplyLane({ of, top, x, sample_s, sample, width, inside }: Source<Trace['supplies'][number]>) {
    const { text } = useSpeaking();
    const amps = (si: number) => text({ si, dimension: 'current' });
    const most = Math.max(
        of.peak_A,
        of.current_A.reduce((a, b) => Math.max(a, b), 0),
    );
    const shown = of.max_A < 3 * most ? Math.max(of.max_A, most) : most; // the limit is drawn where it is near
    const y = scaleLinear([0, shown], [top + LANE - 8, top + 12]);
    const path = area<number>(
        (_, j) => x(j * sample_s),
        y(0),
        (current) => y(current),
    )(of.current_A);
    const over = of.peak_A > of.max_A;
    return (
        <SourceLane
            {...{ top, width, over }}
            name={of.name}
            limits={`gives ${amps(of.max_A)}`}
            limitY={of.max_A <= shown ? y(of.max_A) : null}
            now={amps(of.current_A[sample] ?? 0)}
            worst={`peak ${amps(of.peak_A)} · mean ${amps(of.mean_A)}`}
            used={`${text({ si: of.charge_C, dimension: 'charge' })} a run${of.runs_on_charge === null ? '' : ` · ${of.runs_on_charge} runs`}`}
        >
            <path clipPath={inside} d={path ?? ''} fill="var(--color-mat-rule)" stroke="var(--color-mat-quiet)" />
            <circle clipPath={inside} cx={x(of.peak_at_s)} cy={y(of.peak_A)} r={3.5} fill={over ? 'var(--color-coral)' : 'var(--color-mat-ink)'} />
        </SourceLane>
    );
}

/** The pressure in a tank, between where its compressor starts and where it stops. */
function TankLane({ of, top, x, sample_s, sample, width, inside }: Source<Trace['tanks'][number]>) {
    const { text, book } = useSpeaking();
    const bar = (bars: number) => text({ si: book.toSi(bars, 'bar'), dimension: 'air_pressure' });
    const y = scaleLinear([Math.min(of.lowest_bar, of.low_bar) * 0.9, of.high_bar], [top + LANE - 8, top + 12]);
    const path = line<number>(
        (_, j) => x(j * sample_s),
        (bars) => y(bars),
    )(of.pressure_bar);
    return (
        <SourceLane
            {...{ top, width }}
            over={of.lowest_bar < of.low_bar}
            name={of.name}
            limits={`${bar(of.low_bar)} to ${bar(of.high_bar)}`}
            limitY={y(of.low_bar)}
            now={bar(of.pressure_bar[sample] ?? of.high_bar)}
            worst={`lowest ${bar(of.lowest_bar)}`}
            used={`${text({ si: book.toSi(of.used_l, 'l'), dimension: 'volume' })} of air a run`}
        >
            <path clipPath={inside} d={path ?? ''} fill="none" stroke="var(--color-mat-ink)" strokeWidth="1.5" />
        </SourceLane>
    );
}

/** The lane of what is used up: its limit, drawn where it is near, and on the right what it is now, at worst, and over a run. */
function SourceLane(props: {
    top: number;
    width: number;
    name: string;
    limits: string;
    limitY: number | null;
    over: boolean;
    now: string;
    worst: string;
    used: string;
    children: ReactNode;
}) {
    const { top, width, limitY } = props;
    const mark = props.over ? 'var(--color-coral)' : 'var(--color-mat-quiet)';
    return (
        <g>
            <line x1={8} x2={width - 8} y1={top} y2={top} stroke="var(--color-mat-rule)" />
            <text x={12} y={top + 22} fontSize="12" fill="var(--color-mat-ink)">
                {props.name}
            </text>
            <text x={12} y={top + 38} fontSize="11" fill="var(--color-mat-quiet)">
                {props.limits}
            </text>
            {props.children}
            {limitY !== null && <line x1={LEFT} x2={width - RIGHT} y1={limitY} y2={limitY} stroke={mark} strokeDasharray="6 4" />}
            <text x={width - RIGHT + 12} y={top + 18} fontSize="14" fontWeight="600" fill="var(--color-mat-ink)">
                {props.now}
            </text>
            <text x={width - RIGHT + 12} y={top + 34} fontSize="11.5" fill={mark}>
                {props.worst}
            </text>
            <text x={width - RIGHT + 12} y={top + 49} fontSize="11.5" fill="var(--color-mat-quiet)">
                {props.used}
            </text>
        </g>
    );
}

/** All places of the motion and all that it went through. */
function range(build: Build, trace: Trace['motions'][number]): [number, number] {
    const places = build.motions.find((each) => each.id === trace.motion)?.places.map((place) => place.at) ?? [];
    return [Math.min(...trace.position, ...places), Math.max(...trace.position, ...places)];
}

function isSwitch(build: Build, id: string): boolean {
    return build.motions.some((motion) => motion.stops.switches.some((each) => each.id === id));
}

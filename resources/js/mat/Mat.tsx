import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Curves, Motion } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { useSpeaking } from '../state/UnitsContext';
import { significant } from '../state/units';
import { Frame, lookUp, nearest } from './geometry';
import { kindOf } from './kinds';
import { MatGround } from './MatGround';

interface Props {
    motion: Motion;
    curves: Curves;
    position: number;
    onPosition: (position: number) => void;
    width: number;
    height: number;
    play: { time: number | null; isPlaying: boolean; toggle: () => void };
    /** A switch was dragged to a position. */
    onSwitch?: (index: number, at: number) => void;
}

/** The live mat: drag the part through its travel, and the torque there follows; play it at its computed speed. */
export function Mat({ motion: given, curves, position, onPosition, width, height, play, onSwitch }: Props) {
    const svg = useRef<SVGSVGElement>(null);
    const [held, setHeld] = useState<{ index: number; at: number } | null>(null);
    const motion =
        held === null
            ? given
            : { ...given, stops: { ...given.stops, switches: given.stops.switches.map((each, i) => (i === held.index ? { ...each, at: held.at } : each)) } };
    const { book, text } = useSpeaking();
    const kind = kindOf(motion.mechanism);
    const frame = new Frame(kind.extent(motion.mechanism, curves), width, height, { left: 60, right: 100, top: height < 280 ? 66 : 16, bottom: 34 });
    const low = curves.positions[0]!;
    const high = curves.positions[curves.positions.length - 1]!;
    const unit = curves.position_unit === 'deg' ? '°' : 'm';
    const quantity = { si: book.toSi(position, unit), dimension: unit === '°' ? 'angle' : 'length' };
    const needed = lookUp(curves.positions, curves.static_Nm, position);
    const over = nearest(curves.positions, curves.over_limit, position);

    const move = (to: number) => onPosition(Math.max(low, Math.min(high, to)));
    const fine = curves.position_unit === 'deg' ? 2 : 1e4; // half a degree, a tenth of a millimetre
    const drag = (event: PointerEvent) => {
        if (svg.current === null || (event.buttons & 1) === 0) {
            return;
        }
        const bounds = svg.current.getBoundingClientRect();
        const at = frame.back({ x: ((event.clientX - bounds.left) / bounds.width) * width, y: ((event.clientY - bounds.top) / bounds.height) * height });
        if (held !== null) {
            setHeld({ ...held, at: Math.round(kind.grab(motion.mechanism, at, held.at, curves) * fine) / fine });
            return;
        }
        move(kind.grab(motion.mechanism, at, position, curves));
    };
    const press = (event: KeyboardEvent) => {
        const step = ((high - low) / 100) * (event.shiftKey ? 10 : 1);
        const to = { ArrowUp: position + step, ArrowRight: position + step, ArrowDown: position - step, ArrowLeft: position - step, Home: low, End: high }[
            event.key
        ];
        if (to !== undefined) {
            event.preventDefault();
            move(to);
        }
    };

    return (
        <div className="on-mat relative bg-mat text-mat-ink">
            <svg
                ref={svg}
                viewBox={`0 0 ${width} ${height}`}
                className="block w-full cursor-grab touch-none select-none active:cursor-grabbing"
                role="slider"
                tabIndex={0}
                aria-label={`Position of ${motion.name}`}
                aria-valuemin={low}
                aria-valuemax={high}
                aria-valuenow={position}
                aria-valuetext={`${text(quantity)}, ${text({ si: needed, dimension: 'torque' })} to hold`}
                onPointerDown={(event) => {
                    event.currentTarget.setPointerCapture(event.pointerId);
                    if (!event.defaultPrevented) {
                        drag(event);
                    }
                }}
                onPointerMove={drag}
                onPointerUp={() => {
                    if (held !== null && held.at !== given.stops.switches[held.index]?.at) {
                        onSwitch?.(held.index, held.at);
                    }
                    setHeld(null);
                }}
                onPointerCancel={() => setHeld(null)}
                onKeyDown={press}
            >
                <MatGround frame={frame} />
                <kind.Draw
                    motion={motion}
                    thing={motion.mechanism}
                    curves={curves}
                    frame={frame}
                    position={position}
                    color={MARKER_COLOR[motion.marker]}
                    onGrab={onSwitch === undefined ? undefined : (index) => setHeld({ index, at: given.stops.switches[index]!.at })}
                />
            </svg>
            <div className="pointer-events-none absolute top-2 left-9 bg-mat/85 px-2 py-1">
                <p className="figure">{text(quantity)}</p>
                <p className={`whitespace-nowrap ${over ? 'font-semibold text-coral' : ''}`}>
                    {text({ si: needed, dimension: 'torque' })} to hold{over ? ', more than the drive has' : ''}
                </p>
            </div>
            <div className="absolute top-2 right-2 flex items-center gap-2">
                {play.time !== null && <span className="figure bg-mat px-2">{significant(play.time, play.time < 1 ? 2 : 3)} s</span>}
                <button
                    type="button"
                    className="border border-mat-quiet bg-mat px-3 py-1 hover:bg-mat-rule disabled:opacity-60"
                    disabled={curves.there === null}
                    onClick={play.toggle}
                >
                    {play.isPlaying ? 'Pause' : 'Play'} <kbd className="key narrow text-mat-quiet">Space</kbd>
                </button>
            </div>
        </div>
    );
}

import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Curves, Motion } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { useSpeaking } from '../state/UnitsContext';
import { significant } from '../state/units';
import { Frame, lookUp, nearest } from './geometry';
import { kindOf } from './kinds';
import { MatGround } from './MatGround';
import { MatFields } from './MatFields';
import type { Grabbed } from './scene';
import { spotsOf } from './spots';

interface Props {
    motion: Motion;
    curves: Curves;
    position: number;
    onPosition: (position: number) => void;
    width: number;
    height: number;
    play: { time: number | null; isPlaying: boolean; toggle: () => void };
    /** What can be dragged, and what happens when one of it was dragged to a position. */
    onDragged?: Partial<Record<Grabbed, (index: number, at: number) => void>>;
    /** Where its sizes are changed on the drawing: path of the motion in the document. */
    sizes?: string;
}

function standsAt({ places, stops }: Motion, what: Grabbed, index: number): number {
    const at = { place: places[index]?.at, switch: stops.switches[index]?.at, stop: [stops.hard_low, stops.hard_high][index] }[what];
    return at ?? 0;
}

/** The motion while one of its marks is held somewhere else. */
function dragged(motion: Motion, what: Grabbed, index: number, at: number): Motion {
    const { places, stops } = motion;
    if (what === 'place') {
        return { ...motion, places: places.map((each, i) => (i === index ? { ...each, at } : each)) };
    }
    const moved =
        what === 'stop'
            ? { [index === 0 ? 'hard_low' : 'hard_high']: at }
            : { switches: stops.switches.map((each, i) => (i === index ? { ...each, at } : each)) };
    return { ...motion, stops: { ...stops, ...moved } };
}

/** The live mat: drag the part through its travel, and the torque there follows; play it at its computed speed. */
export function Mat({ motion: given, curves, position, onPosition, width, height, play, onDragged = {}, sizes }: Props) {
    const svg = useRef<SVGSVGElement>(null);
    const [held, setHeld] = useState<{ what: Grabbed; index: number; at: number } | null>(null);
    const motion = held === null ? given : dragged(given, held.what, held.index, held.at);
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
                    if (held !== null && held.at !== standsAt(given, held.what, held.index)) {
                        onDragged[held.what]?.(held.index, held.at);
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
                    grabs={Object.fromEntries(
                        (Object.keys(onDragged) as Grabbed[]).map((what) => [
                            what,
                            (index: number) => setHeld({ what, index, at: standsAt(given, what, index) }),
                        ]),
                    )}
                />
            </svg>
            {sizes !== undefined && !play.isPlaying && (
                <MatFields
                    width={width}
                    height={height}
                    fields={spotsOf(motion.mechanism, position, curves).map(({ key, word, at }) => ({
                        path: `${sizes}.mechanism.${key}`,
                        label: `On the drawing: ${word}`,
                        word,
                        value: (motion.mechanism as unknown as Record<string, number | null>)[key]!,
                        typedIn: motion.units[`mechanism.${key}`],
                        at: frame.at(at),
                    }))}
                />
            )}
            <div className="pointer-events-none absolute top-2 left-9 bg-mat/85 px-2 py-1 max-lg:max-w-[42%]">
                <p className="figure">{text(quantity)}</p>
                <p className={`lg:whitespace-nowrap ${over ? 'font-semibold text-coral' : ''}`}>
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

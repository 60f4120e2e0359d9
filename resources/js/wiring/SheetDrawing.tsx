import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { SheetBoard, SheetWire, WiringSheet } from '../api/types';

interface Props {
    sheet: WiringSheet;
    /** The number of the wire that is lit. */
    lit: number | null;
    onLight: (number: number | null) => void;
    onPick: (number: number) => void;
    onMove: (board: string, x_mm: number, y_mm: number) => void;
}

const STEP_MM = 5;

const SCALE = 1.75; // points for each millimetre of the sheet, at least

/** The wiring sheet on the mat: boards with their pins, wires in their colours. A board is dragged, or moved by the arrow keys. */
export function SheetDrawing({ sheet, lit, onLight, onPick, onMove }: Props) {
    const svg = useRef<SVGSVGElement>(null);
    const [held, setHeld] = useState<{ id: string; x: number; y: number; dx: number; dy: number } | null>(null);
    const point = (event: PointerEvent) => {
        const at = svg.current!.getScreenCTM()!.inverse();
        return { x: event.clientX * at.a + at.e, y: event.clientY * at.d + at.f };
    };
    const grab = (event: PointerEvent, board: SheetBoard) => {
        const at = point(event);
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld({ id: board.id, x: at.x, y: at.y, dx: 0, dy: 0 });
    };
    const drag = (event: PointerEvent) => {
        if (held === null) return;
        const at = point(event);
        setHeld({ ...held, dx: at.x - held.x, dy: at.y - held.y });
    };
    const drop = (board: SheetBoard) => {
        if (held !== null && (held.dx !== 0 || held.dy !== 0)) {
            onMove(board.id, Math.round(board.x_mm + held.dx), Math.round(board.y_mm + held.dy));
        }
        setHeld(null);
    };
    const press = (event: KeyboardEvent, board: SheetBoard) => {
        const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
        if (by !== undefined) {
            event.preventDefault();
            const step = STEP_MM * (event.shiftKey ? 10 : 1);
            onMove(board.id, board.x_mm + by[0]! * step, board.y_mm + by[1]! * step);
        }
    };
    return (
        <div className="on-mat max-h-[640px] overflow-auto bg-mat text-mat-ink" tabIndex={0} role="region" aria-label="Wiring sheet">
            <svg
                ref={svg}
                viewBox={`${sheet.x_mm} ${sheet.y_mm} ${sheet.width_mm} ${sheet.height_mm}`}
                className="mx-auto block touch-pan-x touch-pan-y select-none"
                style={{ width: `max(${Math.round(sheet.width_mm * SCALE)}px, min(100%, ${Math.round(sheet.width_mm * 2.2)}px))` }}
                fontSize="6"
                onPointerMove={drag}
            >
                <Grid sheet={sheet} />
                {[...sheet.wires]
                    .sort((a, b) => Number(a.number === lit) - Number(b.number === lit))
                    .map((wire) => (
                        <Wire
                            key={wire.number}
                            wire={wire}
                            isLit={wire.number === lit}
                            isDim={lit !== null && wire.number !== lit}
                            onLight={onLight}
                            onPick={onPick}
                        />
                    ))}
                {sheet.wires.map((wire) => (
                    <WireName key={wire.number} wire={wire} isLit={wire.number === lit} onLight={onLight} onPick={onPick} />
                ))}
                {sheet.boards.map((board) => (
                    <g
                        key={board.id}
                        tabIndex={0}
                        role="group"
                        aria-label={`${board.name}, ${board.series}. Arrow keys move it.`}
                        className="cursor-move"
                        transform={held?.id === board.id ? `translate(${held.dx} ${held.dy})` : undefined}
                        onPointerDown={(event) => grab(event, board)}
                        onPointerUp={() => drop(board)}
                        onPointerCancel={() => setHeld(null)}
                        onKeyDown={(event) => press(event, board)}
                    >
                        <Board board={board} lit={lit} onLight={onLight} onPick={onPick} />
                    </g>
                ))}
            </svg>
        </div>
    );
}

function Grid({ sheet }: { sheet: WiringSheet }) {
    const lines: string[] = [];
    for (let x = Math.ceil(sheet.x_mm / 10) * 10; x < sheet.x_mm + sheet.width_mm; x += 10) lines.push(`M${x} ${sheet.y_mm}v${sheet.height_mm}`);
    for (let y = Math.ceil(sheet.y_mm / 10) * 10; y < sheet.y_mm + sheet.height_mm; y += 10) lines.push(`M${sheet.x_mm} ${y}h${sheet.width_mm}`);
    return <path d={lines.join('')} stroke="var(--color-mat-grid)" strokeWidth="0.4" aria-hidden="true" />;
}

interface WireProps {
    wire: SheetWire;
    isLit: boolean;
    isDim: boolean;
    onLight: (number: number | null) => void;
    onPick: (number: number) => void;
}

function Wire({ wire, isLit, isDim, onLight, onPick }: WireProps) {
    return (
        <g
            opacity={isDim ? 0.3 : 1}
            className="cursor-pointer"
            onPointerEnter={() => onLight(wire.number)}
            onPointerLeave={() => onLight(null)}
            onClick={() => onPick(wire.number)}
        >
            {wire.paths.map((path, i) => (
                <g key={i} fill="none">
                    <path d={path} stroke="transparent" strokeWidth="6" />
                    <path d={path} stroke="var(--color-mat)" strokeWidth={isLit ? 4 : 2.8} />
                    <path d={path} stroke={wire.drawn} strokeWidth={isLit ? 2.6 : 1.6} />
                </g>
            ))}
        </g>
    );
}

/** What stands at the other end of a wire that leaves the boards; readable over wires that go by. */
function WireName({ wire, isLit, onLight, onPick }: Omit<WireProps, 'isDim'>) {
    if (wire.name_x_mm === null) {
        return null;
    }
    return (
        <text
            x={wire.name_x_mm}
            y={wire.name_y_mm! + 2}
            textAnchor={wire.side! > 0 ? 'start' : 'end'}
            fill={isLit ? 'var(--color-yellow)' : 'var(--color-mat-ink)'}
            stroke="var(--color-mat)"
            strokeWidth="2.4"
            paintOrder="stroke"
            fontWeight={isLit ? 700 : 400}
            className="cursor-pointer"
            onPointerEnter={() => onLight(wire.number)}
            onPointerLeave={() => onLight(null)}
            onClick={() => onPick(wire.number)}
        >
            {wire.name.length > 26 ? `${wire.name.slice(0, 25)}…` : wire.name}
        </text>
    );
}

function Board({
    board,
    lit,
    onLight,
    onPick,
}: {
    board: SheetBoard;
    lit: number | null;
    onLight: (number: number | null) => void;
    onPick: (number: number) => void;
}) {
    const middle = board.x_mm + board.width_mm / 2;
    return (
        <>
            <rect
                x={board.x_mm}
                y={board.y_mm}
                width={board.width_mm}
                height={board.height_mm}
                fill="#0f2c27"
                stroke="var(--color-mat-ink)"
                strokeWidth="0.8"
                rx="1.5"
            />
            <text x={middle} y={board.y_mm + 8.5} textAnchor="middle" fontSize="6.6" fontWeight="700" fill="var(--color-mat-ink)">
                {board.name}
            </text>
            <text x={middle} y={board.y_mm + 15.5} textAnchor="middle" fontSize="5.4" fill="var(--color-mat-quiet)">
                {board.series}
                {board.address === null ? '' : ` at ${board.address}`} · {board.fed}
            </text>
            {board.pins.map((pin) => {
                const isLit = pin.number !== null && pin.number === lit;
                return (
                    <g
                        key={pin.pin}
                        onPointerEnter={() => onLight(pin.number)}
                        onPointerLeave={() => onLight(null)}
                        onClick={() => pin.number !== null && onPick(pin.number)}
                    >
                        <circle
                            cx={pin.x_mm}
                            cy={pin.y_mm}
                            r="1.7"
                            fill={pin.twice ? 'var(--color-coral)' : pin.number === null ? 'var(--color-mat)' : 'var(--color-mat-ink)'}
                            stroke="var(--color-mat-ink)"
                            strokeWidth="0.6"
                        />
                        <text
                            x={pin.x_mm - pin.side * 4}
                            y={pin.y_mm + 1.9}
                            textAnchor={pin.side > 0 ? 'end' : 'start'}
                            fontSize="5.4"
                            fill={isLit ? 'var(--color-yellow)' : pin.number === null ? 'var(--color-mat-quiet)' : 'var(--color-mat-ink)'}
                        >
                            {pin.label}
                        </text>
                        {pin.number !== null && (
                            <text
                                x={pin.x_mm + pin.side * 3}
                                y={pin.y_mm - 1.4}
                                textAnchor={pin.side > 0 ? 'start' : 'end'}
                                fontSize="4.6"
                                fill="var(--color-mat-ink)"
                            >
                                {pin.number}
                            </text>
                        )}
                    </g>
                );
            })}
        </>
    );
}

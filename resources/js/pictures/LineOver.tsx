import { useState, type KeyboardEvent, type PointerEvent } from 'react';

/** The ends of a line over a picture, in its pixels. */
export interface Ends {
    x1: number;
    y1: number;
    x2: number;
    y2: number;
}

interface Props {
    ends: Ends;
    size: [number, number];
    color: string;
    name: string;
    isChosen: boolean;
    onChoose: () => void;
    onMove: (ends: Ends) => void;
}

/** A line over a picture with two ends that can be dragged, or moved with the arrow keys. It is stored when it is let go. */
export function LineOver({ ends, size, color, name, isChosen, onChoose, onMove }: Props) {
    const [moving, setMoving] = useState<Ends | null>(null);
    const now = moving ?? ends;
    const unit = Math.max(...size) / 100;
    const within = (x: number, y: number): [number, number] => [Math.max(0, Math.min(size[0], x)), Math.max(0, Math.min(size[1], y))];
    const put = (end: 1 | 2, x: number, y: number): Ends => {
        const [left, top] = within(x, y);
        return end === 1 ? { ...pure(now), x1: left, y1: top } : { ...pure(now), x2: left, y2: top };
    };
    const drag = (end: 1 | 2) => (event: PointerEvent<SVGCircleElement>) => {
        if ((event.buttons & 1) === 0) {
            return;
        }
        const svg = event.currentTarget.ownerSVGElement!;
        const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
        setMoving(put(end, at.x, at.y));
    };
    const drop = () => {
        if (moving !== null) {
            onMove(moving);
            setMoving(null);
        }
    };
    const press = (end: 1 | 2) => (event: KeyboardEvent) => {
        const step = event.shiftKey ? 10 : 1;
        const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
        if (by !== undefined) {
            event.preventDefault();
            onMove(end === 1 ? put(1, now.x1 + by[0]!, now.y1 + by[1]!) : put(2, now.x2 + by[0]!, now.y2 + by[1]!));
        }
    };
    const isSteep = Math.abs(now.y2 - now.y1) > Math.abs(now.x2 - now.x1);
    const middle = { x: (now.x1 + now.x2) / 2, y: (now.y1 + now.y2) / 2 };
    return (
        <g onPointerDown={onChoose}>
            <line x1={now.x1} y1={now.y1} x2={now.x2} y2={now.y2} stroke="#10231f" strokeWidth={unit * 0.75} />
            <line x1={now.x1} y1={now.y1} x2={now.x2} y2={now.y2} stroke={color} strokeWidth={unit * 0.4} />
            {([1, 2] as const).map((end) => (
                <circle
                    key={end}
                    cx={end === 1 ? now.x1 : now.x2}
                    cy={end === 1 ? now.y1 : now.y2}
                    r={unit * (isChosen ? 1.1 : 0.8)}
                    fill={color}
                    stroke="#10231f"
                    strokeWidth={unit * 0.25}
                    className="cursor-grab touch-none focus:outline-2 focus:outline-white active:cursor-grabbing"
                    tabIndex={0}
                    role="button"
                    aria-label={`${name}: ${end === 1 ? 'first' : 'second'} end`}
                    onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
                    onPointerMove={drag(end)}
                    onPointerUp={drop}
                    onFocus={onChoose}
                    onKeyDown={press(end)}
                />
            ))}
            <text
                x={middle.x + (isSteep ? unit * 1.2 : 0)}
                y={middle.y - (isSteep ? 0 : unit * 1.4)}
                fontSize={unit * 2.1}
                textAnchor={isSteep ? 'start' : 'middle'}
                fill={color}
                stroke="#10231f"
                strokeWidth={unit * 0.45}
                paintOrder="stroke"
                pointerEvents="none"
            >
                {name}
            </text>
        </g>
    );
}

function pure({ x1, y1, x2, y2 }: Ends): Ends {
    return { x1, y1, x2, y2 };
}

import { useState, type PointerEvent } from 'react';

/** The row that lies under a point; null where there is none. */
function rowAt(x: number, y: number): string | null {
    return document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-row]')?.dataset.row ?? null;
}

/** Rows that are dragged by their grip onto another, by mouse, pen or finger. */
export function useDragRows(onDrop: (from: string, onto: string) => void) {
    const [dragged, setDragged] = useState<string | null>(null);
    const [over, setOver] = useState<string | null>(null);
    const end = () => {
        setDragged(null);
        setOver(null);
    };
    const grip = (row: string) => ({
        title: 'Drag it elsewhere',
        className: 'min-w-9 shrink-0 cursor-grab touch-none text-right whitespace-nowrap text-quiet select-none',
        onPointerDown: (event: PointerEvent) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            setDragged(row);
        },
        onPointerMove: (event: PointerEvent) => dragged === row && setOver(rowAt(event.clientX, event.clientY)),
        onPointerUp: () => {
            if (dragged === row && over !== null && over !== row) {
                onDrop(row, over);
            }
            end();
        },
        onPointerCancel: end,
    });
    return { dragged, over: over === dragged ? null : over, grip };
}

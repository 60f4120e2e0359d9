const STILL_PX = 8;

/**
 * A press that begins on a button is that button's, though what stands above it grows or goes before the press ends.
 * Whoever moves the pointer away meanwhile takes the press back, as ever.
 */
export function keepPresses(page: Document): void {
    page.addEventListener('pointerdown', (down) => {
        const button = down.target instanceof Element ? down.target.closest('button') : null;
        if (button === null || down.button !== 0 || button.hasPointerCapture(down.pointerId)) {
            return;
        }
        const letGo = (moved: PointerEvent) => {
            if (Math.hypot(moved.clientX - down.clientX, moved.clientY - down.clientY) > STILL_PX && button.hasPointerCapture(down.pointerId)) {
                button.releasePointerCapture(down.pointerId);
            }
        };
        button.setPointerCapture(down.pointerId);
        button.addEventListener('pointermove', letGo);
        button.addEventListener('lostpointercapture', () => button.removeEventListener('pointermove', letGo), { once: true });
    });
}

/** The space bar plays only where it does not press a control that has the focus. */
export function pressesControl(event: KeyboardEvent): boolean {
    return event.target instanceof Element && event.target.closest('button, a, summary, select, [role="option"]') !== null;
}

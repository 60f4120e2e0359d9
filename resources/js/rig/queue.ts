/** What the world does now, as the rig's protocol has it. */
export interface RigEvent {
    what: string;
    sensor?: string;
    [field: string]: unknown;
}

export type Line = { do: string; seconds?: number; event?: RigEvent };

const PRESS_S = 0.06; // a finger is never quicker

/** One event more to be said. What is let go before its press was even sent stays pressed for a moment: or a quick click would be no press at all. */
export function queued(waiting: Line[], event: RigEvent, isPlaying: boolean): Line[] {
    const pressed = waiting.some((line) => line.event?.what === 'sensor' && line.event.sensor === event.sensor && line.event.is === 'on');
    const letsGo = event.what === 'sensor' && event.is === 'off' && pressed && isPlaying;
    return [...waiting, ...(letsGo ? [{ do: 'step', seconds: PRESS_S }] : []), { do: 'event', event }];
}

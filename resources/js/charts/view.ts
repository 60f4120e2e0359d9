/** From when to when lanes are seen, s. */
export type View = [number, number];

const SHORTEST_S = 0.05; // below that there is nothing more to see

/** Seen closer (under 1) or from further off (over 1), around a time that stays where it is; never more than there is. */
export function closer([from, to]: View, factor: number, around: number, end: number): View {
    const span = Math.min(end, Math.max(Math.min(SHORTEST_S, end), (to - from) * factor));
    const share = (around - from) / (to - from);
    return shifted([around - share * span, around - share * span + span], 0, end);
}

/** Moved along, as far as there is something. */
export function shifted([from, to]: View, by: number, end: number): View {
    const span = Math.min(end, to - from);
    const begins = Math.max(0, Math.min(end - span, from + by));
    return [begins, begins + span];
}

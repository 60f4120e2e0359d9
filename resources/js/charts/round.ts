import type { StoredBuild } from '../api/types';

/** Whether a motion went on from one position to the next, and was not taken to begin anew where it comes round. */
export function unbroken({ assessment }: Pick<StoredBuild, 'assessment'>, motion: string): (from: number | undefined, to: number) => boolean {
    const round = assessment.chains.find((chain) => chain.motion === motion)?.curves.comes_round ?? null;
    return (from, to) => round === null || from === undefined || Math.abs(to - from) < round / 2;
}

import type { Build, StageReport, Trace } from '../api/types';
import type { Pose } from '../mat/space';

/** The same with the things that a run has taken up and put down, where they are at a time. */
export function carriedAt(report: StageReport, document: Build, trace: Trace, time: number): StageReport {
    const last = new Map(trace.things.filter((change) => change.at_s <= time).map((change) => [change.thing, change]));
    return {
        ...report,
        bodies: report.bodies.map((body) => {
            const change = body.motion === null ? last.get(document.things[body.index]?.id ?? '') : undefined;
            return change === undefined ? body : { ...body, at: change.place, carrier: change.motion };
        }),
    };
}

/** Where a run has everything at a time. */
export function poseAt(trace: Trace, time: number): Pose {
    return Object.fromEntries(
        trace.motions.map((lane) => {
            const at = time / trace.sample_s;
            const i = Math.max(0, Math.min(lane.position.length - 1, Math.floor(at)));
            const [one, other] = [lane.position[i] ?? 0, lane.position[i + 1] ?? lane.position[i] ?? 0];
            return [lane.motion, one + (other - one) * (at - i)];
        }),
    );
}

import type { Arm, Hoist } from '../api/types';

/** Points and lengths on the mat are in millimetres, x to the right and y up, from the pivot or from height 0. */
export interface Point {
    x: number;
    y: number;
}

export interface Box {
    left: number;
    right: number;
    bottom: number;
    top: number;
}

export function polar(radius: number, degrees: number): Point {
    const angle = (degrees * Math.PI) / 180;
    return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
}

/** Angle of a point seen from the pivot, degrees, on the turn that is nearest to another angle. */
export function angleOf(point: Point, near: number): number {
    const angle = (Math.atan2(point.y, point.x) * 180) / Math.PI;
    return angle + 360 * Math.round((near - angle) / 360);
}

export function armReach(arm: Arm): number {
    return Math.max(arm.cg_m * 1700, arm.payload_m * 1150, 12);
}

/** What an arm sweeps, with its pivot. */
export function armExtent(arm: Arm, positions: number[]): Box {
    const reach = armReach(arm) * 1.16;
    return box([
        { x: reach * 0.22, y: 0 },
        { x: -reach * 0.22, y: 0 },
        { x: 0, y: -reach * 0.2 },
        { x: 0, y: reach * 0.12 },
        ...positions.map((degrees) => polar(reach, degrees)),
    ]);
}

/** The height of the drum's centre above height 0, and the size of the load drawn. */
export function hoistShape(hoist: Hoist, positions: number[]): { drum: Point; radius: number; load: number } {
    const low = Math.min(...positions) * 1000;
    const high = Math.max(...positions) * 1000;
    const load = Math.max((high - low) * 0.24, 14);
    const radius = hoist.drum_radius_m * 1000;
    return { drum: { x: -radius, y: high + load + radius * 1.2 + (high - low) * 0.12 }, radius, load };
}

export function hoistExtent(hoist: Hoist, positions: number[]): Box {
    const { drum, radius, load } = hoistShape(hoist, positions);
    const low = Math.min(...positions) * 1000;
    return { left: Math.min(-radius * 2.4, -load), right: load * 2.2, bottom: low - load * 0.3, top: drum.y + radius * 1.3 };
}

export function box(points: Point[]): Box {
    const xs = points.map((point) => point.x);
    const ys = points.map((point) => point.y);
    return { left: Math.min(...xs), right: Math.max(...xs), bottom: Math.min(...ys), top: Math.max(...ys) };
}

/** Turns millimetres on the mat into points of the drawing, and back. */
export class Frame {
    readonly scale: number;
    private readonly x0: number;
    private readonly y0: number;

    constructor(
        box: Box,
        readonly width: number,
        readonly height: number,
        margin: { left: number; right: number; top: number; bottom: number },
    ) {
        const room = { width: width - margin.left - margin.right, height: height - margin.top - margin.bottom };
        this.scale = Math.min(room.width / (box.right - box.left), room.height / (box.top - box.bottom));
        this.x0 = margin.left + (room.width - (box.right - box.left) * this.scale) / 2 - box.left * this.scale;
        this.y0 = margin.top + (room.height - (box.top - box.bottom) * this.scale) / 2 + box.top * this.scale;
    }

    x(mm: number): number {
        return this.x0 + mm * this.scale;
    }

    y(mm: number): number {
        return this.y0 - mm * this.scale;
    }

    at(point: Point): Point {
        return { x: this.x(point.x), y: this.y(point.y) };
    }

    back(point: Point): Point {
        return { x: (point.x - this.x0) / this.scale, y: (this.y0 - point.y) / this.scale };
    }

    /** Distance of the fine grid lines in mm: the smallest round one that leaves them apart. */
    gridStep(): number {
        return [1, 2, 5, 10, 20, 50, 100, 200, 500].find((step) => step * this.scale >= 9) ?? 1000;
    }
}

/** The value of a table over the travel at a position, in a straight line between its points. */
export function lookUp(positions: number[], values: number[], position: number): number {
    const last = positions.length - 1;
    if (last < 1) {
        return values[0] ?? 0;
    }
    const share = ((position - positions[0]!) / (positions[last]! - positions[0]!)) * last;
    const i = Math.max(0, Math.min(last - 1, Math.floor(share)));
    const part = Math.max(0, Math.min(1, share - i));
    return values[i]! + (values[i + 1]! - values[i]!) * part;
}

/** The entry of a table over the travel that is nearest to a position. */
export function nearest<T>(positions: number[], values: T[], position: number): T | undefined {
    const last = positions.length - 1;
    return values[Math.max(0, Math.min(last, Math.round(((position - positions[0]!) / (positions[last]! - positions[0]! || 1)) * last)))];
}

/** Where a recorded run is at a time. */
export function runAt(times: number[], positions: number[], time: number): number {
    const next = times.findIndex((each) => each >= time);
    if (next <= 0) {
        return next === 0 ? positions[0]! : positions[positions.length - 1]!;
    }
    const part = (time - times[next - 1]!) / (times[next]! - times[next - 1]! || 1);
    return positions[next - 1]! + (positions[next]! - positions[next - 1]!) * part;
}

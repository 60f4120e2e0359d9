import type { Build, StageBody, StageMotion, StageReport } from '../api/types';

/** Twelve numbers, as the server writes them: where the own x, y and z of something point, and where its zero is, in metres. */
export type Place = number[];

export type Point3 = [number, number, number];

/** Where each motion is, in its own unit. */
export type Pose = Record<string, number>;

export const STILL: Place = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0];

export function pointOf(place: Place, [x, y, z]: Point3): Point3 {
    const way = wayOf(place, [x, y, z]);
    return [way[0] + place[9]!, way[1] + place[10]!, way[2] + place[11]!];
}

export function wayOf(place: Place, [x, y, z]: Point3): Point3 {
    return [place[0]! * x + place[3]! * y + place[6]! * z, place[1]! * x + place[4]! * y + place[7]! * z, place[2]! * x + place[5]! * y + place[8]! * z];
}

/** A way in space, as what is placed so sees it. */
export function wayBack(place: Place, [x, y, z]: Point3): Point3 {
    return [place[0]! * x + place[1]! * y + place[2]! * z, place[3]! * x + place[4]! * y + place[5]! * z, place[6]! * x + place[7]! * y + place[8]! * z];
}

export function within(outer: Place, inner: Place): Place {
    return [
        ...wayOf(outer, [inner[0]!, inner[1]!, inner[2]!]),
        ...wayOf(outer, [inner[3]!, inner[4]!, inner[5]!]),
        ...wayOf(outer, [inner[6]!, inner[7]!, inner[8]!]),
        ...pointOf(outer, [inner[9]!, inner[10]!, inner[11]!]),
    ];
}

function turned([x, y, z]: Point3, angle: number): Place {
    const cos = Math.cos(angle);
    const sin = Math.sin(angle);
    const rest = 1 - cos;
    return [
        cos + x * x * rest,
        x * y * rest + z * sin,
        x * z * rest - y * sin,
        x * y * rest - z * sin,
        cos + y * y * rest,
        y * z * rest + x * sin,
        x * z * rest + y * sin,
        y * z * rest - x * sin,
        cos + z * z * rest,
        0,
        0,
        0,
    ];
}

/** How far a motion has turned or slid at a position, in a straight line between what the server said. */
function gone(motion: StageMotion, position: number): number {
    const table = motion.follows;
    let i = 1;
    while (i < table.length - 1 && table[i]![0]! < position) i++;
    const [from, at] = table[i - 1]!;
    const [to, next] = table[i]!;
    return to === from ? at! : at! + ((next! - at!) * (position - from!)) / (to! - from!);
}

function moves(motion: StageMotion, position: number): Place {
    const by = gone(motion, position);
    const along = motion.along as Point3;
    return motion.turns ? turned(along, by) : [...STILL.slice(0, 9), ...along.map((each) => each * by)];
}

export interface Placed {
    /** Where it stands. */
    stands: Place;
    /** What it moves. */
    moved: Place;
}

/** Everything in a pose; what that leaves out is at rest. */
export function placed(report: StageReport, pose: Pose): Record<string, Placed> {
    const all: Record<string, Placed> = {};
    for (const motion of report.motions) {
        const stands = within(motion.on === null ? STILL : all[motion.on]!.moved, motion.mount);
        all[motion.id] = { stands, moved: within(stands, moves(motion, pose[motion.id] ?? motion.rest)) };
    }
    return all;
}

const UP: Point3 = [0, 0, 1];

const LEVEL: Point3 = [0, -1, 0]; // about which a far end is raised

const RAD_PER_DEG = Math.PI / 180;

interface Standing {
    x_m: number;
    y_m: number;
    z_m: number;
    heading_deg: number;
    lean_deg?: number;
}

function standing({ x_m, y_m, z_m, heading_deg, lean_deg = 0 }: Standing): Place {
    const turn = within(turned(UP, heading_deg * RAD_PER_DEG), turned(LEVEL, lean_deg * RAD_PER_DEG));
    return [...turn.slice(0, 9), x_m, y_m, z_m];
}

/** What the document says of where all stands is drawn at once; what follows from it comes with the next report. */
export function asWritten(report: StageReport, document: Build): StageReport {
    return {
        ...report,
        motions: report.motions.map((motion) => {
            const mount = document.motions.find((each) => each.id === motion.id)?.mount;
            return mount == null ? motion : { ...motion, mount: standing(mount) };
        }),
        bodies: report.bodies.map((body) => {
            const list = body.motion === null ? document.things : document.motions.find((each) => each.id === body.motion)?.bodies;
            const said = list?.find((each) => each.id === body.id);
            return said === undefined ? body : { ...body, at: standing(said) };
        }),
    };
}

/** @param body a thing that is taken up rides on what carries it */
export function bodyPlace(body: StageBody & { carrier?: string | null }, all: Record<string, Placed>): Place {
    const on = body.carrier ?? body.motion;
    return within(on === null ? STILL : all[on]!.moved, body.at);
}

/** The corners of the core of a body, in space. */
export function cornersOf(body: StageBody, place: Place): Point3[] {
    const sides = body.half_m.map((half) => (half > 0 ? [-half, half] : [0]));
    return sides[0]!.flatMap((x) => sides[1]!.flatMap((y) => sides[2]!.map((z) => pointOf(place, [x, y, z]))));
}

/** Of points in a plane those that are around all others, anticlockwise. */
export function around(points: { x: number; y: number }[]): { x: number; y: number }[] {
    const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
    const half = (of: typeof sorted) => {
        const hull: typeof sorted = [];
        for (const point of of) {
            while (hull.length > 1) {
                const one = hull[hull.length - 2]!;
                const other = hull[hull.length - 1]!;
                if ((other.x - one.x) * (point.y - one.y) - (other.y - one.y) * (point.x - one.x) > 1e-9) break;
                hull.pop();
            }
            hull.push(point);
        }
        return hull.slice(0, -1);
    };
    return sorted.length < 3 ? sorted : [...half(sorted), ...half([...sorted].reverse())];
}

/** A mat looks along one of the three ways: what is to the right on it, what is up, and what is nearer to who looks. */
export interface Look {
    name: string;
    right: Point3;
    up: Point3;
    near: Point3;
}

export const LOOKS = {
    front: { name: 'From the front', right: [1, 0, 0], up: [0, 0, 1], near: [0, -1, 0] },
    side: { name: 'From the right', right: [0, 1, 0], up: [0, 0, 1], near: [1, 0, 0] },
    above: { name: 'From above', right: [1, 0, 0], up: [0, 1, 0], near: [0, 0, 1] },
} as const satisfies Record<string, Look>;

export function dot(a: Point3 | number[], b: Point3): number {
    return a[0]! * b[0] + a[1]! * b[1] + a[2]! * b[2];
}

/** Millimetres on a mat. */
export function onMat(look: Look, point: Point3 | number[]): { x: number; y: number } {
    return { x: dot(point, look.right) * 1000, y: dot(point, look.up) * 1000 };
}

import type { Curves, Mechanism } from '../api/types';
import { hoistShape, lookUp, polar, type Point } from './geometry';
import { plus } from './scene';

/** A size that is told on the drawing, beside the part that has it: its key in the document, a word for it, and where it belongs, mm. */
export interface Spot<M extends Mechanism = Mechanism> {
    key: Exclude<keyof M, 'kind'> & string;
    word: string;
    at: Point;
}

type SpotsOf = {
    [K in Mechanism['kind']]: (thing: Extract<Mechanism, { kind: K }>, position: number, curves: Curves) => Spot<Extract<Mechanism, { kind: K }>>[];
};

const deg = (radians: number) => (radians * 180) / Math.PI;
const half = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
const ORIGIN: Point = { x: 0, y: 0 };

const SPOTS: SpotsOf = {
    arm: (thing, position) => [
        { key: 'mass_kg', word: 'mass', at: polar(thing.cg_m * 1000, position) },
        { key: 'cg_m', word: 'pivot to mass', at: polar(thing.cg_m * 500, position) },
        ...(thing.payload_kg > 0 ? [{ key: 'payload_kg', word: 'carries', at: polar(thing.payload_m * 1000, position) } as const] : []),
    ],
    turntable: (thing, position) => [
        ...(thing.disc_mass_kg === null ? [] : [{ key: 'disc_mass_kg', word: 'mass', at: ORIGIN } as const]),
        ...(thing.disc_radius_m === null ? [] : [{ key: 'disc_radius_m', word: 'radius', at: polar(thing.disc_radius_m * 1000, 90 - position) } as const]),
        ...(thing.disc_mass_kg === null && thing.inertia_kgm2 !== null ? [{ key: 'inertia_kgm2', word: 'inertia', at: ORIGIN } as const] : []),
    ],
    hoist: (thing, position, curves) => {
        const { drum, load } = hoistShape(thing, curves.positions);
        return [
            { key: 'mass_kg', word: 'mass', at: { x: -load / 2, y: position * 1000 + load / 2 } },
            { key: 'drum_radius_m', word: 'drum', at: drum },
        ];
    },
    slide: (thing, position, curves) => [
        { key: 'mass_kg', word: 'mass', at: polar(position * 1000, thing.incline_deg) },
        { key: 'pulley_radius_m', word: 'pulley', at: polar(curves.positions[0]! * 1000, thing.incline_deg) },
    ],
    wheels: (thing, position) => {
        const stands = polar(position * 1000, thing.grade_deg);
        return [
            { key: 'mass_kg', word: 'mass', at: plus(stands, polar(thing.wheel_radius_m * 2000, thing.grade_deg + 90)) },
            { key: 'wheel_radius_m', word: 'wheel', at: plus(stands, polar(thing.wheel_radius_m * 1000, thing.grade_deg + 90)) },
        ];
    },
    balancer: (thing, position) => [
        { key: 'mass_kg', word: 'mass', at: { x: position * 1000, y: thing.height_m * 1000 } },
        { key: 'height_m', word: 'height', at: { x: position * 1000, y: thing.height_m * 500 } },
        { key: 'wheel_radius_m', word: 'wheel', at: { x: position * 1000, y: thing.wheel_radius_m * 1000 } },
    ],
    crank: (thing, position, curves) => {
        const pin = polar(thing.crank_m * 1000, thing.axis_deg + position);
        const way = lookUp(curves.positions, curves.follower, position) * 1000;
        const slider = plus(polar(way, thing.axis_deg), polar(thing.offset_m * 1000, thing.axis_deg + 90));
        return [
            { key: 'crank_m', word: 'crank', at: half(ORIGIN, pin) },
            { key: 'rod_m', word: 'rod', at: half(pin, slider) },
            { key: 'slider_mass_kg', word: 'mass', at: slider },
        ];
    },
    crank_rocker: (thing, position, curves) => {
        const pivot = polar(thing.ground_m * 1000, thing.ground_deg);
        const rocker = lookUp(curves.positions, curves.follower, position) + thing.ground_deg;
        const pin = polar(thing.crank_m * 1000, thing.ground_deg + position);
        const eye = plus(pivot, polar(thing.rocker_m * 1000, rocker));
        return [
            { key: 'crank_m', word: 'crank', at: half(ORIGIN, pin) },
            { key: 'coupler_m', word: 'rod', at: half(pin, eye) },
            { key: 'rocker_m', word: 'lever', at: half(pivot, eye) },
            { key: 'mass_kg', word: 'mass', at: plus(pivot, polar(thing.cg_m * 1000, rocker + thing.figure_deg)) },
        ];
    },
    pushed: (thing, position, curves) => {
        const pivot = { x: thing.pivot_distance_m * 1000, y: 0 };
        const turned = lookUp(curves.positions, curves.follower, position);
        return [
            { key: 'arm_m', word: 'arm', at: polar(thing.arm_m * 500, 90 - position) },
            { key: 'pivot_distance_m', word: 'apart', at: half(ORIGIN, pivot) },
            { key: 'horn_m', word: 'horn', at: plus(pivot, polar(thing.horn_m * 500, (thing.opposite_sides ? -90 : 90) - turned)) },
            { key: 'mass_kg', word: 'mass', at: plus(pivot, polar(thing.cg_m * 1000, thing.balance_deg - turned)) },
        ];
    },
    ball: (thing, position) => {
        const centre = plus(polar(position * 1000, thing.grade_deg), polar(thing.ball_radius_m * 1000, thing.grade_deg + 90));
        return [
            { key: 'shell_mass_kg', word: 'shell', at: plus(centre, polar(thing.ball_radius_m * 1000, 45)) },
            { key: 'pendulum_mass_kg', word: 'weight', at: plus(centre, { x: 0, y: -thing.pendulum_arm_m * 1000 }) },
            { key: 'ball_radius_m', word: 'radius', at: plus(centre, polar(thing.ball_radius_m * 1000, 180)) },
        ];
    },
    spring_lever: (thing, position) => {
        const length = thing.lever_m * 1000;
        const tip = polar(length, 90 + deg(position / thing.lever_m));
        return [
            { key: 'spring_N_per_m', word: 'spring', at: half(tip, { x: length, y: length }) },
            { key: 'lever_m', word: 'lever', at: half(ORIGIN, tip) },
            { key: 'moving_mass_kg', word: 'moves', at: tip },
        ];
    },
    feeder: (thing) => [
        { key: 'drum_radius_m', word: 'drum', at: ORIGIN },
        {
            key: 'item_pitch_m',
            word: 'apart',
            at: plus(polar(thing.item_pitch_m * 1500, thing.incline_deg), polar(thing.drum_radius_m * 1000, thing.incline_deg + 90)),
        },
        {
            key: 'item_kg',
            word: 'item',
            at: plus(polar(thing.item_pitch_m * 3000, thing.incline_deg), polar(thing.drum_radius_m * 1000, thing.incline_deg + 90)),
        },
    ],
    measured: (thing, position) => [{ key: 'lever_m', word: 'lever', at: polar(thing.lever_m * 500, position) }],
};

/** Where the sizes belong that are changed most often, in a pose. */
export function spotsOf(thing: Mechanism, position: number, curves: Curves): Spot[] {
    return (SPOTS[thing.kind] as (thing: Mechanism, position: number, curves: Curves) => Spot[])(thing, position, curves);
}

export interface Boxed {
    at: Point;
    width: number;
    height: number;
    /** It stands on its point, if it can. */
    isOn?: boolean;
}

const STEP = 8; // points

const steps = (from: number, to: number) => Array.from({ length: Math.max(0, Math.floor((to - from) / STEP)) + 1 }, (_, i) => from + i * STEP);

/** Boxes beside points of a drawing, none over another and none outside: below its point where there is room, else above, else as near as may be. */
export function placedBeside<B extends Boxed>(
    boxes: B[],
    room: { left: number; right: number; top: number; bottom: number },
): (B & { left: number; top: number })[] {
    return boxes.reduce<(B & { left: number; top: number })[]>((placed, box) => {
        const { at, width, height } = box;
        const within = (left: number, top: number) => left >= room.left && left + width <= room.right && top >= room.top && top + height <= room.bottom;
        const free = (left: number, top: number) =>
            placed.every(
                (other) =>
                    left >= other.left + other.width + 4 ||
                    other.left >= left + width + 4 ||
                    top >= other.top + other.height + 4 ||
                    other.top >= top + height + 4,
            );
        const tries = Array.from({ length: 12 }, (_, i) => 14 + i * 8).flatMap((away) => [
            { left: at.x - width / 2, top: at.y + away },
            { left: at.x - width / 2, top: at.y - away - height },
            { left: at.x + away, top: at.y - height / 2 },
            { left: at.x - away - width, top: at.y - height / 2 },
        ]);
        const anywhere = () =>
            steps(room.left, room.right - width)
                .flatMap((left) => steps(room.top, room.bottom - height).map((top) => ({ left, top })))
                .sort((a, b) => Math.hypot(a.left + width / 2 - at.x, a.top - at.y) - Math.hypot(b.left + width / 2 - at.x, b.top - at.y));
        const on = box.isOn ? [{ left: at.x - width / 2, top: at.y - height / 2 }] : [];
        const fits = (each: { left: number; top: number }) => within(each.left, each.top) && free(each.left, each.top);
        return [...placed, { ...box, ...([...on, ...tries].find(fits) ?? anywhere().find(fits) ?? { left: room.left, top: room.top }) }];
    }, []);
}

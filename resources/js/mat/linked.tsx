import type { CrankRocker, PushrodLever } from '../api/types';
import { angleOf, box, lookUp, polar } from './geometry';
import { Bearing, MassCentre, Rod } from './marks';
import { Marks, plus, type Kind } from './scene';
import type { Track } from './track';

/* A crank that rocks a figure: the crank's angle counts from the line between the pivots. */
export const crankRocker: Kind<CrankRocker> = {
    extent: (thing) => {
        const pivot = polar(thing.ground_m * 1000, thing.ground_deg);
        const round = thing.crank_m * 1900;
        const figure = Math.max(thing.rocker_m, thing.cg_m * 1.3) * 1000 + 8;
        return box([
            { x: -round, y: -round },
            { x: round, y: round },
            plus(pivot, { x: figure * 0.9, y: figure }),
            plus(pivot, { x: -figure * 0.9, y: -figure * 0.4 }),
        ]);
    },
    grab: (thing, point, near) => angleOf(point, near + thing.ground_deg) - thing.ground_deg,
    Draw: (scene) => {
        const { thing, frame, curves } = scene;
        const ground = thing.ground_deg;
        const pivotMm = polar(thing.ground_m * 1000, ground);
        const rocker = lookUp(curves.positions, curves.follower, scene.position) + ground;
        const centre = frame.at({ x: 0, y: 0 });
        const pin = frame.at(polar(thing.crank_m * 1000, ground + scene.position));
        const pivot = frame.at(pivotMm);
        const eye = frame.at(plus(pivotMm, polar(thing.rocker_m * 1000, rocker)));
        const figure = rocker + thing.figure_deg;
        const head = frame.at(plus(pivotMm, polar(thing.cg_m * 1300, figure)));
        const mass = frame.at(plus(pivotMm, polar(thing.cg_m * 1000, figure)));
        const track: Track = (position) => polar(thing.crank_m * 1400, ground + position);
        return (
            <g>
                <circle cx={centre.x} cy={centre.y} r={thing.crank_m * 1000 * frame.scale} fill="none" stroke="var(--color-mat-rule)" strokeWidth="2" />
                <Rod from={pivot} to={head} width={12} color={scene.color} />
                <Rod from={pivot} to={eye} width={7} color="var(--color-mat-quiet)" />
                <Rod from={pin} to={eye} width={4} color="var(--color-mat-ink)" />
                <Rod from={centre} to={pin} width={7} color="var(--color-mat-quiet)" />
                <Bearing at={pivot} size={6} />
                <circle cx={centre.x} cy={centre.y} r="6" fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2.5" />
                {[pin, eye].map((joint, i) => (
                    <circle key={i} cx={joint.x} cy={joint.y} r="4.5" fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2" />
                ))}
                <MassCentre at={mass} />
                <Marks scene={scene} track={track} outwards={(position) => polar(1, ground + position)} />
            </g>
        );
    },
};

/* A part at the end of a rod. Pivots level with each other, the servo's at the left; clockwise positive. */
export const pushed: Kind<PushrodLever> = {
    extent: (thing) => {
        const reach = Math.max(thing.horn_m, thing.cg_m * 1.3) * 1000 + 8;
        const arm = thing.arm_m * 1700;
        const apart = thing.pivot_distance_m * 1000;
        return { left: -Math.max(arm, reach - apart), right: apart + reach, bottom: -Math.max(reach, arm), top: Math.max(reach, arm) };
    },
    grab: (_, point, near) => 90 - angleOf(point, 90 - near),
    Draw: (scene) => {
        const { thing, frame, curves } = scene;
        const pivotMm = { x: thing.pivot_distance_m * 1000, y: 0 };
        const turned = lookUp(curves.positions, curves.follower, scene.position);
        const centre = frame.at({ x: 0, y: 0 });
        const pivot = frame.at(pivotMm);
        const pin = frame.at(polar(thing.arm_m * 1000, 90 - scene.position));
        const eye = frame.at(plus(pivotMm, polar(thing.horn_m * 1000, (thing.opposite_sides ? -90 : 90) - turned)));
        const head = frame.at(plus(pivotMm, polar(thing.cg_m * 1300, thing.balance_deg - turned)));
        const mass = frame.at(plus(pivotMm, polar(thing.cg_m * 1000, thing.balance_deg - turned)));
        const track: Track = (position) => polar(thing.arm_m * 1350, 90 - position);
        return (
            <g>
                <Rod from={pivot} to={head} width={12} color={scene.color} />
                <Rod from={pivot} to={eye} width={7} color="var(--color-mat-quiet)" />
                <Rod from={pin} to={eye} width={3} color="var(--color-mat-ink)" />
                <Rod from={centre} to={pin} width={8} color="var(--color-mat-quiet)" />
                <Bearing at={pivot} size={6} />
                <Bearing at={centre} size={6} />
                {[pin, eye].map((joint, i) => (
                    <circle key={i} cx={joint.x} cy={joint.y} r="4" fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2" />
                ))}
                <MassCentre at={mass} />
                <Marks scene={scene} track={track} outwards={(position) => polar(1, 90 - position)} />
            </g>
        );
    },
};

import type { Balancer, Ball, Crank, Curves, Feeder, Measured, Mechanism, Slide, SpringLever, Turntable, Wheels } from '../api/types';
import { ArmDrawing } from './ArmDrawing';
import { angleOf, armExtent, box, hoistExtent, lookUp, polar, type Box, type Point } from './geometry';
import { HoistDrawing } from './HoistDrawing';
import { Bearing, Rod, Wheel } from './marks';
import { crankRocker, pushed } from './linked';
import { Marks, plus, type Kind } from './scene';
import type { Track } from './track';

const deg = (radians: number) => (radians * 180) / Math.PI;
const rad = (degrees: number) => (degrees * Math.PI) / 180;
const spread = (curves: Curves) => [curves.positions[0]!, curves.positions[curves.positions.length - 1]!] as const;

/** A point on a straight way that rises by an angle, mm. */
const onWay = (metres: number, degrees: number): Point => polar(metres * 1000, degrees);
const alongWay = (point: Point, degrees: number) => (point.x * Math.cos(rad(degrees)) + point.y * Math.sin(rad(degrees))) / 1000;

/* Turned about an upright axis: seen from above, clockwise positive, 0 at the top. */
const discRadius = (thing: Turntable) => (thing.disc_radius_m ?? 0.05) * 1000;
const turntable: Kind<Turntable> = {
    extent: (thing) => square(discRadius(thing) * 1.5),
    grab: (_, point, near) => 90 - angleOf(point, 90 - near),
    Draw: (scene) => {
        const radius = discRadius(scene.thing);
        const track: Track = (position) => polar(radius * 1.12, 90 - position);
        const centre = scene.frame.at({ x: 0, y: 0 });
        const tip = scene.frame.at(polar(radius, 90 - scene.position));
        return (
            <g>
                <circle
                    cx={centre.x}
                    cy={centre.y}
                    r={radius * scene.frame.scale}
                    fill="var(--color-mat-rule)"
                    stroke="var(--color-mat-ink)"
                    strokeWidth="2.5"
                />
                <Rod from={centre} to={tip} width={10} color={scene.color} />
                <circle cx={centre.x} cy={centre.y} r="6" fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2.5" />
                <Marks scene={scene} track={track} outwards={(position) => polar(1, 90 - position)} />
            </g>
        );
    },
};

/* A carriage pulled along rails. */
const carriage = (curves: Curves) => Math.max(0.05, (spread(curves)[1] - spread(curves)[0]) * 0.14) * 1000;
const slide: Kind<Slide> = {
    extent: (thing, curves) => {
        const [low, high] = spread(curves);
        const size = carriage(curves);
        const apart = polar(size * 0.9, thing.incline_deg);
        return box([
            plus(onWay(low, thing.incline_deg), { x: -apart.x, y: -apart.y - size * 0.6 }),
            plus(onWay(high, thing.incline_deg), { x: apart.x, y: apart.y + size }),
            { x: 0, y: -size * 0.7 },
        ]);
    },
    grab: (thing, point) => alongWay(point, thing.incline_deg),
    Draw: (scene) => {
        const { thing, frame, curves } = scene;
        const [low, high] = spread(curves);
        const size = carriage(curves);
        const tilt = thing.incline_deg;
        const isPushed = scene.motion.drive?.motor.kind === 'linear_actuator' || scene.motion.drive?.motor.kind === 'air_cylinder';
        const track: Track = (position) => onWay(position, tilt);
        const ends = [low, high].map((end, i) => frame.at(plus(track(end), polar((i === 0 ? -1 : 1) * size * 0.75, tilt))));
        const radius = Math.max(5, thing.pulley_radius_m * 1000 * frame.scale);
        const middle = frame.at(plus(track(scene.position), polar(size * 0.3, tilt + 90)));
        const s = frame.scale;
        return (
            <g>
                <Rod from={ends[0]!} to={ends[1]!} width={4} color="var(--color-mat-rule)" />
                {isPushed ? (
                    <Rod
                        from={frame.at(plus(track(low), polar(-size * 1.6, tilt)))}
                        to={frame.at(plus(track(scene.position), polar(-size * 0.4, tilt)))}
                        width={6}
                    />
                ) : (
                    ends.map((end, i) => <Wheel key={i} at={end} radius={radius} degrees={-deg(scene.position / thing.pulley_radius_m)} />)
                )}
                <g transform={`translate(${middle.x} ${middle.y}) rotate(${-tilt})`}>
                    <rect
                        x={(-size / 2) * s}
                        y={-size * 0.2 * s}
                        width={size * s}
                        height={size * 0.4 * s}
                        fill={scene.color}
                        stroke="var(--color-mat-ink)"
                        strokeWidth="1.5"
                    />
                    {thing.payload_kg > 0 && (
                        <rect
                            x={-size * 0.25 * s}
                            y={-size * 0.55 * s}
                            width={size * 0.5 * s}
                            height={size * 0.35 * s}
                            fill="var(--color-mat-rule)"
                            stroke="var(--color-mat-ink)"
                        />
                    )}
                </g>
                <Marks scene={scene} track={track} outwards={() => polar(1, tilt - 90)} />
            </g>
        );
    },
};

/* A vehicle on a track. */
const wagon = (thing: Wheels, curves: Curves) => Math.max(thing.wheel_radius_m * 6, (spread(curves)[1] - spread(curves)[0]) * 0.13) * 1000;
const wheels: Kind<Wheels> = {
    extent: (thing, curves) => {
        const [low, high] = spread(curves);
        const length = wagon(thing, curves);
        return box([
            plus(onWay(low, thing.grade_deg), { x: -length * 0.65, y: -length * 0.35 }),
            plus(onWay(high, thing.grade_deg), { x: length * 0.65, y: length * 0.75 }),
            { x: 0, y: -length * 0.35 },
        ]);
    },
    grab: (thing, point) => alongWay(point, thing.grade_deg),
    Draw: (scene) => {
        const { thing, frame, curves } = scene;
        const [low, high] = spread(curves);
        const length = wagon(thing, curves);
        const tilt = thing.grade_deg;
        const track: Track = (position) => onWay(position, tilt);
        const radius = thing.wheel_radius_m * 1000;
        const up = (mm: number, ahead: number) => frame.at(plus(track(scene.position), plus(polar(mm, tilt + 90), polar(ahead, tilt))));
        const middle = up(radius * 1.2 + length * 0.16, 0);
        const s = frame.scale;
        return (
            <g>
                <Rod
                    from={frame.at(plus(track(low), polar(-length * 0.6, tilt)))}
                    to={frame.at(plus(track(high), polar(length * 0.6, tilt)))}
                    width={3}
                    color="var(--color-mat-ink)"
                />
                <g transform={`translate(${middle.x} ${middle.y}) rotate(${-tilt})`}>
                    <rect
                        x={(-length / 2) * s}
                        y={-length * 0.16 * s}
                        width={length * s}
                        height={length * 0.32 * s}
                        fill={scene.color}
                        stroke="var(--color-mat-ink)"
                        strokeWidth="1.5"
                    />
                </g>
                {[-0.3, 0.3].map((share) => (
                    <Wheel key={share} at={up(radius, share * length)} radius={Math.max(4, radius * s)} degrees={-deg(scene.position / thing.wheel_radius_m)} />
                ))}
                <Marks scene={scene} track={track} outwards={() => polar(1, tilt - 90)} />
            </g>
        );
    },
};

/* What stands on a wheel and balances. */
const balancer: Kind<Balancer> = {
    extent: (thing, curves) => {
        const [low, high] = spread(curves).map((metres) => metres * 1000) as [number, number];
        const tall = thing.height_m * 1300;
        return box([
            { x: low - tall * 0.3, y: -tall * 0.1 },
            { x: high + tall * 0.3, y: tall },
        ]);
    },
    grab: (_, point) => point.x / 1000,
    Draw: (scene) => {
        const { thing, frame, curves } = scene;
        const [low, high] = spread(curves).map((metres) => metres * 1000) as [number, number];
        const radius = thing.wheel_radius_m * 1000;
        const tall = thing.height_m * 1000;
        const track: Track = (position) => onWay(position, 0);
        const at = (mm: number) => frame.at(plus(track(scene.position), { x: 0, y: mm }));
        const s = frame.scale;
        return (
            <g>
                <Rod from={frame.at({ x: low - tall * 0.3, y: 0 })} to={frame.at({ x: high + tall * 0.3, y: 0 })} width={3} color="var(--color-mat-ink)" />
                <Rod from={at(radius)} to={at(tall * 1.2)} width={6} />
                <circle cx={at(tall).x} cy={at(tall).y} r={Math.max(7, tall * 0.09 * s)} fill={scene.color} stroke="var(--color-mat-ink)" strokeWidth="1.5" />
                <Wheel at={at(radius)} radius={Math.max(4, radius * s)} degrees={-deg(scene.position / thing.wheel_radius_m)} />
                <Marks scene={scene} track={track} outwards={() => polar(1, -90)} />
            </g>
        );
    },
};

/* A crank that pushes a slider: the crank's angle counts from the slide's axis. */
const crank: Kind<Crank> = {
    extent: (thing) => {
        const far = (thing.crank_m + thing.rod_m) * 1000 * 1.12 + 10;
        const side = Math.max(thing.crank_m * 1700, Math.abs(thing.offset_m) * 1000 + 12);
        return box([
            plus(polar(far, thing.axis_deg), polar(side, thing.axis_deg + 90)),
            plus(polar(far, thing.axis_deg), polar(side, thing.axis_deg - 90)),
            plus(polar(-thing.crank_m * 1700, thing.axis_deg), polar(side, thing.axis_deg + 90)),
            plus(polar(-thing.crank_m * 1700, thing.axis_deg), polar(side, thing.axis_deg - 90)),
        ]);
    },
    grab: (thing, point, near) => angleOf(point, near + thing.axis_deg) - thing.axis_deg,
    Draw: (scene) => {
        const { thing, frame, curves } = scene;
        const axis = thing.axis_deg;
        const centre = frame.at({ x: 0, y: 0 });
        const pin = frame.at(polar(thing.crank_m * 1000, axis + scene.position));
        const way = lookUp(curves.positions, curves.follower, scene.position) * 1000;
        const onAxis = (mm: number) => plus(polar(mm, axis), polar(thing.offset_m * 1000, axis + 90));
        const slider = frame.at(onAxis(way));
        const size = Math.max(10, thing.crank_m * 1000 * frame.scale * 0.8);
        const track: Track = (position) => polar(thing.crank_m * 1350, axis + position);
        const low = Math.min(...curves.follower) * 1000;
        const high = Math.max(...curves.follower) * 1000;
        return (
            <g>
                <Rod from={frame.at(onAxis(low - 8))} to={frame.at(onAxis(high + 8))} width={3} color="var(--color-mat-quiet)" />
                <circle cx={centre.x} cy={centre.y} r={thing.crank_m * 1000 * frame.scale} fill="none" stroke="var(--color-mat-rule)" strokeWidth="2" />
                <Rod from={pin} to={slider} width={5} color="var(--color-mat-ink)" />
                <Rod from={centre} to={pin} width={8} color="var(--color-mat-quiet)" />
                <g transform={`translate(${slider.x} ${slider.y}) rotate(${-axis})`}>
                    <rect x={-size / 2} y={-size / 2} width={size} height={size} fill={scene.color} stroke="var(--color-mat-ink)" strokeWidth="1.5" />
                </g>
                <circle cx={pin.x} cy={pin.y} r="5" fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2" />
                <circle cx={centre.x} cy={centre.y} r="6" fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2.5" />
                <Marks scene={scene} track={track} outwards={(position) => polar(1, axis + position)} aside={polar(34, axis - 90)} />
            </g>
        );
    },
};

/* A ball that rolls, with the weight that hangs in it. */
const ball: Kind<Ball> = {
    extent: (thing, curves) => {
        const [low, high] = spread(curves);
        const r = thing.ball_radius_m * 1000;
        return box([
            plus(onWay(low, thing.grade_deg), { x: -r * 1.1, y: -r * 0.45 }),
            plus(onWay(high, thing.grade_deg), { x: r * 1.1, y: r * 2.15 }),
            { x: 0, y: -r * 0.45 },
        ]);
    },
    grab: (thing, point) => alongWay(point, thing.grade_deg),
    Draw: (scene) => {
        const { thing, frame, curves } = scene;
        const [low, high] = spread(curves);
        const tilt = thing.grade_deg;
        const r = thing.ball_radius_m * 1000;
        const track: Track = (position) => onWay(position, tilt);
        const centreMm = plus(track(scene.position), polar(r, tilt + 90));
        const centre = frame.at(centreMm);
        const weight = frame.at(plus(centreMm, { x: 0, y: -thing.pendulum_arm_m * 1000 }));
        return (
            <g>
                <Rod from={frame.at(plus(track(low), polar(-r, tilt)))} to={frame.at(plus(track(high), polar(r, tilt)))} width={3} />
                <Wheel at={centre} radius={r * frame.scale} degrees={90 - deg(scene.position / thing.ball_radius_m)} fill="none" />
                <Rod from={centre} to={weight} width={5} color="var(--color-mat-quiet)" />
                <circle cx={weight.x} cy={weight.y} r={Math.max(7, r * frame.scale * 0.2)} fill={scene.color} stroke="var(--color-mat-ink)" strokeWidth="1.5" />
                <circle cx={centre.x} cy={centre.y} r="4.5" fill="var(--color-mat)" stroke="var(--color-mat-ink)" strokeWidth="2" />
                <Marks scene={scene} track={track} outwards={() => polar(1, tilt - 90)} />
            </g>
        );
    },
};

/* A lever held upright by nothing: wound back it leans away from its spring. */
const leverAngle = (thing: SpringLever, position: number) => 90 + deg(position / thing.lever_m);
const springLever: Kind<SpringLever> = {
    extent: (thing, curves) => {
        const length = thing.lever_m * 1000;
        const tips = spread(curves).map((position) => polar(length * 1.25, leverAngle(thing, position)));
        return box([...tips, { x: length * 1.1, y: length * 1.15 }, { x: -length * 0.3, y: -length * 0.3 }]);
    },
    grab: (thing, point) => rad(angleOf(point, 90) - 90) * thing.lever_m,
    Draw: (scene) => {
        const { thing, frame } = scene;
        const length = thing.lever_m * 1000;
        const track: Track = (position) => polar(length * 1.12, leverAngle(thing, position));
        const pivot = frame.at({ x: 0, y: 0 });
        const tip = frame.at(polar(length, leverAngle(thing, scene.position)));
        const anchor = frame.at({ x: length, y: length });
        const coils = 9;
        const coil = Array.from({ length: coils * 2 + 1 }, (_, i) => {
            const share = i / (coils * 2);
            const side = i === 0 || i === coils * 2 ? 0 : i % 2 === 0 ? -6 : 6;
            return `${i === 0 ? 'M' : 'L'}${tip.x + (anchor.x - tip.x) * share} ${tip.y + (anchor.y - tip.y) * share + side}`;
        }).join('');
        return (
            <g>
                <path d={coil} fill="none" stroke="var(--color-mat-ink)" strokeWidth="2" />
                <Rod from={{ x: anchor.x, y: anchor.y - 14 }} to={{ x: anchor.x, y: anchor.y + 14 }} width={5} />
                <Rod from={pivot} to={tip} width={10} color={scene.color} />
                <Bearing at={pivot} />
                <Marks scene={scene} track={track} outwards={(position) => polar(1, leverAngle(thing, position))} />
            </g>
        );
    },
};

/* A belt over two drums with what it carries. */
const beltLength = (thing: Feeder, curves: Curves) =>
    Math.max(thing.item_pitch_m * 5, (spread(curves)[1] - spread(curves)[0]) * 1.6, thing.drum_radius_m * 7) * 1000;
const feeder: Kind<Feeder> = {
    extent: (thing, curves) => {
        const r = thing.drum_radius_m * 1000;
        const far = polar(beltLength(thing, curves), thing.incline_deg);
        return box([{ x: -r * 1.4, y: -r * 1.5 }, { x: -r * 1.4, y: r * 2.2 }, plus(far, { x: r * 1.4, y: r * 2.4 }), plus(far, { x: r * 1.4, y: -r * 1.5 })]);
    },
    grab: (thing, point) => alongWay(point, thing.incline_deg),
    Draw: (scene) => {
        const { thing, frame, curves } = scene;
        const tilt = thing.incline_deg;
        const r = thing.drum_radius_m * 1000;
        const length = beltLength(thing, curves);
        const far = polar(length, tilt);
        const turn = -deg(scene.position / thing.drum_radius_m);
        const up = polar(r, tilt + 90);
        const track: Track = (position) => plus(onWay(position, tilt), up);
        const pitch = thing.item_pitch_m * 1000;
        const first = ((((scene.position * 1000) % pitch) + pitch) % pitch) - pitch;
        const items = Array.from({ length: Math.min(40, Math.ceil(length / pitch) + 1) }, (_, i) => first + i * pitch).filter((at) => at >= 0 && at <= length);
        const size = Math.max(7, Math.min(pitch * 0.5, r) * frame.scale);
        return (
            <g>
                {[1, -1].map((side) => (
                    <Rod
                        key={side}
                        from={frame.at({ x: up.x * side, y: up.y * side })}
                        to={frame.at(plus(far, { x: up.x * side, y: up.y * side }))}
                        width={3}
                    />
                ))}
                <Wheel at={frame.at({ x: 0, y: 0 })} radius={r * frame.scale} degrees={turn} />
                <Wheel at={frame.at(far)} radius={r * frame.scale} degrees={turn} />
                {items.map((at, i) => {
                    const point = frame.at(plus(polar(at, tilt), polar(r, tilt + 90)));
                    return (
                        <g key={i} transform={`translate(${point.x} ${point.y}) rotate(${-tilt})`}>
                            <rect x={-size / 2} y={-size} width={size} height={size} fill={scene.color} stroke="var(--color-mat-ink)" />
                        </g>
                    );
                })}
                <Marks scene={scene} track={track} outwards={() => polar(1, tilt - 90)} />
            </g>
        );
    },
};

/* Whatever it is: a lever where the balance pulled, with the readings round it. */
const measured: Kind<Measured> = {
    extent: (thing, curves) => {
        const reach = thing.lever_m * 1300;
        return box([{ x: -reach * 0.25, y: -reach * 0.25 }, { x: reach * 0.25, y: reach * 0.15 }, ...curves.positions.map((degrees) => polar(reach, degrees))]);
    },
    grab: (_, point, near) => angleOf(point, near),
    Draw: (scene) => {
        const { thing, frame } = scene;
        const length = thing.lever_m * 1000;
        const track: Track = (position) => polar(length * 1.06, position);
        const pivot = frame.at({ x: 0, y: 0 });
        return (
            <g>
                <Rod from={pivot} to={frame.at(polar(length, scene.position))} width={10} color={scene.color} />
                <Bearing at={pivot} />
                {thing.points.map((point) => {
                    const at = frame.at(polar(length * 0.8, point.at));
                    return <circle key={point.at} cx={at.x} cy={at.y} r="4" fill="var(--color-mat)" stroke="var(--color-lilac)" strokeWidth="2.5" />;
                })}
                <Marks scene={scene} track={track} outwards={(position) => polar(1, position)} />
            </g>
        );
    },
};

const KINDS: { [K in Mechanism['kind']]: Kind<Extract<Mechanism, { kind: K }>> } = {
    arm: {
        extent: (thing, curves) => armExtent(thing, curves.positions),
        grab: (_, point, near) => angleOf(point, near),
        Draw: ({ motion, thing, frame, position, curves, color, grabs }) => (
            <ArmDrawing motion={motion} arm={thing} frame={frame} position={position} runOn={curves.run_on} color={color} grabs={grabs} />
        ),
    },
    hoist: {
        extent: (thing, curves) => hoistExtent(thing, curves.positions),
        grab: (_, point) => point.y / 1000,
        Draw: ({ motion, thing, frame, position, curves, color, grabs }) => (
            <HoistDrawing
                motion={motion}
                hoist={thing}
                frame={frame}
                position={position}
                positions={curves.positions}
                runOn={curves.run_on}
                color={color}
                grabs={grabs}
            />
        ),
    },
    turntable,
    slide,
    wheels,
    balancer,
    crank,
    crank_rocker: crankRocker,
    pushed,
    ball,
    spring_lever: springLever,
    feeder,
    measured,
};

function square(half: number): Box {
    return { left: -half, right: half, bottom: -half, top: half };
}

/** How a mechanism of any kind stands on the mat. */
export function kindOf(mechanism: Mechanism): Kind<Mechanism> {
    return KINDS[mechanism.kind] as unknown as Kind<Mechanism>;
}

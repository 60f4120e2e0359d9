import type { Mechanism } from '../api/types';

export interface FieldSays {
    key: string;
    label: string;
    how?: string;
    /** Shown where nothing is entered; the field may then be empty. */
    empty?: string;
}

/** What a kind of mechanism is called, what to measure, its fields, and an example to start from. */
export interface KindSays {
    title: string;
    says: string;
    heading: string;
    /** How to measure this, in a few steps. */
    measure: string[];
    fields: FieldSays[];
    /** Fields that are yes or no. */
    toggles?: { key: string; label: string; how?: string }[];
    example: { mechanism: object; places: [string, number, string, number]; task: object };
}

const RUB = 'Pull it slowly with a spring balance one way and the other: half of the difference.';
const PAYLOAD: FieldSays = { key: 'payload_kg', label: 'Mass of what it carries', how: 'Which way it carries it is said at the Task.' };

export const MECHANISMS: Record<Mechanism['kind'], KindSays> = {
    arm: {
        title: 'Something that swings',
        says: 'A jaw, neck, wing, lid or bridge on a level pivot. You need its mass and where it balances.',
        heading: 'The arm',
        measure: [
            'Weigh it finished, on a kitchen scale.',
            'Balance it on a pencil and measure from there to the pivot.',
            'For the rub, pull it level with a spring balance up and down.',
        ],
        fields: [
            { key: 'mass_kg', label: 'Mass of the arm', how: 'Weigh it finished: with paint, costume, wires and hinge.' },
            { key: 'cg_m', label: 'Pivot to its balance point', how: 'Balance it on a pencil; measure from there to the pivot.' },
            { key: 'payload_kg', label: 'Mass of what it carries' },
            { key: 'payload_m', label: 'Pivot to what it carries' },
            {
                key: 'friction_Nm',
                label: 'Friction at the pivot',
                how: 'Pull it level with a spring balance up and down: half the difference, times the distance.',
            },
            { key: 'counterbalance_Nm', label: 'Counterweight at horizontal', how: 'Its mass times its distance from the pivot.' },
            { key: 'spring_Nm_per_deg', label: 'Spring at the pivot' },
            { key: 'spring_rest_deg', label: 'Spring at rest at' },
            { key: 'inertia_kgm2', label: 'Inertia about the pivot', how: 'Left empty, it is taken from the masses as points.', empty: 'as points' },
        ],
        example: { mechanism: { mass_kg: 0.2, cg_m: 0.1 }, places: ['Down', 0, 'Up', 60], task: { move_s: 2 } },
    },
    turntable: {
        title: 'Something that turns about an upright axis',
        says: 'A turning head, a lantern, a stage. You need its mass and its size.',
        heading: 'What turns',
        measure: [
            'Weigh all that turns.',
            'Measure how far its rim is from the axis: most things are near enough an even disc.',
            'For the rub, pull at the rim with a thread and a spring balance.',
        ],
        fields: [
            { key: 'disc_mass_kg', label: 'Mass, as an even disc', how: 'Weigh all that turns. For a ring take twice its mass.', empty: 'by inertia' },
            { key: 'disc_radius_m', label: 'Radius of that disc', empty: 'by inertia' },
            { key: 'inertia_kgm2', label: 'Or its inertia', how: 'Either this or the disc, not both: empty the others first.', empty: 'by the disc' },
            { key: 'friction_Nm', label: 'Friction of the bearing', how: 'Pull at the rim with a thread: force times radius.' },
            { key: 'unbalance_kgm', label: 'Heavy side (kg × m)', how: 'Tip the axis level: mass that balances it, times its distance.' },
            { key: 'tilt_deg', label: 'Axis off upright by' },
        ],
        example: { mechanism: { disc_mass_kg: 0.3, disc_radius_m: 0.06, friction_Nm: 0.01 }, places: ['Front', 0, 'Back', 180], task: { move_s: 3 } },
    },
    hoist: {
        title: 'Something that is lifted',
        says: 'A load on a cord that winds on a drum. You need its mass and the size of the drum.',
        heading: 'The load and its drum',
        measure: [
            'Weigh everything that hangs on the cord.',
            'Measure the bare drum and the cord: radius to the middle of the cord.',
            'Lay the cord side by side on the drum: how many turns fit in one layer?',
        ],
        fields: [
            { key: 'mass_kg', label: 'Mass of the load', how: 'Weigh it finished, with everything that hangs on the cord.' },
            { key: 'drum_radius_m', label: 'Drum radius, to the cord’s centre', how: 'Half the drum’s diameter and half the cord’s.' },
            { key: 'counterweight_kg', label: 'Counterweight' },
            { key: 'friction_N', label: 'Drag of the guides', how: 'Weigh it on its cord going up and going down: half the difference.' },
            { key: 'lines', label: 'Parts of line that carry it' },
            PAYLOAD,
            { key: 'cord_m', label: 'Thickness of the cord', how: 'Wind ten turns side by side and measure them.', empty: 'not said' },
            { key: 'drum_width_m', label: 'Drum between its flanges', how: 'With the cord it says how the layers climb.', empty: 'wide enough' },
            { key: 'lift_m', label: 'Height that is wound', how: 'From the empty drum to the top: only where the cord climbs.' },
            {
                key: 'lead_m',
                label: 'Drum to the first pulley',
                how: 'Which stands opposite its middle: it says how slantwise the cord runs on.',
                empty: 'not said',
            },
            { key: 'breaking_N', label: 'The cord breaks at', how: 'Straight and new, as on its reel.', empty: 'not said' },
            { key: 'knot_share', label: 'Its knot leaves', how: 'About half; 0.4 to 0.6.' },
        ],
        toggles: [{ key: 'travelling', label: 'Drum travels on a thread', how: 'Of the cord’s pitch: the cord then always runs on square.' }],
        example: { mechanism: { mass_kg: 0.5, drum_radius_m: 0.01 }, places: ['Low', 0, 'High', 0.1], task: { move_s: 4 } },
    },
    slide: {
        title: 'Something that slides',
        says: 'A carriage, curtain, ferry or drawer on rails, pulled by belt, cord, rack or screw.',
        heading: 'The carriage',
        measure: [
            'Weigh the finished carriage.',
            'Pull it along level rails with a spring balance: that force over its weight is the friction.',
            'Measure the pulley to the middle of the belt.',
        ],
        fields: [
            { key: 'mass_kg', label: 'Mass of the carriage' },
            PAYLOAD,
            {
                key: 'pulley_radius_m',
                label: 'Pulley radius, to the belt’s middle',
                how: 'For a rack the pinion’s pitch radius; for a screw its lead over 2π.',
            },
            { key: 'friction_coefficient', label: 'Friction on the rails', how: 'Pull that keeps it moving on the level, over its weight.' },
            { key: 'incline_deg', label: 'Rails rise by' },
            { key: 'extra_force_N', label: 'A drag besides', how: 'Cables, brushes, a seal: the same all the way.' },
        ],
        example: { mechanism: { mass_kg: 0.4, pulley_radius_m: 0.008, friction_coefficient: 0.15 }, places: ['Near', 0, 'Far', 0.4], task: { move_s: 4 } },
    },
    wheels: {
        title: 'Something that drives on wheels',
        says: 'A tram, truck or rolling base. You need its mass, its wheels, and how they grip.',
        heading: 'The vehicle',
        measure: [
            'Weigh it finished, and once more with only the driven wheels on the scale.',
            'Pull it along the level with a spring balance: that force over its weight is the rolling coefficient.',
            'Block the wheels and pull until it slides: that is the grip.',
        ],
        fields: [
            { key: 'mass_kg', label: 'Mass of the vehicle' },
            PAYLOAD,
            { key: 'wheel_radius_m', label: 'Radius of the driven wheels' },
            { key: 'rolling_coefficient', label: 'Rolling coefficient', how: 'Pull that keeps it rolling on the level, over its weight.' },
            { key: 'friction_coefficient', label: 'Grip of the tyres', how: 'Pull at which blocked wheels slide, over the weight on them.' },
            { key: 'driven_weight_fraction', label: 'Weight on driven wheels', how: 'Share of the whole, 0 to 1.' },
            { key: 'grade_deg', label: 'Track rises by' },
        ],
        example: {
            mechanism: { mass_kg: 0.8, wheel_radius_m: 0.018, rolling_coefficient: 0.03, friction_coefficient: 0.4 },
            places: ['Here', 0, 'There', 1],
            task: { move_s: 6 },
        },
    },
    balancer: {
        title: 'Something that balances on wheels',
        says: 'A figure on one wheel, on two side by side, or on a ball. You need its mass, how high it sits, and how fast its controller answers.',
        heading: 'What balances',
        measure: [
            'Weigh it finished.',
            'Lay it across an edge until it balances: from there to the ground it is as high as its centre of mass.',
            'Block the wheels and pull until they slide: that over its weight is the grip.',
        ],
        fields: [
            { key: 'mass_kg', label: 'Mass of all that stands on the wheels' },
            { key: 'height_m', label: 'Centre of mass over the ground' },
            { key: 'wheel_radius_m', label: 'Radius of its wheels' },
            { key: 'inertia_kgm2', label: 'Inertia about its centre', how: '0 for something small and heavy on a stick.' },
            { key: 'rolling_coefficient', label: 'Rolling coefficient', how: 'Pull that keeps it rolling on the level, over its weight.' },
            { key: 'friction_coefficient', label: 'Grip of the wheels' },
            { key: 'delay_s', label: 'Answers after', how: 'From the sensor that feels it lean to the motor.' },
            { key: 'loop_hz', label: 'Looks with', how: 'How often its controller looks.' },
        ],
        example: {
            mechanism: { mass_kg: 1.6, height_m: 0.25, wheel_radius_m: 0.04, loop_hz: 200, delay_s: 0.006 },
            places: ['Here', 0, 'There', 1],
            task: { move_s: 4 },
        },
    },
    crank: {
        title: 'A slider on a crank',
        says: 'A piston, a pump, a bobbing float: to and fro while the motor turns one way.',
        heading: 'Crank, rod and slider',
        measure: [
            'Measure the crank from its centre to the middle of its pin, and the rod between its eyes.',
            'Weigh the slider with what is fixed to it.',
            RUB,
        ],
        fields: [
            { key: 'crank_m', label: 'Radius of the crank' },
            { key: 'rod_m', label: 'Rod, between its eyes', how: 'Longer than crank and offset together.' },
            { key: 'slider_mass_kg', label: 'Mass of the slider' },
            { key: 'offset_m', label: 'Slide beside the centre by' },
            { key: 'axis_deg', label: 'Slide points upwards by', how: '90° straight up, 0° level.' },
            { key: 'friction_N', label: 'Drag on the slider', how: RUB },
            { key: 'spring_N_per_m', label: 'Spring on the slider' },
            { key: 'spring_rest_m', label: 'Spring at rest at', how: 'Slider from the crank’s centre.' },
        ],
        example: {
            mechanism: { crank_m: 0.02, rod_m: 0.08, slider_mass_kg: 0.1, axis_deg: 90 },
            places: ['Top', 0, 'Top again', 360],
            task: { move_s: 2, profile: 'steady', keeps_turning: true },
        },
    },
    crank_rocker: {
        title: 'A figure rocked by a crank',
        says: 'A rower, a waving arm, a nodding head: a crank turns one way and a rod rocks the figure.',
        heading: 'Crank, rod and figure',
        measure: [
            'Measure the crank, the rod between its eyes, and from the figure’s pivot to the rod’s eye.',
            'Measure between the two pivots.',
            'Weigh the figure and balance it on a pencil.',
        ],
        fields: [
            { key: 'crank_m', label: 'Radius of the crank', how: 'It must be the shortest of the four.' },
            { key: 'coupler_m', label: 'Rod, between its eyes' },
            { key: 'rocker_m', label: 'Figure’s pivot to the rod’s eye' },
            { key: 'ground_m', label: 'Between the pivots' },
            { key: 'ground_deg', label: 'That line rises by' },
            { key: 'mass_kg', label: 'Mass of the figure' },
            { key: 'cg_m', label: 'Its pivot to its balance point' },
            { key: 'figure_deg', label: 'Balance point ahead of the bar by' },
            { key: 'inertia_kgm2', label: 'Inertia about its pivot', empty: 'as a point' },
            { key: 'friction_Nm', label: 'Friction at its pivot' },
            { key: 'spring_Nm_per_deg', label: 'Spring at its pivot' },
            { key: 'spring_rest_deg', label: 'Spring at rest with its bar at' },
        ],
        example: {
            mechanism: { crank_m: 0.012, coupler_m: 0.055, rocker_m: 0.03, ground_m: 0.06, mass_kg: 0.06, cg_m: 0.04 },
            places: ['Stroke', 0, 'Next stroke', 360],
            task: { move_s: 2, profile: 'steady', keeps_turning: true },
        },
    },
    pushed: {
        title: 'Something moved through a rod',
        says: 'A rudder, lid or jaw at the end of a rod from a servo’s arm. You need the holes, the distance of the pivots and the part’s mass.',
        heading: 'Arm, rod and part',
        measure: [
            'Measure from the servo’s shaft to the hole in its arm, and from the part’s pivot to the hole in its horn.',
            'Measure between shaft and pivot. The rod is as long as arm and horn standing square make it.',
            'Weigh the part and balance it on a pencil.',
        ],
        fields: [
            { key: 'arm_m', label: 'Servo’s shaft to its hole' },
            { key: 'horn_m', label: 'Part’s pivot to its hole', how: 'Further out: more force, less travel.' },
            { key: 'pivot_distance_m', label: 'Shaft to pivot' },
            { key: 'half_travel_deg', label: 'Arm goes either way by' },
            { key: 'mass_kg', label: 'Mass of the part' },
            { key: 'cg_m', label: 'Its pivot to its balance point' },
            { key: 'balance_deg', label: 'Balance point above level', how: 'With the arm at neutral.' },
            { key: 'inertia_kgm2', label: 'Inertia about its pivot', empty: 'as a point' },
            { key: 'friction_Nm', label: 'Friction at its pivot' },
            { key: 'spring_Nm_per_deg', label: 'Spring at its pivot' },
            { key: 'spring_rest_deg', label: 'Spring at rest with the part turned by' },
        ],
        toggles: [{ key: 'opposite_sides', label: 'Arm and horn on opposite sides', how: 'The part then turns the other way.' }],
        example: {
            mechanism: { arm_m: 0.012, horn_m: 0.016, pivot_distance_m: 0.07, mass_kg: 0.04, cg_m: 0.03, half_travel_deg: 50 },
            places: ['Shut', -40, 'Open', 40],
            task: { move_s: 0.6 },
        },
    },
    ball: {
        title: 'A ball driven from inside',
        says: 'A weight hung on an axle in the ball: the motor lifts the weight, and the ball rolls.',
        heading: 'Ball and weight',
        measure: [
            'Weigh the empty shell, and by itself the weight with motor and battery.',
            'Hang the weight from its axle: how far below it does it balance?',
            'Pull the ball along the floor with a thread: that force over its weight is the rolling coefficient.',
        ],
        fields: [
            { key: 'ball_radius_m', label: 'Radius of the ball' },
            { key: 'shell_mass_kg', label: 'Mass of the shell', how: 'All that turns with the ball.' },
            { key: 'pendulum_mass_kg', label: 'Mass of the hung weight', how: 'Motor and battery with it: that is what they are good for.' },
            { key: 'pendulum_arm_m', label: 'Axle to its balance point', how: 'Shorter than the radius.' },
            { key: 'rolling_coefficient', label: 'Rolling coefficient' },
            { key: 'grade_deg', label: 'Ground rises by' },
            { key: 'steer_deg', label: 'Axle leans in a turn by', empty: 'straight on' },
        ],
        example: {
            mechanism: { ball_radius_m: 0.1, shell_mass_kg: 0.3, pendulum_mass_kg: 0.7, pendulum_arm_m: 0.055, rolling_coefficient: 0.02 },
            places: ['Here', 0, 'There', 1],
            task: { move_s: 6, keeps_turning: true },
        },
    },
    spring_lever: {
        title: 'A sprung lever, wound back and let go',
        says: 'A bell hammer, a snapping beak, a kicker: the drive winds it back, a latch lets it go.',
        heading: 'Lever and spring',
        measure: [
            'Hang a known mass on the spring: its weight over the stretch is the rate.',
            'Measure how far the spring’s end moves when it is wound, and its distance from the pivot.',
            'Swing the lever freely: what it weighs at the spring’s end, and a third of the spring.',
        ],
        fields: [
            { key: 'spring_N_per_m', label: 'Rate of the spring', how: 'Weight of a known mass over the stretch it makes.' },
            { key: 'preload_N', label: 'Its force before winding' },
            { key: 'stretch_m', label: 'Wound back by', how: 'Of the spring’s end.' },
            { key: 'lever_m', label: 'Pivot to the spring’s end' },
            { key: 'moving_mass_kg', label: 'What moves, at that end', how: 'Lever inertia over lever², and a third of the spring.' },
            { key: 'efficiency', label: 'Given back by the release', how: 'Share of the energy, 0 to 1.' },
        ],
        example: {
            mechanism: { spring_N_per_m: 250, stretch_m: 0.03, lever_m: 0.06, moving_mass_kg: 0.02, efficiency: 0.7 },
            places: ['Struck', 0, 'Wound', 0.03],
            task: { move_s: 2 },
        },
    },
    feeder: {
        title: 'A conveyor or a feeder drum',
        says: 'A belt or a drum that moves on by one item, one portion or one turn at a time.',
        heading: 'Drum, belt and items',
        measure: [
            'Measure the drum to the belt, and from one item or pocket to the next.',
            'Weigh an item or a portion, and the belt.',
            'Pull the empty belt slowly with a spring balance.',
        ],
        fields: [
            { key: 'drum_radius_m', label: 'Radius of the drum' },
            { key: 'item_pitch_m', label: 'From one item to the next', how: 'Along belt or rim. For four pockets a quarter of the way round.' },
            { key: 'item_kg', label: 'Mass of an item or portion' },
            { key: 'items_carried', label: 'Items on it at one time' },
            { key: 'moving_kg', label: 'Mass of belt and drum' },
            { key: 'drag_N', label: 'Drag of the empty belt', how: 'With scraper and brush.' },
            { key: 'incline_deg', label: 'Belt rises by' },
        ],
        example: {
            mechanism: { drum_radius_m: 0.025, item_pitch_m: 0.04, item_kg: 0.01, items_carried: 3, drag_N: 0.8 },
            places: ['Item', 0, 'Next item', 0.04],
            task: { move_s: 1.5 },
        },
    },
    measured: {
        title: 'I measured its pull',
        says: 'Whatever it is: pull it with a spring balance at a few places of the travel.',
        heading: 'What the balance said',
        measure: [
            'Hook the balance on at a known distance from the shaft and pull square to it.',
            'At a few places read it while it rises slowly and while it sinks slowly.',
            'Half of the two is what it weighs there, half of their difference what it rubs.',
        ],
        fields: [
            { key: 'lever_m', label: 'Shaft to where the balance pulled' },
            { key: 'inertia_kgm2', label: 'Inertia about the shaft', how: 'About its mass times the square of its middle distance.' },
        ],
        example: {
            mechanism: {
                lever_m: 0.1,
                inertia_kgm2: 0.002,
                points: [
                    { at: 0, raise_N: 3, lower_N: 2.4 },
                    { at: 60, raise_N: 1.8, lower_N: 1.3 },
                ],
            },
            places: ['Down', 0, 'Up', 60],
            task: { move_s: 2 },
        },
    },
};

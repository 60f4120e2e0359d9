import { useQuery } from '@tanstack/react-query';
import { NavLink, useParams } from 'react-router';
import { api } from '../api/client';
import { CalculatorForm } from '../calculators/CalculatorForm';
import { Plain } from '../shell/Plain';

const GROUPS: [string, string][] = [
    ['load', 'Loads'],
    ['drive', 'Drives'],
    ['motion', 'Motion'],
    ['train', 'Trains'],
    ['linkage', 'Linkages'],
    ['winding', 'Winding'],
    ['stop', 'Stops'],
    ['sense', 'Sensing'],
    ['power', 'Wiring and power'],
    ['timer', 'Timers'],
    ['rolling', 'Rolling bases'],
    ['air', 'Air'],
    ['proof', 'Proof'],
    ['claims', 'Claims'],
];

const TITLES: Record<string, string> = {
    'load.arm': 'Arm, lid or jaw',
    'load.turntable': 'Turntable',
    'load.hoist': 'Hoist',
    'load.slide': 'Slide or carriage',
    'load.wheels': 'Wheels on a slope',
    'load.crank': 'Crank with slider',
    'load.ball': 'Ball with a hung weight',
    'load.spring_lever': 'Sprung lever',
    'load.crank_rocker': 'Crank and rocker',
    'load.pushed': 'Part moved through a rod',
    'load.feeder': 'Conveyor or feeder drum',
    'load.measured': 'Torque I measured',
    'drive.dc_point': 'Gear motor under a load',
    'drive.servo_point': 'Servo under a load',
    'drive.stepper_point': 'Stepper at a speed',
    'drive.bench': 'Ratings from the bench',
    'motion.run': 'One move, run',
    'motion.throw': 'Where it lands',
    'train.ratio': 'Ratio of a train',
    'train.mesh': 'Two gears at a distance',
    'train.tooth': 'Strength of a tooth',
    'train.worm': 'Worm and wheel',
    'train.search': 'Gears for a ratio',
    'train.belt': 'Toothed belt or chain',
    'linkage.pushrod': 'Servo arm, rod and horn',
    'linkage.four_bar': 'Four bars in a loop',
    'linkage.holes': 'Which hole for the rod',
    'linkage.swing': 'A lid swung by a crank',
    'stop.overrun': 'Run-on after a switch',
    'sense.debounce': 'How long to debounce',
    'sense.threshold': 'Where to set a threshold',
    'sense.stick': 'What a stick commands',
    'sense.press': 'Short, long and double presses',
    'sense.knock': 'Counting knocks',
    'sense.daylight': 'Day and night by a light sensor',
    'sense.repeatability': 'Moves between homings',
    'sense.filter': 'Filter for pulses',
    'power.battery': 'Days on a battery',
    'power.charge': 'Charger beside a battery',
    'power.wire': 'Volts lost in a wire',
    'power.fuse': 'Fuse for a wire',
    'power.regulator': 'Heat of a regulator',
    'power.capacitor': 'Capacitor for a start',
    'power.resistor': 'Resistor and its bands',
    'power.led': 'Resistor for a lamp',
    'power.divider': 'Divider before a pin',
    'power.pullup': 'Pull-up of an input',
    'power.coil': 'Coil hit briefly',
    'power.ports': 'Pins and boards',
    'timer.interval': 'Interval of a counter',
    'winding.drum': 'Drum with layers of cord',
    'winding.cord': 'Strength of a cord',
    'winding.two_in_turn': 'Two things in turn',
    'rolling.wheels': 'Sideways-rolling wheels',
    'rolling.magnet_head': 'Head held by magnets',
    'rolling.balance': 'Balancing on a ball or wheels',
    'air.cylinder': 'Cylinder',
    'air.tank': 'Tank and compressor',
    'proof.endurance': 'How often it fails',
    'claims.check': 'Figures of a page',
};

/** Every named calculator, to be filled in by itself. */
export function CalculatorsPage() {
    const { name } = useParams();
    const { data, error } = useQuery({ queryKey: ['calculators'], queryFn: api.calculators, staleTime: Infinity });
    const known = data?.find((calculator) => calculator.name === name);
    return (
        <Plain title="Calculators">
            <main className="mx-auto grid max-w-6xl grid-cols-[15rem_minmax(0,1fr)] gap-8 px-6 py-6">
                <nav aria-label="Calculators">
                    <h1 className="mb-2 text-[1.6rem]">Calculators</h1>
                    {error !== null && <p role="alert">{error.message}</p>}
                    {GROUPS.map(([group, title]) => {
                        const entries = (data ?? []).filter((calculator) => calculator.name.startsWith(`${group}.`));
                        return entries.length === 0 ? null : (
                            <section key={group} aria-label={title}>
                                <h2 className="mt-2 text-quiet">{title}</h2>
                                <ul>
                                    {entries.map((calculator) => (
                                        <li key={calculator.name}>
                                            <NavLink
                                                to={`/calculators/${calculator.name}`}
                                                className={({ isActive }) => `block px-2 py-1 hover:bg-well ${isActive ? 'bg-sheet font-semibold' : ''}`}
                                            >
                                                {TITLES[calculator.name] ?? calculator.name}
                                            </NavLink>
                                        </li>
                                    ))}
                                </ul>
                            </section>
                        );
                    })}
                </nav>
                {known === undefined ? (
                    <div className="border border-line bg-sheet p-5">
                        <p>
                            {name === undefined
                                ? 'Take one from the list. Each says what it wants to know and what it gives, with units; a script can ask for the same under /api/calc.'
                                : 'There is no calculator of that name.'}
                        </p>
                    </div>
                ) : (
                    <CalculatorForm key={known.name} name={known.name} title={TITLES[known.name] ?? known.name} says={known.says} />
                )}
            </main>
        </Plain>
    );
}

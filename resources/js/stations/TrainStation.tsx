import type { Layout, Stage } from '../api/types';
import { useTrying } from '../chain/trying';
import { ChoiceField, TextField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { FieldGroup, STATION_BUTTON } from './StationFields';

const PLAIN = { module_mm: 1, backlash_mm: 0.1, face_mm: 6, material: 'acetal', idler: false, joint_mm: null, quotient: 10 } as const;

const NEW_STAGES: Record<'spur' | 'worm' | 'belt', Stage> = {
    spur: { ...PLAIN, type: 'spur', driver: 12, driven: 36, efficiency: 0.95 },
    worm: { ...PLAIN, type: 'worm', driver: 1, driven: 30, efficiency: 0.4 },
    belt: { ...PLAIN, type: 'belt', driver: 16, driven: 32, module_mm: 0.6366, backlash_mm: 0, efficiency: 0.95 },
};

const TYPES = [
    { value: 'spur', label: 'spur gears' },
    { value: 'worm', label: 'worm and wheel' },
    { value: 'bevel', label: 'bevel gears' },
    { value: 'belt', label: 'belt' },
    { value: 'chain', label: 'chain' },
];

const MATERIALS = [
    { value: 'printed_pla', label: 'printed PLA' },
    { value: 'printed_nylon', label: 'printed nylon' },
    { value: 'nylon', label: 'nylon' },
    { value: 'acetal', label: 'acetal' },
    { value: 'brass', label: 'brass' },
    { value: 'steel', label: 'mild steel' },
];

const LINKED = ['crank', 'crank_rocker', 'pushed'];

const TURNS = [
    { value: 'any', label: 'either way' },
    { value: 'same', label: 'as the drive does' },
    { value: 'reversed', label: 'against the drive' },
];

/** The stages between motor and load. */
export function TrainStation({ handle }: { handle: MotionHandle }) {
    const { motion, chain, path } = handle;
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const begin = useTrying((state) => state.begin);
    const stages = motion.train;
    const sheet = chain.train;
    return (
        <>
            {stages.length === 0 && <p className="border-l-3 border-line pl-3 text-quiet">The load sits straight on the shaft of its drive. A stage of gears trades speed for torque: three times slower is nearly three times stronger.</p>}
            {stages.length > 0 && (
                <dl className="grid grid-cols-[auto_1fr] gap-x-3 border-y border-line py-1" aria-label="What the train does">
                    {sheet.rows.map((row) => (
                        <div key={row.name} className="col-span-2 grid grid-cols-subgrid py-0.5">
                            <dt className="text-quiet">{row.name}</dt>
                            <dd>{say(row.says)}</dd>
                        </div>
                    ))}
                </dl>
            )}
            {stages.length > 0 && motion.layout === null && (
                <p className="border-l-3 border-line pl-3">
                    {sheet.lay_out === null ? sheet.why_not : 'Where its shafts stand is not said yet.'}{' '}
                    {sheet.lay_out !== null && (
                        <button type="button" className={STATION_BUTTON} onClick={() => edit(...sheet.lay_out!.changes)}>
                            Lay it out on a plate
                        </button>
                    )}
                </p>
            )}
            <FieldGroup title="Which way">
                <ChoiceField label="The load turns" path={`${path}.task.turn`} value={motion.task.turn} choices={TURNS} how="Seen from the drive, when it goes forward." />
                {motion.drive !== null && <ToggleField label="Drive reversed" path={`${path}.drive.reversed`} value={motion.drive.reversed} how="Its two wires swapped, or the servo turned round." />}
            </FieldGroup>
            {stages.map((stage, i) => (
                <StageFields key={i} handle={handle} i={i} stage={stage} />
            ))}
            <div className="flex flex-wrap gap-2">
                {(['spur', 'worm', 'belt'] as const).map((kind) => (
                    <button key={kind} type="button" className={STATION_BUTTON} onClick={() => edit({ path: `${path}.train`, value: [...stages, NEW_STAGES[kind]] })}>
                        {{ spur: 'Add spur gears', worm: 'Add a worm', belt: 'Add a belt' }[kind]}
                    </button>
                ))}
            </div>
            {motion.layout !== null && <Obstacles handle={handle} layout={motion.layout} />}
            {motion.layout !== null && <PlateFields handle={handle} layout={motion.layout} onAnew={chain.links.find((link) => link.link === 'train')!.findings.flatMap((finding) => finding.fixes).find((fix) => fix.changes.some((change) => change.path === `${path}.layout`))} begin={(fix) => void begin(stored, fix)} />}
            {LINKED.includes(motion.mechanism.kind) && <Parts build={stored.id} motion={motion.id} gears={0} isLaid={false} isLinked />}
            {stages.some((stage) => stage.type === 'spur') && <Parts build={stored.id} motion={motion.id} gears={stages.reduce((sum, stage) => sum + (stage.type === 'spur' ? (stage.idler ? 1 : 2) : 0), 0)} isLaid={motion.layout !== null} />}
        </>
    );
}

function StageFields({ handle: { motion, path }, i, stage }: { handle: MotionHandle; i: number; stage: Stage }) {
    const { edit } = useBuild();
    const at = `${path}.train.${i}`;
    const typed = (key: string) => motion.units[`train.${i}.${key}`];
    const jointed = stage.type === 'belt' || stage.type === 'chain';
    return (
        <FieldGroup title={`Stage ${i + 1}${i === 0 ? ', at the motor' : ''}`}>
            <ChoiceField label="Kind" path={`${at}.type`} value={stage.type} choices={TYPES} />
            <QuantityField label={stage.type === 'worm' ? 'Starts of the worm' : 'Teeth of the driving wheel'} path={`${at}.driver`} value={stage.driver} />
            <QuantityField label="Teeth of the driven wheel" path={`${at}.driven`} value={stage.driven} />
            <QuantityField label="Module" path={`${at}.module_mm`} typedIn={typed('module_mm')} value={stage.module_mm} how={jointed ? 'Pitch of the belt ÷ 3.14.' : 'Outside diameter ÷ (teeth + 2).'} />
            {stage.type === 'worm' && <QuantityField label="Worm’s pitch diameter ÷ module" path={`${at}.quotient`} value={stage.quotient} />}
            {!jointed && <QuantityField label="Play at the teeth" path={`${at}.backlash_mm`} typedIn={typed('backlash_mm')} value={stage.backlash_mm} />}
            {jointed && <QuantityField label="Driving wheel to its joint" path={`${at}.joint_mm`} typedIn={typed('joint_mm')} value={stage.joint_mm} empty="endless" how="Along the pulling side, when the move begins." />}
            {!jointed && <QuantityField label="Width of the teeth" path={`${at}.face_mm`} typedIn={typed('face_mm')} value={stage.face_mm} />}
            {!jointed && <ChoiceField label="Material" path={`${at}.material`} value={stage.material} choices={MATERIALS} how="Of the weaker wheel." />}
            <QuantityField label="Passes of the power" path={`${at}.efficiency`} value={stage.efficiency} how="0.95 for clean spur gears, 0.4 for a worm." />
            {motion.layout !== null && motion.layout.planes[i] !== undefined && <QuantityField label="Plane above the plate" path={`${path}.layout.planes.${i}`} value={motion.layout.planes[i]} how="0 is next to the plate." />}
            <div className="py-1 text-right">
                <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: `${path}.train`, value: motion.train.filter((_, j) => j !== i) })}>
                    Take stage {i + 1} out
                </button>
            </div>
        </FieldGroup>
    );
}

type AnyFix = NonNullable<MotionHandle['chain']['train']['lay_out']>;

function PlateFields({ handle: { motion, path }, layout, onAnew, begin }: { handle: MotionHandle; layout: Layout; onAnew: AnyFix | undefined; begin: (fix: AnyFix) => void }) {
    const { edit } = useBuild();
    const at = `${path}.layout`;
    const typed = (key: string) => motion.units[`layout.${key}`];
    return (
        <FieldGroup title="Its plate">
            <QuantityField label="Between holes" path={`${at}.grid_mm`} typedIn={typed('grid_mm')} value={layout.grid_mm} empty="drilled anywhere" />
            <ToggleField label="Half steps too" path={`${at}.half`} value={layout.half} />
            <QuantityField label="Room across" path={`${at}.width_mm`} typedIn={typed('width_mm')} value={layout.width_mm} empty="no end" />
            <QuantityField label="Room upwards" path={`${at}.height_mm`} typedIn={typed('height_mm')} value={layout.height_mm} empty="no end" />
            <QuantityField label="Shafts, diameter" path={`${at}.shaft_mm`} typedIn={typed('shaft_mm')} value={layout.shaft_mm} />
            <QuantityField label="Plane to plane" path={`${at}.plane_mm`} typedIn={typed('plane_mm')} value={layout.plane_mm} />
            <div className="flex flex-wrap justify-end gap-2 py-1">
                {onAnew !== undefined && (
                    <button type="button" className={STATION_BUTTON} onClick={() => begin(onAnew)}>
                        Lay it out anew
                    </button>
                )}
                <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: at, value: null })}>
                    Take the layout away
                </button>
            </div>
        </FieldGroup>
    );
}

/** Nuts, bosses and posts that the wheels must clear. */
function Obstacles({ handle: { motion, path }, layout }: { handle: MotionHandle; layout: Layout }) {
    const { edit } = useBuild();
    const at = `${path}.layout.obstacles`;
    return (
        <>
            {layout.obstacles.map((each, i) => (
                <FieldGroup key={i} title={`In the way: ${each.name}`}>
                    <TextField label="What it is" path={`${at}.${i}.name`} value={each.name} />
                    <QuantityField label="From the left" path={`${at}.${i}.x_mm`} typedIn={motion.units[`layout.obstacles.${i}.x_mm`]} value={each.x_mm} />
                    <QuantityField label="From below" path={`${at}.${i}.y_mm`} typedIn={motion.units[`layout.obstacles.${i}.y_mm`]} value={each.y_mm} />
                    <QuantityField label="Its radius" path={`${at}.${i}.radius_mm`} typedIn={motion.units[`layout.obstacles.${i}.radius_mm`]} value={each.radius_mm} />
                    <QuantityField label="On plane" path={`${at}.${i}.plane`} value={each.plane} empty="all of them" />
                    <div className="py-1 text-right">
                        <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: at, value: layout.obstacles.filter((_, j) => j !== i) })}>
                            Take {each.name} away
                        </button>
                    </div>
                </FieldGroup>
            ))}
            <div>
                <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: at, value: [...layout.obstacles, { name: `a nut${layout.obstacles.length === 0 ? '' : ` ${layout.obstacles.length + 1}`}`, x_mm: 0, y_mm: 0, radius_mm: 3, plane: null }] })}>
                    Put a nut or a post on the plate
                </button>
            </div>
        </>
    );
}

/** Drawings and solids in open formats. */
function Parts({ build, motion, gears, isLaid, isLinked = false }: { build: string; motion: string; gears: number; isLaid: boolean; isLinked?: boolean }) {
    const link = (file: string, label: string) => (
        <a key={file} className={STATION_BUTTON} href={`/api/builds/${build}/motions/${motion}/train/${file}`} download>
            {label}
        </a>
    );
    return (
        <section aria-label={isLinked ? 'Bars to cut' : 'To cut, drill and print'}>
            <h2 className="mb-1 text-[1.05rem]">{isLinked ? 'Bars to cut' : 'To cut, drill and print'}</h2>
            <div className="flex flex-wrap gap-2">
                {isLinked && link('linkage.svg', 'Bars, SVG')}
                {isLinked && link('linkage.dxf', 'Bars, DXF')}
                {gears > 0 && link('gears.svg', 'Gears, SVG')}
                {gears > 0 && link('gears.dxf', 'Gears, DXF')}
                {isLaid && link('holes.svg', 'Holes, SVG')}
                {isLaid && link('holes.dxf', 'Holes, DXF')}
                {Array.from({ length: gears }, (_, i) => link(`gear-${i + 1}.stl`, `Gear ${i + 1}, STL`))}
                {!isLinked && link('parts.csv', 'List of parts, CSV')}
            </div>
        </section>
    );
}

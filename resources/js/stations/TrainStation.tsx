import type { Layout, Stage } from '../api/types';
import { useState } from 'react';
import { useTrying } from '../chain/trying';
import { ChoiceField, TextField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { ExactSwing, RodHoles } from './LinkageHelp';
import { Pick } from './Pick';
import { LinkageFields, UpperPlateFields } from './PlateFields';
import { NEW_STAGES, STAGE_KINDS, StageFields } from './StageFields';
import { FieldFold, FieldGroup, openFold, STATION_BUTTON } from './StationFields';

const LINKED = ['crank', 'crank_rocker', 'pushed'];

const TURNS = [
    { value: 'any', label: 'either way' },
    { value: 'same', label: 'as the drive does' },
    { value: 'reversed', label: 'against the drive' },
];

/** The stages between motor and load. */
export function TrainStation({ handle }: { handle: MotionHandle }) {
    const { motion, chain, path } = handle;
    const { edit } = useBuild();
    const { say } = useSpeaking();
    const stages = motion.train;
    const sheet = chain.train;
    return (
        <>
            {stages.length === 0 && (
                <p className="border-l-3 border-line pl-3 text-quiet">
                    The load sits straight on the shaft of its drive. A stage of gears trades speed for torque: three times slower is nearly three times
                    stronger.
                </p>
            )}
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
                <ChoiceField
                    label="The load turns"
                    path={`${path}.task.turn`}
                    value={motion.task.turn}
                    choices={TURNS}
                    how="Seen from the drive, when it goes forward."
                />
                {motion.drive !== null && (
                    <ToggleField
                        label="Drive reversed"
                        path={`${path}.drive.reversed`}
                        value={motion.drive.reversed}
                        how="Its two wires swapped, or the servo turned round."
                    />
                )}
            </FieldGroup>
        </>
    );
}

/** The stages one by one, the plate and what stands on it, and files to cut and print. */
export function TrainMore({ handle }: { handle: MotionHandle }) {
    const { motion, chain, path } = handle;
    const { stored, edit } = useBuild();
    const begin = useTrying((state) => state.begin);
    const stages = motion.train;
    return (
        <>
            {stages.map((stage, i) => (
                <StageFields key={i} handle={handle} i={i} stage={stage} />
            ))}
            <AddStage stages={stages} onAdd={(value) => edit({ path: `${path}.train`, value })} />
            {motion.mechanism.kind === 'pushed' && <RodHoles handle={handle} thing={motion.mechanism} />}
            {motion.mechanism.kind === 'crank_rocker' && <ExactSwing handle={handle} thing={motion.mechanism} />}
            {motion.layout !== null && <Obstacles handle={handle} layout={motion.layout} />}
            {motion.layout !== null && <UpperPlateFields handle={handle} layout={motion.layout} />}
            {motion.layout !== null && LINKED.includes(motion.mechanism.kind) && <LinkageFields handle={handle} layout={motion.layout} />}
            {motion.layout !== null && (
                <PlateFields
                    handle={handle}
                    layout={motion.layout}
                    onAnew={chain.links
                        .find((link) => link.link === 'train')!
                        .findings.flatMap((finding) => finding.fixes)
                        .find((fix) => fix.changes.some((change) => change.path === `${path}.layout`))}
                    begin={(fix) => void begin(stored, fix)}
                />
            )}
            {LINKED.includes(motion.mechanism.kind) && <Parts build={stored.id} motion={motion.id} gears={0} isLaid={false} isLinked />}
            {stages.some((stage) => stage.type === 'spur') && (
                <Parts
                    build={stored.id}
                    motion={motion.id}
                    gears={stages.reduce((sum, stage) => sum + (stage.type === 'spur' ? (stage.idler ? 1 : 2) : 0), 0)}
                    isLaid={motion.layout !== null}
                />
            )}
        </>
    );
}

type AnyFix = NonNullable<MotionHandle['chain']['train']['lay_out']>;

function PlateFields({
    handle: { motion, path },
    layout,
    onAnew,
    begin,
}: {
    handle: MotionHandle;
    layout: Layout;
    onAnew: AnyFix | undefined;
    begin: (fix: AnyFix) => void;
}) {
    const { edit } = useBuild();
    const at = `${path}.layout`;
    const typed = (key: string) => motion.units[`layout.${key}`];
    const { text } = useSpeaking();
    const mm = (value: number) => text({ si: value / 1000, dimension: 'length' });
    const says = [
        layout.grid_mm === null ? 'drilled anywhere' : `holes every ${mm(layout.half ? layout.grid_mm / 2 : layout.grid_mm)}`,
        ...(layout.width_mm === null || layout.height_mm === null ? [] : [`room ${mm(layout.width_mm)} × ${mm(layout.height_mm)}`]),
        `shafts of ${mm(layout.shaft_mm)}`,
        `planes ${mm(layout.plane_mm)} apart`,
    ];
    return (
        <div>
            <FieldFold
                title="Its plate"
                says={says.join(' · ')}
                path={['grid_mm', 'half', 'width_mm', 'height_mm', 'shaft_mm', 'plane_mm'].map((key) => `${at}.${key}`)}
            >
                <QuantityField label="Between holes" path={`${at}.grid_mm`} typedIn={typed('grid_mm')} value={layout.grid_mm} empty="drilled anywhere" />
                <ToggleField label="Half steps too" path={`${at}.half`} value={layout.half} />
                <QuantityField label="Room across" path={`${at}.width_mm`} typedIn={typed('width_mm')} value={layout.width_mm} empty="no end" />
                <QuantityField label="Room upwards" path={`${at}.height_mm`} typedIn={typed('height_mm')} value={layout.height_mm} empty="no end" />
                <QuantityField label="Shafts, diameter" path={`${at}.shaft_mm`} typedIn={typed('shaft_mm')} value={layout.shaft_mm} />
                <QuantityField label="Plane to plane" path={`${at}.plane_mm`} typedIn={typed('plane_mm')} value={layout.plane_mm} />
            </FieldFold>
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
        </div>
    );
}

/** Nuts, bosses and posts that the wheels must clear. */
function Obstacles({ handle: { motion, path }, layout }: { handle: MotionHandle; layout: Layout }) {
    const { stored, edit } = useBuild();
    const { text } = useSpeaking();
    const mm = (value: number) => text({ si: value / 1000, dimension: 'length' });
    const at = `${path}.layout.obstacles`;
    const next = `a nut${layout.obstacles.length === 0 ? '' : ` ${layout.obstacles.length + 1}`}`;
    return (
        <>
            {layout.obstacles.map((each, i) => (
                <FieldFold
                    key={i}
                    title={`In the way: ${each.name}`}
                    says={`${mm(each.x_mm)} from the left, ${mm(each.y_mm)} from below, ${mm(each.radius_mm)} round it${each.plane === null ? '' : `, on plane ${each.plane}`}`}
                    path={`${at}.${i}.`}
                >
                    <TextField label="What it is" path={`${at}.${i}.name`} value={each.name} />
                    <QuantityField label="From the left" path={`${at}.${i}.x_mm`} typedIn={motion.units[`layout.obstacles.${i}.x_mm`]} value={each.x_mm} />
                    <QuantityField label="From below" path={`${at}.${i}.y_mm`} typedIn={motion.units[`layout.obstacles.${i}.y_mm`]} value={each.y_mm} />
                    <QuantityField
                        label="A wall: it ends, from the left"
                        path={`${at}.${i}.to_x_mm`}
                        typedIn={motion.units[`layout.obstacles.${i}.to_x_mm`]}
                        value={each.to_x_mm}
                        empty="no wall"
                    />
                    <QuantityField
                        label="A wall: it ends, from below"
                        path={`${at}.${i}.to_y_mm`}
                        typedIn={motion.units[`layout.obstacles.${i}.to_y_mm`]}
                        value={each.to_y_mm}
                        empty="no wall"
                    />
                    <QuantityField
                        label="Its radius"
                        path={`${at}.${i}.radius_mm`}
                        typedIn={motion.units[`layout.obstacles.${i}.radius_mm`]}
                        value={each.radius_mm}
                    />
                    <QuantityField label="On plane" path={`${at}.${i}.plane`} value={each.plane} empty="all of them" />
                    <div className="py-1 text-right">
                        <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: at, value: layout.obstacles.filter((_, j) => j !== i) })}>
                            Take {each.name} away
                        </button>
                    </div>
                </FieldFold>
            ))}
            <div>
                <button
                    type="button"
                    className={STATION_BUTTON}
                    onClick={() => {
                        openFold(stored.id, `${at}.${layout.obstacles.length}.`);
                        edit({
                            path: at,
                            value: [...layout.obstacles, { name: next, x_mm: 0, y_mm: 0, radius_mm: 3, plane: null, to_x_mm: null, to_y_mm: null }],
                        });
                    }}
                >
                    Put a nut or a post on the plate
                </button>
            </div>
        </>
    );
}

/** One more stage, of any kind; a rack or lead screw only where the load slides. */
function AddStage({ stages, onAdd }: { stages: Stage[]; onAdd: (stages: Stage[]) => void }) {
    const [kind, setKind] = useState<Stage['type']>('spur');
    return (
        <div className="flex flex-wrap items-center gap-2">
            <Pick label="One more stage" value={kind} choices={STAGE_KINDS} onPick={setKind} />
            <button type="button" className={STATION_BUTTON} onClick={() => onAdd([...stages, NEW_STAGES[kind]])}>
                Add it
            </button>
        </div>
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

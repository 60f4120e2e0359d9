import type { Stage } from '../api/types';
import { ChoiceField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { FieldFold, FieldGroup, STATION_BUTTON } from './StationFields';

const PLAIN = {
    module_mm: 1,
    backlash_mm: 0.1,
    face_mm: 6,
    material: 'acetal',
    idler: false,
    joint_mm: null,
    second_joint_mm: null,
    quotient: 10,
    friction: null,
    tension_N: 10,
    passes: 'forward',
} as const;

/** What a new stage of each kind is at first. */
export const NEW_STAGES: Record<Stage['type'], Stage> = {
    spur: { ...PLAIN, type: 'spur', driver: 12, driven: 36, efficiency: 0.95 },
    worm: { ...PLAIN, type: 'worm', driver: 1, driven: 30, efficiency: 0.4, friction: 0.15 },
    bevel: { ...PLAIN, type: 'bevel', driver: 16, driven: 32, efficiency: 0.95 },
    crown: { ...PLAIN, type: 'crown', driver: 12, driven: 36, efficiency: 0.9 },
    belt: { ...PLAIN, type: 'belt', driver: 16, driven: 32, module_mm: 0.6366, backlash_mm: 0, efficiency: 0.95 },
    round: { ...PLAIN, type: 'round', driver: 12, driven: 36, backlash_mm: 0, efficiency: 0.9 },
    chain: { ...PLAIN, type: 'chain', driver: 10, driven: 20, module_mm: 1.9099, backlash_mm: 0, efficiency: 0.95 },
    rack: { ...PLAIN, type: 'rack', driver: 16, driven: 16, efficiency: 0.95 },
    screw: { ...PLAIN, type: 'screw', driver: 1, driven: 1, module_mm: 0.6366, quotient: 12, efficiency: 0.4, friction: 0.15 },
    pawl: { ...PLAIN, type: 'pawl', driver: 24, driven: 24, backlash_mm: 0.2, efficiency: 0.98 },
};

export const STAGE_KINDS: { value: Stage['type']; label: string }[] = [
    { value: 'spur', label: 'spur gears' },
    { value: 'worm', label: 'worm and wheel' },
    { value: 'bevel', label: 'bevel gears' },
    { value: 'crown', label: 'pinion and crown wheel' },
    { value: 'belt', label: 'toothed belt' },
    { value: 'round', label: 'round belt' },
    { value: 'chain', label: 'chain' },
    { value: 'pawl', label: 'one-way pawl' },
    { value: 'rack', label: 'rack and pinion' },
    { value: 'screw', label: 'lead screw' },
];

const MATERIALS = [
    { value: 'printed_pla', label: 'printed PLA' },
    { value: 'printed_nylon', label: 'printed nylon' },
    { value: 'nylon', label: 'nylon' },
    { value: 'acetal', label: 'acetal' },
    { value: 'brass', label: 'brass' },
    { value: 'steel', label: 'mild steel' },
];

const DRIVER: Partial<Record<Stage['type'], string>> = {
    worm: 'Starts of the worm',
    screw: 'Starts of the screw',
    rack: 'Teeth of the pinion',
    pawl: 'Teeth of the ratchet',
    round: 'Driving pulley, in modules across',
};

const ONE_TO_ONE: Stage['type'][] = ['rack', 'screw', 'pawl'];

const OVER: Stage['type'][] = ['belt', 'round', 'chain'];

function moduleHow(type: Stage['type']): string {
    return type === 'round'
        ? '1 mm: the pulleys are then told by their diameters.'
        : type === 'screw'
          ? 'Pitch of its thread ÷ 3.14.'
          : OVER.includes(type)
            ? 'Pitch ÷ 3.14.'
            : 'Outside diameter ÷ (teeth + 2).';
}

/** The same stage as another kind: its wheels stay where they are wheels of the same sort. */
function asKind(stage: Stage, kind: Stage['type']): Stage {
    const sort = (type: Stage['type']) => (type === 'worm' || type === 'screw' ? 'thread' : OVER.includes(type) ? 'over' : 'gears');
    const fresh = NEW_STAGES[kind];
    return sort(stage.type) === sort(kind) ? { ...stage, type: kind, efficiency: fresh.efficiency } : fresh;
}

/** Keys of what is seldom changed. */
const MORE = ['quotient', 'friction', 'backlash_mm', 'passes', 'tension_N', 'joint_mm', 'second_joint_mm', 'face_mm', 'material', 'efficiency'];

/** One stage: only what its kind asks for. */
export function StageFields({ handle: { motion, path }, i, stage }: { handle: MotionHandle; i: number; stage: Stage }) {
    const { edit } = useBuild();
    const { text } = useSpeaking();
    const at = `${path}.train.${i}`;
    const typed = (key: string) => motion.units[`train.${i}.${key}`];
    const over = OVER.includes(stage.type);
    const thread = stage.type === 'worm' || stage.type === 'screw';
    const mm = (value: number) => text({ si: value / 1000, dimension: 'length' });
    const more = [
        !over && MATERIALS.find((each) => each.value === stage.material)!.label,
        !over && `${mm(stage.face_mm)} wide`,
        !over && stage.type !== 'pawl' && `play ${mm(stage.backlash_mm)}`,
        over && stage.type !== 'round' && (stage.joint_mm === null ? 'endless' : 'with a joint'),
        thread && stage.friction !== null ? `friction ${stage.friction}` : `passes ${significant(stage.efficiency * 100, 3)} %`,
    ].filter(Boolean);
    return (
        <FieldGroup title={`Stage ${i + 1}${i === 0 ? ', at the motor' : ''}`}>
            <ChoiceField label="Kind" path={at} value={stage.type} choices={STAGE_KINDS} toValue={(kind) => asKind(stage, kind as Stage['type'])} />
            <QuantityField label={DRIVER[stage.type] ?? 'Teeth of the driving wheel'} path={`${at}.driver`} value={stage.driver} />
            {!ONE_TO_ONE.includes(stage.type) && (
                <QuantityField
                    label={stage.type === 'round' ? 'Driven pulley, in modules across' : 'Teeth of the driven wheel'}
                    path={`${at}.driven`}
                    value={stage.driven}
                />
            )}
            <QuantityField label="Module" path={`${at}.module_mm`} typedIn={typed('module_mm')} value={stage.module_mm} how={moduleHow(stage.type)} />
            <FieldFold title={`More of stage ${i + 1}`} says={more.join(' · ')} path={MORE.map((key) => `${at}.${key}`).concat(`${path}.layout.planes.${i}`)}>
                {thread && (
                    <QuantityField
                        label="Pitch diameter ÷ module"
                        path={`${at}.quotient`}
                        value={stage.quotient}
                        how="The thicker, the flatter its thread: it locks better and passes less."
                    />
                )}
                {thread && (
                    <QuantityField
                        label="Friction of the flanks"
                        path={`${at}.friction`}
                        value={stage.friction}
                        empty="not told"
                        how="0.05 oiled steel on brass, 0.15 dry plastic; lead and friction then say what passes and whether it locks."
                    />
                )}
                {!over && stage.type !== 'pawl' && (
                    <QuantityField label="Play at the teeth" path={`${at}.backlash_mm`} typedIn={typed('backlash_mm')} value={stage.backlash_mm} />
                )}
                {stage.type === 'pawl' && (
                    <ChoiceField
                        label="Takes along"
                        path={`${at}.passes`}
                        value={stage.passes}
                        choices={[
                            { value: 'forward', label: 'turning forward' },
                            { value: 'back', label: 'turning back' },
                        ]}
                        how="The other way it clicks by."
                    />
                )}
                {stage.type === 'round' && (
                    <QuantityField label="Pull of each side at rest" path={`${at}.tension_N`} typedIn={typed('tension_N')} value={stage.tension_N} />
                )}
                {over && stage.type !== 'round' && (
                    <QuantityField
                        label="Driving wheel to its joint"
                        path={`${at}.joint_mm`}
                        typedIn={typed('joint_mm')}
                        value={stage.joint_mm}
                        empty="endless"
                        how="Along the pulling side and on to the back run, when the move begins."
                    />
                )}
                {over && stage.type !== 'round' && stage.joint_mm !== null && (
                    <QuantityField
                        label="And to its second joint"
                        path={`${at}.second_joint_mm`}
                        typedIn={typed('second_joint_mm')}
                        value={stage.second_joint_mm}
                        empty="in one piece"
                    />
                )}
                {!over && (
                    <QuantityField
                        label={thread ? 'Width of the wheel or nut' : 'Width of the teeth'}
                        path={`${at}.face_mm`}
                        typedIn={typed('face_mm')}
                        value={stage.face_mm}
                    />
                )}
                {!over && <ChoiceField label="Material" path={`${at}.material`} value={stage.material} choices={MATERIALS} how="Of the weaker wheel." />}
                {!(thread && stage.friction !== null) && (
                    <QuantityField
                        label="Passes of the power"
                        path={`${at}.efficiency`}
                        value={stage.efficiency}
                        how="0.95 for clean spur gears, 0.4 for a worm."
                    />
                )}
                {motion.layout !== null && motion.layout.planes[i] !== undefined && (
                    <QuantityField
                        label="Plane above the plate"
                        path={`${path}.layout.planes.${i}`}
                        value={motion.layout.planes[i]}
                        how="0 is next to the plate."
                    />
                )}
            </FieldFold>
            <div className="py-1 text-right">
                <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: `${path}.train`, value: motion.train.filter((_, j) => j !== i) })}>
                    Take stage {i + 1} out
                </button>
            </div>
        </FieldGroup>
    );
}

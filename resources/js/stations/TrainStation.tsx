import type { Stage } from '../api/types';
import { ChoiceField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { FieldGroup, STATION_BUTTON } from './StationFields';

const NEW_STAGES: Record<'spur' | 'worm', Stage> = {
    spur: { type: 'spur', driver: 12, driven: 36, module_mm: 1, backlash_mm: 0.1, efficiency: 0.95 },
    worm: { type: 'worm', driver: 1, driven: 30, module_mm: 1, backlash_mm: 0.1, efficiency: 0.4 },
};

const TYPES = [
    { value: 'spur', label: 'spur gears' },
    { value: 'worm', label: 'worm and wheel' },
    { value: 'bevel', label: 'bevel gears' },
    { value: 'belt', label: 'belt' },
    { value: 'chain', label: 'chain' },
];

/** The stages between motor and load. */
export function TrainStation({ handle: { motion, path } }: { handle: MotionHandle }) {
    const { edit } = useBuild();
    const stages = motion.train;
    return (
        <>
            {stages.length === 0 && <p className="border-l-3 border-line pl-3 text-quiet">The load sits straight on the shaft of its drive. A stage of gears trades speed for torque: three times slower is nearly three times stronger.</p>}
            {stages.map((stage, i) => (
                <FieldGroup key={i} title={`Stage ${i + 1}${i === 0 ? ', at the motor' : ''}`}>
                    <ChoiceField label="Kind" path={`${path}.train.${i}.type`} value={stage.type} choices={TYPES} />
                    <QuantityField label={stage.type === 'worm' ? 'Starts of the worm' : 'Teeth of the driving wheel'} path={`${path}.train.${i}.driver`} value={stage.driver} />
                    <QuantityField label="Teeth of the driven wheel" path={`${path}.train.${i}.driven`} value={stage.driven} />
                    <QuantityField label="Module" path={`${path}.train.${i}.module_mm`} typedIn={motion.units[`train.${i}.module_mm`]} value={stage.module_mm} how="Outside diameter ÷ (teeth + 2)." />
                    <QuantityField label="Play at the teeth" path={`${path}.train.${i}.backlash_mm`} typedIn={motion.units[`train.${i}.backlash_mm`]} value={stage.backlash_mm} />
                    <QuantityField label="Passes of the power" path={`${path}.train.${i}.efficiency`} value={stage.efficiency} how="0.95 for clean spur gears, 0.4 for a worm." />
                    <div className="py-1 text-right">
                        <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: `${path}.train`, value: stages.filter((_, j) => j !== i) })}>
                            Take stage {i + 1} out
                        </button>
                    </div>
                </FieldGroup>
            ))}
            <div className="flex gap-2">
                <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: `${path}.train`, value: [...stages, NEW_STAGES.spur] })}>
                    Add spur gears
                </button>
                <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: `${path}.train`, value: [...stages, NEW_STAGES.worm] })}>
                    Add a worm
                </button>
            </div>
        </>
    );
}

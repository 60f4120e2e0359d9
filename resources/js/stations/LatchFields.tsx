import type { Motion } from '../api/types';
import { ChoiceField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';
import { FieldGroup, STATION_BUTTON } from './StationFields';

/** What holds a wound motion, and what lets it go. */
export function LatchFields({ motion, path }: { motion: Motion; path: string }) {
    const { stored, edit } = useBuild();
    const { motions, outputs } = stored.document;
    const { latch } = motion;
    const places = (of: Motion | undefined) => (of?.places ?? []).map((place) => ({ value: place.id, label: place.name }));
    const others = motions.filter((each) => each.id !== motion.id);
    const letGo = [
        ...others.map((each) => ({ value: `motion ${each.id}`, label: each.name })),
        ...outputs.map((each) => ({ value: `output ${each.id}`, label: each.name })),
    ];
    const by = (choice: string) => {
        const [kind, id] = [choice.slice(0, 6), choice.slice(7)];
        const other = others.find((each) => each.id === id);
        return {
            place: latch?.place ?? motion.task.to,
            motion: kind === 'motion' ? id : null,
            lets_go: kind === 'motion' ? (other?.task.to ?? null) : null,
            output: kind === 'output' ? id : null,
            friction_coefficient: latch?.friction_coefficient ?? 0.3,
        };
    };
    if (latch === null) {
        return letGo.length === 0 || motion.task.keeps_turning ? null : (
            <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: `${path}.latch`, value: by(letGo[0]!.value) })}>
                Put a latch to it
            </button>
        );
    }
    const other = others.find((each) => each.id === latch.motion);
    return (
        <FieldGroup title="Latch">
            <p className="py-1 text-quiet">Its drive winds it by a cord, a cam or a pawl, goes back without it, and the latch holds it until it is let go.</p>
            <ChoiceField label="Holds it from" path={`${path}.latch.place`} value={latch.place} choices={places(motion)} />
            <ChoiceField
                label="Let go by"
                path={`${path}.latch`}
                value={latch.motion !== null ? `motion ${latch.motion}` : `output ${latch.output ?? ''}`}
                choices={letGo}
                toValue={by}
            />
            {other !== undefined && (
                <ChoiceField label={`${other.name} stands at`} path={`${path}.latch.lets_go`} value={latch.lets_go ?? ''} choices={places(other)} />
            )}
            <QuantityField
                label="Friction of the latch"
                path={`${path}.latch.friction_coefficient`}
                value={latch.friction_coefficient}
                how="Of the latch on what it holds: steel on steel about 0.3, on a roller 0.05."
            />
            <div className="py-1 text-right">
                <button type="button" className={STATION_BUTTON} onClick={() => edit({ path: `${path}.latch`, value: null })}>
                    Take the latch away
                </button>
            </div>
        </FieldGroup>
    );
}

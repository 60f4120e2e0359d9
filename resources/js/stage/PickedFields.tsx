import type { Picked } from '../mat/StageMat';
import { freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';
import { BodyFields, MountFields } from './StageFields';

/** The fields of what is picked. */
export function PickedFields({ picked, onPick }: { picked: Picked | null; onPick: (picked: Picked | null) => void }) {
    const { stored, edit } = useBuild();
    const { motions, things } = stored.document;
    if (picked === null) {
        return (
            <p className="text-quiet">
                Pick something on a mat or in the list: it is dragged there, or moved by the arrow keys, a millimetre or ten with Shift.
            </p>
        );
    }
    const index = motions.findIndex((motion) => motion.id === picked.motion);
    const motion = motions[index];
    const list = motion?.bodies ?? things;
    const path = motion === undefined ? 'things' : `motions.${index}.bodies`;
    const i = list.findIndex((body) => body.id === picked.body);
    const body = list[i];
    const addBody = () => {
        const id = freeId(
            'part',
            motion!.bodies.map((each) => each.id),
        );
        edit({ path: `${path}.${motion!.bodies.length}`, value: { id, name: `Part ${motion!.bodies.length + 1}`, length_m: 0.1 } });
        onPick({ motion: motion!.id, body: id });
    };
    return (
        <section aria-label="What is picked">
            <h2 className="mb-1 text-[1.05rem]">{body?.name ?? motion?.name ?? ''}</h2>
            {body !== undefined && <BodyFields key={`${path}.${i}`} body={body} path={`${path}.${i}`} units={motion?.units} />}
            {body === undefined && motion !== undefined && <MountFields key={path} motion={motion} index={index} />}
            <div className="mt-2 flex gap-2">
                {motion !== undefined && (
                    <button type="button" className="border border-line bg-sheet px-2 py-0.5 hover:bg-well" onClick={addBody}>
                        Add a body to {motion.name}
                    </button>
                )}
                {body !== undefined && (
                    <button
                        type="button"
                        className="border border-line bg-sheet px-2 py-0.5 hover:bg-well"
                        onClick={() => {
                            onPick(motion === undefined ? null : { motion: motion.id, body: null });
                            edit({ path, value: list.filter((each) => each.id !== body.id) });
                        }}
                    >
                        Take it away
                    </button>
                )}
                {body === undefined && motion?.mount != null && !motions.some((each) => each.mount?.on === motion.id) && (
                    <button
                        type="button"
                        className="border border-line bg-sheet px-2 py-0.5 hover:bg-well"
                        onClick={() => {
                            onPick(null);
                            edit({ path: `motions.${index}.mount`, value: null });
                        }}
                    >
                        Take it off the stage
                    </button>
                )}
            </div>
        </section>
    );
}

import { useState, type ReactNode } from 'react';
import type { Build } from '../api/types';
import { isSame, type Picked } from '../mat/StageMat';
import { AddMotion, freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';

/** What stands on what, as a list: to pick, to add to, to put there. */
export function Standing({ picked, onPick }: { picked: Picked | null; onPick: (picked: Picked) => void }) {
    const { stored, edit } = useBuild();
    const { motions, things } = stored.document;
    const roots = motions.filter((motion) => motion.mount !== null && motion.mount.on === null);
    const waiting = motions.filter((motion) => motion.mount === null);
    const put = (motion: Build['motions'][number]) => {
        onPick({ motion: motion.id, body: null });
        edit({ path: `motions.${motions.indexOf(motion)}.mount`, value: {} });
    };
    const addThing = () => {
        const id = freeId(
            'thing',
            things.map((each) => each.id),
        );
        edit({ path: `things.${things.length}`, value: { id, name: `Thing ${things.length + 1}`, x_m: 0.2, z_m: 0.05, length_m: 0.1 } });
        onPick({ motion: null, body: id });
    };
    const [isAdding, setAdding] = useState(false);
    const on = motions.find((motion) => motion.id === picked?.motion && motion.mount !== null);
    const stands = {
        mount: { on: on?.id ?? null, z_m: on === undefined ? 0.2 : 0.1 },
        bodies: [{ id: 'part', name: 'Part', x_m: 0.05, length_m: 0.1, width_m: 0.04 }],
    };
    return (
        <section aria-label="What stands here">
            <h2 className="mb-1 text-[1.05rem]">What stands here</h2>
            <ul className="border-y border-line py-1">
                {roots.map((motion) => (
                    <MotionRow key={motion.id} motion={motion} picked={picked} onPick={onPick} />
                ))}
                {things.map((thing) => (
                    <li key={thing.id}>
                        <PickButton of={{ motion: null, body: thing.id }} picked={picked} onPick={onPick}>
                            {thing.name}{' '}
                            <span className="text-quiet">{{ frame: 'frame', way: 'in the way', hands: 'hands', carried: 'carried' }[thing.is]}</span>
                        </PickButton>
                    </li>
                ))}
                {roots.length + things.length === 0 && <li className="text-quiet">Nothing has a place yet.</li>}
            </ul>
            <div className="mt-2 flex flex-wrap gap-2">
                {waiting.map((motion) => (
                    <button key={motion.id} type="button" className="bg-accent px-2 py-0.5 font-semibold text-sheet" onClick={() => put(motion)}>
                        Put {motion.name} here
                    </button>
                ))}
                <button type="button" className="border border-line bg-sheet px-2 py-0.5 hover:bg-well" onClick={() => setAdding(true)}>
                    Add a motion{on === undefined ? '' : ` on ${on.name}`}
                </button>
                <button type="button" className="border border-line bg-sheet px-2 py-0.5 hover:bg-well" onClick={addThing}>
                    Add a thing
                </button>
            </div>
            <AddMotion open={isAdding} onClose={() => setAdding(false)} also={stands} onAdded={(id) => onPick({ motion: id, body: null })} />
        </section>
    );
}

function MotionRow({ motion, picked, onPick }: { motion: Build['motions'][number]; picked: Picked | null; onPick: (picked: Picked) => void }) {
    const { motions } = useBuild().stored.document;
    return (
        <li>
            <PickButton of={{ motion: motion.id, body: null }} picked={picked} onPick={onPick}>
                <strong>{motion.name}</strong>
            </PickButton>
            <ul className="ml-4">
                {motion.bodies.map((body) => (
                    <li key={body.id}>
                        <PickButton of={{ motion: motion.id, body: body.id }} picked={picked} onPick={onPick}>
                            {body.name}
                        </PickButton>
                    </li>
                ))}
                {motions
                    .filter((each) => each.mount?.on === motion.id)
                    .map((each) => (
                        <MotionRow key={each.id} motion={each} picked={picked} onPick={onPick} />
                    ))}
            </ul>
        </li>
    );
}

function PickButton({ of, picked, onPick, children }: { of: Picked; picked: Picked | null; onPick: (picked: Picked) => void; children: ReactNode }) {
    return (
        <button
            type="button"
            aria-pressed={isSame(picked, of)}
            className={`min-h-[24px] w-full px-1.5 text-left ${isSame(picked, of) ? 'bg-ink text-sheet [&_span]:text-sheet' : 'hover:bg-well'}`}
            onClick={() => onPick(of)}
        >
            {children}
        </button>
    );
}

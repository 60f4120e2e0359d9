import { useState } from 'react';
import type { Build } from '../api/types';
import { freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';
import { MECHANISMS } from '../stations/mechanisms';
import { STATION_BUTTON } from '../stations/StationFields';

const SIZES = [
    { key: 'length_m', label: 'length', of: ['box', 'rod', 'ball'] },
    { key: 'width_m', label: 'width', of: ['box', 'rod'] },
    { key: 'height_m', label: 'height', of: ['box'] },
    { key: 'x_m', label: 'to the right', of: ['box', 'rod', 'ball'] },
    { key: 'y_m', label: 'further away', of: ['box', 'rod', 'ball'] },
    { key: 'z_m', label: 'up', of: ['box', 'rod', 'ball'] },
];

interface Sized {
    name: string;
    shape: string;
}

function sizesOf(body: Sized, path: string, label: string) {
    return SIZES.filter((size) => size.of.includes(body.shape)).map((size) => ({ path: `${path}.${size.key}`, label: `${label}: ${size.label}` }));
}

/** Gives a reading away: as one of the lengths of a mechanism, as the size or place of a body, or as a new thing on the stage. */
export function UseReading({ build, length_m, name }: { build: Build; length_m: number | null; name: string }) {
    const { edit } = useBuild();
    const [target, setTarget] = useState('');
    const [given, setGiven] = useState('');
    const ofMechanisms = build.motions.flatMap((motion, i) =>
        MECHANISMS[motion.mechanism.kind].fields
            .filter((field) => /_m$/.test(field.key) && !/_per_m$/.test(field.key))
            .map((field) => ({ path: `motions.${i}.mechanism.${field.key}`, label: `${motion.name}: ${field.label.toLowerCase()}` })),
    );
    const ofBodies = build.motions.flatMap((motion, i) =>
        motion.bodies.flatMap((body, j) => sizesOf(body, `motions.${i}.bodies.${j}`, `${body.name} of ${motion.name}`)),
    );
    const ofThings = build.things.flatMap((thing, i) => sizesOf(thing, `things.${i}`, thing.name));
    const newThing = { path: 'things', label: 'a new thing on the stage, so long' };
    const targets = [...ofMechanisms, ...ofBodies, ...ofThings, newThing];
    if (length_m === null) {
        return null;
    }
    const give = () => {
        const value = Number(length_m.toPrecision(4));
        const id = freeId(
            name,
            build.things.map((thing) => thing.id),
        );
        edit(target === 'things' ? { path: `things.${build.things.length}`, value: { id, name, length_m: value } } : { path: target, value });
        setGiven(targets.find((each) => each.path === target)?.label ?? '');
    };
    return (
        <div className="mt-1 flex items-center gap-2 pl-1">
            <select
                aria-label={`Use ${name} as`}
                className="min-w-0 flex-1 border border-line bg-well px-1 py-0.5"
                value={target}
                onChange={(event) => setTarget(event.target.value)}
            >
                <option value="">Use it as…</option>
                {targets.map((each) => (
                    <option key={each.path} value={each.path}>
                        {each.label}
                    </option>
                ))}
            </select>
            <button type="button" className={STATION_BUTTON} disabled={target === ''} onClick={give}>
                Use it
            </button>
            <span role="status" className="narrow text-quiet">
                {given !== '' && given === targets.find((each) => each.path === target)?.label ? 'given' : ''}
            </span>
        </div>
    );
}

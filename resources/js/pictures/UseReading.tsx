import { useState } from 'react';
import type { Build } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { MECHANISMS } from '../stations/mechanisms';
import { STATION_BUTTON } from '../stations/StationFields';

/** Gives a reading to a motion: as one of the lengths that its mechanism has. */
export function UseReading({ build, length_m, name }: { build: Build; length_m: number | null; name: string }) {
    const { edit } = useBuild();
    const [target, setTarget] = useState('');
    const [given, setGiven] = useState('');
    const targets = build.motions.flatMap((motion, i) =>
        MECHANISMS[motion.mechanism.kind].fields
            .filter((field) => /_m$/.test(field.key) && !/_per_m$/.test(field.key))
            .map((field) => ({ path: `motions.${i}.mechanism.${field.key}`, label: `${motion.name}: ${field.label.toLowerCase()}` })),
    );
    if (length_m === null) {
        return null;
    }
    if (targets.length === 0) {
        return <p className="narrow pl-1 text-quiet">Add a motion to the build, and this becomes one of its lengths.</p>;
    }
    const give = () => {
        edit({ path: target, value: Number(length_m.toPrecision(4)) });
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

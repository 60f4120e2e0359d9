import { useState } from 'react';
import { AddMotion } from './AddMotion';
import { useBuild } from '../state/BuildContext';

/** Where nothing moves yet: what this page would tell, and the way to begin in place. */
export function FirstMotion({ says }: { says: string }) {
    const { stored } = useBuild();
    const [isAdding, setAdding] = useState(false);
    if (stored.document.motions.length > 0) {
        return null;
    }
    return (
        <section aria-label="Begin with what moves" className="mt-4 max-w-3xl border border-line bg-sheet px-5 py-4">
            <p>{says}</p>
            <button type="button" className="mt-3 bg-accent px-3 py-1 font-semibold text-sheet" onClick={() => setAdding(true)}>
                Add a motion
            </button>
            <AddMotion open={isAdding} onClose={() => setAdding(false)} />
        </section>
    );
}

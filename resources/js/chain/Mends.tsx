import type { Fix } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { useTried } from '../state/tried';
import { useSpeaking } from '../state/UnitsContext';

/** What a mend costs, and what it saves. */
export function Costs({ of }: { of: Fix }) {
    const { say } = useSpeaking();
    return of.costs.length === 0 ? null : <p className="narrow text-quiet">{of.costs.map(say).join(' · ')}</p>;
}

/** Mends are offered when they have been tried on the whole build: how far that is. */
export function Trying() {
    const { assessment } = useBuild().stored;
    const { done, of } = useTried();
    return (
        <p role="status" className="narrow mb-1 text-quiet empty:hidden">
            {assessment.tried
                ? ''
                : assessment.rehearsed && of > 0 && done < of
                  ? `What mends it is being tried on the whole build: ${done} of ${of}.`
                  : 'What mends it is being tried on the whole build.'}
        </p>
    );
}

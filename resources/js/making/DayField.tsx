import { useState } from 'react';
import { useFieldError } from '../fields/PlainFields';
import { useBuild } from '../state/BuildContext';

/** A day, saved when it is left. */
export function DayField({ label, path, value }: { label: string; path: string; value: string | null }) {
    const { edit } = useBuild();
    const error = useFieldError(path);
    const [typed, setTyped] = useState<string | null>(null);
    return (
        <label>
            <span className="block text-quiet">{label}</span>
            <input
                type="date"
                aria-invalid={error !== undefined}
                className="border border-line bg-well px-2 py-1"
                value={typed ?? value ?? ''}
                onChange={(event) => setTyped(event.target.value)}
                onBlur={() => {
                    if (typed !== null && typed !== (value ?? '')) {
                        edit({ path, value: typed === '' ? null : typed });
                    }
                    setTyped(null);
                }}
                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
            />
            {error !== undefined && (
                <span role="alert" className="narrow block text-fails">
                    {error}
                </span>
            )}
        </label>
    );
}

import { useState } from 'react';
import { useFieldError } from '../fields/PlainFields';
import { useBuild } from '../state/BuildContext';

/** A plain number, saved when it is left. */
export function CountField({ path, value, label }: { path: string; value: number | null; label: string }) {
    const { edit } = useBuild();
    const error = useFieldError(path);
    const [typed, setTyped] = useState<string | null>(null);
    return (
        <label>
            <span className="block text-quiet">{label}</span>
            <input
                className="w-24 border border-line bg-well px-2 py-1 text-right"
                inputMode="numeric"
                value={typed ?? value ?? ''}
                onChange={(event) => setTyped(event.target.value)}
                onBlur={() => {
                    if (typed !== null && typed !== String(value ?? '')) {
                        edit(typed.trim() === '' ? { path, value: null } : { path, text: typed, unit: '' });
                    }
                    setTyped(null);
                }}
            />
            {error !== undefined && (
                <span role="alert" className="narrow block max-w-40 text-fails">
                    {error}
                </span>
            )}
        </label>
    );
}

import { useState } from 'react';
import type { Edit } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { draftKey, useDrafts } from '../state/drafts';

interface Props {
    label: string;
    path: string;
    value: string | number | null;
}

/** A plain number, saved when it is left. */
export function CountField(props: Props) {
    return <SavedField {...props} type="text" className="w-24 text-right" made={(text) => ({ text, unit: '' })} />;
}

/** A day, saved when it is left. */
export function DayField(props: Props) {
    return <SavedField {...props} type="date" className="" made={(value) => ({ value })} />;
}

/** What was refused stays in it, with the reason below. */
function SavedField({ label, path, value, type, className, made }: Props & { type: string; className: string; made: (typed: string) => Omit<Edit, 'path'> }) {
    const { stored, edit } = useBuild();
    const key = draftKey(stored.id, path);
    const draft = useDrafts((state) => state.drafts[key]);
    const drop = useDrafts((state) => state.drop);
    const [typed, setTyped] = useState<string | null>(null);
    const kept = String(value ?? '');
    const leave = () => {
        setTyped(null);
        if (typed === kept) {
            drop(key);
        } else if (typed !== null) {
            edit({ path, ...(typed.trim() === '' ? { value: null } : made(typed)) });
        }
    };
    return (
        <label>
            <span className="block text-quiet">{label}</span>
            <input
                type={type}
                aria-invalid={draft !== undefined}
                autoComplete="off"
                className={`border bg-well px-2 py-1 ${draft === undefined ? 'border-line' : 'border-fails'} ${className}`}
                value={typed ?? draft?.text ?? kept}
                onChange={(event) => setTyped(event.target.value)}
                onBlur={leave}
                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
            />
            {draft !== undefined && (
                <span role="alert" className="narrow block max-w-40 text-fails">
                    {draft.message}
                </span>
            )}
        </label>
    );
}

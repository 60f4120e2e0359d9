import { useState } from 'react';
import type { Edit } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { draftKey, useDrafts } from '../state/drafts';
import { valueAt } from '../state/rebase';

/** An entry of a list by its id: where it stands, or where it would. */
export function useEntry(list: string, id: string): { path: string; isNew: boolean } {
    const { stored } = useBuild();
    const entries = valueAt(stored.document, list) as { id: string }[];
    const at = entries.findIndex((each) => each.id === id);
    return { path: `${list}.${at < 0 ? entries.length : at}`, isNew: at < 0 };
}

interface Props {
    /** Path of the list in the document: `making.parts`. */
    list: string;
    /** Of the entry, which comes into the list with its first word. */
    id: string;
    field: string;
    value: string | number | null;
    kind: 'text' | 'number' | 'day';
    label: string;
    placeholder?: string;
    className?: string;
    /** What a new entry needs besides its id. */
    besides?: object;
}

/** What was refused of an entry that did not come about. */
function dropAll(from: string): void {
    const { drafts, drop } = useDrafts.getState();
    Object.keys(drafts)
        .filter((each) => each.startsWith(from))
        .forEach(drop);
}

/** One field of an entry, in a table: saved when it is left; what was refused stays in it, with the reason below. */
export function Cell({ list, id, field, value, kind, label, placeholder, className = 'w-24', besides = {} }: Props) {
    const { stored, edit } = useBuild();
    const entry = useEntry(list, id);
    const path = `${entry.path}.${field}`;
    const key = draftKey(stored.id, path);
    const [typed, setTyped] = useState<string | null>(null);
    const [isMine, setMine] = useState(false); // entries that are not there yet would all stand in the same place
    const draft = useDrafts((state) => (entry.isNew && !isMine ? undefined : state.drafts[key]));
    const error = draft?.message;
    const drop = useDrafts((state) => state.drop);
    const kept = value === null ? '' : String(value);
    const commit = () => {
        if (typed === null) {
            return;
        }
        setTyped(null);
        if (typed === kept) {
            drop(key);
            return;
        }
        const text = typed.trim();
        const said: Edit =
            kind === 'text'
                ? { path, value: typed }
                : text === ''
                  ? { path, value: null }
                  : kind === 'number'
                    ? { path, text, unit: '' }
                    : { path, value: text };
        if (entry.isNew) {
            dropAll(draftKey(stored.id, `${entry.path}.`));
            setMine(true);
        }
        edit(...(entry.isNew ? [{ path: entry.path, value: { id, ...besides, [field]: kind === 'text' ? '' : null } }] : []), said);
    };
    return (
        <>
            <input
                type={kind === 'day' ? 'date' : 'text'}
                aria-label={label}
                aria-invalid={error !== undefined}
                placeholder={placeholder}
                autoComplete="off"
                className={`border bg-well px-1.5 py-0.5 ${kind === 'number' ? 'text-right' : ''} ${kind === 'day' && (typed ?? kept) === '' ? 'text-quiet' : ''} ${error === undefined ? 'border-line' : 'border-fails'} ${className}`}
                value={typed ?? draft?.text ?? kept}
                onChange={(event) => setTyped(event.target.value)}
                onBlur={commit}
                onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
            />
            {error !== undefined && (
                <span role="alert" className="narrow block max-w-56 text-fails">
                    {error}
                </span>
            )}
        </>
    );
}

/** A yes or no of such an entry. */
export function Tick({
    list,
    id,
    field,
    value,
    label,
    besides = {},
}: {
    list: string;
    id: string;
    field: string;
    value: boolean;
    label: string;
    besides?: object;
}) {
    const { edit } = useBuild();
    const { path, isNew } = useEntry(list, id);
    return (
        <input
            type="checkbox"
            aria-label={label}
            className="size-5 accent-accent"
            checked={value}
            onChange={(event) =>
                edit(
                    ...(isNew
                        ? [{ path, value: { id, ...besides, [field]: event.target.checked } }]
                        : [{ path: `${path}.${field}`, value: event.target.checked }]),
                )
            }
        />
    );
}

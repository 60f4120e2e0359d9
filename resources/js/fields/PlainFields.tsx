import { useState } from 'react';
import type { Edit, StoredBuild } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { draftKey, useDrafts } from '../state/drafts';
import { FieldFrame } from './FieldFrame';

/** One of a few words. */
export function ChoiceField({
    label,
    path,
    value,
    choices,
    how,
    toValue = (choice) => choice,
    also = () => [],
}: {
    label: string;
    path: string;
    value: string;
    choices: { value: string; label: string }[];
    how?: string;
    toValue?: (choice: string) => unknown;
    also?: (choice: string) => Edit[];
}) {
    const { edit } = useBuild();
    return (
        <FieldFrame label={label} how={how} error={useFieldError(path)}>
            {({ id, describedBy }) => (
                <select
                    id={id}
                    aria-describedby={describedBy}
                    className="w-full border border-line bg-well px-2 py-1 font-semibold"
                    value={value}
                    onChange={(event) => edit({ path, value: toValue(event.target.value) }, ...also(event.target.value))}
                >
                    {choices.map((choice) => (
                        <option key={choice.value} value={choice.value}>
                            {choice.label}
                        </option>
                    ))}
                </select>
            )}
        </FieldFrame>
    );
}

/** Yes or no. */
export function ToggleField({
    label,
    path,
    value,
    how,
    toValue = (on) => on,
}: {
    label: string;
    path: string;
    value: boolean;
    how?: string;
    /** What is kept for on and off, where that is no yes or no. */
    toValue?: (on: boolean) => unknown;
}) {
    const { edit } = useBuild();
    return (
        <FieldFrame label={label} how={how} error={useFieldError(path)}>
            {({ id, describedBy }) => (
                <span className="flex justify-end">
                    <input
                        id={id}
                        type="checkbox"
                        aria-describedby={describedBy}
                        className="size-5 accent-accent"
                        checked={value}
                        onChange={(event) => edit({ path, value: toValue(event.target.checked) })}
                    />
                </span>
            )}
        </FieldFrame>
    );
}

/** A name or a note. */
export function TextField({ label, path, value, how }: { label: string; path: string; value: string; how?: string }) {
    return (
        <FieldFrame label={label} how={how} error={useFieldError(path)}>
            {({ id, describedBy }) => (
                <TextInput id={id} describedBy={describedBy} path={path} value={value} className="w-full border border-line bg-well px-2 py-1 font-semibold" />
            )}
        </FieldFrame>
    );
}

export function useFieldError(path: string): string | undefined {
    const { stored } = useBuild();
    return useDrafts((state) => state.drafts[draftKey(stored.id, path)]?.message);
}

/** An input that saves its text when it is left; what was refused stays in it. */
export function TextInput({
    id,
    describedBy,
    path,
    value,
    className,
    label,
}: {
    id?: string;
    describedBy?: string;
    path: string;
    value: string;
    className: string;
    label?: string;
}) {
    const { stored, edit } = useBuild();
    const key = draftKey(stored.id, path);
    const draft = useDrafts((state) => state.drafts[key]);
    const drop = useDrafts((state) => state.drop);
    const [typing, setTyping] = useState<{ text: string; since: StoredBuild } | null>(null);
    const text = typing !== null && typing.since === stored ? typing.text : (draft?.text ?? value);
    const commit = () => {
        if (text === value) {
            drop(key);
        } else if (typing !== null) {
            edit({ path, value: text });
        }
    };
    return (
        <input
            id={id}
            aria-describedby={describedBy}
            aria-label={label}
            aria-invalid={draft !== undefined}
            className={className}
            value={text}
            autoComplete="off"
            onChange={(event) => setTyping({ text: event.target.value, since: stored })}
            onBlur={commit}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        />
    );
}

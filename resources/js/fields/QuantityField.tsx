import { useContext, useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { StoredBuild } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { draftKey, useDrafts } from '../state/drafts';
import { gap, significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { FieldFrame } from './FieldFrame';
import { InSentence } from './sentence';

const PAUSE_MS = 500; // after the last key what is typed so far is taken

interface Props {
    label: string;
    /** Path in the document: `motions.0.mechanism.mass_kg`. */
    path: string;
    /** In the unit of the key; null where nothing is given. */
    value: number | null;
    /** Symbol of the unit the document keeps it in; from the key where left out. */
    keptIn?: string;
    /** Symbol of the unit it was last typed in. */
    typedIn?: string;
    /** How to measure this. */
    how?: string;
    /** May be left empty, and what that means. */
    empty?: string;
}

/** A number with its unit. Takes any unit, shows what it understood, and keeps what it does not understand. */
export function QuantityField({ label, path, value, keptIn, typedIn, how, empty }: Props) {
    const { stored, edit } = useBuild();
    const inSentence = useContext(InSentence) !== false;
    const { book, system } = useSpeaking();
    const kept = keptIn ?? book.keptIn(path.slice(path.lastIndexOf('.') + 1));
    const dimension = book.dimension(kept);
    const si = value === null ? 0 : book.toSi(value, kept);
    const usual = dimension === 'number' ? kept : book.preferred(dimension, system, si);
    const unit = typedIn !== undefined && book.dimension(typedIn) === dimension ? typedIn : usual;
    const shown = value === null ? '' : significant(book.fromSi(si, unit), 6);

    const draft = useDrafts((state) => state.drafts[draftKey(stored.id, path)]);
    const dropDraft = useDrafts((state) => state.drop);
    const [typing, setTyping] = useState<{ text: string; since: StoredBuild; focused: boolean } | null>(null);
    const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
    useEffect(() => () => clearTimeout(timer.current), []);

    const isTyping = typing !== null && (typing.focused || typing.since === stored);
    const text = isTyping ? typing.text : (draft?.text ?? shown);

    const commit = (typed: string) => {
        clearTimeout(timer.current);
        if (typed.trim() === '' && empty !== undefined) {
            dropDraft(draftKey(stored.id, path));
            edit({ path, value: null });
        } else {
            edit({ path, text: typed, unit });
        }
    };
    const type = (next: string) => {
        setTyping({ text: next, since: stored, focused: true });
        clearTimeout(timer.current);
        timer.current = setTimeout(() => commit(next), PAUSE_MS);
    };
    const leave = () => {
        if (isTyping && typing.text !== shown && typing.text !== draft?.text) {
            commit(typing.text);
        }
        setTyping((now) => (now === null || now.text === shown ? null : { ...now, since: stored, focused: false }));
    };
    const press = (event: KeyboardEvent) => {
        if (event.key === 'Enter' && isTyping) {
            commit(typing.text);
        }
        if ((event.key === 'ArrowUp' || event.key === 'ArrowDown') && value !== null) {
            event.preventDefault();
            const next = nudged(book.fromSi(si, unit), event.key === 'ArrowUp' ? 1 : -1, event.shiftKey);
            setTyping({ text: next, since: stored, focused: true });
            commit(next);
        }
    };

    return (
        <FieldFrame
            label={label}
            how={how}
            error={draft?.message}
            understood={unit !== usual && value !== null ? `= ${significant(book.fromSi(si, usual), 4)}${gap(usual)}${usual}` : undefined}
        >
            {({ id, describedBy }) => (
                <span
                    className={`${inSentence ? 'inline-flex' : 'flex px-2'} items-baseline border bg-well ${draft === undefined ? 'border-line' : 'border-fails'} focus-within:border-accent`}
                >
                    <input
                        id={id}
                        aria-describedby={describedBy}
                        aria-invalid={draft !== undefined}
                        className="w-full min-w-0 bg-transparent py-1 text-right font-semibold outline-none placeholder:font-normal placeholder:text-quiet"
                        autoComplete="off"
                        inputMode="text"
                        placeholder={empty}
                        value={text}
                        onChange={(event) => type(event.target.value)}
                        onFocus={(event) => event.target.select()}
                        onBlur={leave}
                        onKeyDown={press}
                    />
                    <span className="unit w-14 shrink-0 pl-1 whitespace-nowrap text-quiet">{unit}</span>
                </span>
            )}
        </FieldFrame>
    );
}

/** The next number up or down in the second figure; ten times as far with the shift key. */
function nudged(value: number, direction: number, far: boolean): string {
    const exponent = value === 0 ? 0 : Number(value.toExponential().split('e')[1]) - 1;
    const step = Number(`1e${exponent + (far ? 1 : 0)}`);
    return String(Number((value + direction * step).toPrecision(6)));
}

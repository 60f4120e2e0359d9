import { useEffect, useRef, useState, type ClipboardEvent } from 'react';
import { api, Refused } from '../api/client';
import type { Routine } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { Reader, type Asked } from './reads';
import { toText, type Located } from './yaml';

const PAUSE_MS = 500;

/** A browser takes a minute to put some thousand lines in, one after the other. */
const LONG_CHARACTERS = 5000;

/** The routine as text, beside its sentences: each is always in step with the other. What is wrong is told at its line and column, and stays. */
export function TextPane({ routine, path }: { routine: Routine; path: string }) {
    const { stored, edit } = useBuild();
    const kept = `brookstone-text-${stored.id}-${routine.id}`;
    const [draft, setDraft] = useState<string | null>(() => localStorage.getItem(kept));
    const [errors, setErrors] = useState<Located[]>([]);
    const field = useRef<HTMLTextAreaElement>(null);
    const pause = useRef(0);
    const reader = useRef(new Reader());
    useEffect(() => () => reader.current.end(), []);
    const text = draft ?? toText(routine);
    const read = async (asked: Asked) => {
        const found = await reader.current.ask(asked);
        if ('errors' in found) {
            setErrors(found.errors);
        }
        return found;
    };
    const take = async (typed: string) => {
        const found = await read({ text: typed });
        if ('errors' in found) {
            return;
        }
        const { value } = found;
        try {
            await api.tryOut(stored.id, stored.version, [{ path, value }], false);
        } catch (failure) {
            if (failure instanceof Refused && failure.errors.length > 0) {
                await read({ text: typed, refused: { errors: failure.errors, base: path } });
            } else {
                setErrors([{ line: 1, column: 1, message: (failure as Error).message }]);
            }
            return;
        }
        setErrors([]);
        setDraft(null);
        localStorage.removeItem(kept);
        edit({ path, value });
    };
    const type = (typed: string) => {
        setDraft(typed);
        localStorage.setItem(kept, typed.slice(0, 300_000));
        clearTimeout(pause.current);
        pause.current = window.setTimeout(() => take(typed).catch((failure: Error) => setErrors([{ line: 1, column: 1, message: failure.message }])), PAUSE_MS);
    };
    const paste = (event: ClipboardEvent<HTMLTextAreaElement>) => {
        const pasted = event.clipboardData.getData('text/plain');
        if (pasted.length < LONG_CHARACTERS) {
            return;
        }
        event.preventDefault();
        const into = event.currentTarget;
        into.setRangeText(pasted, into.selectionStart, into.selectionEnd, 'end');
        type(into.value);
    };
    const show = ({ line, column }: Located) => {
        const lines = text.split('\n');
        const at = lines.slice(0, line - 1).reduce((sum, each) => sum + each.length + 1, 0) + column - 1;
        field.current?.focus();
        field.current?.setSelectionRange(at, at + 1);
    };
    return (
        <section aria-label="As text">
            <textarea
                ref={field}
                aria-label={`${routine.name} as text`}
                aria-invalid={errors.length > 0}
                spellCheck={false}
                className={`h-96 w-full resize-y border bg-well p-2 font-mono text-[0.85rem] ${errors.length > 0 ? 'border-fails' : 'border-line'}`}
                value={text}
                onChange={(event) => type(event.target.value)}
                onPaste={paste}
            />
            <ul role="alert" className="empty:hidden">
                {errors.slice(0, 8).map((error, i) => (
                    <li key={i}>
                        <button type="button" className="text-left text-fails hover:underline" onClick={() => show(error)}>
                            Line {error.line}, column {error.column}: {error.message}
                        </button>
                    </li>
                ))}
            </ul>
            {draft !== null && (
                <button
                    type="button"
                    className="mt-1 border border-line bg-well px-2 py-0.5"
                    onClick={() => (setDraft(null), setErrors([]), localStorage.removeItem(kept))}
                >
                    Back to what is saved
                </button>
            )}
        </section>
    );
}

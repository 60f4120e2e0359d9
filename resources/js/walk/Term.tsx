import { useId, useState } from 'react';
import { TERMS } from './terms';

/** A word of the trade: what it means is said where the pointer or the focus is on it. */
export function Term({ word, children, align = 'left' }: { word: string; children?: string; align?: 'left' | 'right' }) {
    const [isOpen, setOpen] = useState(false);
    const id = useId();
    const says = TERMS.find((each) => each.word.toLowerCase() === word.toLowerCase())?.says;
    if (says === undefined) {
        return <>{children ?? word}</>;
    }
    return (
        <span className="relative inline-block" onMouseEnter={() => setOpen(true)} onMouseLeave={() => setOpen(false)}>
            <button
                type="button"
                aria-describedby={isOpen ? id : undefined}
                className="cursor-help underline decoration-dotted underline-offset-3"
                onFocus={() => setOpen(true)}
                onBlur={() => setOpen(false)}
                onClick={() => setOpen(true)}
                onKeyDown={(event) => event.key === 'Escape' && setOpen(false)}
            >
                {children ?? word}
            </button>
            {isOpen && (
                <span
                    id={id}
                    role="tooltip"
                    className={`absolute top-full z-30 w-72 border border-line bg-well px-3 py-2 text-left font-normal whitespace-normal text-ink ${align === 'left' ? 'left-0' : 'right-0'}`}
                >
                    {says}
                </span>
            )}
        </span>
    );
}

import { useState } from 'react';

/** Shows a text, and for a moment after it changed what it was before. */
export function Ghost({ text }: { text: string }) {
    const [seen, setSeen] = useState({ text, before: null as string | null, count: 0 });
    if (seen.text !== text) {
        setSeen({ text, before: seen.text, count: seen.count + 1 });
    }
    return (
        <span className="relative inline-block">
            {text}
            {seen.before !== null && (
                <span
                    key={seen.count}
                    aria-hidden="true"
                    className="ghost pointer-events-none absolute -top-[0.95em] left-0 text-[0.6em] font-normal whitespace-nowrap text-quiet line-through"
                >
                    {seen.before}
                </span>
            )}
        </span>
    );
}

import { useContext, useId, type ReactNode } from 'react';
import { InSentence } from './sentence';

interface Given {
    id: string;
    describedBy: string;
}

/** Label, field, what was understood, and what is wrong: the same for every field. */
export function FieldFrame({
    label,
    how,
    error,
    understood,
    stacked = false,
    children,
}: {
    label: string;
    how?: string;
    error?: string;
    understood?: string;
    /** The field under its label, over the whole width. */ stacked?: boolean;
    children: (given: Given) => ReactNode;
}) {
    const id = useId();
    const inside = useContext(InSentence);
    if (inside === 'drawing') {
        return (
            <span title={error ?? how}>
                <label htmlFor={id} className="sr-only">
                    {label}
                </label>
                {children({ id, describedBy: `${id}-more` })}
                <span id={`${id}-more`} className="sr-only">
                    {error}
                </span>
            </span>
        );
    }
    if (inside === 'sentence') {
        return (
            <span className={`inline-block ${error === undefined ? '' : 'align-top'}`}>
                <label htmlFor={id} className="sr-only">
                    {label}
                </label>
                {children({ id, describedBy: `${id}-more` })}
                <span id={`${id}-more`}>
                    {error !== undefined && (
                        <span role="alert" className="narrow block border-l-3 border-fails pl-2 text-[0.86rem] break-words text-fails">
                            {error}
                        </span>
                    )}
                </span>
            </span>
        );
    }
    return (
        <div className="py-1">
            <div className={stacked ? 'space-y-1' : 'grid grid-cols-[1fr_10.5rem] items-center gap-x-3'}>
                <label htmlFor={id}>{label}</label>
                {children({ id, describedBy: `${id}-more` })}
            </div>
            <div id={`${id}-more`} className="narrow text-[0.86rem] leading-snug">
                {error !== undefined && (
                    <p role="alert" className="mt-0.5 border-l-3 border-fails pl-2 break-words text-fails">
                        {error}
                    </p>
                )}
                {understood !== undefined && error === undefined && <p className="text-right text-quiet">{understood}</p>}
                {how !== undefined && <p className="text-quiet">{how}</p>}
            </div>
        </div>
    );
}

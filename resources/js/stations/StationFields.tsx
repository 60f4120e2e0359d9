import type { ReactNode } from 'react';

/** A group of fields under a heading. */
export function FieldGroup({ title, children }: { title: string; children: ReactNode }) {
    return (
        <section aria-label={title}>
            <h2 className="mb-1 text-[1.05rem]">{title}</h2>
            <div className="divide-y divide-line border-y border-line">{children}</div>
        </section>
    );
}

export const STATION_BUTTON = 'border border-line bg-well px-2 py-0.5 hover:bg-ground disabled:opacity-40';

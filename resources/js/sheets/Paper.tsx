import type { ReactNode } from 'react';
import { useBuild } from '../state/BuildContext';

export type Size = 'A4' | 'Letter';

/** One printed sheet: what it is, of which build, from which day and version. Black on white, whatever the screen shows. */
export function Paper({ title, children }: { title: string; children: ReactNode }) {
    const { stored } = useBuild();
    return (
        <section aria-label={title} className="paper mb-6 border border-line bg-sheet px-[6mm] py-[5mm] text-ink">
            <div className="mb-3 flex items-baseline gap-4 border-b border-ink pb-1">
                <h2 className="text-[1.35rem]">{title}</h2>
                <span className="flex-1" />
                <span>
                    {stored.document.name}, version {stored.version}, {stored.changed_on}
                </span>
            </div>
            {children}
        </section>
    );
}

/** An empty box for a pencil. */
export function Box() {
    return <span className="inline-block size-[4mm] border border-ink align-middle" />;
}

/** An empty place for a pencil. */
export function Blank({ wide = false }: { wide?: boolean }) {
    return <span className={`inline-block h-[5mm] border-b border-ink ${wide ? 'w-[45mm]' : 'w-[18mm]'}`} />;
}

/** A table with thin lines and room to write in. */
export function SheetTable({ head, children }: { head: string[]; children: ReactNode }) {
    return (
        <table className="w-full border-collapse text-left [&_td]:border [&_td]:border-line [&_td]:px-1.5 [&_td]:py-1 [&_td]:align-top [&_th]:border [&_th]:border-line [&_th]:px-1.5 [&_th]:py-1">
            <thead>
                <tr className="narrow">
                    {head.map((each) => (
                        <th key={each} className="font-semibold">
                            {each}
                        </th>
                    ))}
                </tr>
            </thead>
            <tbody>{children}</tbody>
        </table>
    );
}

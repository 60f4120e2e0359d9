import { TriangleAlert } from 'lucide-react';
import type { Caution } from '../api/types';

/** What to be careful of, where the design calls for it, in plain words. */
export function Cautions({ cautions }: { cautions: Caution[] }) {
    if (cautions.length === 0) {
        return null;
    }
    return (
        <section aria-label="Take care">
            <h2 className="mb-1 text-[1.05rem]">Take care</h2>
            <ul className="space-y-1.5 border-l-3 border-tight pl-3">
                {cautions.map((caution) => (
                    <li key={caution.code} className="flex gap-2">
                        <TriangleAlert aria-hidden="true" size={16} className="mt-0.5 shrink-0 text-tight" />
                        <span>{caution.says}</span>
                    </li>
                ))}
            </ul>
        </section>
    );
}

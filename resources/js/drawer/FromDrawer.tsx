import { useQuery } from '@tanstack/react-query';
import { api, type KeptTable } from '../api/client';
import type { Edit } from '../api/types';
import { FieldFrame } from '../fields/FieldFrame';
import { useBuild } from '../state/BuildContext';

export type Part = KeptTable['lines'][number];

/** What lies in a drawer, to be taken over as it is: a build keeps a copy. */
export function useParts(table: 'supplies' | 'sensors' | 'leads', fits: (part: Part) => boolean): Part[] {
    const { data } = useQuery({ queryKey: ['table', table], queryFn: () => api.table(table) });
    return (data?.lines ?? []).filter(fits);
}

/** A choice that is over as soon as it is made: what it changes stands in the fields beside it. */
export function FromDrawer({ label, parts, edits, says }: { label: string; parts: Part[]; edits: (part: Part) => Edit[]; says: (part: Part) => string }) {
    const { edit } = useBuild();
    return (
        <FieldFrame label={label}>
            {({ id }) => (
                <select
                    id={id}
                    className="w-full border border-line bg-well px-2 py-1"
                    value=""
                    onChange={(event) => {
                        const part = parts.find((each) => each.name === event.target.value);
                        if (part !== undefined) {
                            edit(...edits(part));
                        }
                    }}
                >
                    <option value="">Take one…</option>
                    {parts.map((part) => (
                        <option key={part.name} value={part.name!}>
                            {says(part)}
                        </option>
                    ))}
                </select>
            )}
        </FieldFrame>
    );
}

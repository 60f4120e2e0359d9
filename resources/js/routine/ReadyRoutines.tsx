import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api } from '../api/client';
import type { ReadyRoutine } from '../api/types';
import { useBuild } from '../state/BuildContext';

/** Ready routines, made for what the build has, and what begins one. */
function useReady(): [ReadyRoutine[] | undefined, (routine: ReadyRoutine) => void] {
    const { stored, edit } = useBuild();
    const navigate = useNavigate();
    const { data } = useQuery({ queryKey: ['library', stored.id, stored.version], queryFn: () => api.library(stored.id), placeholderData: (before) => before });
    const begin = (routine: ReadyRoutine) => {
        const changes = routine.begin?.changes ?? [];
        edit(...changes);
        const made = changes.map((change) => change.value as { id?: string; steps?: unknown }).find((value) => value.steps !== undefined);
        if (made?.id !== undefined) {
            void navigate(`/builds/${stored.id}/routines/${made.id}`);
        }
    };
    return [data, begin];
}

/** Beside the routines that there are: the ready ones as a list. */
export function ReadyMenu() {
    const [data, begin] = useReady();
    return (
        <Popover className="relative">
            <PopoverButton className="px-3 py-1.5 text-accent underline">Ready ones…</PopoverButton>
            <PopoverPanel anchor="bottom start" className="z-20 w-96 border border-line bg-sheet p-2 shadow-md">
                {({ close }) => (
                    <ul className="divide-y divide-line">
                        {(data ?? []).map((each) => (
                            <li key={each.key} className="py-1.5">
                                <button
                                    type="button"
                                    className="font-semibold text-accent underline disabled:text-quiet disabled:no-underline"
                                    disabled={each.begin === null}
                                    onClick={() => {
                                        begin(each);
                                        close();
                                    }}
                                >
                                    {each.name}
                                </button>
                                <p className="narrow">{each.says}</p>
                                {each.lacks !== null && <p className="narrow text-quiet">{each.lacks}</p>}
                            </li>
                        ))}
                    </ul>
                )}
            </PopoverPanel>
        </Popover>
    );
}

/** Where there is no routine yet: the ready ones as cards, those first that the build has everything for. */
export function ReadyCards() {
    const [data, begin] = useReady();
    const cards = [...(data ?? [])].sort((a, b) => Number(a.begin === null) - Number(b.begin === null));
    return (
        <ul aria-label="Ready routines" className="mt-4 grid gap-3 md:grid-cols-2 xl:grid-cols-3">
            {cards.map((each) => (
                <li key={each.key} className="flex flex-col border border-line bg-sheet px-4 py-3">
                    <h2 className="text-[1.05rem]">{each.name}</h2>
                    <p className="mt-1 flex-1">{each.says}</p>
                    {each.lacks !== null && <p className="narrow mt-1 text-quiet">{each.lacks}</p>}
                    {each.begin !== null && (
                        <button
                            type="button"
                            aria-label={`Begin with ${each.name}`}
                            className="mt-2 self-start border border-accent px-3 py-1 font-semibold text-accent hover:bg-accent hover:text-sheet"
                            onClick={() => begin(each)}
                        >
                            Begin with it
                        </button>
                    )}
                </li>
            ))}
        </ul>
    );
}

import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { isStation, labelOf, linkPath, LINKS } from '../chain/links';
import { useBuild } from '../state/BuildContext';
import { Sheet } from './Sheet';

interface Target {
    label: string;
    to: string;
}

/** Goes to anything that has a name. */
export function JumpDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
    const { stored } = useBuild();
    const navigate = useNavigate();
    const [query, setQuery] = useState('');
    const base = `/builds/${stored.id}`;
    const targets: Target[] = [
        { label: 'Chains of the build', to: base },
        ...stored.document.motions.flatMap((motion) =>
            LINKS.filter(isStation).map((link) => ({ label: `${motion.name}: ${labelOf(link)}`, to: linkPath(stored.id, motion.id, link) })),
        ),
        ...stored.document.routines.map((routine) => ({ label: `Routine: ${routine.name}`, to: `${base}/routines/${routine.id}` })),
        { label: 'Program of the controller', to: `${base}/program` },
        { label: 'Log', to: `${base}/log` },
        { label: 'Settings: margins, bench, controller', to: `${base}/settings` },
        { label: 'Pictures: sizes off a picture', to: `${base}/pictures` },
        { label: 'Shelf of builds', to: '/' },
        { label: 'Drawer of drives', to: '/drawer' },
        { label: 'Calculators', to: '/calculators' },
    ];
    const words = query.toLowerCase().split(/\s+/).filter(Boolean);
    const found = targets.filter((target) => words.every((word) => target.label.toLowerCase().includes(word))).slice(0, 9);
    const close = () => {
        setQuery('');
        onClose();
    };
    return (
        <Sheet open={open} onClose={close} title="Go to">
            <Combobox<Target>
                immediate
                onChange={(target) => {
                    if (target !== null) {
                        close();
                        void navigate(target.to);
                    }
                }}
            >
                <ComboboxInput
                    aria-label="Name"
                    autoFocus
                    className="w-full border border-line bg-well px-3 py-2 text-[1.1rem]"
                    placeholder="A motion, a link, a routine…"
                    value={query}
                    onChange={(event) => setQuery(event.target.value)}
                />
                <ComboboxOptions static modal={false} className="mt-2 min-h-60">
                    {found.map((target) => (
                        <ComboboxOption key={target.to} value={target} className="cursor-pointer px-3 py-1 data-focus:bg-ink data-focus:text-sheet">
                            {target.label}
                        </ComboboxOption>
                    ))}
                    {found.length === 0 && <li className="px-3 py-1 text-quiet">Nothing here has that name.</li>}
                </ComboboxOptions>
            </Combobox>
        </Sheet>
    );
}

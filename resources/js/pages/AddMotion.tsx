import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import type { Build } from '../api/types';
import { linkPath } from '../chain/links';
import { Sheet } from '../shell/Sheet';
import { useBuild } from '../state/BuildContext';

const KINDS = [
    { kind: 'arm', title: 'Something that swings', says: 'A jaw, neck, wing, lid or bridge on a horizontal pivot. You need its mass and where it balances.' },
    { kind: 'hoist', title: 'Something that is lifted', says: 'A load on a cord that winds on a drum. You need its mass and the size of the drum.' },
] as const;

type Kind = (typeof KINDS)[number]['kind'];

/** An example to start from; its figures are typed over at the stations. */
function example(kind: Kind, id: string, name: string, count: number): object {
    const common = { id, name, marker: ['yellow', 'coral', 'sky', 'lilac'][count % 4] };
    return kind === 'arm'
        ? {
              ...common,
              mechanism: { kind, mass_kg: 0.2, cg_m: 0.1 },
              places: [{ id: 'down', name: 'Down', at: 0 }, { id: 'up', name: 'Up', at: 60 }],
              task: { from: 'down', to: 'up', move_s: 2, mass_guessed: true },
          }
        : {
              ...common,
              mechanism: { kind, mass_kg: 0.5, drum_radius_m: 0.01 },
              places: [{ id: 'low', name: 'Low', at: 0 }, { id: 'high', name: 'High', at: 0.1 }],
              task: { from: 'low', to: 'high', move_s: 4, mass_guessed: true },
          };
}

/** A short name for documents that is not taken yet. */
export function freeId(name: string, taken: string[]): string {
    const plain = name.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-+|-+$/g, '').slice(0, 30) || 'part';
    let id = plain;
    for (let count = 2; taken.includes(id); count++) {
        id = `${plain}-${count}`;
    }
    return id;
}

/** Asks what moves, and adds it with an example's figures. */
export function AddMotion({ open, onClose }: { open: boolean; onClose: () => void }) {
    const { stored, edit } = useBuild();
    const navigate = useNavigate();
    const [name, setName] = useState('');
    const [kind, setKind] = useState<Kind>('arm');
    const [error, setError] = useState('');
    const add = (event: FormEvent) => {
        event.preventDefault();
        const { motions } = stored.document as Build;
        if (name.trim() === '' || name.length > 80) {
            setError(name.trim() === '' ? 'Give it a name, such as Drawbridge.' : 'Must be at most 80 characters long.');
            return;
        }
        const id = freeId(name, motions.map((motion) => motion.id));
        edit({ path: `motions.${motions.length}`, value: example(kind, id, name.trim(), motions.length) });
        setName('');
        setError('');
        onClose();
        void navigate(linkPath(stored.id, id, 'task'));
    };
    return (
        <Sheet open={open} onClose={onClose} title="What has to move?">
            <form onSubmit={add}>
                <label className="block">
                    Its name
                    <input autoFocus className="mt-1 block w-full border border-line bg-well px-2 py-1" value={name} aria-invalid={error !== ''} onChange={(event) => setName(event.target.value)} />
                </label>
                {error !== '' && <p role="alert" className="mt-1 text-fails">{error}</p>}
                <fieldset className="mt-3 space-y-2">
                    <legend className="sr-only">How it moves</legend>
                    {KINDS.map((each) => (
                        <label key={each.kind} className="flex gap-3 border border-line bg-well p-3">
                            <input type="radio" name="kind" className="mt-1 accent-accent" checked={kind === each.kind} onChange={() => setKind(each.kind)} />
                            <span>
                                <strong>{each.title}</strong>
                                <span className="block text-quiet">{each.says}</span>
                            </span>
                        </label>
                    ))}
                </fieldset>
                <div className="mt-4 flex gap-2">
                    <button type="submit" className="bg-accent px-3 py-1 font-semibold text-white">
                        Add it
                    </button>
                    <button type="button" className="border border-line bg-well px-3 py-1" onClick={onClose}>
                        Not now
                    </button>
                </div>
            </form>
        </Sheet>
    );
}

import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import type { Build, Mechanism } from '../api/types';
import { MECHANISMS } from '../stations/mechanisms';
import { linkPath } from '../chain/links';
import { KindPicture } from '../mat/KindPicture';
import { Sheet } from '../shell/Sheet';
import { useBuild } from '../state/BuildContext';

const KINDS = Object.keys(MECHANISMS) as Kind[];

type Kind = Mechanism['kind'];

/** An example to start from; its figures are typed over at the stations. */
function example(kind: Kind, id: string, name: string, count: number): object {
    const { mechanism, places, task } = MECHANISMS[kind].example;
    return {
        id,
        name,
        marker: ['yellow', 'coral', 'sky', 'lilac'][count % 4],
        mechanism: { kind, ...mechanism },
        places: [
            { id: 'start', name: places[0], at: places[1] },
            { id: 'end', name: places[2], at: places[3] },
        ],
        task: { from: 'start', to: 'end', mass_guessed: true, ...task },
    };
}

/** A short name for documents that is not taken yet. */
export function freeId(name: string, taken: string[]): string {
    const plain =
        name
            .toLowerCase()
            .replace(/[^a-z0-9]+/g, '-')
            .replace(/^[^a-z]+|-+$/g, '')
            .slice(0, 30) || 'part';
    let id = plain;
    for (let count = 2; taken.includes(id); count++) {
        id = `${plain}-${count}`;
    }
    return id;
}

interface Props {
    open: boolean;
    onClose: () => void;
    /** What it has from the first besides: where it stands. */
    also?: object;
    /** It is there; its task is worked on first where nothing else is said. */
    onAdded?: (id: string) => void;
}

/** Asks what moves, and adds it with an example's figures. */
export function AddMotion({ open, onClose, also = {}, onAdded }: Props) {
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
        const id = freeId(
            name,
            motions.map((motion) => motion.id),
        );
        edit({ path: `motions.${motions.length}`, value: { ...example(kind, id, name.trim(), motions.length), ...also } });
        setName('');
        setError('');
        onClose();
        if (onAdded === undefined) {
            void navigate(linkPath(stored.id, id, 'task'));
        } else {
            onAdded(id);
        }
    };
    return (
        <Sheet open={open} onClose={onClose} title="What has to move?" wide>
            <form onSubmit={add}>
                <label className="block">
                    Its name
                    <input
                        autoFocus
                        className="mt-1 block w-full border border-line bg-well px-2 py-1"
                        value={name}
                        aria-invalid={error !== ''}
                        onChange={(event) => setName(event.target.value)}
                    />
                </label>
                {error !== '' && (
                    <p role="alert" className="mt-1 text-fails">
                        {error}
                    </p>
                )}
                <fieldset className="mt-3 grid grid-cols-2 gap-1.5 sm:grid-cols-3">
                    <legend className="sr-only">How it moves</legend>
                    {KINDS.map((each) => (
                        <label
                            key={each}
                            className={`looked-at grid cursor-pointer grid-cols-[5.5rem_1fr] items-start gap-2 border bg-well p-1.5 hover:border-ink ${kind === each ? 'border-accent outline-2 -outline-offset-1 outline-accent' : 'border-line'}`}
                        >
                            <KindPicture kind={each} />
                            <span>
                                <span className="flex items-baseline gap-1.5">
                                    <input type="radio" name="kind" className="accent-accent" checked={kind === each} onChange={() => setKind(each)} />
                                    <strong className="leading-tight">{MECHANISMS[each].title}</strong>
                                </span>
                                <span className="narrow mt-0.5 block text-[0.92rem] leading-snug text-quiet">{MECHANISMS[each].says}</span>
                            </span>
                        </label>
                    ))}
                </fieldset>
                <div className="mt-4 flex gap-2">
                    <button type="submit" className="bg-accent px-3 py-1 font-semibold text-sheet">
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

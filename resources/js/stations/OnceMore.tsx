import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { useNavigate } from 'react-router';
import { api, Refused } from '../api/client';
import type { Motion, Variation } from '../api/types';
import { linkPath } from '../chain/links';
import { Sheet } from '../shell/Sheet';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { STATION_BUTTON } from './StationFields';

type How = 'copied' | 'mirrored' | 'out';

/** A motion once more, as it is or as its mirror image, or no more: each tells first what it changes. */
export function OnceMore({ motion }: { motion: Motion }) {
    const [how, setHow] = useState<How | null>(null);
    const close = () => setHow(null);
    return (
        <div className="flex flex-wrap gap-2">
            <button type="button" className={STATION_BUTTON} onClick={() => setHow('copied')}>
                Copy it…
            </button>
            <button type="button" className={STATION_BUTTON} onClick={() => setHow('mirrored')}>
                Mirror it…
            </button>
            <button type="button" className={STATION_BUTTON} onClick={() => setHow('out')}>
                Take it out…
            </button>
            <Sheet
                open={how === 'copied' || how === 'mirrored'}
                onClose={close}
                title={how === 'mirrored' ? `${motion.name}, mirrored` : `${motion.name} once more`}
            >
                {how !== null && how !== 'out' && <Twin motion={motion} mirrored={how === 'mirrored'} onClose={close} />}
            </Sheet>
            <Sheet open={how === 'out'} onClose={close} title={`Take ${motion.name} out of the build`}>
                {how === 'out' && <TakeOut motion={motion} onClose={close} />}
            </Sheet>
        </div>
    );
}

function Twin({ motion, mirrored, onClose }: { motion: Motion; mirrored: boolean; onClose: () => void }) {
    const { stored, edit } = useBuild();
    const navigate = useNavigate();
    const [name, setName] = useState<string | null>(null);
    const [together, setTogether] = useState(true);
    const { data, error, isPlaceholderData } = useQuery({
        queryKey: ['twin', stored.id, stored.version, motion.id, mirrored, together, name],
        queryFn: () => api.twin(stored.id, motion.id, { mirrored, together, name }),
        placeholderData: (before) => before,
        retry: false,
    });
    const add = (event: FormEvent) => {
        event.preventDefault();
        if (data === undefined || error !== null) {
            return;
        }
        edit(...data.changes);
        void navigate(linkPath(stored.id, (data.changes[0]!.value as Motion).id, 'task'));
    };
    const wrong = error instanceof Refused ? error.errors.map((each) => each.message).join(' ') : error?.message;
    return (
        <form onSubmit={add} noValidate>
            <label className="block">
                <span className="narrow block text-quiet">Name</span>
                <input
                    value={name ?? data?.name ?? ''}
                    onChange={(event) => setName(event.target.value)}
                    aria-invalid={wrong !== undefined}
                    aria-describedby="twin-wrong"
                    className="w-full border border-line bg-well px-2 py-1"
                />
            </label>
            <p id="twin-wrong" role="alert" className="text-fails">
                {wrong}
            </p>
            <label className="mt-2 flex items-center gap-2">
                <input type="checkbox" checked={together} onChange={(event) => setTogether(event.target.checked)} />
                Both move together where a routine moves {motion.name}
            </label>
            {error === null && <Told by={data} />}
            <Choose yes="Add it" isReady={error !== null || (data !== undefined && !isPlaceholderData)} onClose={onClose} />
        </form>
    );
}

function TakeOut({ motion, onClose }: { motion: Motion; onClose: () => void }) {
    const { stored, edit } = useBuild();
    const navigate = useNavigate();
    const { data } = useQuery({
        queryKey: ['removal', stored.id, stored.version, motion.id],
        queryFn: () => api.removal(stored.id, motion.id),
    });
    const remove = (event: FormEvent) => {
        event.preventDefault();
        if (data !== undefined) {
            edit(...data.changes);
            void navigate(`/builds/${stored.id}`);
        }
    };
    return (
        <form onSubmit={remove}>
            {data?.says.length === 0 && <p>Nothing else goes with it.</p>}
            <Told by={data} />
            <p className="mt-2 text-quiet">It can be undone.</p>
            <Choose yes="Take it out" isReady={data !== undefined} onClose={onClose} />
        </form>
    );
}

function Told({ by }: { by: Variation | undefined }) {
    const { say } = useSpeaking();
    return (
        <ul className="mt-2 list-disc pl-5" aria-label="What that changes">
            {by?.says.map((each) => (
                <li key={each.text}>{say(each)}</li>
            ))}
        </ul>
    );
}

/** Nothing is done before what it changes is known. */
function Choose({ yes, isReady, onClose }: { yes: string; isReady: boolean; onClose: () => void }) {
    return (
        <div className="mt-4 flex gap-2">
            <button type="submit" disabled={!isReady} className="bg-accent px-3 py-1 font-semibold text-sheet disabled:opacity-50">
                {yes}
            </button>
            <button type="button" className="border border-line bg-well px-3 py-1" onClick={onClose}>
                Leave it
            </button>
        </div>
    );
}

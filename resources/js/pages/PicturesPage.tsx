import { useRef, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, Refused } from '../api/client';
import type { Build, Picture } from '../api/types';
import { prepared } from '../pictures/prepare';
import { PictureBench } from '../pictures/PictureBench';
import { useBuild } from '../state/BuildContext';

/** Sizes read off pictures: one known length gives the scale of all the others. */
export function PicturesPage() {
    const { pictureId } = useParams();
    const { stored, edit } = useBuild();
    const navigate = useNavigate();
    const file = useRef<HTMLInputElement>(null);
    const [problem, setProblem] = useState('');
    const [isBusy, setBusy] = useState(false);
    const { pictures } = stored.document as Build;
    const current = pictures.findIndex((picture) => picture.id === (pictureId ?? pictures[0]?.id));
    const bring = async (picked: File | undefined) => {
        if (picked === undefined) {
            return;
        }
        setBusy(true);
        setProblem('');
        try {
            const { name, data } = await prepared(picked);
            const made = await api.addPicture(stored.id, name, data);
            const picture: Picture = { ...made, known: null, scale: 1, readings: [] };
            edit({ path: `pictures.${pictures.length}`, value: picture });
            void navigate(`/builds/${stored.id}/pictures/${made.id}`);
        } catch (thrown) {
            setProblem(thrown instanceof Refused ? (thrown.errors[0]?.message ?? thrown.message) : thrown instanceof Error ? thrown.message : String(thrown));
        } finally {
            setBusy(false);
        }
    };
    return (
        <main className="mx-auto max-w-[1500px] px-4 py-3">
            <div className="flex flex-wrap items-center gap-3">
                <h1 className="text-[1.25rem]">Sizes off a picture</h1>
                <nav aria-label="Pictures" className="flex gap-1">
                    {pictures.map((picture, i) => (
                        <Link
                            key={picture.id}
                            to={`/builds/${stored.id}/pictures/${picture.id}`}
                            aria-current={i === current}
                            className={`border border-line px-2 py-0.5 ${i === current ? 'bg-sheet font-semibold' : 'bg-ground'}`}
                        >
                            {picture.name}
                        </Link>
                    ))}
                </nav>
                <span className="flex-1" />
                <button
                    type="button"
                    className={pictures.length === 0 ? 'bg-accent px-3 py-1 font-semibold text-sheet' : 'border border-line bg-sheet px-3 py-1'}
                    disabled={isBusy}
                    onClick={() => file.current?.click()}
                >
                    {isBusy ? 'Bringing it…' : 'Bring a picture…'}
                </button>
                <input
                    ref={file}
                    type="file"
                    hidden
                    aria-label="Picture"
                    accept="image/png,image/jpeg,image/webp"
                    onChange={(event) => void bring(event.target.files?.[0])}
                />
            </div>
            {problem !== '' && (
                <p role="alert" className="mt-3 border-l-3 border-fails pl-2 text-fails">
                    {problem}
                </p>
            )}
            {current < 0 ? (
                <section aria-label="How it goes" className="mt-4 max-w-3xl border border-line bg-sheet px-5 py-4">
                    <h2 className="text-[1.05rem]">How it goes</h2>
                    <ol className="mt-2 list-decimal space-y-1 pl-5">
                        <li>Bring a photograph or drawing of the real thing, taken square on and from far away: nearness bends lengths.</li>
                        <li>Lay the first line over something whose length you know: a door of 2 m, a coin, a ruler held beside it.</li>
                        <li>Lay further lines over what you want to know. Each is read in real size and at the scale of your model.</li>
                        <li>Give a reading to a motion: it becomes the length of its arm, its drum or its crank.</li>
                    </ol>
                </section>
            ) : (
                <PictureBench key={pictures[current]!.id} picture={pictures[current]!} index={current} />
            )}
        </main>
    );
}

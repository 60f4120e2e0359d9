import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { SpokenRead } from '../api/types';
import { freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { STATION_BUTTON } from '../stations/StationFields';
import { hasSerial, useBoard } from './useBoard';

const SHOWN = 12;

/** What the program said while it ran, pasted or from a file: its moves become measured times. */
export function SpokenLines() {
    const { stored, edit } = useBuild();
    const [text, setText] = useState('');
    const read = useMutation({ mutationFn: (spoken: string) => api.spoken(stored.id, spoken) });
    const { motions, log } = stored.document;
    const motion = (id: string) => motions.find((each) => each.id === id);
    const place = (id: string, at: string) => motion(id)?.places.find((each) => each.id === at)?.name ?? at;
    const take = (spoken: string) => {
        setText(spoken);
        if (spoken.trim() === '') {
            read.reset();
        } else {
            read.mutate(spoken);
        }
    };
    const write = (moves: SpokenRead['moves']) => {
        const ids = log.map((entry) => entry.id);
        const on = new Date().toISOString().slice(0, 10);
        const entries = moves.map(({ motion, from, to, measured_s, speed }) => {
            const id = freeId('m', ids);
            ids.push(id);
            return { id, motion, from, to, measured_s, speed, on, note: 'Said by the program' };
        });
        edit({ path: 'log', value: [...log, ...entries] });
        take('');
    };
    const board = useBoard(null);
    const listen = () => {
        if (board.isOpen) {
            void board.close();
            take(text === '' ? board.heard : `${text}\n${board.heard}`);
        } else {
            void board.open();
        }
    };
    const found = read.data;
    return (
        <section aria-label="What the program said" className="mt-6 border border-line bg-sheet p-4">
            <h2 className="text-[1.15rem]">What the program said</h2>
            <p className="text-quiet">
                Paste the lines that came from the board while it ran, or take them from a file: each move between two places is a measured time.
            </p>
            <textarea
                aria-label="Lines that the program said"
                className="mt-2 h-24 w-full border border-line bg-well p-2 font-mono text-[0.85rem]"
                value={text}
                placeholder={'{"ms":1240,"step":4,"is":"begun"}'}
                spellCheck={false}
                onChange={(event) => take(event.target.value)}
            />
            {hasSerial() && (
                <button type="button" className={`${STATION_BUTTON} mt-1 mr-3`} onClick={listen}>
                    {board.isOpen ? 'Stop listening and read it' : 'Listen to the board'}
                </button>
            )}
            {board.isOpen && (
                <span role="status" className="narrow mr-3 text-quiet">
                    {board.heard.split('\n').length - 1} lines so far
                </span>
            )}
            {board.problem !== null && <span className="narrow mr-3 text-fails">{board.problem}</span>}
            <input
                type="file"
                aria-label="A file of such lines"
                className="mt-1"
                accept=".txt,.log,.json,.jsonl"
                onChange={(event) => void event.target.files?.[0]?.text().then(take)}
            />
            {read.error !== null && (
                <p role="alert" className="mt-2 text-fails">
                    {read.error.message}
                </p>
            )}
            {found !== undefined && text !== '' && (
                <div role="status" className="mt-2">
                    {found.problems.map((problem) => (
                        <p key={`${problem.line} ${problem.message}`} className="text-fails">
                            Line {problem.line}: {problem.message}
                        </p>
                    ))}
                    <p>
                        {found.lines} {found.lines === 1 ? 'line' : 'lines'}, {found.moves.length} {found.moves.length === 1 ? 'move' : 'moves'} between known
                        places
                        {found.moves.length === 0 ? '.' : ':'}
                    </p>
                    <ul>
                        {found.moves.slice(0, SHOWN).map((move) => (
                            <li key={move.line}>
                                {motion(move.motion)?.name} from {place(move.motion, move.from)} to {place(move.motion, move.to)}:{' '}
                                {significant(move.measured_s, 4)} s
                            </li>
                        ))}
                    </ul>
                    {found.moves.length > SHOWN && <p>and {found.moves.length - SHOWN} more</p>}
                    {found.moves.length > 0 && (
                        <button type="button" className={`${STATION_BUTTON} mt-2`} onClick={() => write(found.moves)}>
                            Write {found.moves.length === 1 ? 'it' : `all ${found.moves.length}`} into the log
                        </button>
                    )}
                </div>
            )}
        </section>
    );
}

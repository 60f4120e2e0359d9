import { useState, type FormEvent, type ReactNode } from 'react';
import { api } from '../api/client';
import type { LogProblem } from '../api/types';
import { prepared } from '../pictures/prepare';
import { placesOf } from '../routine/steps';
import { useBuild } from '../state/BuildContext';
import { today } from './today';

/** What is typed, by the columns of a log. */
type Column = 'time' | 'current' | 'stalled' | 'stopped at' | 'temperature' | 'after' | 'pull' | 'failed' | 'speed' | 'carries' | 'supply' | 'warm' | 'note';

const NOTHING: { [key in Column]: string } = {
    time: '',
    current: '',
    stalled: '',
    'stopped at': '',
    temperature: '',
    after: '',
    pull: '',
    failed: '',
    speed: '',
    carries: '',
    supply: '',
    warm: '',
    note: '',
};
const INPUT = 'border border-line bg-well px-2 py-1';

/** Takes a measurement, typed or with the watch; how it was stays for the next one. */
export function Measure() {
    const { stored, edit } = useBuild();
    const { motions, log } = stored.document;
    const [motionId, setMotion] = useState(motions[0]?.id ?? '');
    const motion = motions.find((each) => each.id === motionId) ?? motions[0];
    const [move, setMove] = useState<{ from: string; to: string } | null>(null);
    const [typed, setTyped] = useState(NOTHING);
    const [problems, setProblems] = useState<LogProblem[]>([]);
    const [photograph, setPhotograph] = useState<File | null>(null);
    if (motion === undefined) {
        return null;
    }
    const places = placesOf(motion);
    const has = (id: string | undefined) => places.some((each) => each.id === id);
    const [from, to] = [has(move?.from) ? move!.from : motion.task.from, has(move?.to) ? move!.to : motion.task.to];
    const set = (column: Column) => (value: string) => setTyped({ ...typed, [column]: value });
    const write = async (event: FormEvent) => {
        event.preventDefault();
        const said = Object.fromEntries(Object.entries(typed).filter(([, value]) => value.trim() !== ''));
        const read = await api.readLog(stored.id, JSON.stringify({ motion: motion.id, from, to, ...said }), today()).catch((error: Error) => error);
        if (read instanceof Error) {
            setProblems([{ line: 1, field: 'time', message: read.message }]);
            return;
        }
        setProblems(read.problems);
        if (read.entries[0] !== undefined) {
            const picture = photograph === null ? null : await kept(photograph).catch((error: Error) => error);
            if (picture instanceof Error) {
                setProblems([{ line: 1, field: 'picture', message: picture.message }]);
                return;
            }
            edit({ path: `log.${log.length}`, value: picture === null ? read.entries[0] : { ...read.entries[0], picture } });
            setPhotograph(null);
            setTyped({ ...typed, time: '', current: '', stalled: '', 'stopped at': '', temperature: '', after: '', pull: '', failed: '', note: '' });
        }
    };
    const kept = async (file: File) => {
        const { name, data } = await prepared(file);
        return (await api.addPicture(stored.id, name, data)).id;
    };
    const field = (column: Column, label: string, placeholder: string, width = 'w-28') => (
        <Typed label={label} value={typed[column]} onType={set(column)} problems={problems} column={column} placeholder={placeholder} className={width} />
    );
    return (
        <form aria-label="Write down a measurement" className="mt-4 border border-line bg-sheet px-4 py-3" onSubmit={(event) => void write(event)}>
            <div className="flex flex-wrap items-start gap-3">
                <Labelled label="Motion">
                    <select className={INPUT} value={motion.id} onChange={(event) => setMotion(event.target.value)}>
                        {motions.map((each) => (
                            <option key={each.id} value={each.id}>
                                {each.name}
                            </option>
                        ))}
                    </select>
                </Labelled>
                {(['from', 'to'] as const).map((end) => (
                    <Labelled key={end} label={end === 'from' ? 'From' : 'To'}>
                        <select className={INPUT} value={end === 'from' ? from : to} onChange={(event) => setMove({ from, to, [end]: event.target.value })}>
                            {places.map((each) => (
                                <option key={each.id} value={each.id}>
                                    {each.name}
                                </option>
                            ))}
                        </select>
                    </Labelled>
                ))}
                {field('time', 'Measured time', '4.2 s', 'w-40')}
                <Watch onTaken={set('time')} />
                {field('note', 'Note', 'What was different?', 'min-w-40 flex-1')}
                <button type="submit" className="mt-[1.4rem] bg-accent px-3 py-1 font-semibold text-sheet">
                    Write it down
                </button>
            </div>
            <details className="mt-2">
                <summary className="cursor-pointer text-quiet">How it was, and what else was measured{howItWas(typed)}</summary>
                <div className="mt-2 flex flex-wrap items-start gap-3">
                    <Labelled label="It carried">
                        <select className={INPUT} value={typed.carries} onChange={(event) => set('carries')(event.target.value)}>
                            <option value="">what its task says</option>
                            <option value="loaded">its load</option>
                            <option value="empty">nothing</option>
                        </select>
                    </Labelled>
                    {field('speed', 'Share of its speed', '100 %', 'w-32')}
                    {field('supply', 'The supply gave', '12 V', 'w-32')}
                    <Labelled label="It was">
                        <select className={INPUT} value={typed.warm} onChange={(event) => set('warm')(event.target.value)}>
                            <option value="">cold</option>
                            <option value="yes">warm from running</option>
                        </select>
                    </Labelled>
                    {field('current', 'Current on the way', '240 mA', 'w-36')}
                    {field('stalled', 'Current held fast', '1.5 A', 'w-36')}
                    {field('stopped at', 'It stopped at', '41 mm or 62°')}
                    {field('temperature', 'Temperature of its drive', '48 °C', 'w-40')}
                    {field('after', 'After running for', '10 min', 'w-32')}
                    {field('pull', 'Pull on a balance', '3.2 N', 'w-36')}
                    {field('failed', 'What failed', 'The cord slipped', 'min-w-40 flex-1')}
                    <Labelled label="Photograph">
                        <input
                            key={photograph === null ? 'none' : 'one'}
                            type="file"
                            accept="image/*"
                            className="max-w-56"
                            onChange={(event) => setPhotograph(event.target.files?.[0] ?? photograph)}
                        />
                        {photograph !== null && <span className="narrow block text-quiet">{photograph.name}</span>}
                        {problems
                            .filter((each) => each.field === 'picture')
                            .map((each) => (
                                <span key={each.message} role="alert" className="block text-fails">
                                    {each.message}
                                </span>
                            ))}
                    </Labelled>
                </div>
            </details>
        </form>
    );
}

function howItWas({ carries, speed, supply, warm }: typeof NOTHING): string {
    const parts = [carries, speed === '' ? '' : `at ${speed}`, supply === '' ? '' : `on ${supply}`, warm === '' ? '' : 'warm'].filter((part) => part !== '');
    return parts.length === 0 ? '' : `: ${parts.join(', ')}`;
}

function Watch({ onTaken }: { onTaken: (time: string) => void }) {
    const [since, setSince] = useState<number | null>(null);
    const press = () => {
        if (since !== null) {
            onTaken(`${((performance.now() - since) / 1000).toFixed(2)} s`);
        }
        setSince(since === null ? performance.now() : null);
    };
    return (
        <button type="button" className={`${INPUT} mt-[1.4rem] w-32`} onClick={press}>
            {since === null ? 'Start the watch' : 'Stop the watch'}
        </button>
    );
}

function Labelled({ label, children }: { label: string; children: ReactNode }) {
    return (
        <label>
            <span className="block text-quiet">{label}</span>
            {children}
        </label>
    );
}

function Typed({
    label,
    value,
    onType,
    problems,
    column,
    placeholder,
    className,
}: {
    label: string;
    value: string;
    onType: (value: string) => void;
    problems: LogProblem[];
    column: Column;
    placeholder: string;
    className: string;
}) {
    const problem = problems.find((each) => each.field === column || (column === 'time' && each.field === ''));
    const id = `log-${column.replace(' ', '-')}-problem`;
    return (
        <div className={className}>
            <Labelled label={label}>
                <input
                    className={`${INPUT} w-full ${problem === undefined ? '' : 'border-fails'}`}
                    aria-invalid={problem !== undefined}
                    aria-describedby={problem === undefined ? undefined : id}
                    placeholder={placeholder}
                    value={value}
                    onChange={(event) => onType(event.target.value)}
                />
            </Labelled>
            {problem !== undefined && (
                <p id={id} role="alert" className="narrow mt-1 max-w-60 text-fails">
                    {problem.message}
                </p>
            )}
        </div>
    );
}

import { useState } from 'react';
import { api, Refused } from '../api/client';
import { FieldFrame } from '../fields/FieldFrame';
import { useSpeaking } from '../state/UnitsContext';
import { significant } from '../state/units';
import { STATION_BUTTON } from '../stations/StationFields';

const FREE = [
    ['no_load_rpm', 'Speed without load'],
    ['no_load_A', 'Current without load'],
] as const;
const WAYS = {
    held: [
        ['held_kg', 'Mass it just holds level'],
        ['arm_m', 'On an arm of'],
        ['held_A', 'Current then'],
    ],
    loaded: [
        ['load_Nm', 'A known load'],
        ['loaded_rpm', 'Speed under it'],
        ['loaded_A', 'Current under it'],
    ],
} as const;

/** Ratings from what was measured at the bench, with the working shown. */
export function FromTheBench({ onUse }: { onUse: (ratings: Record<string, string>) => void }) {
    const { book } = useSpeaking();
    const [way, setWay] = useState<keyof typeof WAYS>('held');
    const [typed, setTyped] = useState<Record<string, string>>({});
    const [errors, setErrors] = useState<Record<string, string>>({});
    const [working, setWorking] = useState<string[]>([]);
    const fields = [...FREE, ...WAYS[way]];
    const work = async () => {
        const inputs: Record<string, number> = {};
        const wrong: Record<string, string> = {};
        await Promise.all(
            fields.map(async ([key]) => {
                const unit = book.keptIn(key);
                try {
                    inputs[key] = book.fromSi((await api.quantity(typed[key] ?? '', unit)).si, unit);
                } catch (thrown) {
                    wrong[key] = thrown instanceof Refused ? thrown.message.replace(/^text: /, '') : String(thrown);
                }
            }),
        );
        try {
            if (Object.keys(wrong).length === 0) {
                const { results } = await api.calculate('drive.bench', inputs);
                setWorking(results.working as string[]);
                onUse(
                    Object.fromEntries(
                        ['no_load_rpm', 'no_load_A', 'stall_Nm', 'stall_A'].map((key) => [
                            key,
                            `${significant(results[key] as number, 4)} ${book.keptIn(key)}`,
                        ]),
                    ),
                );
            }
        } catch (thrown) {
            (thrown instanceof Refused ? thrown.errors : [{ field: 'no_load_rpm', message: String(thrown) }]).forEach(
                (error) => (wrong[error.field] = error.message),
            );
        }
        setErrors(wrong);
    };
    return (
        <details className="my-2 border-l-3 border-line pl-3">
            <summary className="cursor-pointer font-semibold">Work out its ratings from what I measured</summary>
            <div role="group" aria-label="How it was measured" className="mt-2 flex gap-4">
                {(['held', 'loaded'] as const).map((each) => (
                    <label key={each} className="flex items-center gap-1.5">
                        <input type="radio" className="accent-accent" checked={way === each} onChange={() => setWay(each)} />
                        {each === 'held' ? 'a weight that it just holds' : 'its speed under a known load'}
                    </label>
                ))}
            </div>
            <div className="grid grid-cols-2 gap-x-6">
                {fields.map(([key, label]) => (
                    <FieldFrame key={key} label={label} error={errors[key]}>
                        {({ id, describedBy }) => (
                            <input
                                id={id}
                                aria-describedby={describedBy}
                                autoComplete="off"
                                placeholder={book.keptIn(key)}
                                className={`w-full border bg-well px-2 py-1 text-right ${errors[key] === undefined ? 'border-line' : 'border-fails'}`}
                                value={typed[key] ?? ''}
                                onChange={(event) => setTyped({ ...typed, [key]: event.target.value })}
                            />
                        )}
                    </FieldFrame>
                ))}
            </div>
            <button type="button" className={STATION_BUTTON} onClick={() => void work()}>
                Work it out
            </button>
            <div role="status">
                <ol className="mt-1 list-decimal pl-5" aria-label="Working">
                    {working.map((step) => (
                        <li key={step}>{step}</li>
                    ))}
                </ol>
            </div>
        </details>
    );
}

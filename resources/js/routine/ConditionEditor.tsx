import type { Condition } from '../api/types';
import { ChoiceField, TextField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';
import { keyOf, questions } from './steps';

const SMALL = 'border border-line bg-well px-1.5 leading-normal hover:bg-ground';

/** A condition inside of a sentence: what it asks, its figures, and how several are joined. */
export function ConditionEditor({ label, condition, path, depth = 0 }: { label: string; condition: Condition; path: string; depth?: number }) {
    const { stored, edit } = useBuild();
    const possible = questions(stored.document);
    const set = (value: Condition) => edit({ path, value });
    const another = possible[0]!.condition;
    const says = (word: string) => ` ${word} `;
    if (condition.test === 'all' || condition.test === 'any') {
        const word = condition.test === 'all' ? 'and' : 'or';
        return (
            <fieldset className="contents">
                <legend className="sr-only">{label}</legend>
                {depth > 0 && says('(')}
                {condition.of.map((part, i) => (
                    <div key={i} className="contents">
                        {i > 0 && says(word)}
                        <ConditionEditor label={i === 0 ? label : word} condition={part} path={`${path}.of.${i}`} depth={depth + 1} />
                    </div>
                ))}
                {depth > 0 && says(')')}
                <div className="inline-flex gap-1 px-1">
                    <button type="button" className={SMALL} onClick={() => set({ ...condition, of: [...condition.of, another] })}>
                        {word} something else
                    </button>
                    <button type="button" className={SMALL} onClick={() => set({ ...condition, test: condition.test === 'all' ? 'any' : 'all' })}>
                        {condition.test === 'all' ? 'any of them is enough' : 'all of them must be so'}
                    </button>
                    <button type="button" className={SMALL} onClick={() => set(condition.of[0]!)}>
                        only the first
                    </button>
                </div>
            </fieldset>
        );
    }
    if (condition.test === 'not') {
        return (
            <div className="contents">
                {says('it is not so that')}
                <ConditionEditor label={`${label} it is not so that`} condition={condition.that} path={`${path}.that`} depth={depth + 1} />
                <button type="button" className={SMALL} onClick={() => set(condition.that)}>
                    when it is so
                </button>
            </div>
        );
    }
    const chosen = keyOf(condition);
    const choices = possible.map((each) => ({ value: each.key, label: each.label }));
    return (
        <>
            <ChoiceField
                label={label}
                path={path}
                value={chosen ?? ''}
                choices={choices}
                toValue={(key) => possible.find((each) => each.key === key)!.condition}
            />
            {condition.test === 'input' && says('without a break for')}
            {condition.test === 'input' && <QuantityField label="without a break for" path={`${path}.for_s`} value={condition.for_s} empty="at once" />}
            {condition.test === 'level' && (
                <>
                    <QuantityField label="Value" path={`${path}.value`} value={condition.value} />
                    {says('and comes back by')}
                    <QuantityField label="Comes back by" path={`${path}.hysteresis`} value={condition.hysteresis} how="Before it is no longer so." />
                </>
            )}
            {condition.test === 'counter' && stored.document.counters.find((each) => each.id === condition.counter)?.kind !== 'mark' && (
                <>
                    <ChoiceField
                        label="Compared"
                        path={`${path}.is`}
                        value={condition.is}
                        choices={[
                            { value: 'at_least', label: 'at least' },
                            { value: 'exactly', label: 'exactly' },
                            { value: 'under', label: 'under' },
                        ]}
                    />
                    <QuantityField label="with" path={`${path}.value`} value={condition.value} />
                </>
            )}
            {condition.test === 'clock' && (
                <>
                    <TextField label="From" path={`${path}.from`} value={condition.from} />
                    {says('and')}
                    <TextField label="To" path={`${path}.to`} value={condition.to} />
                </>
            )}
            {depth < 3 && (
                <div className="inline-flex gap-1 px-1">
                    <button type="button" className={SMALL} onClick={() => set({ test: 'all', of: [condition, another] })}>
                        and…
                    </button>
                    <button type="button" className={SMALL} onClick={() => set({ test: 'any', of: [condition, another] })}>
                        or…
                    </button>
                    <button type="button" className={SMALL} onClick={() => set({ test: 'not', that: condition })}>
                        not
                    </button>
                </div>
            )}
        </>
    );
}

import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState, type FormEvent } from 'react';
import { api, Refused } from '../api/client';
import type { Calculated, Schema } from '../api/types';
import { LinkGlyph } from '../chain/LinkGlyph';
import { FieldFrame } from '../fields/FieldFrame';
import { significant } from '../state/units';
import { Bands } from './Bands';
import { SweepChart } from './SweepChart';
import { columns, entries, fieldsOf, isNumber, isNumbers, isText, rows, together } from './lists';
import { useSpeaking } from '../state/UnitsContext';

const PAUSE_MS = 400; // after the last key

const SAID: Record<string, string> = {
    us_per_deg: 'Pulse for a degree, µs',
    deadband_us: 'Dead band, µs',
    pF_per_m: 'Capacitance per length',
    theta_C_per_W: 'Heat resistance',
    analogue: 'Analogue pins wanted',
    in_V: 'Voltage in',
    out_V: 'Voltage out',
    tolerance_percent: 'Tolerance, %',
    'pins.digital': 'Digital pins there',
    'pins.pwm': 'Pulse-width pins there',
    'pins.analogue': 'Analogue pins there',
};

/** `spring_N_per_m` as people read it: the words of the key without its unit. */
export function words(key: string, unit: string): string {
    if (SAID[key] !== undefined) {
        return SAID[key];
    }
    const plain = (
        key.endsWith('_kgm')
            ? `${key.slice(0, -4)}, kg × m`
            : unit === ''
              ? key
              : key.replace(
                    /_(Nm_per_deg|l_min|bar|l|N_per_m|C_per_W|deg_s|mm_s|m_s2?|kgm2|rpm|MPa|deg|ohm|mH|uF|nF|pF|mm2|us|Nm|Ah|hz|kg|mm|ms|g|m|s|N|V|A|W|J|C)$/,
                    '',
                )
    )
        .replace('.', ': ')
        .replaceAll('_', ' ')
        .replace(/\bcg\b/, 'balance point');
    return plain.charAt(0).toUpperCase() + plain.slice(1);
}

/** A calculator as a form made from its schema. */
export function CalculatorForm({ name, title, says }: { name: string; title: string; says: string }) {
    const { book, say } = useSpeaking();
    const { data: schema } = useQuery({ queryKey: ['calculator', name], queryFn: () => api.calculatorSchema(name), staleTime: Infinity });
    const [typed, setTyped] = useState<Record<string, string>>({});
    const [errors, setErrors] = useState<Record<string, string>>({});
    const [answer, setAnswer] = useState<(Calculated & { given: object }) | null>(null);
    const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
    const latest = useRef(0);
    useEffect(() => () => clearTimeout(timer.current), []);
    if (schema === undefined) {
        return <p className="text-quiet">Loading it…</p>;
    }
    const inputs = fieldsOf(schema.properties.inputs);
    const labels = inputs.map(({ key }) => words(key, book.keptIn(key)));
    const label = (i: number, unit: string) => (labels.indexOf(labels[i]!) === labels.lastIndexOf(labels[i]!) ? labels[i]! : `${labels[i]}, ${unit}`);
    const run = async (typed: Record<string, string>) => {
        const turn = ++latest.current;
        const values: Record<string, unknown> = {};
        const wrong: Record<string, string> = {};
        await Promise.all(
            inputs.map(async ({ key, shape }) => {
                const text = (typed[key] ?? '').trim();
                if (text === '') {
                    return;
                }
                const unit = book.keptIn(key);
                try {
                    const numbers = (texts: string[]) => Promise.all(texts.map(async (each) => book.fromSi((await api.quantity(each, unit)).si, unit)));
                    const table = columns(shape);
                    if (isNumbers(shape) && !text.startsWith('[')) {
                        values[key] = await numbers(entries(text));
                        return;
                    }
                    if (table !== null && !text.startsWith('[')) {
                        values[key] = await Promise.all(
                            rows(text).map(async (cells) =>
                                Object.fromEntries(
                                    await Promise.all(
                                        cells.map(async (cell, i) => {
                                            const [column, field] = table[i] ?? ['more', {}];
                                            return [
                                                column,
                                                isNumber(field) ? book.fromSi((await api.quantity(cell, book.keptIn(column))).si, book.keptIn(column)) : cell,
                                            ] as const;
                                        }),
                                    ),
                                ),
                            ),
                        );
                        return;
                    }
                    values[key] = isNumber(shape)
                        ? book.fromSi((await api.quantity(text, unit)).si, unit)
                        : shape.enum !== undefined
                          ? shape.enum.find((each) => String(each) === text)
                          : isText(shape)
                            ? typed[key]
                            : [shape.type].flat().includes('boolean')
                              ? text === 'yes'
                              : (JSON.parse(text) as unknown);
                } catch (thrown) {
                    wrong[key] =
                        thrown instanceof Refused ? thrown.message.replace(/^text: /, '') : 'This is not JSON: it needs the form that the example shows.';
                }
            }),
        );
        if (Object.keys(wrong).length === 0) {
            try {
                const given = together(schema.properties.inputs, values);
                const calculated = await api.calculate(name, given);
                if (turn === latest.current) {
                    setAnswer({ ...calculated, given });
                }
            } catch (thrown) {
                (thrown instanceof Refused ? thrown.errors : [{ field: '', message: String(thrown) }]).forEach((error) => {
                    const own = inputs.some(({ key }) => key === error.field);
                    wrong[own ? error.field : error.field.split('.')[0]!] ??=
                        own || !error.field.includes('.') ? error.message : `${error.field}: ${error.message}`;
                });
            }
        }
        if (turn !== latest.current) {
            return; // what was typed since is worked out by a later turn
        }
        if (Object.keys(wrong).length > 0) {
            setAnswer(null);
        }
        setErrors(wrong);
    };
    /** Once it has been worked out, each change is worked out again. */
    const type = (key: string, text: string) => {
        const now = { ...typed, [key]: text };
        setTyped(now);
        clearTimeout(timer.current);
        if (answer !== null || Object.keys(errors).length > 0) {
            timer.current = setTimeout(() => void run(now), PAUSE_MS);
        }
    };
    const submit = (event: FormEvent) => {
        event.preventDefault();
        clearTimeout(timer.current);
        void run(typed);
    };
    const said = (key: string) => schema.properties.results.properties?.[key]?.description?.replace(/\.$/, '') ?? words(key, book.keptIn(key));
    return (
        <div className="self-start border border-line bg-sheet p-5">
            <h2 className="text-[1.25rem]">{title}</h2>
            <p className="text-quiet">
                {says} Scripts call it <code>{name}</code>.
            </p>
            <form className="mt-3" onSubmit={submit} noValidate>
                <div className="grid gap-x-8 lg:grid-cols-2">
                    {inputs.map(({ key, shape, isNeeded }, i) => {
                        const unit = book.keptIn(key);
                        const table = columns(shape);
                        const wide = !isNumber(shape) && !isNumbers(shape) && shape.enum === undefined && ![shape.type].flat().includes('boolean');
                        const usual = shape.default === undefined || shape.default === null ? (isNeeded ? '' : 'not given') : String(shape.default);
                        return (
                            <div key={key} className={wide || isNumbers(shape) ? 'lg:col-span-2' : ''}>
                                <FieldFrame
                                    stacked={wide || isNumbers(shape)}
                                    label={label(i, unit)}
                                    how={
                                        isNumbers(shape)
                                            ? `${shape.description ?? ''} Several, with a comma and a space between.`
                                            : table === null
                                              ? shape.description
                                              : `${shape.description ?? ''} One a line: ${table.map(([column]) => words(column, book.keptIn(column)).toLowerCase()).join('; ')}.`
                                    }
                                    error={errors[key]}
                                >
                                    {({ id, describedBy }) =>
                                        shape.enum !== undefined ? (
                                            <select
                                                id={id}
                                                aria-describedby={describedBy}
                                                className="w-full border border-line bg-well px-2 py-1 font-semibold"
                                                value={typed[key] ?? String(shape.default ?? '')}
                                                onChange={(event) => type(key, event.target.value)}
                                            >
                                                {(shape.default ?? null) === null && <option value="">{isNeeded ? 'choose one' : 'not given'}</option>}
                                                {shape.enum.map((choice) => (
                                                    <option key={String(choice)}>{String(choice)}</option>
                                                ))}
                                            </select>
                                        ) : [shape.type].flat().includes('boolean') ? (
                                            <select
                                                id={id}
                                                aria-describedby={describedBy}
                                                className="w-full border border-line bg-well px-2 py-1 font-semibold"
                                                value={typed[key] ?? (shape.default === true ? 'yes' : 'no')}
                                                onChange={(event) => type(key, event.target.value)}
                                            >
                                                <option>no</option>
                                                <option>yes</option>
                                            </select>
                                        ) : wide ? (
                                            <textarea
                                                id={id}
                                                aria-describedby={describedBy}
                                                rows={4}
                                                className={`w-full border bg-well px-2 py-1 ${isText(shape) ? '' : 'font-mono text-[0.86rem]'} ${errors[key] === undefined ? 'border-line' : 'border-fails'}`}
                                                placeholder={isText(shape) ? '' : table === null ? example(shape) : ''}
                                                value={typed[key] ?? ''}
                                                onChange={(event) => type(key, event.target.value)}
                                            />
                                        ) : (
                                            <span
                                                className={`flex items-baseline border bg-well px-2 ${errors[key] === undefined ? 'border-line' : 'border-fails'}`}
                                            >
                                                <input
                                                    id={id}
                                                    aria-describedby={describedBy}
                                                    aria-invalid={errors[key] !== undefined}
                                                    autoComplete="off"
                                                    placeholder={usual}
                                                    className="w-full min-w-0 bg-transparent py-1 text-right font-semibold outline-none placeholder:font-normal placeholder:text-quiet"
                                                    value={typed[key] ?? ''}
                                                    onChange={(event) => type(key, event.target.value)}
                                                />
                                                <span className="w-14 shrink-0 pl-1 whitespace-nowrap text-quiet">
                                                    {/[a-z°]/i.test(typed[key] ?? '') ? '' : unit}
                                                </span>
                                            </span>
                                        )
                                    }
                                </FieldFrame>
                            </div>
                        );
                    })}
                </div>
                {errors[''] !== undefined && (
                    <p role="alert" className="text-fails">
                        {errors['']}
                    </p>
                )}
                <button type="submit" className="mt-3 bg-accent px-3 py-1 font-semibold text-sheet">
                    Work it out
                </button>
            </form>
            <div role="status">
                {answer !== null && (
                    <section aria-label="Results" className="mt-5">
                        {answer.findings.map((finding) => (
                            <p key={finding.code + say(finding.says)} className="mb-1 flex items-start gap-2">
                                <LinkGlyph verdict={finding.severity === 'note' ? 'not_said' : finding.severity} size={15} /> {say(finding.says)}
                            </p>
                        ))}
                        <table className="w-full border-y border-line">
                            <tbody>
                                {Object.entries(answer.results).map(([key, value]) => {
                                    const unit = book.keptIn(key);
                                    return (
                                        <tr key={key} className="border-t border-line align-top">
                                            <th scope="row" className="py-1 text-left font-normal text-quiet">
                                                {said(key)} <code className="narrow ml-1 text-[0.8rem]">{key}</code>
                                            </th>
                                            <td className="py-1 text-right font-semibold">
                                                {isTable(value) ? (
                                                    <ResultTable rows={value} />
                                                ) : key === 'bands' ? (
                                                    <Bands colours={value as string[]} />
                                                ) : (
                                                    shown(value)
                                                )}
                                            </td>
                                            <td className="w-16 py-1 pl-1 text-quiet">{typeof value === 'number' || Array.isArray(value) ? unit : ''}</td>
                                        </tr>
                                    );
                                })}
                            </tbody>
                        </table>
                        <SweepChart
                            name={name}
                            inputs={answer.given}
                            labelOf={(key) => labels[inputs.findIndex((each) => each.key === key)] ?? words(key, book.keptIn(key))}
                            resultOf={said}
                        />
                    </section>
                )}
            </div>
        </div>
    );
}

type ResultRow = Record<string, unknown>;

function isTable(value: unknown): value is ResultRow[] {
    return Array.isArray(value) && value.length > 0 && value.every((each) => typeof each === 'object' && each !== null && !Array.isArray(each));
}

/** A list of like results, a row each. */
function ResultTable({ rows }: { rows: ResultRow[] }) {
    const { book } = useSpeaking();
    const keys = Object.keys(rows[0]!);
    return (
        <div className="max-h-80 overflow-auto" tabIndex={0} role="group" aria-label="Rows">
            <table className="w-full font-normal">
                <thead className="narrow text-quiet">
                    <tr>
                        {keys.map((key) => (
                            <th key={key} className="pl-3 text-right font-normal">
                                {words(key, book.keptIn(key))}
                                {book.keptIn(key) === '' ? '' : `, ${book.keptIn(key)}`}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row, i) => (
                        <tr key={i} className="border-t border-line">
                            {keys.map((key) => (
                                <td key={key} className="py-0.5 pl-3 text-right">
                                    {isTable(row[key]) ? row[key].map((each) => Object.values(each).map(shown).join(' : ')).join(' · ') : shown(row[key], 4)}
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

function shown(value: unknown, figures = 6): string {
    if (value === null) {
        return 'none';
    }
    if (typeof value === 'number') {
        return significant(value, figures);
    }
    if (typeof value === 'boolean') {
        return value ? 'yes' : 'no';
    }
    if (Array.isArray(value)) {
        return value.every((each) => typeof each === 'number')
            ? value.map((each) => significant(each as number, 4)).join(', ')
            : value.map((each) => (typeof each === 'string' ? each : JSON.stringify(each))).join(' ');
    }
    return typeof value === 'string' ? value : JSON.stringify(value);
}

/** What a group or list looks like, from its schema. */
function example(schema: Schema): string {
    const value = (shape: Schema): unknown => {
        if (shape.anyOf !== undefined) {
            return value(shape.anyOf[0]!);
        }
        if (shape.enum !== undefined) {
            return shape.enum[0];
        }
        if ([shape.type].flat().includes('array')) {
            return [value(shape.items!)];
        }
        if ([shape.type].flat().includes('object')) {
            const needed = shape.required ?? Object.keys(shape.properties ?? {});
            return Object.fromEntries(needed.map((key) => [key, value(shape.properties![key]!)]));
        }
        return isNumber(shape) ? 1 : '';
    };
    return JSON.stringify(value(schema));
}

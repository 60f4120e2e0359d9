import { useQuery } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import { useRef, useState } from 'react';
import { api } from '../api/client';
import type { Build, ReadingsSheet } from '../api/types';
import { useTrying } from '../chain/trying';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';

type Sensor = Build['sensors'][number];

const SETS = [
    { key: 'absent', label: 'Readings without it' },
    { key: 'present', label: 'Readings with it' },
] as const;

/** Readings without and with the thing, typed, pasted or out of a file: how they lie, and where the threshold belongs. */
export function ReadingsPane({ sensor, path }: { sensor: Sensor; path: string }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const begin = useTrying((state) => state.begin);
    const { data } = useQuery({
        queryKey: ['readings', stored.id, stored.version, sensor.id],
        queryFn: () => api.readings(stored.id, sensor.id),
        placeholderData: (before) => before,
        staleTime: Infinity,
    });
    const [problem, setProblem] = useState('');
    const file = useRef<HTMLInputElement>(null);
    const bring = async (picked: File | undefined) => {
        if (picked === undefined) {
            return;
        }
        try {
            const { all, absent, present } = await api.readReadings(await picked.text());
            if (all !== null) {
                setProblem('Which of them are with it and which without? Name the columns in the first line: without, with.');
                return;
            }
            setProblem('');
            edit({ path: `${path}.absent`, value: absent }, { path: `${path}.present`, value: present });
        } catch (failure) {
            setProblem((failure as Error).message);
        }
    };
    return (
        <section aria-label={`Readings of ${sensor.name}`} className="my-1 border-y border-line py-1">
            {SETS.map(({ key, label }) => (
                <ReadingsField
                    key={`${key} ${sensor[key].join(' ')}`}
                    label={label}
                    readings={sensor[key]}
                    onRead={(sets) =>
                        edit(
                            ...(sets.all === null
                                ? SETS.map((set) => ({ path: `${path}.${set.key}`, value: sets[set.key] ?? [] }))
                                : [{ path: `${path}.${key}`, value: sets.all }]),
                        )
                    }
                />
            ))}
            <p className="flex items-center gap-2">
                <button type="button" className="border border-line bg-well px-2 py-0.5 hover:bg-ground" onClick={() => file.current?.click()}>
                    From a CSV file…
                </button>
                <input
                    ref={file}
                    type="file"
                    hidden
                    aria-label={`Readings of ${sensor.name} as CSV`}
                    accept=".csv,.txt,text/csv,text/plain"
                    onChange={(event) => void bring(event.target.files?.[0]).finally(() => (event.target.value = ''))}
                />
                <span className="narrow text-quiet">with columns “without” and “with”</span>
            </p>
            {problem !== '' && (
                <p role="alert" className="text-fails">
                    {problem}
                </p>
            )}
            {data !== undefined && data.absent + data.present > 0 && <Spread sheet={data} sensor={sensor} />}
            {data?.best != null && (
                <p className="py-1">
                    A threshold at <strong>{significant(data.best.threshold, 4)}</strong> takes {rate(data.best.error_rate)} wrongly; {data.absent} +{' '}
                    {data.present} readings cannot rule out {rate(data.best.error_rate_at_most)}
                    {data.wrong_now !== null && <>; as it is set now, {data.wrong_now === 0 ? 'none of these' : `${rate(data.wrong_now)} of these`}</>}.
                </p>
            )}
            {data?.fix != null && (sensor.upper !== round(data.best!.upper) || sensor.lower !== round(data.best!.lower)) && (
                <button
                    type="button"
                    className="border border-accent px-2 py-0.5 text-left text-accent hover:bg-accent hover:text-sheet"
                    onClick={() => void begin(stored, data.fix!)}
                >
                    Try: {say(data.fix.does)}
                </button>
            )}
            {data !== undefined && data.best === null && (
                <p className="narrow text-quiet">
                    {data.absent >= data.needed && data.present >= data.needed
                        ? 'Both sets are the same on the mean: no threshold tells them apart.'
                        : `${data.needed} readings of each are the least; ten are better, in the light that it will live in.`}
                </p>
            )}
        </section>
    );
}

const round = (value: number) => Math.round(value * 1e6) / 1e6;

/** A share in words that a person can picture. */
function rate(share: number): string {
    return share <= 0
        ? 'none'
        : share < 1e-6
          ? 'less than one in a million'
          : share < 0.1
            ? `one in ${significant(1 / share, 2)}`
            : `${significant(100 * share, 2)} %`;
}

function ReadingsField({
    label,
    readings,
    onRead,
}: {
    label: string;
    readings: number[];
    onRead: (sets: { all: number[] | null; absent: number[] | null; present: number[] | null }) => void;
}) {
    const [text, setText] = useState(readings.join(' '));
    const [problem, setProblem] = useState('');
    const keep = async () => {
        if (text.trim() === readings.join(' ')) {
            return;
        }
        try {
            const sets = await api.readReadings(text);
            setProblem('');
            onRead(sets);
        } catch (failure) {
            setProblem((failure as Error).message);
        }
    };
    return (
        <label className="block py-1">
            {label} <span className="narrow text-quiet">({readings.length})</span>
            <textarea
                className={`block w-full border bg-well px-2 py-0.5 ${problem === '' ? 'border-line' : 'border-fails'}`}
                rows={2}
                spellCheck={false}
                value={text}
                aria-invalid={problem !== ''}
                onChange={(event) => setText(event.target.value)}
                onBlur={() => void keep()}
            />
            {problem !== '' && (
                <span role="alert" className="text-fails">
                    {problem}
                </span>
            )}
        </label>
    );
}

const [WIDTH, HEIGHT, LEFT, BASE] = [280, 120, 46, 96];

/** Both sets over one axis: without upwards from the line, with downwards, and where it goes on and off. */
function Spread({ sheet, sensor }: { sheet: ReadingsSheet; sensor: Sensor }) {
    const { bins } = sheet;
    const low = Math.min(bins[0]!.from, sensor.lower ?? Infinity, sensor.upper ?? Infinity);
    const high = Math.max(bins[bins.length - 1]!.to, sensor.upper ?? -Infinity);
    const x = scaleLinear([low, high], [LEFT, WIDTH - 12]);
    const most = Math.max(...bins.flatMap((bin) => [bin.absent, bin.present]));
    const middle = 54;
    const y = scaleLinear([0, most], [0, 38]);
    return (
        <svg
            viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
            className="block w-full bg-mat"
            role="img"
            aria-label={`${sheet.absent} readings without it and ${sheet.present} with it, from ${significant(bins[0]!.from, 4)} to ${significant(bins[bins.length - 1]!.to, 4)}`}
        >
            {bins.map((bin) => {
                const [left, width] = [x(bin.from), Math.max(1, x(bin.to) - x(bin.from) - 0.5)];
                return (
                    <g key={bin.from}>
                        <rect x={left} width={width} y={middle - y(bin.absent)} height={y(bin.absent)} fill="var(--color-mat-quiet)" />
                        <rect x={left} width={width} y={middle} height={y(bin.present)} fill="var(--color-yellow)" />
                    </g>
                );
            })}
            <line x1={LEFT} x2={WIDTH - 12} y1={middle} y2={middle} stroke="var(--color-mat-ink)" strokeWidth="0.5" />
            {[
                { at: sensor.upper, word: 'on' },
                { at: sensor.lower, word: 'off' },
            ].map(
                ({ at, word }) =>
                    at !== null && (
                        <g key={word}>
                            <line x1={x(at)} x2={x(at)} y1={12} y2={BASE} stroke="var(--color-coral)" strokeDasharray={word === 'off' ? '3 3' : undefined} />
                            <text x={x(at)} y={10} fontSize="9" textAnchor="middle" fill="var(--color-coral)">
                                {word}
                            </text>
                        </g>
                    ),
            )}
            <g fontSize="9" fill="var(--color-mat-ink)">
                <text x={6} y={middle - 14}>
                    without
                </text>
                <text x={6} y={middle + 20}>
                    with
                </text>
            </g>
            <g fontSize="9" fill="var(--color-mat-quiet)" textAnchor="middle">
                {x.ticks(6).map((tick) => (
                    <text key={tick} x={x(tick)} y={HEIGHT - 8}>
                        {significant(tick, 4)}
                    </text>
                ))}
            </g>
        </svg>
    );
}

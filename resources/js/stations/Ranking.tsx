import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { Choice, Edit, Fix, RankedDrive } from '../api/types';
import { VerdictWord } from '../chain/LinkGlyph';
import { useTrying } from '../chain/trying';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { DRIVE_WORDS } from './driveRows';
import { Pick } from './Pick';
import { Term } from '../walk/Term';
import { STATION_BUTTON } from './StationFields';

const GOALS: { value: Choice['goal']; label: string }[] = [
    { value: 'as_asked', label: 'as asked' },
    { value: 'fastest', label: 'fastest' },
    { value: 'safest', label: 'safest' },
    { value: 'smallest', label: 'smallest' },
    { value: 'lightest', label: 'lightest' },
    { value: 'least_current', label: 'least current' },
    { value: 'coolest', label: 'coolest' },
    { value: 'quietest', label: 'quietest' },
    { value: 'holds_unpowered', label: 'holds unpowered' },
];

const SHOWN = [
    { value: 'all', label: 'all kinds' },
    { value: 'dc_motor', label: 'gear motors' },
    { value: 'worm', label: 'worm motors' },
    { value: 'servo', label: 'servos' },
    { value: 'continuous_servo', label: 'turning servos' },
    { value: 'stepper', label: 'steppers' },
    { value: 'brushless', label: 'wheel motors' },
    { value: 'linear_actuator', label: 'actuators' },
    { value: 'air_cylinder', label: 'air cylinders' },
];

export function useChoice(build: string, motion: string, version: number, goal: Choice['goal'], each: 'drive' | 'ratio') {
    return useQuery({
        queryKey: ['drives', build, motion, version, goal, each],
        queryFn: () => api.drives(build, motion, goal, each),
        placeholderData: (before) => before,
        staleTime: 60_000,
    });
}

/** Every drive of the drawer with every ratio for this motion, in order, with the reason for its place. */
export function Ranking({
    handle: { motion, path },
    choice,
    isFetching,
    goal,
    onGoal,
    each,
    onEach,
    pick,
    onPick,
}: {
    handle: MotionHandle;
    choice: Choice | undefined;
    isFetching: boolean;
    goal: Choice['goal'];
    onGoal: (goal: Choice['goal']) => void;
    each: 'drive' | 'ratio';
    onEach: (each: 'drive' | 'ratio') => void;
    pick: string;
    onPick: (code: string) => void;
}) {
    const { stored, edit } = useBuild();
    const { text, say } = useSpeaking();
    const choose = useTrying((state) => state.choose);
    const [taking, setTaking] = useState<string | null>(null);
    const [kind, setKind] = useState('all');
    const present = motion.drive?.motor.code;
    const isKind = (row: RankedDrive) =>
        kind === 'all' ||
        (kind === 'worm'
            ? row.motor.kind === 'dc_motor' && row.motor.worm
            : kind === 'dc_motor'
              ? row.motor.kind === 'dc_motor' && !row.motor.worm
              : row.kind === kind);
    const rows = (choice?.rows ?? []).filter((row) => isKind(row) && (pick === '' || row.code === pick));
    const take = (row: RankedDrive) => {
        const drive = { ...(motion.drive === null ? {} : { ...motion.drive }), motor: row.motor, motors: row.motors, supply: row.supply, duty: 1 };
        const changes: Edit[] = [
            { path: `${path}.drive`, value: drive },
            { path: `${path}.train`, value: row.stages },
        ];
        const template = `Take ${row.code} at ${significant(row.ratio, 3)} : 1`;
        if (motion.drive === null) {
            const done = (all: Edit[]) => {
                edit(...all);
                setTaking(null);
            };
            setTaking(row.code);
            void api.complete(stored.id, template, changes).then(
                ({ fix }) => done(fix.changes),
                () => done(changes),
            ); // with switches and homing, where it needs them
        } else {
            void choose(stored, { does: { template, values: {}, text: template }, changes: changes as Fix['changes'], costs: [] });
        }
    };
    return (
        <section aria-label="Drives in order" className="border border-line bg-sheet">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-3 py-1.5">
                <h2 className="flex-1 text-[1.05rem]">
                    {choice === undefined ? 'Trying every drive…' : `${choice.carries} of ${choice.tried} carry it`}{' '}
                    <span className="font-normal text-quiet">
                        {choice !== undefined && `${choice.drives} drives × ${Math.round(choice.tried / Math.max(1, choice.drives))} ratios`}
                        {isFetching && choice !== undefined && ', trying again…'}
                    </span>
                </h2>
                <Pick label="First" value={goal} choices={GOALS} onPick={onGoal} />
                <Pick label="Show" value={kind} choices={SHOWN} onPick={setKind} />
                <label className="flex items-center gap-1.5">
                    <input
                        type="checkbox"
                        className="size-4 accent-accent"
                        checked={each === 'ratio'}
                        onChange={(event) => onEach(event.target.checked ? 'ratio' : 'drive')}
                    />
                    every ratio
                </label>
            </div>
            {choice !== undefined && choice.fails.length > 0 && (
                <p className="narrow border-b border-line px-3 py-1 text-quiet">
                    What fails: {choice.fails.map((fail) => `${fail.count} ${fail.says}`).join(', ')}.
                    {pick !== '' && (
                        <button type="button" className="ml-2 text-accent underline" onClick={() => onPick('')}>
                            Only {pick} is shown: show all
                        </button>
                    )}
                </p>
            )}
            {choice !== undefined && choice.wiring.length > 0 && (
                <p className="narrow border-b border-line px-3 py-1 text-quiet">
                    Wiring:{' '}
                    {choice.wiring.map((cost, i) => (
                        <span key={cost.kind}>
                            {i > 0 && '; '}
                            {DRIVE_WORDS[cost.kind as keyof typeof DRIVE_WORDS]} <span className="text-ink">{say(cost.says).replace(/\.$/, '')}</span>
                        </span>
                    ))}
                    .
                </p>
            )}
            <div className="max-h-[26rem] overflow-y-auto" tabIndex={0} role="group" aria-label="Drives">
                <table className="w-full">
                    <thead className="narrow sticky top-0 bg-sheet text-left text-quiet">
                        <tr>
                            <th className="py-1 pr-3 pl-3 font-normal">Place</th>
                            <th className="font-normal">Drive</th>
                            <th className="font-normal">Why it stands here</th>
                            <th className="text-right font-normal">
                                <Term word="Ratio" align="right" />
                            </th>
                            <th className="pl-3 text-right font-normal">
                                <Term word="Margin" align="right" />
                            </th>
                            <th className="pl-3 text-right font-normal">Move</th>
                            <th className="pl-3 text-right font-normal">Mass</th>
                            <th className="pr-3 pl-3 font-normal">
                                <span className="sr-only">Choose</span>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map((row) => {
                            const isPresent = row.code === present && JSON.stringify(row.stages) === JSON.stringify(motion.train);
                            return (
                                <tr
                                    key={`${row.code} ${row.ratio}`}
                                    className={`border-t border-line align-top ${isPresent ? 'bg-well outline-1 outline-ink' : ''}`}
                                >
                                    <td className="py-1.5 pl-3 text-quiet">{row.place}</td>
                                    <td className="py-1.5 pr-3 whitespace-nowrap">
                                        <strong>{row.motors > 1 ? `${row.motors} × ${row.code}` : row.code}</strong>
                                        <span className="narrow block">
                                            <VerdictWord verdict={row.verdict} />
                                        </span>
                                    </td>
                                    <td className="narrow py-1.5 pr-3">
                                        {say(row.why)}{' '}
                                        <span className="text-quiet">
                                            {row.motor.kind === 'dc_motor' && row.motor.worm
                                                ? 'Worm motor'
                                                : DRIVE_WORDS[row.kind].replace(/^./, (first) => first.toUpperCase())}
                                            {row.holds_unpowered ? ', holds with the power off' : ''}
                                            {each === 'drive' && row.ratios > 1 ? `; carries it with ${row.ratios} ratios` : ''}.
                                        </span>
                                    </td>
                                    <td className="py-1.5 text-right whitespace-nowrap">{significant(row.ratio, 3)} : 1</td>
                                    <td className="py-1.5 pl-3 text-right whitespace-nowrap">
                                        {row.margin === null ? '–' : `${significant(row.margin, 3)} ×`}
                                    </td>
                                    <td className="py-1.5 pl-3 text-right whitespace-nowrap">
                                        {row.time_s === null ? '–' : `${significant(row.time_s, 3)} s`}
                                    </td>
                                    <td className="py-1.5 pl-3 text-right whitespace-nowrap">{text({ si: row.mass_kg, dimension: 'mass' })}</td>
                                    <td className="py-1.5 pr-3 pl-3 text-right">
                                        {isPresent ? (
                                            <span className="narrow text-quiet">chosen</span>
                                        ) : (
                                            <button
                                                type="button"
                                                className={STATION_BUTTON}
                                                disabled={taking !== null}
                                                aria-label={`Take ${row.code} at ${significant(row.ratio, 3)} to 1`}
                                                onClick={() => take(row)}
                                            >
                                                Take
                                            </button>
                                        )}
                                    </td>
                                </tr>
                            );
                        })}
                    </tbody>
                </table>
            </div>
        </section>
    );
}

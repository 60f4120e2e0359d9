import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import type { Build, Chain, Motion, RigState } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { unbroken } from '../charts/round';
import { SmallMat } from '../mat/SmallMat';
import { faultsOf } from '../rig/faults';
import type { RigEvent } from '../rig/queue';
import { useRig, type Past } from '../rig/useRig';
import { MEASURES } from '../routine/steps';
import { pressesControl } from '../shell/keys';
import { FirstMotion } from './FirstMotion';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { freeId } from './AddMotion';

const BUTTON = 'border border-line bg-well px-2 py-0.5 hover:bg-ground disabled:opacity-40';

/** The build live on simulated hardware: press its buttons, break its beams, hold its motions, cut its power, and watch. */
export function RigPage() {
    const { stored } = useBuild();
    const [begins, setBegins] = useState<string | null>(null);
    const [version, setVersion] = useState(stored.version);
    const [saves, setSaves] = useState(0); // a saved session changes the build, but not the machine
    return (
        <main className="mx-auto max-w-[1500px] px-4 py-3">
            {stored.version > version + saves && (
                <p role="status" className="mb-2 border-l-3 border-tight bg-tight-soft px-2">
                    The build has been changed since this began.{' '}
                    <button
                        type="button"
                        className="underline"
                        onClick={() => {
                            setVersion(stored.version);
                            setSaves(0);
                        }}
                    >
                        Take it as it is now
                    </button>
                </p>
            )}
            {stored.document.motions.length === 0 && stored.document.outputs.length === 0 ? (
                <>
                    <h1 className="text-[1.5rem]">There is nothing to run yet</h1>
                    <FirstMotion says="With a motion, its drive and a routine the build runs here on simulated hardware: its buttons can be pressed, its power cut." />
                </>
            ) : (
                <Bench key={`${version} ${begins}`} version={version} begins={begins} onBegins={setBegins} onSave={() => setSaves(saves + 1)} />
            )}
        </main>
    );
}

function Bench({
    version,
    begins,
    onBegins,
    onSave,
}: {
    version: number;
    begins: string | null;
    onBegins: (scenario: string | null) => void;
    onSave: () => void;
}) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const build = stored.document;
    const rig = useRig(stored.id, version, begins);
    const [saved, setSaved] = useState<string | null>(null);
    useHotkeys('space', () => rig.setPlaying(!rig.isPlaying), { preventDefault: true, ignoreEventWhen: pressesControl }, [rig.isPlaying]);
    const { state } = rig;
    const keep = async () => {
        const name = `Rig session ${build.scenarios.filter((each) => each.name.startsWith('Rig session')).length + 1}`;
        const scenario = await rig.save(
            freeId(
                name,
                build.scenarios.map((each) => each.id),
            ),
            name,
        );
        edit({ path: `scenarios.${build.scenarios.length}`, value: scenario });
        setSaved(name);
        onSave();
    };
    return (
        <>
            <div className="flex flex-wrap items-center gap-3 border border-line bg-sheet px-3 py-2">
                <h1 className="text-[1.25rem]">Rig</h1>
                <p className="figure w-28" role="timer" aria-live="off">
                    {state === null ? '–' : `${state.now_s.toFixed(1)} s`}
                </p>
                <button type="button" className="bg-accent px-3 py-1 font-semibold text-sheet" onClick={() => rig.setPlaying(!rig.isPlaying)}>
                    {rig.isPlaying ? 'Pause' : 'Go on'} <kbd className="key narrow font-normal">Space</kbd>
                </button>
                <button type="button" className={BUTTON} onClick={rig.again}>
                    From the beginning
                </button>
                <label className="flex items-center gap-2">
                    Begins with
                    <select
                        className="border border-line bg-well px-2 py-0.5"
                        value={begins ?? ''}
                        onChange={(event) => onBegins(event.target.value === '' ? null : event.target.value)}
                    >
                        <option value="">everything at rest</option>
                        {build.scenarios.map((each) => (
                            <option key={each.id} value={each.id}>
                                {each.name}
                            </option>
                        ))}
                    </select>
                </label>
                <button type="button" className={BUTTON} disabled={state === null} onClick={() => void keep()}>
                    Save as a scenario
                </button>
                {saved !== null && (
                    <span role="status">
                        Saved as <strong>{saved}</strong>:{' '}
                        <Link className="text-accent underline" to={`/builds/${stored.id}/routines`}>
                            run it again
                        </Link>
                    </span>
                )}
                {rig.problem !== '' && (
                    <span role="alert" className="text-fails">
                        {rig.problem}
                    </span>
                )}
            </div>
            {state === null ? (
                <p className="mt-3 text-quiet">Setting it up…</p>
            ) : (
                <div className="mt-3 grid grid-cols-[minmax(0,1fr)_24.5rem] gap-4">
                    <div className="space-y-3">
                        <div className="grid grid-cols-2 gap-2 xl:grid-cols-3">
                            {build.motions.map((motion) => (
                                <Moving
                                    key={motion.id}
                                    motion={motion}
                                    chain={stored.assessment.chains.find((chain) => chain.motion === motion.id)!}
                                    state={state}
                                    onHold={(is) => rig.happens({ what: 'hold', motion: motion.id, is: is ? 'on' : 'off' })}
                                />
                            ))}
                        </div>
                        <History build={build} past={rig.past} />
                    </div>
                    <div className="space-y-4">
                        <World build={build} state={state} happens={rig.happens} />
                        <GoesWrong key={rig.kept} kept={`${rig.kept}-wrong`} build={build} happens={rig.happens} />
                        <section aria-label="What it does">
                            <h2 className="mb-1 text-[1.05rem]">What it does</h2>
                            {state.steps.length === 0 && (
                                <p className="text-quiet">{state.running.length === 0 ? 'It waits for something to happen.' : 'It goes on at once.'}</p>
                            )}
                            {state.steps.map((step) => (
                                <p key={`${step.routine} ${step.path}`}>
                                    <span className="text-quiet">{build.routines.find((each) => each.id === step.routine)?.name}:</span> {say(step.says)}
                                </p>
                            ))}
                        </section>
                        <section aria-label="What happened">
                            <h2 className="mb-1 text-[1.05rem]">What happened</h2>
                            <div className="narrow max-h-72 overflow-y-auto border-y border-line" tabIndex={0} role="group" aria-label="Events, the last first">
                                <ol>
                                    {[...rig.words].reverse().map((event, i) => (
                                        <li
                                            key={rig.words.length - i}
                                            className={`flex gap-3 ${['hit', 'touch', 'snap', 'fault', 'rule', 'sag'].includes(event.kind) ? 'font-semibold text-fails' : ''}`}
                                        >
                                            <span className="w-14 shrink-0 text-right text-quiet">{event.at_s.toFixed(2)} s</span>
                                            {say(event.says)}
                                        </li>
                                    ))}
                                </ol>
                            </div>
                        </section>
                    </div>
                </div>
            )}
        </>
    );
}

/** One motion as it stands, and a hand to hold it with. */
function Moving({ motion, chain, state, onHold }: { motion: Motion; chain: Chain; state: RigState; onHold: (is: boolean) => void }) {
    const { text } = useSpeaking();
    const [held, setHeld] = useState(false);
    const now = state.motions.find((each) => each.motion === motion.id)!;
    return (
        <SmallMat motion={motion} chain={chain} position={now.position}>
            <p className="narrow pointer-events-none absolute bottom-1 left-2 bg-mat px-1">
                {text({ si: now.current_A, dimension: 'current' })}
                {now.powered ? '' : ', off'}
            </p>
            <button
                type="button"
                aria-pressed={held}
                className={`absolute right-1 bottom-1 border border-mat-quiet px-2 py-0.5 ${held ? 'bg-coral text-ink' : 'bg-mat hover:bg-mat-rule'}`}
                onClick={() => {
                    setHeld(!held);
                    onHold(!held);
                }}
            >
                {held ? 'Let go' : 'Hold'}
                <span className="sr-only"> {motion.name}</span>
            </button>
        </SmallMat>
    );
}

/** What the world does: buttons, beams, readings, power. */
function World({ build, state, happens }: { build: Build; state: RigState; happens: (event: RigEvent) => void }) {
    return (
        <section aria-label="The world">
            <h2 className="mb-1 text-[1.05rem]">The world</h2>
            <div className="space-y-1 border-y border-line py-2">
                {build.sensors.map((sensor) =>
                    MEASURES.includes(sensor.kind) ? (
                        <label key={sensor.id} className="flex items-center gap-2">
                            <span className="w-40">{sensor.name}</span>
                            <input
                                type="range"
                                className="flex-1 accent-accent"
                                min={0}
                                max={Math.max(100, 2 * sensor.rest)}
                                step="any"
                                value={state.levels[sensor.id] ?? sensor.rest}
                                onChange={(event) => happens({ what: 'level', sensor: sensor.id, value: Number(event.target.value) })}
                            />
                            <span className="w-12 text-right">{significant(state.levels[sensor.id] ?? 0, 3)}</span>
                        </label>
                    ) : (
                        <Press
                            key={sensor.id}
                            name={sensor.name}
                            isMomentary={sensor.kind === 'press' || sensor.kind === 'knock'}
                            isOn={state.inputs[sensor.id] ?? false}
                            onChange={(is) => happens({ what: 'sensor', sensor: sensor.id, is: is ? 'on' : 'off' })}
                        />
                    ),
                )}
                {build.motions
                    .filter((motion) => 'payload_kg' in motion.mechanism && (motion.mechanism.payload_kg ?? 0) > 0)
                    .map((motion) => (
                        <Load key={motion.id} name={motion.name} onChange={(carries) => happens({ what: 'load', motion: motion.id, carries })} />
                    ))}
                <button
                    type="button"
                    aria-pressed={!state.powered}
                    className={`w-full border px-2 py-1 font-semibold ${state.powered ? 'border-line bg-well' : 'border-fails bg-fails text-sheet'}`}
                    onClick={() => happens({ what: 'power', is: state.powered ? 'off' : 'on' })}
                >
                    {state.powered ? 'Cut the power' : 'Bring the power back'}
                </button>
            </div>
            <p className="narrow text-quiet">
                {build.outputs
                    .filter((output) => state.outputs[output.id])
                    .map((output) => output.name)
                    .join(', ') || 'No output'}{' '}
                on
                {build.counters.map((counter) => ` · ${counter.name} ${state.counters[counter.id] ?? 0}`)}
            </p>
        </section>
    );
}

/** Faults to try while it runs, each until it is mended; a session that goes on after a reload still has its own. */
function GoesWrong({ kept, build, happens }: { kept: string; build: Build; happens: (event: RigEvent) => void }) {
    const [wrong, setWrong] = useState<string[]>(() => JSON.parse(localStorage.getItem(kept) ?? '[]') as string[]);
    const keep = (now: string[]) => {
        localStorage.setItem(kept, JSON.stringify(now));
        setWrong(now);
    };
    const faults = faultsOf(build);
    const of = (says: string) => faults.find((fault) => fault.says === says);
    const begin = (says: string) => {
        happens(of(says)!.begins);
        keep([...wrong, says]);
    };
    const mend = (says: string) => {
        const fault = of(says);
        if (fault !== undefined) {
            happens(fault.ends);
        }
        keep(wrong.filter((each) => each !== says));
    };
    return (
        <section aria-label="What goes wrong">
            <h2 className="mb-1 text-[1.05rem]">What goes wrong</h2>
            <ul className="space-y-1">
                {wrong.map((says) => (
                    <li key={says} className="flex items-center justify-between border-l-4 border-fails pl-2">
                        {says}
                        <button type="button" className="border border-line bg-well px-2 py-0.5 hover:bg-ground" onClick={() => mend(says)}>
                            Mend<span className="sr-only"> it: {says}</span>
                        </button>
                    </li>
                ))}
            </ul>
            <select
                aria-label="Something goes wrong"
                className="mt-1 w-full border border-line bg-well px-2 py-1"
                value=""
                onChange={(event) => begin(event.target.value)}
            >
                <option value="">Let something go wrong…</option>
                {faults
                    .filter((fault) => !wrong.includes(fault.says))
                    .map((fault) => (
                        <option key={fault.says}>{fault.says}</option>
                    ))}
            </select>
        </section>
    );
}

const TAP_MS = 150;

/** A button that is on while it is pressed, or a beam that is broken until it is let through again. */
function Press({ name, isMomentary, isOn, onChange }: { name: string; isMomentary: boolean; isOn: boolean; onChange: (is: boolean) => void }) {
    const release = () => window.setTimeout(() => onChange(false), TAP_MS); // the shortest tap is long enough to be seen
    const hold = isMomentary
        ? {
              onPointerDown: () => onChange(true),
              onPointerUp: release,
              onPointerCancel: release,
              onKeyDown: (event: React.KeyboardEvent) =>
                  (event.key === ' ' || event.key === 'Enter') && !event.repeat && (event.preventDefault(), onChange(true)),
              onKeyUp: (event: React.KeyboardEvent) => (event.key === ' ' || event.key === 'Enter') && release(),
          }
        : { onClick: () => onChange(!isOn) };
    return (
        <button
            type="button"
            aria-pressed={isOn}
            className={`flex w-full items-center justify-between border px-2 py-1 ${isOn ? 'border-accent bg-accent text-sheet' : 'border-line bg-well hover:bg-ground'}`}
            {...hold}
        >
            <span>{name}</span>
            <span className="narrow">{isMomentary ? (isOn ? 'pressed' : 'press and hold') : isOn ? 'broken: click to clear' : 'clear: click to break'}</span>
        </button>
    );
}

function Load({ name, onChange }: { name: string; onChange: (carries: boolean) => void }) {
    const [carries, setCarries] = useState(true);
    return (
        <label className="flex items-center gap-2">
            <input
                type="checkbox"
                className="size-4 accent-accent"
                checked={carries}
                onChange={(event) => {
                    setCarries(event.target.checked);
                    onChange(event.target.checked);
                }}
            />
            {name} carries its load
        </label>
    );
}

const LANE = 34;

/** The last half minute of every motion. */
function History({ build, past }: { build: Build; past: Past[] }) {
    const { stored } = useBuild();
    const end = past[past.length - 1]?.at_s ?? 0;
    const shown = past.filter((each) => each.at_s >= end - 30);
    const width = 880;
    const x = (at: number) => 120 + ((at - (end - 30)) / 30) * (width - 130);
    return (
        <svg
            viewBox={`0 0 ${width} ${build.motions.length * LANE + 22}`}
            className="block w-full bg-mat"
            role="img"
            aria-label="The last half minute of every motion"
        >
            {build.motions.map((motion, i) => {
                const places = motion.places.map((place) => place.at);
                const goesOn = unbroken(stored, motion.id);
                const values = shown.map((each) => each.positions[motion.id] ?? 0);
                const [low, high] = [Math.min(...places, ...values), Math.max(...places, ...values)];
                const y = (value: number) => i * LANE + LANE - 5 - ((value - low) / (high - low || 1)) * (LANE - 12);
                return (
                    <g key={motion.id}>
                        <line x1={8} x2={width - 8} y1={(i + 1) * LANE} y2={(i + 1) * LANE} stroke="var(--color-mat-rule)" />
                        <text x={10} y={i * LANE + 21} fontSize="12" fill="var(--color-mat-ink)">
                            {motion.name}
                        </text>
                        <path
                            d={shown
                                .map(
                                    (each, j) =>
                                        `${j > 0 && goesOn(values[j - 1], values[j]!) ? 'L' : 'M'}${x(each.at_s).toFixed(1)} ${y(values[j]!).toFixed(1)}`,
                                )
                                .join('')}
                            fill="none"
                            stroke={MARKER_COLOR[motion.marker]}
                            strokeWidth="2"
                        />
                    </g>
                );
            })}
            {[0, 10, 20, 30].map((ago) => (
                <text key={ago} x={x(end - ago)} y={build.motions.length * LANE + 16} fontSize="11" textAnchor="end" fill="var(--color-mat-quiet)">
                    {ago === 0 ? 'now' : `${ago} s ago`}
                </text>
            ))}
        </svg>
    );
}

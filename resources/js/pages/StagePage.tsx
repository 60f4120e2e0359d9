import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { Assessment, Build, Finding, StageBody, StageReport, Trace } from '../api/types';
import { Findings } from '../chain/Findings';
import { LinkGlyph } from '../chain/LinkGlyph';
import { TryPanel } from '../chain/TryPanel';
import { useLinkKeys } from '../chain/useLinkKeys';
import { box, type Box } from '../mat/geometry';
import { AddMotion, freeId } from './AddMotion';
import { usePlayhead } from '../routine/usePlayhead';
import { BodyFields, MountFields } from '../stage/StageFields';
import { MeetingList } from '../stage/MeetingList';
import { PoseSliders } from '../stage/PoseSliders';
import { StageMat, isSame, type Picked } from '../mat/StageMat';
import { asWritten, bodyPlace, cornersOf, LOOKS, onMat, placed, pointOf, type Look, type Point3, type Pose } from '../mat/space';
import { useBuild } from '../state/BuildContext';
import { useSaving } from '../state/saving';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';

/** What stands about is shown so far from the machine, or so much of its size. */
const NEAR_MM = 250;

const NEAR_SHARE = 0.3;

const LEAST_SHARE = 0.3; // of a view: less than that is looked at from nearer

const ROOM = 1.12;

const NAMES = ['front', 'side', 'above'] as const;

type Boxes = Record<(typeof NAMES)[number], Box>;

const SIZES = { front: { width: 560, height: 380 }, side: { width: 340, height: 380 }, above: { width: 560, height: 250 } };

/** The whole machine: what stands on what, from three sides in one pose; what it weighs, and what is nearest to touching. */
export function StagePage() {
    const { stored } = useBuild();
    const { data: report } = useQuery({
        queryKey: ['stage', stored.id, stored.version],
        queryFn: () => api.stage(stored.id),
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
    useLinkKeys(stored.id, stored.assessment.chains[0]?.motion);
    return <main className="mx-auto max-w-[1500px] px-6 py-4">{report === undefined ? null : <Stage report={report} />}</main>;
}

function Stage({ report: given }: { report: StageReport }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    // What is on its way to be saved is drawn already: keys may come quicker than answers.
    const [ahead, goAhead] = useState<{ document: Build; of: Build } | null>(null);
    const status = useSaving((state) => state.status);
    const isAhead = ahead !== null && (status === 'saving' || (status === 'saved' && ahead.of === stored.document));
    const document = isAhead ? ahead.document : stored.document;
    const [picked, pick] = useState<Picked | null>(null);
    const [pose, setPose] = useState<Pose>({});
    const [routine, setRoutine] = useState<string | null>(null);
    const { data: trace } = useQuery({
        queryKey: ['run', stored.id, stored.version, routine],
        queryFn: () => api.run(stored.id, routine!, null),
        enabled: routine !== null,
        staleTime: Infinity,
    });
    const play = usePlayhead(trace?.ran_s ?? 0);
    const playing = trace !== undefined && (play.isPlaying || play.time > 0);
    const shown = playing ? poseAt(trace, play.time) : pose;
    const report = playing ? carriedAt(given, document, trace, play.time) : asWritten(given, document);
    const { data: told } = useQuery({
        queryKey: ['stage-pose', stored.id, stored.version, play.isPlaying ? 'playing' : shown],
        queryFn: () => api.stagePose(stored.id, onStage(report, shown)),
        enabled: !play.isPlaying && report.motions.length > 0,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
    const all = placed(report, shown);
    const isCarrying = playing && trace.things.filter((change) => change.at_s <= play.time).at(-1)?.motion != null;
    const at = isCarrying ? { ...(told ?? report.pose), nearest: null } : (told ?? report.pose); // what is carried is not in it
    const meets = [...stored.assessment.stage.findings, ...meetsInRuns(stored.assessment)];
    const verdict = meets.some((finding) => finding.severity === 'fails')
        ? 'fails'
        : meets.some((finding) => finding.severity === 'tight')
          ? 'tight'
          : stored.assessment.stage.verdict;
    const boxes = useSteady(boxesOf(document, report, all));
    const move = (of: Picked, by: Point3) => {
        const edits = movedBy(document, of, by);
        goAhead({ document: edits.reduce(written, document), of: stored.document });
        edit(...edits);
    };
    const take = (to: Pose) => {
        play.seek(0);
        setPose(to);
    };
    const mats = NAMES.map((name) => (
        <div key={name} className={name === 'above' ? 'col-start-1' : undefined}>
            <StageMat
                look={LOOKS[name]}
                document={document}
                report={report}
                all={all}
                box={boxes[name]}
                {...SIZES[name]}
                picked={picked}
                nearest={play.isPlaying ? null : at.nearest}
                centre={play.isPlaying ? [] : at.centre_m}
                onPick={pick}
                onMove={move}
            />
        </div>
    ));
    return (
        <>
            <section aria-label="What is so" className="mb-3 flex items-start gap-4">
                <span className="mt-1">
                    <LinkGlyph verdict={verdict} size={26} />
                </span>
                <div className="min-w-0 flex-1">
                    <h1 className="text-[1.35rem] leading-tight">{headline(report.motions.length, meets, stored.assessment.rehearsed, say)}</h1>
                    <p className="mt-0.5" role="status">
                        {at.nearest === null ? '' : `In this pose: ${say(at.nearest.says)}.`} {at.stands === null ? '' : say(at.stands)}
                    </p>
                </div>
                <Playing routine={routine} onRoutine={setRoutine} play={play} took={trace?.ran_s} />
            </section>
            <TryPanel />
            <div className="mt-2 grid grid-cols-[minmax(0,1fr)_21rem] gap-5">
                <div>
                    <div className="grid grid-cols-[56fr_34fr] gap-2">
                        {mats.slice(0, 2)}
                        {mats[2]}
                        <section aria-label="Pose" className="min-w-0 bg-sheet px-3 py-1">
                            <div className="flex items-baseline justify-between">
                                <h2 className="text-[1.05rem]">Pose</h2>
                                <button type="button" className="text-accent underline" onClick={() => take({})}>
                                    All at rest
                                </button>
                            </div>
                            <PoseSliders document={document} report={report} pose={shown} onPose={take} />
                        </section>
                    </div>
                    <div className="mt-5">
                        <Findings findings={meets} title="What meets what" none="Nothing touches or comes too near." />
                        <MeetingList report={report} />
                    </div>
                </div>
                <aside className="min-w-0 space-y-5">
                    <Standing picked={picked} onPick={pick} />
                    <PickedFields picked={picked} onPick={pick} />
                    <MassList report={report} />
                </aside>
            </div>
        </>
    );
}

/** The same view as before, as long as everything has its place in it and it is not far too large. */
function useSteady(needed: Boxes): Boxes {
    const [shown, show] = useState(needed);
    const fits = NAMES.every(
        (name) =>
            needed[name].left >= shown[name].left &&
            needed[name].right <= shown[name].right &&
            needed[name].bottom >= shown[name].bottom &&
            needed[name].top <= shown[name].top,
    );
    const isLarge = NAMES.some((name) => needed[name].right - needed[name].left > LEAST_SHARE * (shown[name].right - shown[name].left));
    if (!fits || !isLarge) {
        const next = roomy(needed);
        if (JSON.stringify(next) !== JSON.stringify(shown)) {
            show(next);
        }
        return next;
    }
    return shown;
}

/** What is played: a routine, started by hand. */
function Playing({
    routine,
    onRoutine,
    play,
    took,
}: {
    routine: string | null;
    onRoutine: (routine: string | null) => void;
    play: ReturnType<typeof usePlayhead>;
    took: number | undefined;
}) {
    const { routines } = useBuild().stored.document;
    if (routines.length === 0) {
        return null;
    }
    return (
        <div className="flex items-center gap-2">
            <label className="flex items-center gap-2">
                <span className="text-quiet">Play</span>
                <select
                    className="border border-line bg-well px-2 py-1"
                    value={routine ?? ''}
                    onChange={(event) => {
                        play.seek(0);
                        onRoutine(event.target.value === '' ? null : event.target.value);
                    }}
                >
                    <option value="">a routine …</option>
                    {routines.map((each) => (
                        <option key={each.id} value={each.id}>
                            {each.name}
                        </option>
                    ))}
                </select>
            </label>
            {took !== undefined && routine !== null && (
                <>
                    <input
                        type="range"
                        aria-label="Time"
                        className="w-40 accent-accent"
                        min={0}
                        max={took}
                        step={took / 500 || 0.01}
                        value={play.time}
                        onChange={(event) => play.seek(Number(event.target.value))}
                    />
                    <span className="w-14 text-right">{significant(play.time, play.time < 10 ? 2 : 3)} s</span>
                    <button type="button" className="border border-line bg-sheet px-3 py-1 hover:bg-well" onClick={play.toggle}>
                        {play.isPlaying ? 'Pause' : 'Play'}
                    </button>
                </>
            )}
        </div>
    );
}

/** What stands on what, as a list: to pick, to add to, to put there. */
function Standing({ picked, onPick }: { picked: Picked | null; onPick: (picked: Picked) => void }) {
    const { stored, edit } = useBuild();
    const { motions, things } = stored.document;
    const roots = motions.filter((motion) => motion.mount !== null && motion.mount.on === null);
    const waiting = motions.filter((motion) => motion.mount === null);
    const put = (motion: Build['motions'][number]) => {
        onPick({ motion: motion.id, body: null });
        edit({ path: `motions.${motions.indexOf(motion)}.mount`, value: {} });
    };
    const addThing = () => {
        const id = freeId('thing', ids(things));
        edit({ path: `things.${things.length}`, value: { id, name: `Thing ${things.length + 1}`, x_m: 0.2, z_m: 0.05, length_m: 0.1 } });
        onPick({ motion: null, body: id });
    };
    const [isAdding, setAdding] = useState(false);
    const on = motions.find((motion) => motion.id === picked?.motion && motion.mount !== null);
    const stands = {
        mount: { on: on?.id ?? null, z_m: on === undefined ? 0.2 : 0.1 },
        bodies: [{ id: 'part', name: 'Part', x_m: 0.05, length_m: 0.1, width_m: 0.04 }],
    };
    return (
        <section aria-label="What stands here">
            <h2 className="mb-1 text-[1.05rem]">What stands here</h2>
            <ul className="border-y border-line py-1">
                {roots.map((motion) => (
                    <MotionRow key={motion.id} motion={motion} picked={picked} onPick={onPick} />
                ))}
                {things.map((thing) => (
                    <li key={thing.id}>
                        <PickButton of={{ motion: null, body: thing.id }} picked={picked} onPick={onPick}>
                            {thing.name}{' '}
                            <span className="text-quiet">{{ frame: 'frame', way: 'in the way', hands: 'hands', carried: 'carried' }[thing.is]}</span>
                        </PickButton>
                    </li>
                ))}
                {roots.length + things.length === 0 && <li className="text-quiet">Nothing has a place yet.</li>}
            </ul>
            <div className="mt-2 flex flex-wrap gap-2">
                {waiting.map((motion) => (
                    <button key={motion.id} type="button" className="bg-accent px-2 py-0.5 font-semibold text-white" onClick={() => put(motion)}>
                        Put {motion.name} here
                    </button>
                ))}
                <button type="button" className="border border-line bg-sheet px-2 py-0.5 hover:bg-well" onClick={() => setAdding(true)}>
                    Add a motion{on === undefined ? '' : ` on ${on.name}`}
                </button>
                <button type="button" className="border border-line bg-sheet px-2 py-0.5 hover:bg-well" onClick={addThing}>
                    Add a thing
                </button>
            </div>
            <AddMotion open={isAdding} onClose={() => setAdding(false)} also={stands} onAdded={(id) => onPick({ motion: id, body: null })} />
        </section>
    );
}

function MotionRow({ motion, picked, onPick }: { motion: Build['motions'][number]; picked: Picked | null; onPick: (picked: Picked) => void }) {
    const { motions } = useBuild().stored.document;
    return (
        <li>
            <PickButton of={{ motion: motion.id, body: null }} picked={picked} onPick={onPick}>
                <strong>{motion.name}</strong>
            </PickButton>
            <ul className="ml-4">
                {motion.bodies.map((body) => (
                    <li key={body.id}>
                        <PickButton of={{ motion: motion.id, body: body.id }} picked={picked} onPick={onPick}>
                            {body.name}
                        </PickButton>
                    </li>
                ))}
                {motions
                    .filter((each) => each.mount?.on === motion.id)
                    .map((each) => (
                        <MotionRow key={each.id} motion={each} picked={picked} onPick={onPick} />
                    ))}
            </ul>
        </li>
    );
}

function PickButton({ of, picked, onPick, children }: { of: Picked; picked: Picked | null; onPick: (picked: Picked) => void; children: React.ReactNode }) {
    return (
        <button
            type="button"
            aria-pressed={isSame(picked, of)}
            className={`min-h-[24px] w-full px-1.5 text-left ${isSame(picked, of) ? 'bg-ink text-white [&_span]:text-white' : 'hover:bg-well'}`}
            onClick={() => onPick(of)}
        >
            {children}
        </button>
    );
}

/** The fields of what is picked. */
function PickedFields({ picked, onPick }: { picked: Picked | null; onPick: (picked: Picked | null) => void }) {
    const { stored, edit } = useBuild();
    const { motions, things } = stored.document;
    if (picked === null) {
        return (
            <p className="text-quiet">
                Pick something on a mat or in the list: it is dragged there, or moved by the arrow keys, a millimetre or ten with Shift.
            </p>
        );
    }
    const index = motions.findIndex((motion) => motion.id === picked.motion);
    const motion = motions[index];
    const list = motion?.bodies ?? things;
    const path = motion === undefined ? 'things' : `motions.${index}.bodies`;
    const i = list.findIndex((body) => body.id === picked.body);
    const body = list[i];
    const addBody = () => {
        const id = freeId('part', ids(motion!.bodies));
        edit({ path: `${path}.${motion!.bodies.length}`, value: { id, name: `Part ${motion!.bodies.length + 1}`, length_m: 0.1 } });
        onPick({ motion: motion!.id, body: id });
    };
    return (
        <section aria-label="What is picked">
            <h2 className="mb-1 text-[1.05rem]">{body?.name ?? motion?.name ?? ''}</h2>
            {body !== undefined && <BodyFields key={`${path}.${i}`} body={body} path={`${path}.${i}`} units={motion?.units} />}
            {body === undefined && motion !== undefined && <MountFields key={path} motion={motion} index={index} />}
            <div className="mt-2 flex gap-2">
                {motion !== undefined && (
                    <button type="button" className="border border-line bg-sheet px-2 py-0.5 hover:bg-well" onClick={addBody}>
                        Add a body to {motion.name}
                    </button>
                )}
                {body !== undefined && (
                    <button
                        type="button"
                        className="border border-line bg-sheet px-2 py-0.5 hover:bg-well"
                        onClick={() => {
                            onPick(motion === undefined ? null : { motion: motion.id, body: null });
                            edit({ path, value: list.filter((each) => each.id !== body.id) });
                        }}
                    >
                        Take it away
                    </button>
                )}
                {body === undefined && motion?.mount != null && !motions.some((each) => each.mount?.on === motion.id) && (
                    <button
                        type="button"
                        className="border border-line bg-sheet px-2 py-0.5 hover:bg-well"
                        onClick={() => {
                            onPick(null);
                            edit({ path: `motions.${index}.mount`, value: null });
                        }}
                    >
                        Take it off the stage
                    </button>
                )}
            </div>
        </section>
    );
}

function MassList({ report }: { report: StageReport }) {
    const { say, text } = useSpeaking();
    if (report.masses.length === 0) {
        return null;
    }
    const total = report.masses.reduce((sum, mass) => sum + mass.kg, 0);
    return (
        <section aria-label="What it weighs">
            <h2 className="mb-1 text-[1.05rem]">What it weighs</h2>
            <table className="w-full">
                <tbody className="divide-y divide-line border-y border-line">
                    {report.masses.map((mass, i) => (
                        <tr key={i}>
                            <td>{say(mass.name)}</td>
                            <td className="text-right whitespace-nowrap">{text({ si: mass.kg, dimension: 'mass' })}</td>
                        </tr>
                    ))}
                    <tr className="font-semibold">
                        <td>All of it</td>
                        <td className="text-right whitespace-nowrap">{text({ si: total, dimension: 'mass' })}</td>
                    </tr>
                </tbody>
            </table>
        </section>
    );
}

/** What touches or comes near in a run, each once. */
function meetsInRuns(assessment: Assessment): Finding[] {
    const findings = assessment.routines
        .flatMap((routine) => routine.findings)
        .filter((finding) => ['routine.touches', 'routine.comes_near'].includes(finding.code));
    return findings.filter((finding, i) => findings.findIndex((each) => each.place === finding.place && each.code === finding.code) === i);
}

function headline(motions: number, meets: Finding[], isRehearsed: boolean, say: ReturnType<typeof useSpeaking>['say']): string {
    if (motions === 0) {
        return 'Nothing stands anywhere yet. Put the first motion on the stage, and then what stands on it.';
    }
    const worst = meets.find((finding) => finding.severity === 'fails') ?? meets.find((finding) => finding.severity === 'tight');
    return worst !== undefined ? say(worst.says) : isRehearsed ? 'Nothing touches, on its own way or in any routine.' : 'Nothing touches on its own way.';
}

function onStage(report: StageReport, pose: Pose): Pose {
    return Object.fromEntries(report.motions.filter((motion) => motion.id in pose).map((motion) => [motion.id, pose[motion.id]!]));
}

/** The same with the things that a run has taken up and put down, where they are at a time. */
function carriedAt(report: StageReport, document: Build, trace: Trace, time: number): StageReport {
    const last = new Map(trace.things.filter((change) => change.at_s <= time).map((change) => [change.thing, change]));
    return {
        ...report,
        bodies: report.bodies.map((body) => {
            const change = body.motion === null ? last.get(document.things[body.index]?.id ?? '') : undefined;
            return change === undefined ? body : { ...body, at: change.place, carrier: change.motion };
        }),
    };
}

/** Where a run has everything at a time. */
function poseAt(trace: Trace, time: number): Pose {
    return Object.fromEntries(
        trace.motions.map((lane) => {
            const at = time / trace.sample_s;
            const i = Math.max(0, Math.min(lane.position.length - 1, Math.floor(at)));
            const [one, other] = [lane.position[i] ?? 0, lane.position[i + 1] ?? lane.position[i] ?? 0];
            return [lane.motion, one + (other - one) * (at - i)];
        }),
    );
}

/** What each mat has to show: the machine, and of what stands about it as much as is near. */
function boxesOf(document: Build, report: StageReport, all: ReturnType<typeof placed>): Boxes {
    const corners = (body: StageBody) =>
        cornersOf(body, bodyPlace(body, all)).flatMap((corner): Point3[] => [
            corner.map((each) => each - body.skin_m) as Point3,
            corner.map((each) => each + body.skin_m) as Point3,
        ]);
    const isOwn = (body: StageBody) => body.motion !== null || document.things[body.index]?.is === 'frame';
    const own: Point3[] = [
        ...report.motions.map((motion) => pointOf(all[motion.id]!.stands, [0, 0, 0])),
        ...report.bodies.filter(isOwn).flatMap(corners),
        ...(report.motions.length === 0
            ? ([
                  [-0.2, -0.2, 0],
                  [0.2, 0.2, 0.3],
              ] satisfies Point3[])
            : []),
    ];
    const others = report.bodies.flatMap(corners);
    const of = (look: Look): Box => {
        const core = box(own.map((point) => onMat(look, point)));
        const whole = box([...own, ...others].map((point) => onMat(look, point)));
        const near = Math.max(NEAR_MM, NEAR_SHARE * Math.max(core.right - core.left, core.top - core.bottom));
        return {
            left: Math.max(whole.left, core.left - near),
            right: Math.min(whole.right, core.right + near),
            bottom: Math.max(whole.bottom, core.bottom - near),
            top: Math.min(whole.top, core.top + near),
        };
    };
    const boxes = { front: of(LOOKS.front), side: of(LOOKS.side), above: of(LOOKS.above) };
    return boxes;
}

/** All of them to one scale, with some room about. */
function roomy(needed: Boxes): Boxes {
    const room = (name: (typeof NAMES)[number]) => ({ width: SIZES[name].width - 48, height: SIZES[name].height - 40 });
    const scale = Math.min(
        ...NAMES.map((name) => {
            const { left, right, bottom, top } = needed[name];
            return Math.min(room(name).width / Math.max(10, right - left), room(name).height / Math.max(10, top - bottom)) / ROOM;
        }),
    );
    const about = (name: (typeof NAMES)[number]): Box => {
        const { left, right, bottom, top } = needed[name];
        const [w, h] = [room(name).width / scale, room(name).height / scale];
        return { left: (left + right - w) / 2, right: (left + right + w) / 2, bottom: (bottom + top - h) / 2, top: (bottom + top + h) / 2 };
    };
    return { front: about('front'), side: about('side'), above: about('above') };
}

/** What a drag or an arrow key writes down, to a tenth of a millimetre. */
function movedBy(document: Build, of: Picked, by: Point3): { path: string; value: number }[] {
    const index = document.motions.findIndex((motion) => motion.id === of.motion);
    const motion = document.motions[index];
    const i = (motion?.bodies ?? document.things).findIndex((body) => body.id === of.body);
    const [path, from] =
        of.body === null
            ? [`motions.${index}.mount`, motion?.mount]
            : [motion === undefined ? `things.${i}` : `motions.${index}.bodies.${i}`, (motion?.bodies ?? document.things)[i]];
    return (['x_m', 'y_m', 'z_m'] as const)
        .map((axis, k) => ({ path: `${path}.${axis}`, value: Math.round(((from?.[axis] ?? 0) + by[k]!) * 1e4) / 1e4, by: by[k]! }))
        .filter((each) => Math.abs(each.by) > 1e-6)
        .map(({ path, value }) => ({ path, value }));
}

/** The document with a value at a path. */
function written(document: Build, { path, value }: { path: string; value: number }): Build {
    const put = (at: unknown, keys: string[]): unknown => {
        if (keys.length === 0) return value;
        const [key, ...rest] = keys as [string, ...string[]];
        return Array.isArray(at)
            ? at.map((each: unknown, i) => (String(i) === key ? put(each, rest) : each))
            : { ...(at as Record<string, unknown>), [key]: put((at as Record<string, unknown>)[key], rest) };
    };
    return put(document, path.split('.')) as Build;
}

function ids(of: { id: string }[]): string[] {
    return of.map((each) => each.id);
}

import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api } from '../api/client';
import type { Assessment, Build, Finding, StageReport } from '../api/types';
import { Findings } from '../chain/Findings';
import { LinkGlyph } from '../chain/LinkGlyph';
import { TryPanel } from '../chain/TryPanel';
import { useLinkKeys } from '../chain/useLinkKeys';
import { StageMat, type Picked } from '../mat/StageMat';
import { asWritten, LOOKS, placed, type Point3, type Pose } from '../mat/space';
import { usePlayhead } from '../routine/usePlayhead';
import { MassList } from '../stage/MassList';
import { MeetingList } from '../stage/MeetingList';
import { movedBy, written } from '../stage/moves';
import { PickedFields } from '../stage/PickedFields';
import { carriedAt, poseAt } from '../stage/played';
import { Playing } from '../stage/Playing';
import { PoseSliders } from '../stage/PoseSliders';
import { Standing } from '../stage/StageList';
import { boxesOf, NAMES, SIZES, useSteady } from '../stage/views';
import { useBuild } from '../state/BuildContext';
import { useSaving } from '../state/saving';
import { useSpeaking } from '../state/UnitsContext';

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
    const meets = useMemo(() => [...stored.assessment.stage.findings, ...meetsInRuns(stored.assessment)], [stored.assessment]);
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
    // What a pose changes nothing of is not drawn anew in each frame that is played.
    const still = playing ? given : report;
    const below = useMemo(
        () => (
            <div className="mt-5">
                <Findings findings={meets} title="What meets what" none="Nothing touches or comes too near." />
                <MeetingList report={still} />
            </div>
        ),
        [meets, still],
    );
    const beside = useMemo(
        () => (
            <aside className="min-w-0 space-y-5">
                <Standing picked={picked} onPick={pick} />
                <PickedFields picked={picked} onPick={pick} />
                <MassList report={still} />
            </aside>
        ),
        [picked, still],
    );
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
            <div className="mt-2 grid grid-cols-[minmax(0,1fr)] gap-5 lg:grid-cols-[minmax(0,1fr)_21rem]">
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
                    {below}
                </div>
                {beside}
            </div>
        </>
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

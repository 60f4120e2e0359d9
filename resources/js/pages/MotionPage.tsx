import { useCallback, useState, type ComponentProps } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate, useParams } from 'react-router';
import { ChainRow } from '../chain/ChainRow';
import { Findings } from '../chain/Findings';
import { isStation, labelOf, linkPath, MARKER_BG, type Station } from '../chain/links';
import { useLinkKeys } from '../chain/useLinkKeys';
import { TryPanel } from '../chain/TryPanel';
import { TorqueChart } from '../charts/TorqueChart';
import { Mat } from '../mat/Mat';
import { TrainPlan } from '../mat/TrainPlan';
import { usePlay } from '../mat/usePlay';
import { pressesControl } from '../shell/keys';
import { NotThere } from '../shell/NotThere';
import { useBuild, useMotion, type MotionHandle } from '../state/BuildContext';
import { useDrafts } from '../state/drafts';
import { DriveMore, DriveStation } from '../stations/DriveStation';
import { LoadMore, LoadStation } from '../stations/LoadStation';
import { Cautions } from '../chain/Cautions';
import { Choosing } from '../stations/Choosing';
import { MakeTrain } from '../stations/MakeTrain';
import { RunOnSheet } from '../stations/RunOnSheet';
import { StopsMore, StopsStation } from '../stations/StopsStation';
import { TaskMore, TaskStation } from '../stations/TaskStation';
import { TrainMore, TrainStation } from '../stations/TrainStation';

type OfMotion = (props: { handle: MotionHandle }) => React.ReactNode;

/** Of each station what stands beside the drawing, and what there is room for below it. */
const STATIONS: Record<Station, [beside: OfMotion, below: OfMotion]> = {
    task: [TaskStation, TaskMore],
    load: [LoadStation, LoadMore],
    drive: [DriveStation, DriveMore],
    train: [TrainStation, TrainMore],
    stops: [StopsStation, StopsMore],
};

export function MotionPage() {
    const { motionId, station } = useParams();
    const handle = useMotion(motionId);
    if (handle === null || !isStation(station)) {
        return <NotThere what={handle === null ? 'There is no such motion in this build.' : 'There is no such station.'} />;
    }
    return <Bench key={handle.motion.id} handle={handle} station={station} />;
}

/** One motion at one station: its chain above, the live mat and the chart beside the fields and what gives first. */
function Bench({ handle, station }: { handle: MotionHandle; station: Station }) {
    const { motion, chain } = handle;
    const { stored, edit } = useBuild();
    const navigate = useNavigate();
    const curves = chain.curves;
    const [position, setPosition] = useState(() => motion.places.find((place) => place.id === motion.task.from)!.at);
    const onPosition = useCallback((to: number) => setPosition(to), []);
    const play = usePlay(curves, onPosition);
    const isOld = useDrafts((state) => Object.keys(state.drafts).some((key) => key.startsWith(`${stored.id}:${handle.path}.`)));

    useLinkKeys(stored.id, motion.id);
    useHotkeys(
        '[, ]',
        (event) => {
            const ids = stored.document.motions.map((each) => each.id);
            const next = ids[(ids.indexOf(motion.id) + (event.key === ']' ? 1 : -1) + ids.length) % ids.length]!;
            void navigate(linkPath(stored.id, next, station));
        },
        { useKey: true },
        [stored, motion.id, station],
    );
    useHotkeys('space', play.toggle, { preventDefault: true, ignoreEventWhen: pressesControl }, [play.toggle]);

    const [Beside, Below] = STATIONS[station];
    const link = chain.links.find((each) => each.link === station)!;
    const elsewhere = chain.links
        .filter((each) => each.link !== station)
        .flatMap((each) =>
            each.findings
                .filter((finding) => finding.severity !== 'note')
                .slice(0, 1)
                .map((finding) => ({ finding, label: labelOf(each.link), to: linkPath(stored.id, motion.id, each.link) })),
        );
    const drags: Partial<Record<Station, ComponentProps<typeof Mat>['onDragged']>> = {
        task: { place: (index, to) => edit({ path: `${handle.path}.places.${index}.at`, value: to }) },
        stops: {
            switch: (index, to) => edit({ path: `${handle.path}.stops.switches.${index}.at`, value: to }),
            stop: (index, to) => edit({ path: `${handle.path}.stops.${index === 0 ? 'hard_low' : 'hard_high'}`, value: to }),
        },
    };
    const at = Math.max(curves.positions[0]!, Math.min(curves.positions[curves.positions.length - 1]!, position));
    const also = stored.document.motions.find((each) => each.id === motion.drive?.shares);
    const shared =
        also === undefined
            ? ''
            : `, by ${{ selector: 'a selector', direction: 'direction of turn', in_turn: 'turns', rectifier: 'a rectifier' }[motion.drive!.shares_by]} ${also.name} too:`;
    const wide = station === 'drive';
    const [matSize, chartSize] = wide
        ? [
              { width: 440, height: 250 },
              { width: 440, height: 250 },
          ]
        : [
              { width: 880, height: 312 },
              { width: 880, height: 200 },
          ];
    return (
        <main className="mx-auto max-w-[1500px] px-4 py-3">
            <div className="border border-line bg-sheet">
                <div className="flex items-center gap-3 px-3 pt-2">
                    <span aria-hidden="true" className={`size-3.5 border border-ink/40 ${MARKER_BG[motion.marker]}`} />
                    <h1 className="text-[1.25rem]">
                        {motion.name} <span className="font-normal text-quiet">· {labelOf(station)}</span>
                    </h1>
                    {isOld && (
                        <p role="status" className="border-l-3 border-tight bg-tight-soft px-2">
                            From the last good figures: a field below is not understood yet.
                        </p>
                    )}
                </div>
                <div className={isOld ? 'grayscale' : ''}>
                    <ChainRow build={stored.id} chain={chain} current={station} />
                </div>
            </div>
            <div className="mt-3 empty:hidden">
                <TryPanel />
            </div>
            <div className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-x-4 gap-y-3 lg:grid-cols-[minmax(0,1fr)_24.5rem] lg:grid-rows-[auto_1fr]">
                <div className={wide ? 'grid grid-cols-2 content-start gap-3' : 'space-y-3'}>
                    {station === 'train' && motion.layout !== null && chain.train.wheels.length > 0 ? (
                        <TrainPlan
                            motion={motion}
                            sheet={chain.train}
                            layout={motion.layout}
                            curves={curves}
                            position={at}
                            play={play}
                            shared={shared}
                            path={handle.path}
                            onShafts={(shafts, to) =>
                                edit(...shafts.map((shaft) => ({ path: `${handle.path}.layout.shafts.${shaft}`, value: { x_mm: to.x, y_mm: to.y } })))
                            }
                            {...matSize}
                            height={380}
                        />
                    ) : (
                        <Mat
                            motion={motion}
                            curves={curves}
                            position={at}
                            onPosition={setPosition}
                            play={play}
                            {...matSize}
                            sizes={station === 'load' ? handle.path : undefined}
                            onDragged={drags[station]}
                        />
                    )}
                    {wide ? (
                        <Choosing handle={handle} chart={chartSize} />
                    ) : station === 'train' ? (
                        <MakeTrain handle={handle} />
                    ) : station === 'stops' ? (
                        <RunOnSheet handle={handle} />
                    ) : (
                        <TorqueChart curves={curves} position={at} onPosition={setPosition} {...chartSize} />
                    )}
                </div>
                <div className="gap-6 *:mb-5 max-lg:columns-2 lg:row-span-2 *:break-inside-avoid">
                    <Findings findings={link.findings} elsewhere={elsewhere} />
                    <Cautions cautions={chain.cautions} />
                    <Beside handle={handle} />
                </div>
                <div className="columns-2 gap-6 *:mb-5 *:break-inside-avoid">
                    <Below handle={handle} />
                </div>
            </div>
        </main>
    );
}

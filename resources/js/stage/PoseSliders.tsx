import type { Build, StageReport } from '../api/types';
import { MARKER_BG } from '../chain/links';
import { useSpeaking } from '../state/UnitsContext';
import type { Pose } from '../mat/space';

/** Where each motion is: one slider each, and the pose in which most is asked of it. */
export function PoseSliders({ document, report, pose, onPose }: { document: Build; report: StageReport; pose: Pose; onPose: (pose: Pose) => void }) {
    const { text, book, say } = useSpeaking();
    return (
        <ul className="divide-y divide-line">
            {report.motions.map((motion) => {
                const said = document.motions.find((each) => each.id === motion.id)!;
                const at = pose[motion.id] ?? motion.rest;
                const unit = motion.position_unit === 'deg' ? '°' : 'm';
                const stands = text({ si: book.toSi(at, unit), dimension: unit === '°' ? 'angle' : 'length' });
                return (
                    <li key={motion.id} className="py-1.5">
                        <label className="grid grid-cols-[1rem_5.5rem_1fr_5rem] items-center gap-x-2">
                            <span aria-hidden="true" className={`size-3.5 border border-ink/40 ${MARKER_BG[said.marker]}`} />
                            <span className="truncate">{said.name}</span>
                            <input
                                type="range"
                                className="w-full accent-accent"
                                min={motion.low}
                                max={motion.high}
                                step={(motion.high - motion.low) / 200}
                                value={at}
                                aria-valuetext={stands}
                                onChange={(event) => onPose({ ...pose, [motion.id]: Number(event.target.value) })}
                            />
                            <span className="text-right whitespace-nowrap">{stands}</span>
                        </label>
                        <p className="narrow ml-6 text-[0.86rem] text-quiet">
                            {say(motion.carries)} {motion.wires === null ? '' : say(motion.wires)} {motion.cable === null ? '' : say(motion.cable)}{' '}
                            {motion.worst.length > 0 && (
                                <button
                                    type="button"
                                    className="text-accent underline"
                                    onClick={() => onPose({ ...pose, ...Object.fromEntries(motion.worst.map((each) => [each.motion, each.at])) })}
                                >
                                    Show that
                                </button>
                            )}
                        </p>
                    </li>
                );
            })}
        </ul>
    );
}

import type { Build, StageReport } from '../api/types';
import { VerdictWord } from '../chain/LinkGlyph';
import { ChoiceField, TextField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';

type Meeting = Build['meetings'][number];

/** What must meet: how far off it can be, what makes that, and its fields. */
export function MeetingList({ report }: { report: StageReport }) {
    const { stored, edit } = useBuild();
    const { say, text } = useSpeaking();
    const { meetings, motions } = stored.document;
    const mounted = motions.filter((motion) => motion.mount !== null);
    const add = () => {
        const id = freeId(
            'meeting',
            meetings.map((meeting) => meeting.id),
        );
        const last = mounted[mounted.length - 1]!;
        edit({
            path: `meetings.${meetings.length}`,
            value: { id, name: `Meeting ${meetings.length + 1}`, one: { motion: last.id }, other: {}, at: [{ motion: last.id, place: last.task.to }] },
        });
    };
    if (mounted.length === 0) {
        return null;
    }
    return (
        <section aria-label="What must meet" className="mt-5">
            <h2 className="mb-1 text-[1.05rem]">What must meet</h2>
            {meetings.length === 0 && (
                <p className="text-quiet">A hook and its eye, a grab and what it takes: say where they meet, and what all errors together do to it.</p>
            )}
            <ul className="divide-y divide-line border-y border-line empty:hidden">
                {meetings.map((meeting, i) => {
                    const said = report.meetings.find((each) => each.id === meeting.id);
                    return (
                        <li key={meeting.id} className="py-2">
                            <details>
                                <summary className="flex items-baseline gap-3">
                                    <strong className="w-40 truncate">{meeting.name}</strong>
                                    {said !== undefined && <VerdictWord verdict={said.verdict} />}
                                    <span className="min-w-0 flex-1">{said === undefined ? '' : say(said.says)}</span>
                                </summary>
                                {said !== undefined && said.parts.length > 0 && (
                                    <table className="mt-2 ml-4">
                                        <tbody>
                                            {said.parts.map((part, k) => (
                                                <tr key={k}>
                                                    <td className="pr-6">{say(part.says)}</td>
                                                    <td className="text-right whitespace-nowrap">{text({ si: part.m, dimension: 'length' })}</td>
                                                </tr>
                                            ))}
                                        </tbody>
                                    </table>
                                )}
                                <MeetingFields meeting={meeting} index={i} mounted={mounted} />
                            </details>
                        </li>
                    );
                })}
            </ul>
            <button type="button" className="mt-2 border border-line bg-sheet px-2 py-0.5 hover:bg-well" onClick={add}>
                Add a meeting
            </button>
        </section>
    );
}

function MeetingFields({ meeting, index, mounted }: { meeting: Meeting; index: number; mounted: Build['motions'] }) {
    const { stored, edit } = useBuild();
    const path = `meetings.${index}`;
    const ends = [{ value: '', label: 'the base' }, ...mounted.map(({ id, name }) => ({ value: id, label: name }))];
    const end = (which: 'one' | 'other', label: string) => (
        <div>
            <ChoiceField
                label={label}
                path={`${path}.${which}.motion`}
                value={meeting[which].motion ?? ''}
                choices={ends}
                toValue={(id) => (id === '' ? null : id)}
            />
            <QuantityField label="There, to the right" path={`${path}.${which}.x_m`} value={meeting[which].x_m} />
            <QuantityField label="There, further away" path={`${path}.${which}.y_m`} value={meeting[which].y_m} />
            <QuantityField label="There, up" path={`${path}.${which}.z_m`} value={meeting[which].z_m} />
        </div>
    );
    const stand = (motion: string, place: string) =>
        edit({ path: `${path}.at`, value: [...meeting.at.filter((each) => each.motion !== motion), ...(place === '' ? [] : [{ motion, place }])] });
    return (
        <div className="mt-2 grid grid-cols-2 gap-x-8">
            {end('one', 'What comes is moved by')}
            {end('other', 'What it meets is moved by')}
            <div>
                <TextField label="Name" path={`${path}.name`} value={meeting.name} />
                <QuantityField
                    label="Forgives"
                    path={`${path}.forgives_m`}
                    value={meeting.forgives_m}
                    how="So far off the grab, funnel or magnet still takes it."
                />
                <QuantityField label="What stands there is off by" path={`${path}.stands_m`} value={meeting.stands_m} />
                <button
                    type="button"
                    className="mt-1 border border-line bg-sheet px-2 py-0.5 hover:bg-well"
                    onClick={() => edit({ path: 'meetings', value: stored.document.meetings.filter((each) => each.id !== meeting.id) })}
                >
                    Take it away
                </button>
            </div>
            <div>
                {mounted.map((motion) => (
                    <label key={motion.id} className="grid grid-cols-[1fr_10.5rem] items-center gap-x-3 py-1">
                        <span>{motion.name} stands at</span>
                        <select
                            className="w-full border border-line bg-well px-2 py-1 font-semibold"
                            value={meeting.at.find((each) => each.motion === motion.id)?.place ?? ''}
                            onChange={(event) => stand(motion.id, event.target.value)}
                        >
                            <option value="">where its task begins</option>
                            {motion.places.map((place) => (
                                <option key={place.id} value={place.id}>
                                    {place.name}
                                </option>
                            ))}
                        </select>
                    </label>
                ))}
            </div>
        </div>
    );
}

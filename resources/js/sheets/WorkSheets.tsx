import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { Lanes } from '../charts/Lanes';
import { today } from '../log/today';
import { useReport } from '../making/useReport';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { Blank, Box, Paper, SheetTable } from './Paper';

/** Boards, wires, and what is soldered in which order. */
export function WiringPaper() {
    const { stored } = useBuild();
    const { say, text } = useSpeaking();
    const { data } = useQuery({ queryKey: ['wiring', stored.id, stored.version], queryFn: () => api.wiring(stored.id), staleTime: Infinity });
    if (data === undefined || data.sheet.boards.length === 0) {
        return null;
    }
    return (
        <>
            <Paper title="Wiring">
                <img src={`/api/builds/${stored.id}/wiring.svg`} alt="Boards and wires" className="mx-auto max-h-[150mm] w-full object-contain" />
                <SheetTable head={['Wire', 'From', 'To', 'Colour', 'Cross-section', 'Length', 'Plug', 'Done']}>
                    {data.sheet.rows.map((row, i) => (
                        <tr key={`${row.number} ${row.from} ${row.to} ${i}`}>
                            <td>{row.number}</td>
                            <td>{row.from}</td>
                            <td>{row.to}</td>
                            <td>{row.colour}</td>
                            <td className="whitespace-nowrap">{significant(row.area_mm2, 2)} mm²</td>
                            <td className="whitespace-nowrap">{text({ si: row.length_m, dimension: 'length' })}</td>
                            <td>{row.plug}</td>
                            <td>
                                <Box />
                            </td>
                        </tr>
                    ))}
                </SheetTable>
            </Paper>
            <Paper title="Assembly, in this order">
                <SheetTable head={['Done', 'Stage', 'Step']}>
                    {data.steps.map((step) => (
                        <tr key={step.id}>
                            <td>
                                <Box />
                            </td>
                            <td>{step.stage}</td>
                            <td>{say(step.says)}</td>
                        </tr>
                    ))}
                </SheetTable>
            </Paper>
        </>
    );
}

/** A routine in sentences, with the lanes of its run. */
export function RoutinePaper({ id, name }: { id: string; name: string }) {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const verdict = stored.assessment.routines.find((each) => each.id === id);
    const { data } = useQuery({
        queryKey: ['sheet-run', stored.id, stored.version, id],
        queryFn: () => api.run(stored.id, id, null),
        staleTime: Infinity,
        retry: false,
    });
    return (
        <Paper title={name}>
            <ol>
                {verdict?.steps.map((step) => (
                    <li
                        key={step.path}
                        className="flex gap-2 border-b border-line py-0.5"
                        style={{ paddingLeft: `${(step.path.split('.').length - 2) * 2.5}mm` }}
                    >
                        <Box /> <span className="flex-1">{say(step.says)}</span> <Blank />
                    </li>
                ))}
            </ol>
            {data !== undefined && data.motions.length > 0 && (
                <div className="mt-3">
                    <Lanes build={stored.document} trace={data} now={0} onNow={() => undefined} width={1000} />
                </div>
            )}
        </Paper>
    );
}

/** The moves that routines make, with empty columns for the watch. */
export function TimesPaper() {
    const { stored } = useBuild();
    const { text } = useSpeaking();
    const { data } = useQuery({ queryKey: ['times', stored.id, stored.version], queryFn: () => api.times(stored.id) });
    const place = (motion: string, id: string) => stored.document.motions.find((each) => each.id === motion)?.places.find((each) => each.id === id)?.name ?? id;
    if (data === undefined || data.moves.length === 0) {
        return null;
    }
    return (
        <Paper title="Times of the moves">
            <SheetTable head={['Motion', 'Move', 'Carries', 'Computed', '1', '2', '3', '4', '5']}>
                {data.moves.map((move) => (
                    <tr key={`${move.motion} ${move.from} ${move.to} ${move.speed} ${move.carries}`}>
                        <td>{move.name}</td>
                        <td>
                            {place(move.motion, move.from)} to {place(move.motion, move.to)}
                            {move.speed < 1 && `, at ${significant(move.speed * 100, 3)} %`}
                        </td>
                        <td>{move.carries}</td>
                        <td className="whitespace-nowrap">{move.computed_s === null ? 'never made' : text({ si: move.computed_s, dimension: 'time' })}</td>
                        {[1, 2, 3, 4, 5].map((each) => (
                            <td key={each} className="w-[17mm]" />
                        ))}
                    </tr>
                ))}
            </SheetTable>
        </Paper>
    );
}

/** The bench tests, with boxes. */
export function TestsPaper() {
    const { say } = useSpeaking();
    const { data } = useReport('bench', api.bench);
    if (data === undefined || data.tests.length === 0) {
        return null;
    }
    return (
        <Paper title="Bench tests">
            <SheetTable head={['Good', 'Do this', 'This should come out', 'From here on stop', 'What was seen']}>
                {data.tests.map((test) => (
                    <tr key={test.id}>
                        <td>
                            <Box />
                        </td>
                        <td>{say(test.does)}</td>
                        <td className="font-semibold">{say(test.expects)}</td>
                        <td>{say(test.stops)}</td>
                        <td className="w-[32mm]" />
                    </tr>
                ))}
            </SheetTable>
        </Paper>
    );
}

/** Everything the build needs. */
export function PartsPaper() {
    const { say } = useSpeaking();
    const { data } = useReport('parts', api.parts);
    if (data === undefined || data.lines.length === 0) {
        return null;
    }
    return (
        <Paper title="Parts">
            <p className="mb-2 font-semibold">{say(data.says)}</p>
            <SheetTable head={['There', 'Count', 'Part', 'For', 'Where', 'Price', 'Spares']}>
                {data.groups.flatMap((group) =>
                    data.lines
                        .filter((line) => line.group === group.id)
                        .map((line) => (
                            <tr key={line.id}>
                                <td>{line.have ? 'yes' : <Box />}</td>
                                <td className="whitespace-nowrap">
                                    {significant(line.count, 3)}
                                    {line.per === 'm' && ' m'}
                                </td>
                                <td>
                                    {say(line.name)}
                                    {line.made !== 'bought' && `, ${line.made}`}
                                </td>
                                <td>{line.for.slice(0, 3).join(', ')}</td>
                                <td>{line.place}</td>
                                <td>{line.price === null ? '' : significant(line.price, 5)}</td>
                                <td>{line.spares > 0 ? `${line.spares}: ${line.why}` : ''}</td>
                            </tr>
                        )),
                )}
            </SheetTable>
        </Paper>
    );
}

/** The plan as a list with boxes. */
export function PlanPaper() {
    const { say } = useSpeaking();
    const day = today();
    const { data } = useReport('plan', (id) => api.plan(id, day), day);
    if (data === undefined || data.tasks.length === 0) {
        return null;
    }
    return (
        <Paper title="Plan">
            <p className="mb-2 font-semibold">{say(data.says)}</p>
            <SheetTable head={['Done', 'Stage', 'Task', 'Hours', 'From', 'To']}>
                {data.tasks.map((task) => (
                    <tr key={task.id}>
                        <td>{task.done ? 'yes' : <Box />}</td>
                        <td>{data.stages.find((stage) => stage.id === task.stage)?.name}</td>
                        <td className={task.critical ? 'font-semibold' : ''}>{say(task.says)}</td>
                        <td>{significant(task.hours, 3)}</td>
                        <td className="whitespace-nowrap">{task.begins_on ?? (task.begins === null ? '' : `day ${Math.floor(task.begins) + 1}`)}</td>
                        <td className="whitespace-nowrap">{task.ends_on ?? (task.ends === null ? '' : `day ${Math.max(1, Math.ceil(task.ends))}`)}</td>
                    </tr>
                ))}
            </SheetTable>
        </Paper>
    );
}

/** What lies in the machine: how to get in, how to free and move everything, what is due when. */
export function ServicePaper() {
    const { say } = useSpeaking();
    const day = today();
    const { data } = useReport('service', (id) => api.service(id, day), day);
    if (data === undefined || data.jobs.length === 0) {
        return null;
    }
    return (
        <Paper title="Service card">
            <p>
                <strong>The way in when all fails:</strong> {data.way_in === '' ? <Blank wide /> : data.way_in}
            </p>
            <p className="mb-2">
                <strong>It should run</strong>{' '}
                {data.watch.every_h === null ? 'as its timetable says' : `at least every ${significant(data.watch.every_h, 4)} hours`}; what shows it:{' '}
                {data.watch.shows === '' ? <Blank wide /> : data.watch.shows}; if not: {data.watch.on_miss === '' ? <Blank wide /> : data.watch.on_miss}
            </p>
            <SheetTable head={['Motion', 'How to get at it', 'How to free it', 'By hand, power off']}>
                {data.motions.map((motion) => (
                    <tr key={motion.id}>
                        <td className="font-semibold">{motion.name}</td>
                        <td>
                            {motion.access} ({motion.held_by})
                        </td>
                        <td className="w-[45mm]">{motion.frees}</td>
                        <td>
                            {motion.by_hand} {say(motion.moves)}
                        </td>
                    </tr>
                ))}
            </SheetTable>
            <h3 className="mt-3 font-semibold">Jobs</h3>
            <SheetTable head={['Job', 'Every', 'Done on', 'Done on', 'Done on']}>
                {data.jobs.map((job) => (
                    <tr key={job.id}>
                        <td>{say(job.does)}</td>
                        <td className="whitespace-nowrap">
                            {[
                                job.every_cycles === null ? null : `${significant(job.every_cycles, 3)} times`,
                                job.every_days === null ? null : `${significant(job.every_days, 3)} days`,
                            ]
                                .filter((each) => each !== null)
                                .join(' or ')}
                        </td>
                        {[1, 2, 3].map((each) => (
                            <td key={each} className="w-[22mm]" />
                        ))}
                    </tr>
                ))}
            </SheetTable>
        </Paper>
    );
}

/** The cautions that the design calls for, each once, with what it is for. */
export function CautionsPaper() {
    const { stored } = useBuild();
    const { data } = useQuery({ queryKey: ['wiring', stored.id, stored.version], queryFn: () => api.wiring(stored.id), staleTime: Infinity });
    const cautions = new Map<string, string[]>();
    for (const chain of stored.assessment.chains) {
        for (const caution of chain.cautions) {
            cautions.set(caution.says, [...(cautions.get(caution.says) ?? []), chain.name]);
        }
    }
    const day = today();
    const { data: plan } = useReport('plan', (id) => api.plan(id, day), day);
    for (const caution of [...(data?.cautions ?? []), ...(plan?.cautions ?? [])]) {
        cautions.set(caution.says, cautions.get(caution.says) ?? []);
    }
    if (cautions.size === 0) {
        return null;
    }
    return (
        <Paper title="Cautions">
            <ul>
                {[...cautions].map(([says, names]) => (
                    <li key={says} className="border-b border-line py-1.5">
                        {names.length > 0 && <strong>{names.join(', ')}: </strong>}
                        {says}
                    </li>
                ))}
            </ul>
        </Paper>
    );
}

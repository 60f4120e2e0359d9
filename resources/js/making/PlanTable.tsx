import type { PlanReport, PlanTask } from '../api/types';
import { today } from '../log/today';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { Cell } from './Cell';

/** All tasks by stage: done or not, how long each takes, how late it is, when it comes. */
export function PlanTable({ of }: { of: PlanReport }) {
    return (
        <table className="mt-4 w-full border border-line bg-sheet">
            <thead className="narrow text-left text-quiet">
                <tr>
                    <th className="px-3 py-1.5 font-normal">Done</th>
                    <th className="px-2 font-normal">Task</th>
                    <th className="px-2 text-right font-normal">Hours of work</th>
                    <th className="px-2 text-right font-normal">Days that pass</th>
                    <th className="px-2 text-right font-normal">Days late</th>
                    <th className="px-2 font-normal">From</th>
                    <th className="px-2 font-normal">To</th>
                    <th className="px-2 text-right font-normal">May wait</th>
                </tr>
            </thead>
            {of.stages.map((stage) => (
                <tbody key={stage.id}>
                    <tr className="border-t border-line bg-well">
                        <th colSpan={8} scope="colgroup" className="px-3 py-1 text-left font-semibold">
                            {stage.name} <span className="font-normal text-quiet">ends in this: {stage.ends_in}</span>
                        </th>
                    </tr>
                    {of.tasks
                        .filter((task) => task.stage === stage.id)
                        .map((task) => (
                            <Row key={task.id} task={task} />
                        ))}
                </tbody>
            ))}
        </table>
    );
}

function Row({ task }: { task: PlanTask }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const name = say(task.says);
    const { done, tasks } = stored.document.making;
    const isTicked = done.some((each) => each.id === task.id);
    const list = task.own ? 'making.tasks' : 'making.changed';
    const tick = (on: boolean) =>
        edit({ path: 'making.done', value: on ? [...done, { id: task.id, on: today() }] : done.filter((each) => each.id !== task.id) });
    const takeOut = () =>
        edit({
            path: 'making.tasks',
            value: tasks.filter((each) => each.id !== task.id).map((each) => ({ ...each, needs: each.needs.filter((need) => need !== task.id) })),
        });
    return (
        <tr className={`border-t border-line align-baseline ${task.done ? 'text-quiet' : ''}`}>
            <td className="px-3 py-1">
                <input
                    type="checkbox"
                    className="size-5 accent-accent"
                    aria-label={`${name} is done`}
                    checked={task.done}
                    disabled={task.done && !isTicked}
                    title={task.done && !isTicked ? 'Done as its parts, steps or tests are' : undefined}
                    onChange={(event) => tick(event.target.checked)}
                />
            </td>
            <td className={`px-2 ${task.critical ? 'font-semibold' : ''}`}>
                {name}
                {task.own && (
                    <button type="button" className="narrow ml-2 font-normal text-accent underline" onClick={takeOut}>
                        Take out {name}
                    </button>
                )}
                {!task.done && task.id.startsWith('get/') && (
                    <span className="narrow mt-0.5 block font-normal text-quiet">
                        For trials in its place:{' '}
                        <Cell
                            list={list}
                            id={task.id}
                            field="stand_in"
                            value={task.stand_in}
                            kind="text"
                            label={`What stands in for ${name}`}
                            className="w-44"
                        />
                    </span>
                )}
            </td>
            <td className="px-2 text-right">
                {task.done ? '' : <Cell list={list} id={task.id} field="hours" value={task.hours} kind="number" label={`Hours of ${name}`} className="w-16" />}
            </td>
            <td className="px-2 text-right">
                {task.done ? (
                    ''
                ) : (
                    <Cell
                        list={list}
                        id={task.id}
                        field="waits_days"
                        value={round(task.waits_days)}
                        kind="number"
                        label={`Days that pass: ${name}`}
                        className="w-16"
                    />
                )}
            </td>
            <td className="px-2 text-right">
                {task.done || task.own ? (
                    ''
                ) : (
                    <Cell list={list} id={task.id} field="late_days" value={task.late_days} kind="number" label={`Days late: ${name}`} className="w-14" />
                )}
            </td>
            <td className="px-2 whitespace-nowrap">{task.done ? (task.done_on ?? 'done') : (task.begins_on ?? day(task.begins))}</td>
            <td className="px-2 whitespace-nowrap">
                {task.done ? '' : (task.ends_on ?? day(task.ends === null ? null : Math.max(task.begins!, Math.ceil(task.ends) - 1)))}
            </td>
            <td className="px-2 text-right whitespace-nowrap">
                {task.spare_days === null ? '' : task.critical ? 'decides' : `${significant(task.spare_days, 2)} d`}
            </td>
        </tr>
    );
}

const round = (days: number) => Number(days.toFixed(3));

function day(at: number | null): string {
    return at === null ? '' : `day ${Math.floor(at + 1e-9) + 1}`;
}

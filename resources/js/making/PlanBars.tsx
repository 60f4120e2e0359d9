import type { PlanReport, PlanTask } from '../api/types';
import { useSpeaking } from '../state/UnitsContext';

const ROW = 17;
const LEFT = 300;
const WIDTH = 1080;
const TOP = 20;
const LONGEST = 46; // letters of a name

/** The open tasks as bars over the days: dark while it is worked on, light while it only passes; what decides the end has an edge. */
export function PlanBars({ of }: { of: PlanReport }) {
    const { say } = useSpeaking();
    const open = of.tasks.filter((task) => task.begins !== null).sort((a, b) => a.begins! - b.begins! || a.ends! - b.ends!);
    if (open.length === 0) {
        return null;
    }
    const days = Math.max(1, Math.ceil(of.ends_day));
    const x = (day: number) => LEFT + (day / days) * (WIDTH - LEFT - 12);
    const step = [1, 2, 7, 14, 28, 91, 182, 364, 1820].find((each) => days / each <= 14) ?? 3640;
    const ticks = Array.from({ length: Math.floor(days / step) + 1 }, (_, i) => i * step);
    const isRoom = (day: number) => x(day) < WIDTH - 44; // for its figures
    const height = TOP + open.length * ROW + 6;
    return (
        <div role="group" aria-label="Plan as bars" tabIndex={0} className="mt-4 overflow-x-auto border border-line bg-sheet p-3">
            <p className="narrow text-quiet">
                Open tasks over the days. Dark: it is worked on. Light: it only passes. With an edge: this decides when all is done. The same stands in the
                table below.
            </p>
            <svg viewBox={`0 0 ${WIDTH} ${height}`} className="w-full min-w-[800px]" role="img" aria-label={`Bars of ${open.length} tasks over ${days} days`}>
                {ticks.map((day) => (
                    <g key={day}>
                        <line x1={x(day)} x2={x(day)} y1={TOP - 4} y2={height} className="stroke-line" />
                        {isRoom(day) && (
                            <text x={x(day) + 2} y={TOP - 8} fontSize="10.5" className="fill-quiet">
                                {dateOf(of.from_on, day)}
                            </text>
                        )}
                    </g>
                ))}
                {open.map((task, i) => (
                    <Bar key={task.id} task={task} y={TOP + i * ROW} x={x} name={say(task.says)} decides={of.path.includes(task.id)} />
                ))}
            </svg>
        </div>
    );
}

function Bar({ task, y, x, name, decides }: { task: PlanTask; y: number; x: (day: number) => number; name: string; decides: boolean }) {
    const [from, worked, to] = [x(task.begins!), x(task.worked!), x(task.ends!)];
    return (
        <g>
            <title>{name}</title>
            <text x={LEFT - 8} y={y + 12} textAnchor="end" fontSize="11.5" className={decides ? 'fill-ink font-semibold' : 'fill-ink'}>
                {name.length > LONGEST ? `${name.slice(0, LONGEST - 1).trimEnd()}…` : name}
            </text>
            <rect x={worked} y={y + 3} width={Math.max(0, to - worked)} height={ROW - 6} className="fill-accent/30" />
            <rect x={from} y={y + 3} width={Math.max(1.5, worked - from)} height={ROW - 6} className="fill-accent" />
            {decides && <rect x={from} y={y + 3} width={Math.max(1.5, to - from)} height={ROW - 6} className="fill-none stroke-ink" strokeWidth={1.4} />}
        </g>
    );
}

function dateOf(first: string | null, day: number): string {
    if (first === null) {
        return `day ${day + 1}`;
    }
    return new Date(Date.parse(`${first}T00:00:00Z`) + day * 86_400_000).toISOString().slice(5, 10);
}

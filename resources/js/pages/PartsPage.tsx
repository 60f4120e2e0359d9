import { useState } from 'react';
import { api } from '../api/client';
import type { PartLine, PartsReport } from '../api/types';
import { Cell, Tick } from '../making/Cell';
import { freeId } from '../making/freeId';
import { MakingTabs } from '../making/MakingTabs';
import { useReport } from '../making/useReport';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';

const MADE = { bought: '', printed: 'printed', cut: 'cut' } as const;

/** Everything the build needs: what is there, what must be got, where, for how much, how soon. */
export function PartsPage() {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const { data, error } = useReport('parts', api.parts);
    const [onlyMissing, setOnlyMissing] = useState(false);
    return (
        <main className="mx-auto max-w-6xl px-6 py-5">
            <h1 className="sr-only">Parts</h1>
            <MakingTabs />
            {error !== null && <p className="text-fails">{error.message}</p>}
            {data !== undefined && (
                <>
                    <div className="flex items-end gap-6">
                        <p className="flex-1 text-[1.3rem] font-semibold">{say(data.says)}</p>
                        <label className="flex items-center gap-2">
                            <input
                                type="checkbox"
                                className="size-5 accent-accent"
                                checked={onlyMissing}
                                onChange={(event) => setOnlyMissing(event.target.checked)}
                            />
                            Only what is to get
                        </label>
                        <a className="border border-line bg-sheet px-3 py-1" href={`/api/builds/${stored.id}/parts.csv`} download>
                            As CSV
                        </a>
                    </div>
                    <p className="text-quiet">The list follows the build. What you say of a part stays with it as long as the build needs it.</p>
                    <Table data={data} onlyMissing={onlyMissing} />
                    <OwnPart />
                </>
            )}
        </main>
    );
}

function Table({ data, onlyMissing }: { data: PartsReport; onlyMissing: boolean }) {
    const lines = data.lines.filter((line) => !onlyMissing || !line.have);
    return (
        <table className="mt-3 w-full border border-line bg-sheet">
            <thead className="narrow text-left text-quiet">
                <tr>
                    <th className="px-3 py-1.5 font-normal">There</th>
                    <th className="px-2 text-right font-normal">Count</th>
                    <th className="px-2 font-normal">Part</th>
                    <th className="px-2 font-normal">Where to get it</th>
                    <th className="px-2 text-right font-normal">Price of one</th>
                    <th className="px-2 text-right font-normal">Days</th>
                    <th className="px-2 font-normal">Comes on</th>
                    <th className="px-2 font-normal">Spares worth having</th>
                </tr>
            </thead>
            {data.groups.map((group) => {
                const of = lines.filter((line) => line.group === group.id);
                return of.length === 0 ? null : (
                    <tbody key={group.id}>
                        <tr className="border-t border-line bg-well">
                            <th colSpan={8} scope="colgroup" className="px-3 py-1 text-left font-semibold">
                                {group.name}
                            </th>
                        </tr>
                        {of.map((line) => (
                            <Row key={line.id} line={line} />
                        ))}
                    </tbody>
                );
            })}
        </table>
    );
}

function Row({ line }: { line: PartLine }) {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const isOwn = line.id.startsWith('own/');
    const [list, id] = isOwn ? ['making.own_parts', line.id.slice(4)] : ['making.parts', line.id];
    const name = say(line.name);
    const takeOut = () => edit({ path: 'making.own_parts', value: stored.document.making.own_parts.filter((each) => each.id !== id) });
    return (
        <tr className={`border-t border-line align-baseline ${line.have ? 'text-quiet' : ''}`}>
            <td className="px-3 py-1">
                <Tick list={list} id={id} field="have" value={line.have} label={`${name} is there`} />
            </td>
            <td className="px-2 text-right whitespace-nowrap">
                {significant(line.count, 3)}
                {line.per === 'm' && <span className="text-quiet"> m</span>}
            </td>
            <td className="px-2">
                {name}
                {MADE[line.made] !== '' && <span className="text-quiet">, {MADE[line.made]}</span>}
                {line.for.length > 0 && (
                    <span className="narrow block max-w-72 text-quiet">
                        {line.for.slice(0, 4).join(', ')}
                        {line.for.length > 4 && ` and ${line.for.length - 4} more`}
                    </span>
                )}
                {isOwn && (
                    <button type="button" className="narrow text-accent underline" onClick={takeOut}>
                        Take out {name}
                    </button>
                )}
            </td>
            <td className="px-2">
                <Cell list={list} id={id} field="place" value={line.place} kind="text" label={`Where to get ${name}`} className="w-32" />
            </td>
            <td className="px-2 text-right">
                <Cell list={list} id={id} field="price" value={line.price} kind="number" label={`Price of ${name}`} className="w-20" />
            </td>
            <td className="px-2 text-right">
                <Cell
                    list={list}
                    id={id}
                    field="days"
                    value={line.days}
                    kind="number"
                    label={`Days until ${name} is here`}
                    placeholder={line.have || line.made !== 'bought' ? '' : '7'}
                    className="w-14"
                />
            </td>
            <td className="px-2">
                <Cell list={list} id={id} field="comes_on" value={line.comes_on} kind="day" label={`${name} comes on`} className="w-32" />
            </td>
            <td className="px-2">{line.spares > 0 && `${line.spares}: ${line.why}`}</td>
        </tr>
    );
}

function OwnPart() {
    const { stored, edit } = useBuild();
    const [name, setName] = useState('');
    const own = stored.document.making.own_parts;
    const add = () => {
        if (name.trim() !== '') {
            edit({ path: `making.own_parts.${own.length}`, value: { id: freeId(own, 'part'), name: name.trim() } });
            setName('');
        }
    };
    return (
        <form
            className="mt-3 flex items-end gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                add();
            }}
        >
            <label>
                <span className="block text-quiet">What it needs besides</span>
                <input className="w-72 border border-line bg-well px-2 py-1" maxLength={80} value={name} onChange={(event) => setName(event.target.value)} />
            </label>
            <button type="submit" className="border border-line bg-sheet px-3 py-1">
                Add it to the list
            </button>
        </form>
    );
}

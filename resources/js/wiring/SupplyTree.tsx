import type { SupplyRow, WiringReport } from '../api/types';
import { DischargeChart } from '../charts/DischargeChart';
import { freeId } from '../pages/AddMotion';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { STATION_BUTTON } from '../stations/StationFields';
import { SupplyFields } from './SupplyFields';

const CONVERTERS: Record<string, string> = { linear: 'linear regulator', down: 'converter down', up: 'converter up', gate: 'switch' };

/** What feeds what, from the sources down; and what takes how much of each battery in a day. */
export function SupplyTree({ report }: { report: WiringReport }) {
    return (
        <>
            <ul className="divide-y divide-line border border-line bg-sheet">
                {report.supplies
                    .filter((supply) => supply.from === null)
                    .map((supply) => (
                        <Branch key={supply.id} supply={supply} all={report.supplies} depth={0} />
                    ))}
            </ul>
            <AddSupply />
        </>
    );
}

/** A rail out of the first source, as most are. */
function AddSupply() {
    const { stored, edit } = useBuild();
    const { supplies } = stored.document;
    const id = freeId(
        'rail',
        supplies.map((supply) => supply.id),
    );
    const source = supplies.find((supply) => supply.from === null);
    const rail = { id, name: 'Rail', volts_V: 5, max_A: 1, ...(source === undefined ? {} : { from: source.id }) };
    return (
        <button type="button" className={`mt-2 ${STATION_BUTTON} print:hidden`} onClick={() => edit({ path: `supplies.${supplies.length}`, value: rail })}>
            Add a supply
        </button>
    );
}

function Branch({ supply, all, depth }: { supply: SupplyRow; all: SupplyRow[]; depth: number }) {
    const { text, say } = useSpeaking();
    const { stored } = useBuild();
    const kept = stored.document.supplies.findIndex((each) => each.id === supply.id);
    const volts = text({ si: supply.volts_V, dimension: 'voltage' });
    const amps = text({ si: supply.max_A, dimension: 'current' });
    return (
        <>
            <li className="px-4 py-2" style={{ paddingLeft: `${1.15 + depth * 1.6}rem` }}>
                <div className="flex flex-wrap items-baseline gap-x-4">
                    <strong className="w-32">
                        {depth > 0 && <span aria-hidden="true">↳ </span>}
                        {supply.name}
                    </strong>
                    <span className="w-56">
                        {volts}, up to {amps}
                        {supply.converter === null ? '' : `, ${CONVERTERS[supply.converter] ?? ''}`}
                        {supply.fuse_A === null ? '' : `, fuse ${text({ si: supply.fuse_A, dimension: 'current' })}`}
                    </span>
                    <span className="min-w-40 flex-1 text-quiet">{supply.feeds.length === 0 ? 'feeds nothing' : `feeds ${supply.feeds.join(', ')}`}</span>
                </div>
                {supply.capacity_Ah !== null && <Day supply={supply} />}
                {supply.curve !== null && (
                    <>
                        <DischargeChart curve={supply.curve} name={supply.name} />
                        {supply.curve.says !== null && <p className="mt-1">{say(supply.curve.says)}</p>}
                    </>
                )}
                {kept >= 0 && (
                    <details>
                        <summary className="narrow py-1 text-quiet">more of {supply.name}</summary>
                        <SupplyFields supply={stored.document.supplies[kept]!} index={kept} />
                    </details>
                )}
            </li>
            {all
                .filter((each) => each.from === supply.id)
                .map((each) => (
                    <Branch key={each.id} supply={each} all={all} depth={depth + 1} />
                ))}
        </>
    );
}

/** One day of a battery. */
function Day({ supply }: { supply: SupplyRow }) {
    const charge = (Ah: number) => (Ah >= 0.1 ? `${significant(Ah, 3)} Ah` : `${significant(Ah * 1000, 3)} mAh`);
    return (
        <div className="mt-2">
            <p>
                <strong>{supply.lasts_days === null ? 'Nothing is taken of it' : `Lasts ${lasts(supply.lasts_days)}`}</strong>
                {supply.day_Ah > 0 && `: ${charge(supply.day_Ah)} a day of ${significant(supply.capacity_Ah!, 3)} Ah`}
                {supply.balance_Ah_day !== null &&
                    `; its charger gives ${charge(supply.gives_Ah_day!)} a day, ${charge(Math.abs(supply.balance_Ah_day))} ${supply.balance_Ah_day < 0 ? 'too little' : 'to spare'}`}
                {supply.through_cut_h !== null && `, and through a power cut it lasts ${lasts(supply.through_cut_h / 24)}`}
            </p>
            <table className="mt-1">
                <caption className="sr-only">What takes how much of {supply.name} in a day</caption>
                <tbody>
                    {supply.takes.map((take) => (
                        <tr key={take.of}>
                            <th scope="row" className="pr-6 text-left font-normal">
                                {take.says}
                            </th>
                            <td className="pr-3 text-right">{charge(take.charge_Ah)}</td>
                            <td aria-hidden="true" className="w-64">
                                <span className="block h-2 bg-accent" style={{ width: `${Math.max(1, (take.charge_Ah / supply.day_Ah) * 100)}%` }} />
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}

function lasts(days: number): string {
    return days < 2 ? `${significant(days * 24, 3)} hours` : days > 730 ? `${significant(days / 365, 3)} years` : `${significant(days, 3)} days`;
}

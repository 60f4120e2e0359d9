import type { WiringReport } from '../api/types';
import { significant } from '../state/units';

interface Props {
    report: WiringReport;
    lit: number | null;
    onLight: (number: number | null) => void;
    onPick: (number: number) => void;
}

const numberOf = (label: string) => (/^\d+/.test(label) ? Number.parseInt(label, 10) : null);

/** Every wire: number, both ends, colour, copper, length, plug. */
export function WireTable({ report, lit, onLight, onPick }: Props) {
    return (
        <table className="w-full border border-line bg-sheet">
            <thead>
                <tr className="border-b border-line text-left text-quiet">
                    <th className="px-3 py-1 font-normal">Wire</th>
                    <th className="px-3 font-normal">From</th>
                    <th className="px-3 font-normal">To</th>
                    <th className="px-3 font-normal">Colour</th>
                    <th className="px-3 text-right font-normal">mm²</th>
                    <th className="px-3 text-right font-normal">Length, m</th>
                    <th className="px-3 font-normal">Plug</th>
                </tr>
            </thead>
            <tbody>
                {report.sheet.rows.map((row) => {
                    const number = numberOf(row.number);
                    return (
                        <tr
                            key={row.number}
                            className={`border-b border-line last:border-0 ${number !== null && number === lit ? 'bg-tight-soft' : ''}`}
                            onPointerEnter={() => onLight(number)}
                            onPointerLeave={() => onLight(null)}
                        >
                            <td className="px-3 py-0.5 font-semibold">
                                {number === null ? (
                                    row.number
                                ) : (
                                    <button type="button" className="underline decoration-line" onClick={() => onPick(number)}>
                                        {row.number}
                                    </button>
                                )}
                            </td>
                            <td className="px-3">{row.from}</td>
                            <td className="px-3">{row.to}</td>
                            <td className="px-3">{row.colour}</td>
                            <td className="px-3 text-right">{significant(row.area_mm2, 3)}</td>
                            <td className="px-3 text-right">{significant(row.length_m, 3)}</td>
                            <td className="px-3">{row.plug}</td>
                        </tr>
                    );
                })}
            </tbody>
        </table>
    );
}

/** Every pin of every board, and what is on it. */
export function PinTable({ report }: { report: WiringReport }) {
    return (
        <table className="w-full border border-line bg-sheet">
            <thead>
                <tr className="border-b border-line text-left text-quiet">
                    <th className="px-3 py-1 font-normal">Board</th>
                    <th className="px-3 font-normal">Pin</th>
                    <th className="px-3 font-normal">Wire</th>
                    <th className="px-3 font-normal">Carries</th>
                    <th className="px-3 font-normal">Can</th>
                </tr>
            </thead>
            <tbody>
                {report.sheet.pins.map((pin) => (
                    <tr key={`${pin.board} ${pin.pin}`} className="border-b border-line last:border-0">
                        <td className="px-3 py-0.5">{pin.board}</td>
                        <td className="px-3 font-semibold">{pin.pin}</td>
                        <td className="px-3">{pin.number ?? ''}</td>
                        <td className="px-3">{pin.says === '' ? <span className="text-quiet">free</span> : pin.says}</td>
                        <td className="px-3 text-quiet">{pin.can}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

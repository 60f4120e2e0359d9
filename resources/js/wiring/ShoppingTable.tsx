import type { ShoppingLine } from '../api/types';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';

/** What has to lie on the bench before the wiring begins. */
export function ShoppingTable({ lines }: { lines: ShoppingLine[] }) {
    const { say } = useSpeaking();
    const known = lines.filter((line) => line.cost !== null);
    const sum = known.reduce((cost, line) => cost + line.cost!, 0);
    return (
        <table className="border border-line bg-sheet">
            <thead>
                <tr className="border-b border-line text-left text-quiet">
                    <th className="px-3 py-1 text-right font-normal">How many</th>
                    <th className="px-3 font-normal">What</th>
                    <th className="px-3 text-right font-normal">Cost</th>
                </tr>
            </thead>
            <tbody>
                {lines.map((line, i) => (
                    <tr key={i} className="border-b border-line">
                        <td className="px-3 py-0.5 text-right font-semibold">{line.count}</td>
                        <td className="w-[32rem] px-3">{say(line.says)}</td>
                        <td className="px-3 text-right">{line.cost === null ? '' : significant(line.cost, 4)}</td>
                    </tr>
                ))}
            </tbody>
            {known.length > 0 && (
                <tfoot>
                    <tr>
                        <td />
                        <td className="px-3 py-0.5">What the drawer knows the cost of</td>
                        <td className="px-3 text-right font-semibold">{significant(sum, 4)}</td>
                    </tr>
                </tfoot>
            )}
        </table>
    );
}

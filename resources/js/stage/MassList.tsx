import type { StageReport } from '../api/types';
import { useSpeaking } from '../state/UnitsContext';

export function MassList({ report }: { report: StageReport }) {
    const { say, text } = useSpeaking();
    if (report.masses.length === 0) {
        return null;
    }
    const total = report.masses.reduce((sum, mass) => sum + mass.kg, 0);
    return (
        <section aria-label="What it weighs">
            <h2 className="mb-1 text-[1.05rem]">What it weighs</h2>
            <table className="w-full">
                <tbody className="divide-y divide-line border-y border-line">
                    {report.masses.map((mass, i) => (
                        <tr key={i}>
                            <td>{say(mass.name)}</td>
                            <td className="text-right whitespace-nowrap">{text({ si: mass.kg, dimension: 'mass' })}</td>
                        </tr>
                    ))}
                    <tr className="font-semibold">
                        <td>All of it</td>
                        <td className="text-right whitespace-nowrap">{text({ si: total, dimension: 'mass' })}</td>
                    </tr>
                </tbody>
            </table>
        </section>
    );
}

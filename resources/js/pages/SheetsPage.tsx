import { useState } from 'react';
import { MakingTabs } from '../making/MakingTabs';
import { BuildSheet } from '../sheets/BuildSheet';
import { MotionSheet } from '../sheets/MotionSheet';
import type { Size } from '../sheets/Paper';
import { CautionsPaper, PartsPaper, PlanPaper, RoutinePaper, ServicePaper, TestsPaper, TimesPaper, WiringPaper } from '../sheets/WorkSheets';
import { useBuild } from '../state/BuildContext';

const SHEETS = [
    { id: 'build', label: 'Build on one page' },
    { id: 'motions', label: 'Each motion' },
    { id: 'wiring', label: 'Wiring and assembly' },
    { id: 'routines', label: 'Routines' },
    { id: 'times', label: 'Times' },
    { id: 'tests', label: 'Bench tests' },
    { id: 'plan', label: 'Plan' },
    { id: 'parts', label: 'Parts' },
    { id: 'service', label: 'Service card' },
    { id: 'cautions', label: 'Cautions' },
] as const;

type Sheet = (typeof SHEETS)[number]['id'];

/** Everything for the bench on paper: A4 or Letter, black on white, with room for a pencil. */
export function SheetsPage() {
    const { stored } = useBuild();
    const [size, setSize] = useState<Size>('A4');
    const [left, setLeft] = useState<Sheet[]>([]);
    const shows = (sheet: Sheet) => !left.includes(sheet);
    const { motions, routines } = stored.document;
    return (
        <main className="mx-auto max-w-6xl px-6 py-5 print:m-0 print:max-w-none print:p-0">
            <div className="print:hidden">
                <h1 className="sr-only">Bench sheets</h1>
                <MakingTabs />
                <div className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-2">
                    <fieldset className="flex-1">
                        <legend className="text-quiet">What is printed</legend>
                        <span className="flex flex-wrap gap-x-4 gap-y-1">
                            {SHEETS.map((sheet) => (
                                <label key={sheet.id} className="flex items-center gap-1 py-1">
                                    <input
                                        type="checkbox"
                                        className="size-5 accent-accent"
                                        checked={shows(sheet.id)}
                                        onChange={(event) => setLeft(event.target.checked ? left.filter((each) => each !== sheet.id) : [...left, sheet.id])}
                                    />
                                    {sheet.label}
                                </label>
                            ))}
                        </span>
                    </fieldset>
                    <label>
                        <span className="block text-quiet">Paper</span>
                        <select className="border border-line bg-well px-2 py-1" value={size} onChange={(event) => setSize(event.target.value as Size)}>
                            <option value="A4">A4</option>
                            <option value="Letter">Letter</option>
                        </select>
                    </label>
                    <button type="button" className="bg-accent px-4 py-1 font-semibold text-sheet" onClick={() => window.print()}>
                        Print
                    </button>
                </div>
            </div>
            <div className={`sheets mx-auto ${size === 'A4' ? 'on-a4 max-w-[198mm]' : 'on-letter max-w-[204mm]'} print:max-w-none`}>
                {motions.length === 0 && <p>There is nothing to print yet: the sheets follow from what moves.</p>}
                {shows('build') && motions.length > 0 && <BuildSheet />}
                {shows('motions') && motions.map((motion) => <MotionSheet key={motion.id} motion={motion} />)}
                {shows('wiring') && <WiringPaper />}
                {shows('routines') && routines.map((routine) => <RoutinePaper key={routine.id} id={routine.id} name={routine.name} />)}
                {shows('times') && <TimesPaper />}
                {shows('tests') && <TestsPaper />}
                {shows('plan') && <PlanPaper />}
                {shows('parts') && <PartsPaper />}
                {shows('service') && <ServicePaper />}
                {shows('cautions') && <CautionsPaper />}
            </div>
        </main>
    );
}

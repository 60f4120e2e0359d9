import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import type { Build, Fix, WiringReport } from '../api/types';
import { Cautions } from '../chain/Cautions';
import { Findings } from '../chain/Findings';
import { LinkGlyph } from '../chain/LinkGlyph';
import { TryPanel } from '../chain/TryPanel';
import { useLinkKeys } from '../chain/useLinkKeys';
import { QuantityField } from '../fields/QuantityField';
import { ToggleField } from '../fields/PlainFields';
import { FirstMotion } from './FirstMotion';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { AssemblyList } from '../wiring/AssemblyList';
import { BoardList } from '../wiring/BoardList';
import { SheetDrawing } from '../wiring/SheetDrawing';
import { SupplyTree } from '../wiring/SupplyTree';
import { TankList } from '../wiring/TankList';
import { ShoppingTable } from '../wiring/ShoppingTable';
import { WireEditor } from '../wiring/WireEditor';
import { PinTable, WireTable } from '../wiring/WireTable';

/** With everything that is folded up. */
function printAll() {
    document.querySelectorAll('details').forEach((fold) => (fold.open = true));
    window.print();
}

/** What hangs on what: the sheet, the boards, every wire, what feeds them, and the order in which it is put together. */
export function WiringPage() {
    const { stored, edit } = useBuild();
    const { say } = useSpeaking();
    const [lit, light] = useState<number | null>(null);
    const [picked, pick] = useState<number | null>(null);
    const { data: report } = useQuery({
        queryKey: ['wiring', stored.id, stored.version],
        queryFn: () => api.wiring(stored.id),
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
    useLinkKeys(stored.id, stored.assessment.chains[0]?.motion);
    const { wiring, chains } = stored.assessment;
    const isBare = stored.document.wiring.boards.length === 0;
    const own = chains.flatMap((chain) => chain.links.filter((link) => link.link === 'wiring').flatMap((link) => link.findings));
    const worst = [...wiring.findings, ...own].some((finding) => finding.severity === 'fails')
        ? 'fails'
        : [...wiring.findings, ...own].some((finding) => finding.severity === 'tight')
          ? 'tight'
          : wiring.verdict;
    const apply = (fix: Fix) => edit(...fix.changes.map(({ path, value }) => ({ path, value })));
    const wire = report?.sheet.wires.find((each) => each.number === picked);
    const index = wire === undefined ? -1 : stored.document.wiring.wires.findIndex((each) => each.signal === wire.signal);
    const move = (board: string, x_mm: number, y_mm: number) => {
        const i = stored.document.wiring.boards.findIndex((each) => each.id === board);
        edit({ path: `wiring.boards.${i}.x_mm`, value: x_mm }, { path: `wiring.boards.${i}.y_mm`, value: y_mm });
    };
    return (
        <main className="mx-auto max-w-[1500px] px-6 py-5">
            <section aria-label="Wiring" className="flex items-start gap-5">
                <span className="mt-1.5">
                    <LinkGlyph verdict={worst} size={30} />
                </span>
                <div className="min-w-0 flex-1">
                    <h1 className="text-[1.55rem] leading-tight">{isBare ? 'Nothing is wired yet' : `${wiring.wires} wires on ${wiring.boards} boards`}</h1>
                    {report !== undefined && !isBare && <p className="mt-1">{onBoards(stored.document.wiring.boards, report)}</p>}
                    <p className="mt-1 text-quiet">{needed(say(wiring.counts))}</p>
                    {report !== undefined && <Planned report={report} onApply={apply} />}
                    <FirstMotion says="With a motion and its drive the boards are chosen and every wire is planned." />
                </div>
                {!isBare && (
                    <div className="flex gap-2 print:hidden">
                        <a className="border border-line bg-sheet px-3 py-1" href={`/api/builds/${stored.id}/wires.csv`}>
                            Wires, CSV
                        </a>
                        <a className="border border-line bg-sheet px-3 py-1" href={`/api/builds/${stored.id}/wiring.svg`}>
                            Sheet, SVG
                        </a>
                        <button type="button" className="border border-line bg-sheet px-3 py-1" onClick={printAll}>
                            Print
                        </button>
                    </div>
                )}
            </section>
            <div className="mt-4 empty:hidden">
                <TryPanel />
            </div>
            {report !== undefined && !isBare && (
                <>
                    <div className="mt-4 print:hidden">
                        <SheetDrawing sheet={report.sheet} lit={lit ?? picked} onLight={light} onPick={pick} onMove={move} />
                    </div>
                    <img
                        className="mt-4 hidden max-h-[160mm] w-full print:block"
                        src={`/api/builds/${stored.id}/wiring.svg`}
                        alt={`Wiring of ${stored.document.name}`}
                    />
                </>
            )}
            <div className="mt-4 grid gap-6 lg:grid-cols-2">
                <div className="space-y-5">
                    {(!isBare || wiring.findings.length > 0) && (
                        <Findings findings={[...wiring.findings, ...own]} none="Nothing: everything that is wired can do it and bears it." />
                    )}
                    {report !== undefined && <Cautions cautions={report.cautions} />}
                </div>
                <div className="space-y-4">
                    {wire !== undefined && index >= 0 && <WireEditor wire={wire} index={index} kept={stored.document.wiring.wires[index]!} />}
                    {!isBare && (
                        <div className="grid gap-x-6 lg:grid-cols-2 border border-line bg-sheet px-4 py-3">
                            <QuantityField
                                label="Wires off the boards"
                                path="wiring.lead_m"
                                value={stored.document.wiring.lead_m}
                                how="Length, one way, where a wire says none of its own."
                            />
                            <ToggleField
                                label="Sleeps while idle"
                                path="wiring.sleeps"
                                value={stored.document.wiring.sleeps}
                                how="The controller sleeps while nothing is to be done."
                            />
                        </div>
                    )}
                    {report !== undefined && !isBare && (
                        <Fold title={`Boards: ${wiring.boards}`}>
                            <BoardList report={report} />
                        </Fold>
                    )}
                    {report !== undefined && (
                        <Part title="What feeds what">
                            <SupplyTree report={report} />
                        </Part>
                    )}
                    <TankList />
                </div>
            </div>
            {report !== undefined && !isBare && (
                <div className="mt-6 space-y-4">
                    <Fold title={`Wires: ${report.sheet.rows.length}`}>
                        <WireTable report={report} lit={lit} onLight={light} onPick={pick} />
                    </Fold>
                    <Fold title="Pins">
                        <PinTable report={report} />
                    </Fold>
                    <Fold title={`Shopping list: ${report.shopping.length} lines`}>
                        <ShoppingTable lines={report.shopping} />
                    </Fold>
                    <Fold title={`Assembly: ${report.steps.length} steps`}>
                        <AssemblyList steps={report.steps} onLight={light} />
                    </Fold>
                </div>
            )}
        </main>
    );
}

/** What needs a pin; where nothing does, what would. */
function needed(counts: string): string {
    return counts.startsWith('Nothing') ? `${counts}: add a motion with a drive, a sensor or an output first.` : `Needed: ${counts}.`;
}

/** “1 K54, 6 H2 small and 1 E16 at 0x20; 2 pins are free.” */
function onBoards(boards: Build['wiring']['boards'], report: WiringReport): string {
    const counts = new Map<string, number>();
    for (const board of report.sheet.boards) {
        const name = `${board.series}${board.address === null ? '' : ` at ${board.address}`}`;
        counts.set(name, (counts.get(name) ?? 0) + 1);
    }
    const free = report.room
        .filter((_, i) => !['bridge', 'single', 'relay', 'stepper'].includes(boards[i]?.board.kind ?? ''))
        .reduce((sum, room) => sum + room.of - room.used, 0);
    const names = [...counts].map(([name, count]) => `${count} ${name}`);
    return `${names.join(', ')}; ${free === 0 ? 'no pin is free' : free === 1 ? '1 pin is free' : `${free} pins are free`}.`;
}

/** What wires the rest, or everything anew; or why that cannot be. */
function Planned({ report, onApply }: { report: WiringReport; onApply: (fix: Fix) => void }) {
    const { say } = useSpeaking();
    const { plan, anew } = report;
    return (
        <div className="mt-2 flex flex-wrap items-center gap-3 print:hidden">
            {plan.fix !== null && (
                <button type="button" className="bg-accent px-3 py-1 text-left font-semibold text-sheet" onClick={() => onApply(plan.fix!)}>
                    {say(plan.fix.does)}
                </button>
            )}
            {anew !== null && (
                <button
                    type="button"
                    className="border border-accent px-3 py-1 text-left font-semibold text-accent hover:bg-accent hover:text-sheet"
                    onClick={() => onApply(anew)}
                >
                    {say(anew.does)}
                </button>
            )}
            {plan.short.map((short) => (
                <p key={short.template} className="text-fails">
                    {say(short)}
                </p>
            ))}
        </div>
    );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
    return (
        <section aria-label={title}>
            <h2 className="mb-1 text-[1.05rem]">{title}</h2>
            {children}
        </section>
    );
}

function Fold({ title, children }: { title: string; children: React.ReactNode }) {
    return (
        <section aria-label={title}>
            <details>
                <summary className="mb-1 text-[1.05rem] font-semibold">{title}</summary>
                {children}
            </details>
        </section>
    );
}

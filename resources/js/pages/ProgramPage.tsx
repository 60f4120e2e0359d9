import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import type { ProgramReport } from '../api/types';
import { ByHand } from '../program/ByHand';
import { Proof } from '../program/Proof';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { STATION_BUTTON } from '../stations/StationFields';

const LANGUAGES = [
    { id: 'sketch', name: 'Setup and loop', says: 'for boards that are programmed so: one folder, opened as it is' },
    { id: 'c', name: 'Portable C', says: 'for any controller: you write the few functions of board.h' },
    { id: 'python', name: 'MicroPython', says: 'for boards that run it: copy the files onto the board' },
] as const;

const FIRST_STEP = /^ +(\/\/|#) 0: /;

const ABOVE = 7; // lines, of the routine's own head

export type Language = (typeof LANGUAGES)[number]['id'];

/** What the controller does, as a program: looked at, proven, taken along, and the motions moved by hand. */
export function ProgramPage() {
    const { stored } = useBuild();
    const [language, setLanguage] = useState<Language>('sketch');
    const { data, error } = useQuery({
        queryKey: ['program', stored.id, stored.version, language],
        queryFn: () => api.program(stored.id, language),
        placeholderData: (before) => before,
    });
    return (
        <main className="mx-auto max-w-[1400px] px-6 py-5">
            <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
                <div>
                    <h1 className="text-[1.5rem]">The controller’s program</h1>
                    <p className="text-quiet">Written from the routines, with the pins of the wiring and the computed times.</p>
                </div>
                <span className="flex-1" />
                <div role="radiogroup" aria-label="Language" className="flex border border-line">
                    {LANGUAGES.map((each) => (
                        <button
                            key={each.id}
                            type="button"
                            role="radio"
                            aria-checked={language === each.id}
                            title={each.says}
                            className={`px-3 py-1 ${language === each.id ? 'bg-ink text-sheet' : 'bg-well hover:bg-ground'}`}
                            onClick={() => setLanguage(each.id)}
                        >
                            {each.name}
                        </button>
                    ))}
                </div>
                {data !== undefined && data.files.length > 0 && (
                    <a className={STATION_BUTTON} href={`/api/builds/${stored.id}/program.zip?language=${language}`} download>
                        Take it along, zip
                    </a>
                )}
            </div>
            {error !== null && (
                <p role="alert" className="mt-3 text-fails">
                    {error.message}
                </p>
            )}
            {data !== undefined && (data.obstacles.length > 0 ? <Obstacles report={data} /> : <Written report={data} language={language} />)}
        </main>
    );
}

/** Where what stands in the way can be changed. */
function whereIs(path: string, build: string): { to: string; name: string } {
    const base = `/builds/${build}`;
    const [list] = path.split('.');
    return list === 'wiring'
        ? { to: `${base}/wiring`, name: 'Wiring' }
        : list === 'settings'
          ? { to: `${base}/settings`, name: 'Settings' }
          : list === 'routines'
            ? { to: `${base}/routines`, name: 'Routines' }
            : { to: base, name: 'Chains' };
}

function Obstacles({ report }: { report: ProgramReport }) {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    return (
        <section aria-label="What stands in the way" className="mt-4 border-l-3 border-fails bg-sheet p-4">
            <h2 className="text-[1.15rem]">It cannot be written yet</h2>
            <ul className="mt-2 space-y-1">
                {report.obstacles.map((each, i) => {
                    const where = whereIs(each.path, stored.id);
                    return (
                        <li key={i}>
                            {say(each.says)}{' '}
                            <Link to={where.to} className="underline">
                                {where.name}
                            </Link>
                        </li>
                    );
                })}
            </ul>
        </section>
    );
}

function Written({ report, language }: { report: ProgramReport; language: Language }) {
    const { stored } = useBuild();
    const queries = useQueryClient();
    const key = ['proofs', stored.id];
    const { data: studies } = useQuery({
        queryKey: [...key, stored.version],
        queryFn: () => api.proofs(stored.id),
        placeholderData: (before) => before,
        refetchInterval: (query) => (query.state.data?.some((study) => study.state === 'queued' || study.state === 'running') ? 400 : false),
    });
    const begin = useMutation({
        mutationFn: () => api.study(stored.id, { kind: 'proof', language }),
        onSettled: () => queries.invalidateQueries({ queryKey: key }),
    });
    const stop = useMutation({ mutationFn: (id: string) => api.stopStudy(id), onSettled: () => queries.invalidateQueries({ queryKey: key }) });
    return (
        <div className="mt-4 flex flex-wrap items-start gap-4 lg:flex-nowrap">
            <div className="min-w-0 flex-1 space-y-4">
                <Proof
                    study={studies?.find((study) => study.kind === 'proof' && study.asked.language === language)}
                    isBeginning={begin.isPending}
                    error={begin.error?.message ?? null}
                    onBegin={() => begin.mutate()}
                    onStop={(id) => stop.mutate(id)}
                />
                <Files report={report} />
            </div>
            <div className="w-full space-y-4 lg:w-[25rem]">
                <ByHand key={report.mark} report={report} />
                <Pins report={report} />
            </div>
        </div>
    );
}

function Files({ report }: { report: ProgramReport }) {
    const [chosen, setChosen] = useState('');
    const file =
        report.files.find((each) => each.name === chosen) ??
        report.files.find((each) => each.name.startsWith('routine.') && !each.name.endsWith('.h')) ??
        report.files[0];
    const text = useRef<HTMLDivElement>(null);
    const begins = file === undefined ? -1 : file.text.split('\n').findIndex((line) => FIRST_STEP.test(line));
    useEffect(() => {
        const shown = text.current;
        if (shown !== null && file !== undefined) {
            // What one came for are the steps: names and rows of values stand above them.
            shown.scrollTop = begins < ABOVE ? 0 : ((begins - ABOVE) * shown.scrollHeight) / Math.max(1, file.lines);
        }
    }, [file, begins]);
    if (file === undefined) {
        return null;
    }
    return (
        <section aria-label="Files" className="min-w-0 border border-line bg-sheet">
            <div className="border-b border-line px-3 py-2">
                <h2 className="text-[1.05rem]">
                    {report.folder} <span className="narrow text-quiet">{report.files.length} files</span>
                </h2>
                <div role="tablist" aria-label="Files of the program" className="mt-1 flex flex-wrap gap-1">
                    {report.files.map((each) => (
                        <button
                            key={each.name}
                            type="button"
                            role="tab"
                            aria-selected={each.name === file.name}
                            className={`narrow min-h-6 px-2 py-0.5 ${each.name === file.name ? 'bg-ink text-sheet' : 'hover:bg-well'}`}
                            onClick={() => setChosen(each.name)}
                        >
                            {each.name}
                        </button>
                    ))}
                </div>
            </div>
            <p className="narrow px-3 pt-2 text-quiet">
                {file.says} {file.lines} lines.
            </p>
            <div
                ref={text}
                tabIndex={0}
                role="group"
                aria-label={file.name}
                className="m-3 max-h-[34rem] overflow-auto bg-well p-3 font-mono text-[0.8rem] leading-[1.45]"
            >
                <pre>{file.text}</pre>
            </div>
        </section>
    );
}

function Pins({ report }: { report: ProgramReport }) {
    return (
        <section aria-label="Pins" className="self-start border border-line bg-sheet">
            <h2 className="border-b border-line px-3 py-2 text-[1.05rem]">
                Pins <span className="narrow text-quiet">as they are wired</span>
            </h2>
            <div tabIndex={0} role="group" aria-label="Pins of the program" className="max-h-[38rem] overflow-auto">
                <table className="w-full">
                    <tbody>
                        {report.pins.map((pin) => (
                            <tr key={`${pin.board} ${pin.pin}`} className="border-t border-line first:border-t-0">
                                <td className="narrow px-3 py-0.5 whitespace-nowrap text-quiet">{pin.board}</td>
                                <td className="px-1 font-semibold">{pin.pin}</td>
                                <td className="px-3">{pin.says}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
            {report.guards.length > 0 && (
                <p className="border-t border-line px-3 py-2">It stops everything when this would be broken: {report.guards.join(', ')}.</p>
            )}
        </section>
    );
}

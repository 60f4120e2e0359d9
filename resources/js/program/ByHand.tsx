import { useEffect, useState } from 'react';
import type { ProgramReport } from '../api/types';
import { useBuild } from '../state/BuildContext';
import { STATION_BUTTON } from '../stations/StationFields';
import { hasSerial, useBoard, type Seen } from './useBoard';

/** Each motion alone, while one is wiring: which way it goes, what its switches and readings say. */
export function ByHand({ report }: { report: ProgramReport }) {
    const { stored, edit } = useBuild();
    const board = useBoard(report.mark);
    const moving = report.motions.filter((motion) => motion.kind !== 'none');
    useEffect(() => {
        if (!board.isOpen) {
            return;
        }
        const every = setInterval(() => board.tell('look'), 500);
        return () => clearInterval(every);
    }, [board]);
    const turn = (id: string) => {
        const index = stored.document.motions.findIndex((motion) => motion.id === id);
        const drive = stored.document.motions[index]?.drive;
        if (drive != null) {
            edit({ path: `motions.${index}.drive.reversed`, value: !drive.reversed });
        }
    };
    return (
        <section aria-label="By hand" className="self-start border border-line bg-sheet">
            <div className="flex items-center gap-2 border-b border-line px-3 py-2">
                <h2 className="text-[1.05rem]">By hand</h2>
                <span className="flex-1" />
                {hasSerial() && (
                    <button type="button" className={STATION_BUTTON} onClick={() => (board.isOpen ? board.close() : board.open())}>
                        {board.isOpen ? 'Let go of the board' : 'Find the board'}
                    </button>
                )}
            </div>
            <p role="status" className="px-3 pt-2 text-quiet">
                {board.problem ??
                    (board.isOpen
                        ? 'Each button moves one motion at half its speed, as long as you hold it.'
                        : hasSerial()
                          ? 'With the program on the board and its cable in this computer, each motion moves from here.'
                          : 'This browser reaches no board. Type the words into any terminal: up 0, down 0, stop 0, look.')}
            </p>
            <table className="mt-1 w-full">
                <tbody>
                    {moving.map((motion) => (
                        <tr key={motion.id} className="border-t border-line">
                            <td className="px-3 py-1">
                                {motion.says} <span className="narrow text-quiet">{motion.number}</span>
                            </td>
                            <td className="px-1 text-right whitespace-nowrap">
                                <Held
                                    label={`${motion.says} ${motion.up}`}
                                    disabled={!board.isOpen}
                                    onHold={(on) => board.tell(`${on ? 'up' : 'stop'} ${motion.number}`)}
                                >
                                    {motion.up}
                                </Held>{' '}
                                <Held
                                    label={`${motion.says} ${motion.down}`}
                                    disabled={!board.isOpen}
                                    onHold={(on) => board.tell(`${on ? 'down' : 'stop'} ${motion.number}`)}
                                >
                                    {motion.down}
                                </Held>
                            </td>
                            <td className="px-3 text-right">
                                <button
                                    type="button"
                                    className="narrow text-quiet underline hover:text-ink"
                                    aria-label={`${motion.says} goes the wrong way`}
                                    title="Its wires are swapped, or the servo sits the other way round: the build takes note of it"
                                    onClick={() => turn(motion.id)}
                                >
                                    wrong way
                                </button>
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            {board.seen !== null && <SeenNow report={report} seen={board.seen} />}
        </section>
    );
}

/** A button that is told when it is pressed and when it is let go, by finger, mouse or key. */
function Held({ label, disabled, onHold, children }: { label: string; disabled: boolean; onHold: (on: boolean) => void; children: string }) {
    const [isHeld, setHeld] = useState(false);
    const hold = (on: boolean) => {
        if (on !== isHeld) {
            setHeld(on);
            onHold(on);
        }
    };
    return (
        <button
            type="button"
            aria-label={label}
            aria-pressed={isHeld}
            disabled={disabled}
            className={`${STATION_BUTTON} ${isHeld ? 'bg-ink text-sheet' : ''}`}
            onPointerDown={() => hold(true)}
            onPointerUp={() => hold(false)}
            onPointerLeave={() => hold(false)}
            onPointerCancel={() => hold(false)}
            onBlur={() => hold(false)}
            onKeyDown={(event) => (event.key === ' ' || event.key === 'Enter') && !event.repeat && hold(true)}
            onKeyUp={() => hold(false)}
        >
            {children}
        </button>
    );
}

function SeenNow({ report, seen }: { report: ProgramReport; seen: Seen }) {
    const { stored, edit } = useBuild();
    const { sensors } = stored.document;
    const keep = (id: string, as: 'absent' | 'present', reading: number) => {
        const index = sensors.findIndex((sensor) => sensor.id === id);
        const sensor = sensors[index];
        if (sensor !== undefined) {
            edit({ path: `sensors.${index}.${as}`, value: [...sensor[as], reading] });
        }
    };
    return (
        <table aria-label="What the board sees" className="w-full border-t border-line">
            <tbody>
                {report.inputs
                    .filter((input) => !report.levels.some((level) => level.id === input.id))
                    .map((input) => (
                        <tr key={input.id}>
                            <td className="px-3 py-0.5">{input.says}</td>
                            <td className="px-3 text-right font-semibold">{seen.inputs[input.number] === 1 ? 'on' : 'off'}</td>
                        </tr>
                    ))}
                {report.levels.map((level) => {
                    const reading = (seen.levels[level.number] ?? 0) / 1000;
                    return (
                        <tr key={level.id}>
                            <td className="px-3 py-0.5">
                                {level.says}{' '}
                                <button type="button" className="narrow text-quiet underline hover:text-ink" onClick={() => keep(level.id, 'absent', reading)}>
                                    keep as without
                                </button>{' '}
                                <button type="button" className="narrow text-quiet underline hover:text-ink" onClick={() => keep(level.id, 'present', reading)}>
                                    keep as with
                                </button>
                            </td>
                            <td className="px-3 text-right font-semibold">{reading}</td>
                        </tr>
                    );
                })}
            </tbody>
        </table>
    );
}

import type { WiringReport } from '../api/types';
import { ChoiceField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';

/** The boards of the build: what each is, how many of its pins are wired, and what could stand in its place. */
export function BoardList({ report }: { report: WiringReport }) {
    const { stored, edit } = useBuild();
    const { wiring, supplies } = stored.document;
    const takeOut = (id: string) =>
        edit(
            { path: 'wiring.boards', value: wiring.boards.filter((board) => board.id !== id) },
            { path: 'wiring.wires', value: wiring.wires.filter((wire) => wire.board !== id && !wire.signal.startsWith(`boards.${id}.`)) },
        );
    return (
        <ul className="divide-y divide-line border border-line bg-sheet">
            {wiring.boards.map((board, i) => {
                const room = report.room.find((each) => each.board === board.id);
                const like = report.stock.filter((each) => each.kind === board.board.kind);
                const names = [...new Set([board.board.name, ...like.map((each) => each.name)])];
                return (
                    <li key={board.id} className="grid grid-cols-[8rem_minmax(0,1fr)_1.75rem] items-start gap-x-4 px-4 py-1.5">
                        <div>
                            <strong>{board.name}</strong>
                            <p className="text-quiet">
                                {room === undefined ? '' : `${room.used} of ${room.of} ${board.board.kind === 'controller' ? 'pins' : 'channels'}`}
                            </p>
                        </div>
                        <div>
                            <ChoiceField
                                label="Board"
                                path={`wiring.boards.${i}.board`}
                                value={board.board.name}
                                choices={names.map((name) => ({ value: name, label: name }))}
                                toValue={(name) => like.find((each) => each.name === name)?.board ?? board.board}
                            />
                            <ChoiceField
                                label={['bridge', 'single', 'relay', 'stepper'].includes(board.board.kind) ? 'Drives from' : 'Fed by'}
                                path={`wiring.boards.${i}.supply`}
                                value={board.supply}
                                choices={supplies.map((supply) => ({ value: supply.id, label: supply.name }))}
                            />
                            {board.board.address_low !== null && (
                                <QuantityField label="Address" path={`wiring.boards.${i}.address`} value={board.address} keptIn="" empty="none" />
                            )}
                        </div>
                        <button
                            type="button"
                            aria-label={`Take ${board.name} out`}
                            className="size-7 text-quiet hover:text-ink"
                            onClick={() => takeOut(board.id)}
                        >
                            ×
                        </button>
                    </li>
                );
            })}
        </ul>
    );
}

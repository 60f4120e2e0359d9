import type { Build, SheetWire } from '../api/types';
import { FromDrawer, useParts } from '../drawer/FromDrawer';
import { ChoiceField, TextField, ToggleField } from '../fields/PlainFields';
import { QuantityField } from '../fields/QuantityField';
import { useBuild } from '../state/BuildContext';

const COLOURS = ['yellow', 'green', 'blue', 'violet', 'orange', 'white', 'grey', 'brown', 'pink', 'turquoise'];

/** One wire: its pin, number, colour and copper. */
export function WireEditor({ wire, index, kept }: { wire: SheetWire; index: number; kept: Build['wiring']['wires'][number] }) {
    const path = `wiring.wires.${index}`;
    const { boards } = useBuild().stored.document.wiring;
    const leads = useParts('leads', () => true);
    const here = `${wire.board} ${wire.pin}`;
    const pins = [
        { value: here, label: `${boards.find((board) => board.id === wire.board)?.name ?? wire.board} ${wire.pin}` },
        ...wire.others.map((other) => ({ value: `${other.board} ${other.pin}`, label: other.says })),
    ];
    return (
        <section aria-label={`Wire ${wire.number}`} className="border border-line bg-sheet px-4 py-3">
            <h2 className="text-[1.05rem]">
                Wire {wire.number}: {wire.name}
            </h2>
            <div className="mt-2 grid grid-cols-2 gap-x-6 gap-y-1">
                <ChoiceField
                    label="Pin"
                    path={`${path}.pin`}
                    value={here}
                    choices={pins}
                    how="Pins that can do it and are free."
                    toValue={(choice) => choice.split(' ')[1]}
                    also={(choice) => [{ path: `${path}.board`, value: choice.split(' ')[0] }]}
                />
                <ToggleField label="Fixed" path={`${path}.fixed`} value={kept.fixed} how="Stays where it is when everything is wired anew." />
                <QuantityField label="Number" path={`${path}.number`} value={kept.number} keptIn="" />
                <ChoiceField
                    label="Colour"
                    path={`${path}.colour`}
                    value={kept.colour ?? ''}
                    choices={[{ value: '', label: `usual: ${wire.colour}` }, ...COLOURS.map((colour) => ({ value: colour, label: colour }))]}
                    toValue={(choice) => (choice === '' ? null : choice)}
                />
                <QuantityField label="Cross-section" path={`${path}.area_mm2`} value={kept.area_mm2} empty="what serves" />
                <QuantityField label="Length, one way" path={`${path}.length_m`} value={kept.length_m} empty="as usual" />
                <FromDrawer
                    label="Wire out of the drawer"
                    parts={leads.filter((part) => part.kind === 'wire')}
                    edits={(part) => [{ path: `${path}.area_mm2`, value: part.area_mm2 }]}
                    says={(part) => `${part.name}: bears ${part.bears_A} A`}
                />
                <TextField label="Plug" path={`${path}.plug`} value={kept.plug} />
                <FromDrawer
                    label="Plug out of the drawer"
                    parts={leads.filter((part) => part.kind === 'plug')}
                    edits={(part) => [
                        { path: `${path}.plug`, value: part.name },
                        { path: `${path}.plug_A`, value: part.bears_A },
                    ]}
                    says={(part) => `${part.name}: ${part.contacts} contacts, ${part.bears_A} A each`}
                />
                <QuantityField label="A contact bears" path={`${path}.plug_A`} value={kept.plug_A} empty="not said" />
            </div>
        </section>
    );
}

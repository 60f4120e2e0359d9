import { useQuery } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { api, Refused } from '../api/client';
import type { Drive, DrawerEntry } from '../api/types';
import { FieldFrame } from '../fields/FieldFrame';
import { Sheet } from '../shell/Sheet';
import { useSpeaking } from '../state/UnitsContext';
import { DRIVE_WORDS } from '../stations/driveRows';
import { FromTheBench } from './FromTheBench';
import { Overtaken } from './Overtaken';

const LABELS: Record<string, string> = {
    code: 'Its name',
    series: 'Its series',
    mass_kg: 'Mass',
    rated_V: 'Rated at',
    no_load_rpm: 'Speed without load',
    no_load_A: 'Current without load',
    stall_Nm: 'Torque when held',
    stall_A: 'Current when held',
    rotor_kgm2: 'Rotor inertia at its shaft',
    worm: 'Worm inside',
    length_mm: 'Length',
    width_mm: 'Width',
    height_mm: 'Height',
    shaft: 'Shaft',
    gear_material: 'Gears of',
    back_drive_Nm: 'Holds unpowered',
    gearbox_limit_Nm: 'Gears survive',
    thermal: 'Size class',
    ratings: 'Ratings',
    idle_A: 'Current at rest',
    travel_deg: 'Travel',
    deadband_deg: 'Dead band',
    slop_deg: 'Play of its gears',
    digital: 'Digital',
    creep_deg_s: 'Creeps when stopped',
    holding_Nm: 'Holds powered',
    steps_per_rev: 'Steps for a turn',
    phase_A: 'Current of a phase',
    phase_ohm: 'Resistance of a phase',
    phase_mH: 'Inductance of a phase',
    microsteps: 'Microsteps',
    controller_A: 'Controller gives',
    speed_mm_s: 'Speed without load',
    stall_N: 'Force when held',
    stroke_m: 'Stroke',
    lever_m: 'Acts at',
    bore_m: 'Bore',
    rod_m: 'Its rod',
    pressure_bar: 'Regulator set to',
    flow_l_min: 'Valve and throttle pass',
    cushion_J: 'Its ends take up',
    friction_fraction: 'Share that its seals take',
    friction_N: 'And besides',
    valve: 'Told nothing, its valve',
    worked_by: 'Valve worked by',
    valve_A: 'Current of its valve',
    page: 'What its seller says',
};

const CHOICES: Record<string, string[]> = {
    gear_material: ['nylon', 'acetal', 'brass', 'steel', 'bronze and steel', 'none'],
    thermal: ['micro', 'small', 'medium', 'large', 'always_on'],
    valve: ['shuts_in', 'vents'],
    worked_by: ['coils', 'servo'],
    worm: ['no', 'yes'],
    digital: ['no', 'yes'],
};

/** A drive of the drawer as it is typed in: numbers with any unit, checked when it is stored. What was typed stays where it was refused. */
export function DriveForm({
    entry,
    copy,
    onClose,
    onStored,
}: {
    entry: DrawerEntry | null;
    copy: boolean;
    onClose: () => void;
    onStored: () => Promise<void>;
}) {
    const { book } = useSpeaking();
    const { data: guide } = useQuery({ queryKey: ['drawer-guide'], queryFn: api.drawerGuide, staleTime: Infinity });
    const [kind, setKind] = useState<Drive['kind']>(entry?.drive.kind ?? 'dc_motor');
    const [cells, setCells] = useState<Record<string, string>>(() =>
        entry === null
            ? { gear_material: 'brass', thermal: 'small', shaft: '4 mm with a flat', worm: 'no', digital: 'no' }
            : copy
              ? { ...entry.typed, code: `${entry.drive.code} copy` }
              : entry.typed,
    );
    const [errors, setErrors] = useState<Record<string, string>>({});
    const [isOvertaken, setOvertaken] = useState(false);
    const columns = (guide ?? []).filter((column) => column.column !== 'kind' && column.kinds.includes(kind));
    const store = async (version: number) => {
        const typed: Record<string, string> = { kind };
        columns.forEach((column) => (typed[column.column] = cells[column.column] ?? ''));
        try {
            await (entry === null || copy ? api.addDrive({ typed }) : api.changeDrive(entry.id, version, { typed }));
            await onStored();
            onClose();
        } catch (thrown) {
            const found = thrown instanceof Refused ? Object.fromEntries(thrown.errors.map((error) => [error.field, error.message])) : { '': String(thrown) };
            setErrors(found);
            setOvertaken(thrown instanceof Refused && thrown.status === 409);
        }
    };
    const storeOver = async () => {
        const now = (await api.drawer()).find((each) => each.id === entry?.id);
        await store(now?.version ?? entry?.version ?? 1);
    };
    const takeTheirs = async () => {
        await onStored();
        onClose();
    };
    const set = (column: string, text: string) => {
        setCells({ ...cells, [column]: text });
        setErrors(Object.fromEntries(Object.entries(errors).filter(([field]) => field !== column)));
    };
    const wrong = Object.keys(errors).filter((field) => field !== '').length;
    const others = Object.entries(errors).filter(([field]) => !columns.some((column) => column.column === field));
    return (
        <Sheet open onClose={onClose} title={entry === null ? 'A drive for the drawer' : copy ? `A copy of ${entry.drive.code}` : entry.drive.code} wide>
            <form
                noValidate
                onSubmit={(event: FormEvent) => {
                    event.preventDefault();
                    void store(entry?.version ?? 1);
                }}
            >
                <FieldFrame label="What it is">
                    {({ id }) => (
                        <select
                            id={id}
                            className="w-full border border-line bg-well px-2 py-1 font-semibold"
                            value={kind}
                            disabled={entry !== null}
                            onChange={(event) => setKind(event.target.value as Drive['kind'])}
                        >
                            {Object.entries(DRIVE_WORDS).map(([each, word]) => (
                                <option key={each} value={each}>
                                    {word}
                                </option>
                            ))}
                        </select>
                    )}
                </FieldFrame>
                {(kind === 'dc_motor' || kind === 'brushless') && <FromTheBench onUse={(ratings) => setCells({ ...cells, ...ratings })} />}
                <div className="grid grid-cols-2 gap-x-6 divide-line">
                    {columns.map(({ column, needed, says }) => (
                        <div key={column} className={column === 'page' || column === 'ratings' ? 'col-span-2' : ''}>
                            <FieldFrame
                                stacked={column === 'page' || column === 'ratings'}
                                label={`${LABELS[column] ?? column}${needed || CHOICES[column] !== undefined ? '' : ', if known'}`}
                                how={
                                    column === 'ratings' || column === 'page' || column === 'back_drive_Nm' || column === 'gearbox_limit_Nm' ? says : undefined
                                }
                                error={errors[column]}
                            >
                                {({ id, describedBy }) =>
                                    CHOICES[column] !== undefined ? (
                                        <select
                                            id={id}
                                            aria-describedby={describedBy}
                                            className="w-full border border-line bg-well px-2 py-1 font-semibold"
                                            value={cells[column] ?? CHOICES[column][0]}
                                            onChange={(event) => set(column, event.target.value)}
                                        >
                                            {CHOICES[column].map((choice) => (
                                                <option key={choice}>{choice}</option>
                                            ))}
                                        </select>
                                    ) : column === 'page' || column === 'ratings' ? (
                                        <textarea
                                            id={id}
                                            aria-describedby={describedBy}
                                            rows={column === 'page' ? 4 : 2}
                                            className={`w-full border bg-well px-2 py-1 ${errors[column] === undefined ? 'border-line' : 'border-fails'}`}
                                            value={cells[column] ?? ''}
                                            onChange={(event) => set(column, event.target.value)}
                                        />
                                    ) : (
                                        <input
                                            id={id}
                                            aria-describedby={describedBy}
                                            aria-invalid={errors[column] !== undefined}
                                            autoComplete="off"
                                            placeholder={book.keptIn(column)}
                                            className={`w-full border bg-well px-2 py-1 text-right font-semibold placeholder:font-normal placeholder:text-quiet ${errors[column] === undefined ? 'border-line' : 'border-fails'}`}
                                            value={cells[column] ?? ''}
                                            onChange={(event) => set(column, event.target.value)}
                                        />
                                    )
                                }
                            </FieldFrame>
                        </div>
                    ))}
                </div>
                {others.map(([field, message]) => (
                    <p key={field} role="alert" className="mt-2 border-l-3 border-fails pl-2 text-fails">
                        {message}
                    </p>
                ))}
                {isOvertaken && <Overtaken onTheirs={() => void takeTheirs()} onMine={() => void storeOver()} />}
                <div className="mt-4 flex items-center gap-2">
                    <button type="submit" className="bg-accent px-3 py-1 font-semibold text-sheet">
                        Put it in the drawer
                    </button>
                    <button type="button" className="border border-line bg-well px-3 py-1" onClick={onClose}>
                        Not now
                    </button>
                    {wrong > 0 && (
                        <p role="status" className="text-fails">
                            {wrong === 1 ? 'One figure is not right yet.' : `${wrong} figures are not right yet.`}
                        </p>
                    )}
                </div>
            </form>
        </Sheet>
    );
}

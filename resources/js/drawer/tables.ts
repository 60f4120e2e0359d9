export type Cell = string | number | null;
export type Row = Record<string, string>;

export interface Column {
    key: string;
    label: string;
    wide?: boolean;
    isText?: boolean;
    choices?: [string, string][];
    /** Of which kinds of row it is asked; of all where left out. */
    of?: string[];
}

export interface TableKind {
    table: 'gears' | 'lines' | 'boards' | 'supplies' | 'sensors' | 'leads';
    title: string;
    /** What stands beside the name of a card that is folded up: columns, and the word behind each. */
    tells?: [key: string, word: string][];
    /** Each as a card of its own, with what its kind has: too much for a row. */
    isWide?: boolean;
    one: string;
    says: (count: number, kinds: number) => string;
    columns: Column[];
    fresh: Row;
    asks: string[]; // what is made out of it, to be asked for anew
}

export const GEARS: TableKind = {
    table: 'gears',
    title: 'Gears',
    one: 'gear',
    says: (count, kinds) => `${count} gears of ${kinds} kinds. Trains are made out of these.`,
    columns: [
        { key: 'teeth', label: 'Teeth' },
        { key: 'module_mm', label: 'Module, mm' },
        { key: 'face_mm', label: 'Width, mm' },
        { key: 'count', label: 'How many' },
        {
            key: 'material',
            label: 'Material',
            choices: [
                ['printed_pla', 'printed PLA'],
                ['printed_nylon', 'printed nylon'],
                ['nylon', 'nylon'],
                ['acetal', 'acetal'],
                ['brass', 'brass'],
                ['steel', 'mild steel'],
            ],
        },
    ],
    fresh: { teeth: '', module_mm: '1', face_mm: '6', count: '1', material: 'acetal' },
    asks: ['trains'],
};

export const LINES: TableKind = {
    table: 'lines',
    title: 'Cords, belts and rods',
    one: 'line',
    says: (count, kinds) => `${count} cords, belts, chains and rods of ${kinds} kinds. Advice is taken out of these.`,
    columns: [
        {
            key: 'kind',
            label: 'Kind',
            choices: [
                ['cord', 'cord'],
                ['belt', 'toothed belt'],
                ['round', 'round belt'],
                ['chain', 'chain'],
                ['rod', 'rod'],
            ],
        },
        { key: 'name', label: 'Name', wide: true, isText: true },
        { key: 'size_mm', label: 'Thick, or pitch, mm' },
        { key: 'teeth', label: 'Teeth or links' },
        { key: 'length_mm', label: 'Long, mm' },
        { key: 'breaking_N', label: 'Breaks at, N' },
        { key: 'count', label: 'How many' },
    ],
    fresh: { kind: 'cord', name: '', size_mm: '', teeth: '', length_mm: '', breaking_N: '', count: '1' },
    asks: ['build'],
};

const DRIVERS = ['bridge', 'single', 'relay', 'stepper'];

const ON_BUS = ['pulse_expander', 'expander'];

const NOT_CONTROLLERS = [...DRIVERS, ...ON_BUS, 'shift_out', 'shift_in', 'selector'];

const YES_NO: [string, string][] = [
    ['yes', 'yes'],
    ['no', 'no'],
];

export const BOARDS: TableKind = {
    table: 'boards',
    title: 'Boards',
    isWide: true,
    tells: [
        ['channels', 'channels'],
        ['continuous_A', 'A each'],
        ['logic_V', 'V signals'],
    ],
    one: 'board',
    says: (_, kinds) => `${kinds} boards. The wiring is made out of these.`,
    columns: [
        {
            key: 'kind',
            label: 'Kind',
            choices: [
                ['controller', 'controller'],
                ['bridge', 'bridge board, both ways'],
                ['single', 'switch board, one way'],
                ['relay', 'relay board'],
                ['stepper', 'stepper driver'],
                ['pulse_expander', 'pulse-width expander'],
                ['expander', 'input and output expander'],
                ['shift_out', 'output shift register'],
                ['shift_in', 'input shift register'],
                ['selector', 'analogue selector'],
            ],
        },
        { key: 'name', label: 'Name', wide: true, isText: true },
        { key: 'cost', label: 'Cost' },
        { key: 'pins', label: 'Pins: p1–p4: in out pull; p5: in analogue', wide: true, isText: true, of: ['controller'] },
        { key: 'channels', label: 'Channels', of: NOT_CONTROLLERS },
        { key: 'logic_V', label: 'Signals, V', of: ['controller'] },
        { key: 'low_V', label: 'Takes from, V' },
        { key: 'high_V', label: 'to, V' },
        { key: 'least_V', label: 'Starts anew under, V', of: ['controller'] },
        { key: 'starts_s', label: 'Starts within, s', of: ['controller'] },
        { key: 'awake_A', label: 'Takes awake, A' },
        { key: 'asleep_A', label: 'Takes asleep, A' },
        { key: 'regulator_A', label: 'Its regulator gives, A', of: ['controller', ...DRIVERS] },
        { key: 'pin_A', label: 'A pin gives, A', of: ['controller', ...ON_BUS, 'shift_out'] },
        { key: 'pins_A', label: 'All pins give, A', of: ['controller', ...ON_BUS, 'shift_out'] },
        { key: 'continuous_A', label: 'A channel bears, A', of: DRIVERS },
        { key: 'peak_A', label: 'for a start, A', of: DRIVERS },
        { key: 'lost_V', label: 'It loses, V', of: DRIVERS },
        { key: 'lost_ohm', label: 'and besides, Ω', of: DRIVERS },
        { key: 'directions', label: 'Pins for its way', of: DRIVERS },
        { key: 'speed', label: 'Speed can be set', choices: YES_NO, of: DRIVERS },
        { key: 'diode', label: 'Has diodes for coils', choices: YES_NO, of: DRIVERS },
        { key: 'on_A', label: 'Takes for each that is on, A', of: DRIVERS },
        { key: 'delay_s', label: 'Switches within, s', of: DRIVERS },
        { key: 'address_low', label: 'First address', of: ON_BUS },
        { key: 'address_high', label: 'Last address', of: ON_BUS },
        { key: 'width_mm', label: 'Wide, mm' },
        { key: 'height_mm', label: 'Deep, mm' },
    ],
    fresh: {
        kind: 'bridge',
        name: '',
        cost: '0',
        pins: '',
        channels: '1',
        logic_V: '5',
        low_V: '4.5',
        high_V: '12',
        least_V: '0',
        starts_s: '0',
        awake_A: '0',
        asleep_A: '0',
        regulator_A: '0',
        pin_A: '0.02',
        pins_A: '0.2',
        continuous_A: '',
        peak_A: '',
        lost_V: '0',
        lost_ohm: '0',
        directions: '2',
        speed: 'yes',
        diode: 'yes',
        on_A: '0',
        delay_s: '0',
        address_low: '',
        address_high: '',
        width_mm: '50',
        height_mm: '30',
    },
    asks: ['build', 'wiring'],
};

const BATTERY = ['battery'];

const CONVERTER = ['converter'];

export const SUPPLIES: TableKind = {
    table: 'supplies',
    title: 'Supplies',
    isWide: true,
    tells: [
        ['volts_V', 'V'],
        ['max_A', 'A'],
        ['capacity_Ah', 'Ah'],
    ],
    one: 'supply',
    says: (_, kinds) => `${kinds} closed supplies, batteries and converters. What feeds a build is taken out of these.`,
    columns: [
        {
            key: 'kind',
            label: 'Kind',
            choices: [
                ['mains', 'closed supply'],
                ['battery', 'battery'],
                ['converter', 'converter'],
            ],
        },
        { key: 'name', label: 'Name', wide: true, isText: true },
        { key: 'cost', label: 'Cost' },
        { key: 'volts_V', label: 'Gives, V' },
        { key: 'max_A', label: 'at most, A' },
        {
            key: 'overload',
            label: 'Asked for more it',
            choices: [
                ['sags', 'sags'],
                ['folds', 'folds back'],
                ['trips', 'trips'],
            ],
        },
        { key: 'resistance_ohm', label: 'Resistance inside, Ω' },
        { key: 'capacity_Ah', label: 'Charge, Ah', of: BATTERY },
        {
            key: 'cells',
            label: 'Cells',
            of: BATTERY,
            choices: ['other', 'alkaline', 'nickel', 'lead', 'lithium'].map((each): [string, string] => [each, each]),
        },
        { key: 'cutoff_V', label: 'Cuts itself off at, V', of: BATTERY },
        { key: 'self_discharge_per_month', label: 'Loses a month, share', of: BATTERY },
        {
            key: 'converter',
            label: 'How it works',
            of: CONVERTER,
            choices: [
                ['linear', 'linear'],
                ['down', 'down'],
                ['up', 'up'],
                ['gate', 'switch'],
            ],
        },
        { key: 'efficiency', label: 'Efficiency, share', of: CONVERTER },
        { key: 'dropout_V', label: 'Needs more than it gives, V', of: CONVERTER },
        { key: 'idle_A', label: 'Takes without load, A', of: CONVERTER },
        { key: 'settles_s', label: 'Settles within, s', of: CONVERTER },
        { key: 'theta_C_per_W', label: 'Warms for each watt, K', of: CONVERTER },
    ],
    fresh: {
        kind: 'converter',
        name: '',
        cost: '0',
        volts_V: '5',
        max_A: '',
        overload: 'sags',
        resistance_ohm: '0',
        capacity_Ah: '',
        cells: 'other',
        cutoff_V: '',
        self_discharge_per_month: '0',
        converter: 'down',
        efficiency: '0.85',
        dropout_V: '0',
        idle_A: '0',
        settles_s: '0',
        theta_C_per_W: '',
    },
    asks: [],
};

export const SENSORS: TableKind = {
    table: 'sensors',
    title: 'Sensors',
    one: 'sensor',
    says: (_, kinds) => `${kinds} sensors. A routine’s sensors are taken out of these.`,
    columns: [
        {
            key: 'kind',
            label: 'Kind',
            choices: [
                ['press', 'button'],
                ['beam', 'beam'],
                ['magnet', 'magnet'],
                ['reflective', 'reflective'],
                ['knock', 'knock'],
                ['wheel', 'wheel with pulses'],
                ['message', 'message from outside'],
                ['light', 'light'],
                ['colour', 'colour'],
                ['distance', 'distance'],
                ['sonar', 'distance by echo'],
                ['knob', 'knob'],
            ],
        },
        { key: 'name', label: 'Name', wide: true, isText: true },
        { key: 'cost', label: 'Cost' },
        { key: 'current_A', label: 'Takes, A' },
        { key: 'signal_V', label: 'Puts out, V' },
        { key: 'bounce_s', label: 'Bounces, s' },
        { key: 'late_s', label: 'Late by, s' },
        { key: 'closed', label: 'Opens', choices: YES_NO },
        { key: 'pulled', label: 'Pull-up', choices: YES_NO },
        { key: 'filtered', label: 'Filter', choices: YES_NO },
    ],
    fresh: {
        kind: 'press',
        name: '',
        cost: '0',
        current_A: '0',
        signal_V: '',
        bounce_s: '0',
        late_s: '0',
        closed: 'no',
        pulled: 'no',
        filtered: 'no',
    },
    asks: [],
};

export const LEADS: TableKind = {
    table: 'leads',
    title: 'Wires, fuses, plugs',
    one: 'piece',
    says: (_, kinds) => `${kinds} wires, fuses and plugs. What a wire is made of is taken out of these.`,
    columns: [
        {
            key: 'kind',
            label: 'Kind',
            choices: [
                ['wire', 'wire'],
                ['fuse', 'fuse'],
                ['plug', 'plug'],
            ],
        },
        { key: 'name', label: 'Name', wide: true, isText: true },
        { key: 'cost', label: 'Cost, of wire a metre' },
        { key: 'area_mm2', label: 'Wire, mm²', of: ['wire'] },
        { key: 'bears_A', label: 'Bears, A' },
        { key: 'contacts', label: 'Plug, contacts', of: ['plug'] },
    ],
    fresh: { kind: 'wire', name: '', cost: '0', area_mm2: '', bears_A: '', contacts: '1' },
    asks: [],
};

const isText = (column: Column) => column.isText === true || column.choices !== undefined;

/** As it stands in the fields. */
export function typed(kind: TableKind, lines: Record<string, Cell>[]): Row[] {
    return lines.map((line) => Object.fromEntries(kind.columns.map(({ key }) => [key, line[key] === null ? '' : String(line[key])])));
}

/** As the server reads it; what is no number is passed on as it was typed, to be refused at its field. */
export function understood(kind: TableKind, rows: Row[]): Record<string, Cell>[] {
    const number = (text: string): Cell => (text.trim() === '' ? null : Number.isNaN(Number(text.replace(',', '.'))) ? text : Number(text.replace(',', '.')));
    return rows.map((row) => Object.fromEntries(kind.columns.map((column) => [column.key, isText(column) ? row[column.key]! : number(row[column.key]!)])));
}

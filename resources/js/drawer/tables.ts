export type Cell = string | number | null;
export type Row = Record<string, string>;

interface Column {
    key: string;
    label: string;
    wide?: boolean;
    isText?: boolean;
    choices?: [string, string][];
}

export interface TableKind {
    table: 'gears' | 'lines';
    one: string;
    says: (count: number, kinds: number) => string;
    columns: Column[];
    fresh: Row;
    asks: string[]; // what is made out of it, to be asked for anew
}

export const GEARS: TableKind = {
    table: 'gears',
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

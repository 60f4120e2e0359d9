import { Document, isCollection, isNode, isScalar, LineCounter, parseDocument, visit } from 'yaml';
import schema from '../../../docs/schema/build.schema.json';
import type { FieldError, Routine } from '../api/types';

/** The text form of a routine: YAML with the fields of the published schema, what is as usual left out. */

interface Shape {
    type?: string | string[];
    properties?: Record<string, Shape>;
    items?: Shape;
    anyOf?: Shape[];
    enum?: unknown[];
    default?: unknown;
    $ref?: string;
}

const root = schema as unknown as Shape & { $defs: Record<string, Shape> };
const ROUTINE = root.properties!.routines!.items!;
export const MOST_CHARACTERS = 200_000;

function resolved(shape: Shape, value: unknown): Shape {
    if (shape.$ref !== undefined) {
        return resolved(root.$defs[shape.$ref.split('/').pop()!]!, value);
    }
    if (shape.anyOf === undefined) {
        return shape;
    }
    const record = value as Record<string, unknown>;
    const fits = shape.anyOf
        .map((each) => (each.$ref === undefined ? each : resolved(each, value)))
        .find(
            (each) =>
                each.properties !== undefined &&
                Object.entries(each.properties).every(([key, part]) => part.enum?.length !== 1 || part.enum[0] === record?.[key]),
        );
    return fits ?? shape;
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** Without what is as usual: defaults, and nothing. */
export function pruned(value: unknown, shape: Shape = ROUTINE): unknown {
    const own = resolved(shape, value);
    if (Array.isArray(value)) {
        return value.map((each) => pruned(each, own.items ?? {}));
    }
    if (value === null || typeof value !== 'object') {
        return value;
    }
    const kept = Object.entries(value as Record<string, unknown>).filter(([key, part]) => {
        const field = own.properties?.[key];
        const usual = field !== undefined && 'default' in field ? same(part, field.default) : false;
        const only = key === 'test' && part === 'input';
        return part !== null && !usual && !only && !(Array.isArray(part) && part.length === 0);
    });
    return Object.fromEntries(kept.map(([key, part]) => [key, pruned(part, own.properties?.[key] ?? {})]));
}

/** What a reader of the older language takes for something else although this one does not: a value tag, a merge. */
const READ_OTHERWISE = /^(=|<<|[-+]?[0-9][0-9_]*(:[0-5]?[0-9])+(\.[0-9_]*)?)$/;

/** As text that readers of YAML 1.2 and 1.1 alike read back as it is: `on`, `12:30`, dates and numbers with underscores are quoted. */
export function toText(routine: Routine): string {
    const document = new Document(pruned(routine), { compat: 'yaml-1.1' });
    visit(document, {
        Scalar(_, node) {
            if (typeof node.value === 'string' && READ_OTHERWISE.test(node.value)) {
                node.type = 'QUOTE_DOUBLE';
            }
        },
    });
    return document.toString({ lineWidth: 0 });
}

export interface Located {
    line: number;
    column: number;
    message: string;
}

export type Parsed = { value: unknown; place: (path: string) => { line: number; column: number } } | { errors: Located[] };

/** Reads a text; what is no YAML is told with its line and column. */
export function parse(text: string): Parsed {
    if (text.length > MOST_CHARACTERS) {
        return { errors: [{ line: 1, column: 1, message: `The text has ${text.length} characters: at most ${MOST_CHARACTERS} are read.` }] };
    }
    const lines = new LineCounter();
    const document = parseDocument(text, { lineCounter: lines, uniqueKeys: false });
    if (document.errors.length > 0) {
        return {
            errors: document.errors.map((error) => ({
                line: error.linePos?.[0].line ?? 1,
                column: error.linePos?.[0].col ?? 1,
                message: error.message.split('\n')[0]!.replace(/ at line \d+, column \d+:?$/, ''),
            })),
        };
    }
    const twice = doubled(document, lines);
    if (twice.length > 0) {
        return { errors: twice };
    }
    let value: unknown;
    try {
        value = document.toJS({ maxAliasCount: 0 });
    } catch {
        return { errors: [{ line: 1, column: 1, message: 'References to other parts of the text are not read.' }] };
    }
    if (value === null || typeof value !== 'object' || Array.isArray(value)) {
        return { errors: [{ line: 1, column: 1, message: 'A routine is a group of named fields: id, name, starts, steps.' }] };
    }
    return { value, place: (path) => placeOf(document, lines, path) };
}

/** Fields that are said twice in one group. The library compares each with each, which takes half a minute for twenty thousand. */
function doubled(document: Document, lines: LineCounter): Located[] {
    const found: Located[] = [];
    visit(document, {
        Map(_, map) {
            const seen = new Set<unknown>();
            for (const { key } of map.items) {
                const name = isScalar(key) ? key.value : key;
                if (seen.has(name)) {
                    const { line, col } = lines.linePos(isNode(key) ? (key.range?.[0] ?? 0) : 0);
                    found.push({ line, column: col, message: `The field ${String(name)} is said twice.` });
                }
                seen.add(name);
            }
        },
    });
    return found;
}

/** Where a field stands, or the nearest that is there at all. */
function placeOf(document: Document, lines: LineCounter, path: string): { line: number; column: number } {
    const keys = path === '' ? [] : path.split('.').map((key) => (/^\d+$/.test(key) ? Number(key) : key));
    for (let length = keys.length; length >= 0; length--) {
        const node = length === 0 ? document.contents : document.getIn(keys.slice(0, length), true);
        if (isNode(node) && node.range != null && !(length === 0 && isCollection(node) && node.items.length === 0)) {
            const { line, col } = lines.linePos(node.range[0]);
            return { line, column: col };
        }
    }
    return { line: 1, column: 1 };
}

/** What the server refused, at its line and column. */
export function located(errors: FieldError[], base: string, place: (path: string) => { line: number; column: number }): Located[] {
    return errors.map((error) => {
        const inside = error.field === base ? '' : error.field.startsWith(`${base}.`) ? error.field.slice(base.length + 1) : null;
        return {
            ...(inside === null ? { line: 1, column: 1 } : place(inside)),
            message: inside === null || inside === '' ? error.message : `${inside}: ${error.message}`,
        };
    });
}

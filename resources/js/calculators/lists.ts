import type { Schema } from '../api/types';

export const isNumber = (schema: Schema) => [schema.type].flat().some((type) => type === 'number' || type === 'integer');
export const isText = (schema: Schema) => [schema.type].flat().includes('string');
const isList = (schema: Schema) => [schema.type].flat().includes('array') && schema.items !== undefined;

/** A list of numbers is typed on one line: `8 mm, 11 mm`. */
export const isNumbers = (schema: Schema) => isList(schema) && isNumber(schema.items!);

/** The columns of a list of flat rows, such as gears with their count; null where it is no such list. */
export function columns(schema: Schema): [string, Schema][] | null {
    const fields = Object.entries(isList(schema) ? (schema.items!.properties ?? {}) : {});
    return fields.length === 0 || fields.some(([, field]) => !isNumber(field) && !isText(field) && field.enum === undefined) ? null : fields;
}

/** What stands between commas, semicolons or ends of lines; a comma inside a number is its point. */
export function entries(text: string): string[] {
    return text
        .split(/[;\n]|,\s+/)
        .map((entry) => entry.trim())
        .filter((entry) => entry !== '');
}

/** Rows of cells, one row a line; cells stand apart by semicolons, tabs or spaces. */
export function rows(text: string): string[][] {
    return text
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== '')
        .map((line) => (/[;\t]/.test(line) ? line.split(/[;\t]/) : line.split(/\s+/)).map((cell) => cell.trim()));
}

/** The fields of a form: a group of plain numbers gives each of them one, `pins.digital`. */
export function fieldsOf(schema: Schema): { key: string; shape: Schema; isNeeded: boolean }[] {
    return Object.entries(schema.properties ?? {}).flatMap(([key, shape]) => {
        const inner = Object.entries(shape.properties ?? {});
        const isNeeded = (schema.required ?? []).includes(key);
        return inner.length > 0 && inner.every(([, field]) => isNumber(field))
            ? inner.map(([each, field]) => ({ key: `${key}.${each}`, shape: field, isNeeded: isNeeded && (shape.required ?? []).includes(each) }))
            : [{ key, shape, isNeeded }];
    });
}

/** Values by key as one object; groups that are needed are there although nothing of them is given. */
export function together(schema: Schema, values: Record<string, unknown>): Record<string, unknown> {
    const all: Record<string, unknown> = {};
    for (const { key } of fieldsOf(schema)) {
        const [group, field] = key.split('.');
        if (field !== undefined && (schema.required ?? []).includes(group!)) {
            all[group!] ??= {};
        }
        if (!(key in values)) {
            continue;
        }
        if (field === undefined) {
            all[key] = values[key];
        } else {
            all[group!] = { ...(all[group!] as object | undefined), [field]: values[key] };
        }
    }
    return all;
}

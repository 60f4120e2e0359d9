import type { Assessment } from './types.gen';

export type * from './types.gen';

export type Verdict = Assessment['verdict'];
export type LinkName = Assessment['chains'][number]['weakest'];

/** One change to a document: a value, or the text somebody typed with the unit that a bare number is in. */
export interface Edit {
    path: string;
    value?: unknown;
    text?: string;
    unit?: string;
}

/** The part of JSON Schema that the core writes. */
export interface Schema {
    type?: string | string[];
    properties?: Record<string, Schema>;
    required?: string[];
    items?: Schema;
    anyOf?: Schema[];
    enum?: (string | number | null)[];
    description?: string;
    default?: unknown;
    title?: string;
}

/** The schema of one calculator, or of the settings of a build: a schema itself, so none describes it further. */
export interface CalculatorSchema {
    title: string;
    description: string;
    properties: { inputs: Schema; results: Schema };
}

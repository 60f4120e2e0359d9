import type { Assessment, Build, RankedDrive, Sentence, Trace, UnitTable } from './types.gen';

export type * from './types.gen';

export type Verdict = Assessment['verdict'];
export type LinkName = Assessment['chains'][number]['weakest'];

/** A stored build as the API gives it. */
export interface StoredBuild {
    id: string;
    version: number;
    is_demo: boolean;
    can_undo: boolean;
    can_redo: boolean;
    document: Build;
    assessment: Assessment;
}

export interface ShelfEntry {
    id: string;
    name: string;
    note: string;
    is_demo: boolean;
    changed_at: string;
    verdict: Verdict;
    says: Sentence;
    chains: { name: string; verdict: Verdict; links: Verdict[] }[];
}

/** One change to a document: a value, or the text somebody typed with the unit that a bare number is in. */
export interface Edit {
    path: string;
    value?: unknown;
    text?: string;
    unit?: string;
}

export interface FieldError {
    field: string;
    message: string;
}

export type { RankedDrive, Trace, UnitTable };

import type { Assessment, Build, Drive, Finding, Fix, Scenario, ScenarioEvent, Sentence, Trace, UnitTable } from './types.gen';

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

/** A drive of the builder's drawer, and what is odd about its figures. */
export interface DrawerEntry {
    id: number;
    version: number;
    drive: Drive;
    /** As its fields are typed, by column. */
    typed: Record<string, string>;
    odd: { kind: string; says: Sentence }[];
}

export interface DrawerImport {
    stored: boolean;
    /** Of what was in the drawer then. */
    as_of: string;
    new: string[];
    replaced: string[];
    errors: { line: number; column: string; message: string }[];
}

export interface DrawerColumn {
    column: string;
    kinds: string[];
    needed: boolean;
    says: string;
}

/** Long work over a routine. */
export interface Study {
    id: string;
    kind: 'faults' | 'drift' | 'states';
    asked: { routine: string; motion?: string; scenario?: string | null };
    state: 'queued' | 'running' | 'done' | 'cancelled' | 'failed';
    done: number;
    parts: number;
    is_stale: boolean;
    failure: string | null;
    result: FaultResult | DriftResult | { states?: number; complete?: boolean; found?: number };
}

export interface FaultCell {
    fault: string;
    step: string;
    outcome: 'breaks_rule' | 'hits' | 'stalls' | 'ends_wrong_unnoticed' | 'ends_wrong' | 'waits' | 'stops' | 'finishes';
    says: Sentence;
    events: ScenarioEvent[];
}

export interface FaultResult {
    steps: { path: string; says: Sentence }[];
    faults: { fault: string; says: string }[];
    cases: number;
    /** Why there is nothing to try. */
    nothing: string | null;
    cells: FaultCell[];
}

/** How far off its place a motion stands at one stop of a routine, cycle after cycle. */
export interface DriftStop {
    path: string;
    at: number;
    says: Sentence;
    by_time: boolean;
    fan: { cycle: number; low: number; quarter: number; middle: number; three_quarters: number; high: number }[];
}

export interface DriftResult {
    unit: 'deg' | 'm';
    tolerance: number | null;
    walks: number;
    nothing: string | null; // why there is nothing to show
    stops: DriftStop[];
}

export interface BesideOffer {
    path: string;
    says: Sentence;
    saves_s: number;
    fix: Fix | null;
    why_not: Sentence | null;
}

export interface ReadyRoutine {
    key: string;
    name: string;
    says: string;
    lacks: string | null;
    begin: Fix | null;
}

export interface StopsSheet {
    switches: {
        switch: string;
        name: string;
        room: number | null;
        worst: number;
        left: number | null;
        rows: { supply: 'low' | 'rated' | 'high'; load: 'loaded' | 'empty'; distance: number | null; speed: number | null }[];
        offers: { says: Sentence; fix: Fix | null }[];
    }[];
    ways: { way: string; error: number | null; within: boolean | null; after_many: number | null; at_power_on: string; parts: string; is_used: boolean }[];
    tolerance: number | null;
}

export interface RigState {
    now_s: number;
    powered: boolean;
    motions: { motion: string; position: number; speed: number; current_A: number; place: string | null; powered: boolean }[];
    inputs: Record<string, boolean>;
    levels: Record<string, number>;
    outputs: Record<string, boolean>;
    counters: Record<string, number>;
    running: string[];
    steps: { routine: string; path: string; says: Sentence }[];
    events: { at_s: number; kind: string; says: Sentence }[];
}

export interface RigAnswer {
    ok: boolean;
    errors?: FieldError[];
    state?: RigState;
    scenario?: Scenario;
}

export interface ExampleEntry {
    example: string;
    name: string;
    note: string;
}

export interface CalculatorEntry {
    name: string;
    says: string;
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

export interface CalculatorSchema {
    title: string;
    description: string;
    properties: { inputs: Schema; results: Schema };
}

export interface Calculated {
    calculator: string;
    inputs: Record<string, unknown>;
    results: Record<string, unknown>;
    findings: Finding[];
}

export type { Trace, UnitTable };

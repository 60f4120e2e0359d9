import type {
    BenchReport,
    BesideOffer,
    Calculated,
    CalculatorEntry,
    CalculatorSchema,
    Choice,
    Compared,
    ComparisonReport,
    Completed,
    DrawerColumn,
    DrawerEntry,
    DrawerImport,
    Counterbalance,
    Edit,
    ExampleEntry,
    FieldError,
    Judgement,
    MendAll,
    Mends,
    MoveTimes,
    PartsReport,
    PictureKept,
    PlanReport,
    ProgramReport,
    QuantityRead,
    ReadingsRead,
    RefitReport,
    RevisionEntry,
    ReadingsSheet,
    ReadyRoutine,
    StopsSheet,
    RigOpened,
    RigSaid,
    ScenarioEvent,
    School,
    ServiceReport,
    ShelfEntry,
    StagePose,
    StageReport,
    LogRead,
    SpokenRead,
    StoredBuild,
    Swept,
    Study,
    Trace,
    TrainChoice,
    TrainerCase,
    TrainerJudged,
    TrainerSays,
    TrainerTold,
    UnitTable,
    Variation,
    OneMore,
    WiringReport,
} from './types';

/** The server refused: it says why, and at which field. */
export class Refused extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly errors: FieldError[],
    ) {
        super(message);
    }
}

/** The server could not be reached, or has no room to keep anything: to be tried again. */
export class Unreachable extends Error {}

async function call<T>(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<T> {
    let response: Response;
    try {
        response = await fetch(`/api/${path}`, {
            method,
            signal,
            headers: { Accept: 'application/json', ...(method === 'GET' ? {} : { 'Content-Type': 'application/json' }) },
            body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
        });
    } catch (failure) {
        if (signal?.aborted === true) {
            throw failure;
        }
        throw new Unreachable('Brookstone cannot be reached. Is it still running?');
    }
    if (response.status === 204) {
        return undefined as T;
    }
    const answer = (await response.json().catch(() => null)) as (T & { message?: string; errors?: FieldError[] }) | null;
    if (response.status === 507 && answer?.message !== undefined) {
        throw new Unreachable(answer.message);
    }
    if (!response.ok || answer === null) {
        throw new Refused(response.status, answer?.message ?? `The server answered ${response.status}.`, answer?.errors ?? []);
    }
    return answer;
}

/** A drawer that is kept whole, and which version of it this is. */
export interface KeptTable {
    lines: Record<string, string | number | null>[];
    version: number;
}

/** Of the published schema, what the pages say of settings. */
export interface BuildSchema {
    properties: { settings: { properties: Record<string, { description: string; default?: number | null }> } };
}

const table = async (name: string, method = 'GET', path = '', body?: object): Promise<KeptTable> => {
    const got = await call<Record<string, unknown>>(method, `drawer/${name}${path}`, body);
    return { lines: got[name] as KeptTable['lines'], version: got.version as number };
};

export const api = {
    units: () => call<UnitTable>('GET', 'units'),
    buildSchema: () => call<BuildSchema>('GET', 'schema/build'),
    quantity: (text: string, unit: string) => call<QuantityRead>('POST', 'quantity', { text, unit }),
    shelf: () => call<ShelfEntry[]>('GET', 'builds'),
    build: (id: string) => call<StoredBuild>('GET', `builds/${id}`),
    judgement: (id: string, signal?: AbortSignal) => call<Judgement>('GET', `builds/${id}/judgement`, undefined, signal),
    create: (name: string) => call<StoredBuild>('POST', 'builds', { name }),
    importFile: (text: string) => call<StoredBuild>('POST', 'builds/import', text),
    remove: (id: string) => call<void>('DELETE', `builds/${id}`, {}),
    edit: (id: string, version: number, changes: Edit[]) => call<StoredBuild>('POST', `builds/${id}/edits`, { version, changes }),
    mends: (id: string, signal?: AbortSignal) => call<Mends>('GET', `builds/${id}/mends`, undefined, signal),
    mendAll: (id: string, dropped: string[], signal?: AbortSignal) => call<MendAll>('POST', `builds/${id}/mend-all`, { dropped }, signal),
    complete: (id: string, does: string, changes: Edit[]) => call<Completed>('POST', `builds/${id}/complete`, { does, changes }),
    tryOut: (id: string, version: number, changes: Edit[], rehearsed: boolean) =>
        call<StoredBuild>('POST', `builds/${id}/try`, { version, changes, rehearsed }),
    undo: (id: string, version: number) => call<StoredBuild>('POST', `builds/${id}/undo`, { version }),
    redo: (id: string, version: number) => call<StoredBuild>('POST', `builds/${id}/redo`, { version }),
    drives: (id: string, motion: string, goal: Choice['goal'], each: 'drive' | 'ratio') =>
        call<Choice>('GET', `builds/${id}/motions/${motion}/drives?goal=${goal}&each=${each}`),
    schools: (id: string, motion: string) => call<School[]>('GET', `builds/${id}/motions/${motion}/schools`),
    plan: (id: string, today: string) => call<PlanReport>('GET', `builds/${id}/plan?today=${today}`),
    parts: (id: string) => call<PartsReport>('GET', `builds/${id}/parts`),
    bench: (id: string) => call<BenchReport>('GET', `builds/${id}/bench`),
    service: (id: string, today: string) => call<ServiceReport>('GET', `builds/${id}/service?today=${today}`),
    compared: (id: string, newest: number) => call<Compared[]>('GET', `builds/${id}/log?newest=${newest}`),
    twin: (id: string, motion: string, how: { mirrored: boolean; together: boolean; name: string | null }) =>
        call<Variation>(
            'GET',
            `builds/${id}/motions/${motion}/twin?${new URLSearchParams({
                mirrored: how.mirrored ? '1' : '0',
                together: how.together ? '1' : '0',
                ...(how.name === null ? {} : { name: how.name }),
            })}`,
        ),
    removal: (id: string, motion: string) => call<Variation>('GET', `builds/${id}/motions/${motion}/removal`),
    trainer: {
        begin: (build: string, seed: number, hard: string[]) => call<TrainerCase>('POST', 'trainer', { build, seed, hard }),
        measure: (id: string, what: string) => call<TrainerSays>('POST', `trainer/${id}/measure`, { id: what }),
        judge: (id: string, fault: string) => call<TrainerJudged>('POST', `trainer/${id}/judge`, { id: fault }),
        tell: (id: string) => call<TrainerTold>('POST', `trainer/${id}/tell`, {}),
    },
    copy: (id: string) => call<StoredBuild>('POST', `builds/${id}/copy`, {}),
    revisions: (id: string) => call<RevisionEntry[]>('GET', `builds/${id}/revisions`),
    compare: (id: string, other: string) => call<ComparisonReport>('GET', `builds/${id}/compare?${other}`),
    refit: (id: string, motion: string) => call<RefitReport>('GET', `builds/${id}/motions/${motion}/refit`),
    stopsSheet: (id: string, motion: string) => call<StopsSheet>('GET', `builds/${id}/motions/${motion}/stops`),
    easing: (id: string, motion: string) => call<Counterbalance[]>('GET', `builds/${id}/motions/${motion}/easing`),
    trains: (id: string, motion: string, query: string, signal?: AbortSignal) =>
        call<TrainChoice>('GET', `builds/${id}/motions/${motion}/trains?${query}`, undefined, signal),
    table: (name: string) => table(name),
    keepTable: (name: string, lines: object[], version: number) => table(name, 'PUT', '', { [name]: lines, version }),
    importTable: (name: string, csv: string, version?: number) => table(name, 'POST', '/import', { csv, version }),
    examples: () => call<ExampleEntry[]>('GET', 'examples'),
    openExample: (example: string) => call<StoredBuild>('POST', `examples/${example}`, {}),
    drawer: () => call<DrawerEntry[]>('GET', 'drawer'),
    addDrive: (drive: object) => call<DrawerEntry>('POST', 'drawer', drive),
    changeDrive: (id: number, version: number, drive: object) => call<DrawerEntry>('PUT', `drawer/${id}`, { version, ...drive }),
    removeDrive: (id: number, version: number) => call<void>('DELETE', `drawer/${id}`, { version }),
    importDrawer: (csv: string, look: boolean, as_of?: string) => call<DrawerImport>('POST', 'drawer/import', { csv, look, as_of }),
    drawerGuide: () => call<DrawerColumn[]>('GET', 'drawer/guide'),
    addPicture: (id: string, name: string, data: string) => call<PictureKept>('POST', `builds/${id}/pictures`, { name, data }),
    calculators: () => call<CalculatorEntry[]>('GET', 'calc'),
    calculatorSchema: (name: string) => call<CalculatorSchema>('GET', `calc/${name}`),
    calculate: (name: string, inputs: object) => call<Calculated>('POST', `calc/${name}`, inputs),
    sweep: (name: string, wanted: { inputs: object; over: string | null; of: string | null }) => call<Swept>('POST', `calc/${name}/sweep`, wanted),
    stage: (id: string) => call<StageReport>('GET', `builds/${id}/stage`),
    stagePose: (id: string, pose: Record<string, number>) => call<StagePose>('POST', `builds/${id}/stage/pose`, { pose }),
    wiring: (id: string) => call<WiringReport>('GET', `builds/${id}/wiring`),
    oneMore: (id: string, list: string, kind: string) => call<OneMore>('GET', `builds/${id}/wiring/one-more?list=${list}&kind=${kind}`),
    times: (id: string) => call<MoveTimes>('GET', `builds/${id}/times`),
    run: (id: string, routine: string, scenario: string | null, events: ScenarioEvent[] = []) =>
        call<Trace>('POST', `builds/${id}/routines/${routine}/run`, { scenario, events }),
    rehearsal: (id: string, routine: string, rehearsal: number) => call<Trace>('POST', `builds/${id}/routines/${routine}/run`, { rehearsal }),
    studies: (id: string, routine: string) => call<Study[]>('GET', `builds/${id}/studies?routine=${routine}`),
    readLog: (id: string, text: string, today: string) => call<LogRead>('POST', `builds/${id}/log/read`, { text, today }),
    spoken: (id: string, text: string) => call<SpokenRead>('POST', `builds/${id}/spoken`, { text }),
    proofs: (id: string) => call<Study[]>('GET', `builds/${id}/studies`),
    program: (id: string, language: string) => call<ProgramReport>('GET', `builds/${id}/program?language=${language}`),
    study: (id: string, asked: object) => call<Study>('POST', `builds/${id}/studies`, asked),
    stopStudy: (id: string) => call<Study>('POST', `studies/${id}/cancel`, {}),
    beside: (id: string, routine: string) => call<BesideOffer[]>('GET', `builds/${id}/routines/${routine}/beside`),
    readings: (id: string, sensor: string) => call<ReadingsSheet>('GET', `builds/${id}/sensors/${sensor}/readings`),
    readReadings: (text: string) => call<ReadingsRead>('POST', 'readings', { text }),
    library: (id: string) => call<ReadyRoutine[]>('GET', `builds/${id}/library`),
    openRig: (id: string, scenario: string | null) => call<RigOpened>('POST', `builds/${id}/rig`, { scenario }),
    sayRig: (session: string, lines: object[]) => call<RigSaid>('POST', `rig/${session}/say`, { lines }),
};

import type { Edit, FieldError, RankedDrive, ShelfEntry, StoredBuild, Trace, UnitTable } from './types';

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

/** The server could not be reached. */
export class Unreachable extends Error {}

async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
    let response: Response;
    try {
        response = await fetch(`/api/${path}`, {
            method,
            headers: { Accept: 'application/json', ...(method === 'GET' ? {} : { 'Content-Type': 'application/json' }) },
            body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
        });
    } catch {
        throw new Unreachable('Brookstone cannot be reached. Is it still running?');
    }
    if (response.status === 204) {
        return undefined as T;
    }
    const answer = (await response.json().catch(() => null)) as (T & { message?: string; errors?: FieldError[] }) | null;
    if (!response.ok || answer === null) {
        throw new Refused(response.status, answer?.message ?? `The server answered ${response.status}.`, answer?.errors ?? []);
    }
    return answer;
}

export const api = {
    units: () => call<UnitTable>('GET', 'units'),
    quantity: (text: string, unit: string) => call<{ si: number; unit: string; text: string }>('POST', 'quantity', { text, unit }),
    shelf: () => call<ShelfEntry[]>('GET', 'builds'),
    build: (id: string) => call<StoredBuild>('GET', `builds/${id}`),
    create: (name: string) => call<StoredBuild>('POST', 'builds', { name }),
    importFile: (text: string) => call<StoredBuild>('POST', 'builds/import', text),
    remove: (id: string) => call<void>('DELETE', `builds/${id}`, {}),
    edit: (id: string, version: number, changes: Edit[]) => call<StoredBuild>('POST', `builds/${id}/edits`, { version, changes }),
    tryOut: (id: string, version: number, changes: Edit[]) => call<StoredBuild>('POST', `builds/${id}/try`, { version, changes }),
    undo: (id: string, version: number) => call<StoredBuild>('POST', `builds/${id}/undo`, { version }),
    redo: (id: string, version: number) => call<StoredBuild>('POST', `builds/${id}/redo`, { version }),
    drives: (id: string, motion: string) => call<RankedDrive[]>('GET', `builds/${id}/motions/${motion}/drives`),
    run: (id: string, routine: string, scenario: string | null) => call<Trace>('POST', `builds/${id}/routines/${routine}/run`, { scenario }),
};

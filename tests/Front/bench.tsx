import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactNode } from 'react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { afterEach, beforeEach, inject, vi } from 'vitest';
import type { Edit, StoredBuild } from '../../resources/js/api/types';
import { useTrying } from '../../resources/js/chain/trying';
import { BuildProvider } from '../../resources/js/state/BuildContext';
import { useDrafts } from '../../resources/js/state/drafts';
import { useSaving } from '../../resources/js/state/saving';
import { UnitBook, useUnitChoice } from '../../resources/js/state/units';
import { UnitsProvider } from '../../resources/js/state/UnitsContext';

export interface Request {
    method: string;
    path: string;
    body: Record<string, unknown>;
}

type Answer = (request: Request) => { status: number; body: unknown };

/** Stands in for the server: it keeps one build, sets what is edited, reads numbers with a unit and refuses everything else that is typed. */
export class Server {
    stored: StoredBuild;
    readonly asked: Request[] = [];
    isReachable = true;
    private readonly before: StoredBuild['document'][] = [];
    private readonly answers: [string, Answer][] = [];
    private readonly book = new UnitBook(inject('units'));

    constructor() {
        const assessment = structuredClone(inject('assessment'));
        this.stored = {
            id: 'b1',
            changed_on: '2026-06-01',
            version: 1,
            is_demo: false,
            can_undo: false,
            can_redo: false,
            document: structuredClone(inject('document')),
            assessment: { ...assessment, rehearsed: true, tried: true },
        };
    }

    /** What it says to a request that begins so, from now on. */
    says(begins: string, body: unknown, status = 200): void {
        this.answersBy(begins, () => ({ status, body }));
    }

    /** The same, by what was asked. */
    answersBy(begins: string, answer: Answer): void {
        this.answers.unshift([begins, answer]);
    }

    /** The edits that came, one after the other. */
    get edits(): Edit[] {
        return this.asked.filter((each) => each.path.endsWith('/edits')).flatMap((each) => each.body.changes as Edit[]);
    }

    readonly fetch = async (path: string, options: { method?: string; body?: string }): Promise<Response> => {
        await Promise.resolve();
        if (!this.isReachable) {
            throw new TypeError('Failed to fetch');
        }
        const request = { method: options.method ?? 'GET', path: path.replace('/api/', ''), body: JSON.parse(options.body ?? '{}') as Record<string, unknown> };
        this.asked.push(request);
        const found = this.answers.find(([begins]) => `${request.method} ${request.path}`.startsWith(begins));
        const { status, body } = found === undefined ? this.answer(request) : found[1](request);
        return new Response(JSON.stringify(body), { status });
    };

    private answer({ path, body }: Request): { status: number; body: unknown } {
        if (path === 'units') {
            return { status: 200, body: inject('units') };
        }
        if (path === 'builds/b1') {
            return { status: 200, body: this.stored };
        }
        if (path.endsWith('/edits')) {
            return this.edit(body.changes as Edit[]);
        }
        if (path.endsWith('/undo')) {
            this.stored = { ...this.stored, version: this.stored.version + 1, document: this.before.pop()!, can_undo: this.before.length > 0, can_redo: true };
            return { status: 200, body: this.stored };
        }
        if (path.endsWith('/try')) {
            return { status: 200, body: { ...this.stored, document: this.with(body.changes as Edit[]) } };
        }
        return { status: 404, body: { message: `There is no ${path} here.` } };
    }

    private edit(changes: Edit[]): { status: number; body: unknown } {
        const wrong = changes.find((each) => each.text !== undefined && this.number(each) === null);
        if (wrong !== undefined) {
            const message = `“${wrong.text}” is not a number with a unit.`;
            return { status: 422, body: { message, errors: [{ field: wrong.path, message }] } };
        }
        this.before.push(this.stored.document);
        this.stored = { ...this.stored, version: this.stored.version + 1, document: this.with(changes), can_undo: true };
        return { status: 200, body: this.stored };
    }

    private with(changes: Edit[]): StoredBuild['document'] {
        const document = structuredClone(this.stored.document);
        for (const change of changes) {
            const keys = change.path.split('.');
            const last = keys.pop()!;
            const owner = keys.reduce<Record<string, unknown>>((inside, key) => inside[key] as Record<string, unknown>, document as never);
            owner[last] = change.text === undefined ? change.value : this.number(change);
        }
        return document;
    }

    private number({ path, text, unit }: Edit): number | null {
        const read = /^\s*(-?[\d.]+)\s*(\S*)\s*$/.exec(text ?? '');
        const kept = this.book.keptIn(path.slice(path.lastIndexOf('.') + 1));
        return read === null ? null : Number(this.book.fromSi(this.book.toSi(Number(read[1]), read[2] === '' ? unit! : read[2]!), kept).toPrecision(9));
    }
}

let server: Server;

beforeEach(() => {
    server = new Server();
    localStorage.clear();
    useDrafts.setState({ drafts: {} });
    useSaving.getState().set('saved');
    useTrying.getState().drop();
    useUnitChoice.setState({ system: 'metric' });
    vi.stubGlobal('fetch', server.fetch);
    vi.stubGlobal(
        'ResizeObserver',
        class {
            observe() {}
            unobserve() {}
            disconnect() {}
        },
    );
    vi.stubGlobal('matchMedia', (query: string) => ({ matches: false, media: query, addEventListener() {}, removeEventListener() {} }));
    Element.prototype.setPointerCapture = () => undefined;
    Element.prototype.scrollIntoView = () => undefined;
});

afterEach(() => {
    cleanup();
    vi.useRealTimers();
    vi.unstubAllGlobals();
});

function Where() {
    return <p data-testid="where">{useLocation().pathname}</p>;
}

/** A page of a build as the application shows it, with a person before it. */
export async function open(page: ReactNode, path = '/builds/b1'): Promise<{ server: Server; user: ReturnType<typeof userEvent.setup>; again: () => void }> {
    const user = userEvent.setup();
    const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
    const shown = () => (
        <QueryClientProvider client={queries}>
            <UnitsProvider>
                <MemoryRouter initialEntries={[path]}>
                    <Routes>
                        <Route path="/builds/:buildId/*" element={<BuildProvider>{page}</BuildProvider>} />
                        <Route path="*" element={page} />
                    </Routes>
                    <Where />
                </MemoryRouter>
            </UnitsProvider>
        </QueryClientProvider>
    );
    let { unmount } = render(shown());
    await screen.findByTestId('where');
    const again = () => {
        unmount();
        ({ unmount } = render(shown()));
    };
    return { server, user, again };
}

/** The server, before anything has been asked of it. */
export const atServer = () => server;

export const where = () => screen.getByTestId('where').textContent;

/** Waits until the server has been asked so often for edits, and gives the last of them. */
export async function edited(count = 1): Promise<Edit> {
    await vi.waitFor(() => {
        if (server.edits.length < count) {
            throw new Error(`${server.edits.length} edits of ${count}`);
        }
    });
    return server.edits[count - 1]!;
}

import type { QueryClient } from '@tanstack/react-query';
import { create } from 'zustand';
import { api, Refused, Unreachable } from '../api/client';
import type { Edit, StoredBuild } from '../api/types';
import { draftKey, useDrafts } from './drafts';
import { rebased, valueAt } from './rebase';

type Status = 'saved' | 'saving' | 'offline' | 'overtaken' | 'refused';

interface Saving {
    status: Status;
    /** What the user should know, where it belongs to no field. */
    message: string;
    set: (status: Status, message?: string) => void;
}

export const useSaving = create<Saving>((set) => ({
    status: 'saved',
    message: '',
    set: (status, message = '') => set({ status, message }),
}));

/** An edit with what its list read when it was made: what has come about since is not undone by it. */
type Made = Edit & { base?: unknown };
type Job = { kind: 'edit'; edits: Made[] } | { kind: 'undo' } | { kind: 'redo' };

const RETRY_MS = 2000;
const KEPT = 'brookstone-unsaved:';

/**
 * Sends the edits of one build, one after the other, each on the version that the last one gave. What could not be sent
 * is kept in the browser until it can be.
 */
export class Saver {
    private jobs: Job[];
    private busy = false;
    /** Another window's save won: nothing is sent until the user has chosen. */
    private isOvertaken = false;
    private channel: BroadcastChannel | null = null;

    constructor(
        private readonly build: string,
        private readonly queries: QueryClient,
    ) {
        this.jobs = JSON.parse(localStorage.getItem(KEPT + build) ?? '[]') as Job[];
    }

    /** Begins to listen to the other windows and to send what was left over; the answer ends it. */
    open(): () => void {
        const channel = new BroadcastChannel('brookstone');
        channel.onmessage = (event: MessageEvent<string>) => {
            if (event.data === this.build && this.jobs.length === 0) {
                void this.queries.invalidateQueries({ queryKey: ['build', this.build] });
            }
        };
        this.channel = channel;
        if (this.jobs.length > 0) {
            void this.work();
        }
        return () => {
            this.channel = null;
            channel.close();
        };
    }

    edit(edits: Edit[]): void {
        const document = this.queries.getQueryData<StoredBuild>(['build', this.build])?.document;
        const job: Job = { kind: 'edit', edits: edits.map((edit) => (Array.isArray(edit.value) ? { ...edit, base: valueAt(document, edit.path) } : edit)) };
        const last = this.jobs[this.jobs.length - 1];
        const replaces = last?.kind === 'edit' && (!this.busy || this.jobs.length > 1) && replacesAll(last.edits, edits);
        this.jobs = replaces ? [...this.jobs.slice(0, -1), job] : [...this.jobs, job];
        void this.work();
    }

    step(kind: 'undo' | 'redo'): void {
        this.jobs = [...this.jobs, { kind }];
        void this.work();
    }

    /** After another window's save won: put this window's edits on top of it. */
    async applyOnTop(): Promise<void> {
        await this.queries.refetchQueries({ queryKey: ['build', this.build] });
        this.isOvertaken = false;
        void this.work();
    }

    /** After another window's save won: let this window's edits go. */
    async letGo(): Promise<void> {
        this.keep([]);
        this.isOvertaken = false;
        await this.queries.refetchQueries({ queryKey: ['build', this.build] });
        useSaving.getState().set('saved');
    }

    private async work(): Promise<void> {
        this.keep(this.jobs);
        if (this.busy || this.isOvertaken) {
            return;
        }
        this.busy = true;
        const { set } = useSaving.getState();
        while (this.jobs.length > 0) {
            const job = this.jobs[0]!;
            const current = this.queries.getQueryData<StoredBuild>(['build', this.build]) ?? (await api.build(this.build));
            set('saving');
            try {
                const saved = await this.send(job, current);
                this.queries.setQueryData(['build', this.build], saved);
                this.keep(this.jobs.slice(1));
                forget(this.build, job);
                this.channel?.postMessage(this.build);
                set('saved');
            } catch (error) {
                if (error instanceof Refused && error.status === 409) {
                    this.isOvertaken = true;
                    set('overtaken', error.message);
                    break;
                }
                if (error instanceof Unreachable) {
                    set('offline', error.message);
                    setTimeout(() => void this.work(), RETRY_MS);
                    break;
                }
                this.keep(this.jobs.slice(1));
                refuse(this.build, job, error);
            }
        }
        this.busy = false;
    }

    private send(job: Job, { version, document }: StoredBuild): Promise<StoredBuild> {
        return job.kind === 'edit'
            ? api.edit(
                  this.build,
                  version,
                  job.edits.map(({ base, ...edit }) =>
                      base === undefined ? edit : { ...edit, value: rebased(base, edit.value, valueAt(document, edit.path)) },
                  ),
              )
            : job.kind === 'undo'
              ? api.undo(this.build, version)
              : api.redo(this.build, version);
    }

    private keep(jobs: Job[]): void {
        this.jobs = jobs;
        if (jobs.length === 0) {
            localStorage.removeItem(KEPT + this.build);
        } else {
            localStorage.setItem(KEPT + this.build, JSON.stringify(jobs));
        }
    }
}

/** Whether the later edits leave nothing of the earlier ones: a list may have got other entries by each. */
function replacesAll(earlier: Edit[], later: Edit[]): boolean {
    return earlier.length === later.length && earlier.every((edit, i) => edit.path === later[i]!.path && !Array.isArray(edit.value));
}

function forget(build: string, job: Job): void {
    if (job.kind === 'edit') {
        job.edits.forEach((edit) => useDrafts.getState().drop(draftKey(build, edit.path)));
        useDrafts.getState().dropPassing(build);
    }
}

/** Puts a refusal at the field that was edited, or where none fits at the top of the page. */
function refuse(build: string, job: Job, error: unknown): void {
    const { set } = useSaving.getState();
    const message = error instanceof Error ? error.message : 'That could not be saved.';
    if (!(error instanceof Refused) || job.kind !== 'edit') {
        set('refused', message);
        return;
    }
    let placed = false;
    for (const edit of job.edits) {
        const typed = edit.text ?? (typeof edit.value === 'string' ? edit.value : undefined);
        const own = error.errors.find((each) => each.field === edit.path) ?? (job.edits.length === 1 && edit.text !== undefined ? error.errors[0] : undefined);
        if (own !== undefined && typed !== undefined) {
            useDrafts.getState().keep(draftKey(build, edit.path), typed, own.message);
            placed = true;
        } else if (own !== undefined && typeof edit.value === 'boolean') {
            useDrafts.getState().keepPassing(draftKey(build, edit.path), own.message);
            placed = true;
        }
    }
    set(placed ? 'saved' : 'refused', placed ? '' : (error.errors[0]?.message ?? message));
}

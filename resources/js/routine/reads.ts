import type { FieldError } from '../api/types';
import { located, parse, type Located } from './yaml';

/** A text to be read; or, with what the server refused of it, where in the text that stands. */
export interface Asked {
    text: string;
    refused?: { errors: FieldError[]; base: string };
}

export type Read = { value: unknown } | { errors: Located[] };

export function read({ text, refused }: Asked): Read {
    const parsed = parse(text);
    if ('errors' in parsed) {
        return parsed;
    }
    return refused === undefined ? { value: parsed.value } : { errors: located(refused.errors, refused.base, parsed.place) };
}

/** Reads beside the page, which goes on meanwhile; a newer text lets an older one go, which then is never answered. */
export class Reader {
    private worker: Worker | null = null;

    private isBusy = false;

    ask(asked: Asked): Promise<Read> {
        if (this.isBusy) {
            this.end();
        }
        this.worker ??= new Worker(new URL('./reads.worker.ts', import.meta.url), { type: 'module' });
        const worker = this.worker;
        this.isBusy = true;
        return new Promise((resolve, reject) => {
            worker.onmessage = ({ data }: MessageEvent<Read>) => {
                this.isBusy = false;
                resolve(data);
            };
            worker.onerror = () => {
                this.end();
                reject(new Error('The text could not be read. Try again.'));
            };
            worker.postMessage(asked);
        });
    }

    end(): void {
        this.worker?.terminate();
        this.worker = null;
        this.isBusy = false;
    }
}

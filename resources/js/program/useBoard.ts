import { useCallback, useEffect, useMemo, useRef, useState } from 'react';

const BAUD = 115200;
const LONGEST = 200_000; // signs that are kept

/** What the board sees, as it answers `look`. */
export interface Seen {
    inputs: number[];
    levels: number[];
    positions: number[];
}

interface Port {
    open: (options: { baudRate: number }) => Promise<void>;
    close: () => Promise<void>;
    readable: ReadableStream<Uint8Array> | null;
    writable: WritableStream<Uint8Array> | null;
}

interface Serial {
    requestPort: () => Promise<Port>;
}

const serial = () => (navigator as Navigator & { serial?: Serial }).serial;

/** This browser can reach a board at the end of a cable. */
export const hasSerial = () => serial() !== undefined;

/** A board with a written program on it, at the end of a cable: what it says comes in, words go out. */
export function useBoard(mark: number | null) {
    const [port, setPort] = useState<Port | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [seen, setSeen] = useState<Seen | null>(null);
    const [heard, setHeard] = useState('');
    const writer = useRef<WritableStreamDefaultWriter<Uint8Array> | null>(null);
    const open = useCallback(async () => {
        setProblem(null);
        try {
            const found = await serial()!.requestPort();
            await found.open({ baudRate: BAUD });
            writer.current = found.writable?.getWriter() ?? null;
            setPort(found);
        } catch (failure) {
            setProblem(`No board was found: ${(failure as Error).message}`);
        }
    }, []);
    const close = useCallback(async () => {
        const closing = port;
        setPort(null);
        setSeen(null);
        writer.current?.releaseLock();
        writer.current = null;
        await closing?.close().catch(() => undefined);
    }, [port]);
    const tell = useCallback((words: string) => {
        void writer.current?.write(new TextEncoder().encode(`${words}\n`)).catch(() => setProblem('The board answers no more.'));
    }, []);
    useEffect(() => {
        const reader = port?.readable?.getReader();
        if (reader === undefined) {
            return;
        }
        const line = (text: string) => {
            try {
                const said = JSON.parse(text) as Partial<Seen> & { program?: number };
                if (mark !== null && said.program !== undefined && said.program !== mark) {
                    setProblem('There is another program on this board than the one written here: load this one first.');
                }
                if (said.inputs !== undefined && said.levels !== undefined) {
                    setSeen({ inputs: said.inputs, levels: said.levels, positions: said.positions ?? [] });
                } else {
                    setHeard((before) => `${before}${text}\n`.slice(-LONGEST));
                }
            } catch {
                // half a line, as when one comes in the middle of it
            }
        };
        void (async () => {
            const decoder = new TextDecoder();
            let rest = '';
            try {
                for (;;) {
                    const { value, done } = await reader.read();
                    if (done) {
                        break;
                    }
                    const lines = (rest + decoder.decode(value, { stream: true })).split('\n');
                    rest = lines.pop() ?? '';
                    lines.filter((each) => each.trim() !== '').forEach(line);
                }
            } catch {
                setProblem('The board answers no more.');
            }
        })();
        return () => {
            void reader.cancel().catch(() => undefined);
            reader.releaseLock();
        };
    }, [port, mark]);
    return useMemo(() => ({ isOpen: port !== null, problem, seen, heard, open, close, tell }), [port, problem, seen, heard, open, close, tell]);
}

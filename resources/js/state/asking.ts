import type { QueryClient } from '@tanstack/react-query';

/**
 * Asks anew for what a change has made old. A first answer that is still on its way may have been read before the change: it is let go, or it would be taken for
 * the new one. What was tried with another drawer is tried again.
 */
export async function askAnew(queries: QueryClient, keys: string[]): Promise<void> {
    await Promise.all(keys.map((key) => queries.cancelQueries({ queryKey: [key] })));
    queries.removeQueries({ queryKey: ['mends'] });
    await Promise.all(keys.map((key) => queries.invalidateQueries({ queryKey: [key] })));
}

import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { expect, test } from 'vitest';
import { askAnew } from '../../../resources/js/state/asking';

test('a first answer that was read before the change is not taken for the new one', async () => {
    const queries = new QueryClient();
    const stored = ['old'];
    const waiting: (() => void)[] = [];
    const observer = new QueryObserver(queries, {
        queryKey: ['drawer'],
        queryFn: () => {
            const read = [...stored]; // as it is when the question comes in; the answer takes its time
            return new Promise<string[]>((resolve) => waiting.push(() => resolve(read)));
        },
    });
    const end = observer.subscribe(() => undefined);
    stored.push('new');
    const asked = askAnew(queries, ['drawer']);
    await Promise.resolve();
    for (let i = 0; i < 5; i++) {
        waiting.forEach((answer) => answer());
        await new Promise((resolve) => setTimeout(resolve));
    }
    await asked;
    expect(queries.getQueryData(['drawer'])).toEqual(['old', 'new']);
    end();
});

test('what was tried with another drawer is forgotten', async () => {
    const queries = new QueryClient();
    queries.setQueryData(['mends', 'a', 1], { tried: true });
    await askAnew(queries, ['drawer']);
    expect(queries.getQueryData(['mends', 'a', 1])).toBeUndefined();
});

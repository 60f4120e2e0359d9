import { useQuery } from '@tanstack/react-query';
import { useBuild } from '../state/BuildContext';

/** What is computed of the build as it is now; what was computed before stays until that is there. */
export function useReport<T>(name: string, ask: (id: string) => Promise<T>, besides = ''): { data: T | undefined; error: Error | null } {
    const { stored } = useBuild();
    return useQuery({
        queryKey: [name, stored.id, stored.version, besides],
        queryFn: () => ask(stored.id),
        staleTime: Infinity,
        placeholderData: (before) => before as never,
    });
}

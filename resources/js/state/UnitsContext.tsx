import { useQuery } from '@tanstack/react-query';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import { api } from '../api/client';
import type { Quantity, Sentence } from '../api/types';
import { UnitBook, useUnitChoice, type SystemName } from './units';

interface Speaking {
    book: UnitBook;
    system: SystemName;
    say: (sentence: Sentence) => string;
    text: (quantity: Quantity, figures?: number) => string;
}

const Context = createContext<Speaking | null>(null);

/** Loads the units once; everything below can show quantities. */
export function UnitsProvider({ children }: { children: ReactNode }) {
    const { data, error } = useQuery({ queryKey: ['units'], queryFn: api.units, staleTime: Infinity });
    const system = useUnitChoice((state) => state.system);
    const value = useMemo(() => {
        if (data === undefined) {
            return null;
        }
        const book = new UnitBook(data);
        return {
            book,
            system,
            say: (sentence: Sentence) => book.say(sentence, system),
            text: (quantity: Quantity, figures?: number) => book.text(quantity, system, figures),
        };
    }, [data, system]);
    if (value === null) {
        return error === null ? null : <p className="p-8">{error.message}</p>;
    }
    return <Context value={value}>{children}</Context>;
}

export function useSpeaking(): Speaking {
    const value = useContext(Context);
    if (value === null) {
        throw new Error('UnitsProvider is missing above this component.');
    }
    return value;
}

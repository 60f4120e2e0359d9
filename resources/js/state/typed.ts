import { useState } from 'react';
import { significant, type UnitBook } from './units';
import { useSpeaking } from './UnitsContext';

export interface TypedNumbers {
    /** As it stands in the field, in that unit. */
    text: string;
    unit: string;
    type: (text: string) => void;
    /** In the SI unit; words that are no numbers are left for the server to refuse. */
    values: (number | string)[];
}

/** The numbers of a line, with spaces between, from one unit to SI. */
export function read(book: UnitBook, text: string, unit: string): (number | string)[] {
    return text
        .trim()
        .split(/[\s;]+/)
        .filter((each) => each !== '')
        .map((each) => {
            const number = Number(each.replace(',', '.'));
            return Number.isNaN(number) ? each : Number(book.toSi(number, unit).toPrecision(12));
        });
}

/** Numbers that are typed into a field of no build: they follow the switch of units, and what was typed stays. */
export function useTypedNumbers(dimension: string, si: number[] = []): TypedNumbers {
    const { book, system } = useSpeaking();
    const unit = book.preferred(dimension, system);
    const shown = (values: (number | string)[]) => values.map((each) => (typeof each === 'string' ? each : significant(book.fromSi(each, unit), 4))).join(' ');
    const [typed, setTyped] = useState<{ text: string; unit: string } | null>(null);
    const values = typed === null ? si : read(book, typed.text, typed.unit);
    return { text: typed === null ? shown(si) : typed.unit === unit ? typed.text : shown(values), unit, type: (text) => setTyped({ text, unit }), values };
}

import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Quantity, Sentence, UnitTable } from '../api/types';

/** The unit systems in the order in which the key goes through them, each with the torque unit people know it by. */
export const SYSTEMS = [
    { name: 'metric', label: 'N·m' },
    { name: 'bench', label: 'kg·cm' },
    { name: 'inch', label: 'oz·in' },
] as const;

export type SystemName = (typeof SYSTEMS)[number]['name'];

interface UnitChoice {
    system: SystemName;
    choose: (system: SystemName) => void;
    next: () => void;
}

export const useUnitChoice = create<UnitChoice>()(
    persist(
        (set) => ({
            system: 'metric',
            choose: (system) => set({ system }),
            next: () => set((state) => ({ system: SYSTEMS[(SYSTEMS.findIndex((each) => each.name === state.system) + 1) % SYSTEMS.length]!.name })),
        }),
        { name: 'brookstone-units' },
    ),
);

type Unit = UnitTable['units'][number];

const FIGURES = 3; // enough for anything at a bench

const MOST_FIGURES = 5; // what is alike in so many is the same

/** Shows numbers in the units that the core lists. Holds no unit of its own. */
export class UnitBook {
    private readonly bySymbol: Map<string, Unit>;

    constructor(private readonly table: UnitTable) {
        this.bySymbol = new Map(table.units.map((unit) => [unit.symbol, unit]));
    }

    /** The symbol of the unit in which a document keeps the number under a key. */
    keptIn(key: string): string {
        return this.table.suffixes.find((each) => `_${key}`.endsWith(each.suffix))?.symbol ?? '';
    }

    dimension(symbol: string): string {
        return this.bySymbol.get(symbol)?.dimension ?? 'number';
    }

    toSi(value: number, symbol: string): number {
        const unit = this.bySymbol.get(symbol);
        return unit === undefined ? value : unit.inverse ? unit.factor / value : value * unit.factor;
    }

    fromSi(si: number, symbol: string): number {
        const unit = this.bySymbol.get(symbol);
        return unit === undefined ? si : unit.inverse ? (si === 0 ? 0 : unit.factor / si) : si / unit.factor;
    }

    /** The unit a system prefers for a quantity of this size: of several, each from 1 of it up. */
    preferred(dimension: string, system: SystemName, si = 0): string {
        const symbols = this.table.systems.find((each) => each.name === system)?.preferred[dimension] ?? [''];
        const larger = symbols.slice(1).filter((symbol) => Math.abs(si) >= this.bySymbol.get(symbol)!.factor);
        return larger[larger.length - 1] ?? symbols[0]!;
    }

    /** A quantity as its number and unit, for setting them apart. */
    parts(quantity: Quantity, system: SystemName, figures = FIGURES): { number: string; unit: string } {
        const unit = this.preferred(quantity.dimension, system, quantity.si);
        return { number: significant(this.fromSi(quantity.si, unit), figures), unit };
    }

    text(quantity: Quantity, system: SystemName, figures = FIGURES): string {
        const { number, unit } = this.parts(quantity, system, figures);
        return number + gap(unit) + unit;
    }

    /** Two figures that differ never read alike: what is compared gets as many as tell it apart. As the core does. */
    say(sentence: Sentence, system: SystemName): string {
        return sentence.template.replace(/\{(\w+)\}/g, (all, name: string) => {
            const value = sentence.values[name];
            return value === undefined ? all : typeof value === 'string' ? value : this.text(value, system, this.figuresOf(value, sentence, system));
        });
    }

    private figuresOf(quantity: Quantity, sentence: Sentence, system: SystemName): number {
        let figures = FIGURES;
        for (const other of Object.values(sentence.values)) {
            if (typeof other === 'string' || other.si === quantity.si || other.dimension !== quantity.dimension) {
                continue;
            }
            for (let so = figures; so <= MOST_FIGURES; so++) {
                if (this.text(quantity, system, so) !== this.text(other, system, so)) {
                    figures = so;
                    break;
                }
            }
        }
        return figures;
    }
}

/** Rounded to so many significant figures, without an exponent or needless zeros. */
export function significant(value: number, figures: number): string {
    if (Math.abs(value) < 1e-12 || !Number.isFinite(value)) {
        return '0'; // what a sum of decimals leaves over is none
    }
    const rounded = Number(value.toPrecision(figures));
    const decimals = Math.max(0, Math.min(12, figures - 1 - Math.floor(Number(Math.abs(rounded).toExponential().split('e')[1]))));
    const text = rounded.toFixed(decimals);
    return (text.includes('.') ? text.replace(/0+$/, '').replace(/\.$/, '') : text).replace('-', '−');
}

export function gap(unit: string): string {
    return unit === '' || unit === '°' || unit === '%' ? '' : ' ';
}

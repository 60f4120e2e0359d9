import { execFileSync } from 'node:child_process';
import { beforeAll, describe, expect, it } from 'vitest';
import type { UnitTable } from '../../../resources/js/api/types';
import { read } from '../../../resources/js/state/typed';
import { gap, significant, UnitBook } from '../../../resources/js/state/units';

let book: UnitBook;

beforeAll(() => {
    // The real table of the core: what is shown must agree with what is computed.
    const table = execFileSync('php', ['-r', 'require "vendor/autoload.php"; echo json_encode(Brookstone\\Core\\Quantity\\Units::table());'], {
        encoding: 'utf8',
    });
    book = new UnitBook(JSON.parse(table) as UnitTable);
});

describe('numbers', () => {
    it.each([
        [0.34299, 3, '0.343'],
        [1234.5, 3, '1230'],
        [-2, 3, '−2'],
        [0, 3, '0'],
        [-0, 3, '0'],
        [99.96, 3, '100'],
        [0.00012, 3, '0.00012'],
        [0.5, 6, '0.5'],
        [Infinity, 3, '0'],
        [NaN, 3, '0'],
    ])('writes %s with %s figures as %s', (value, figures, text) => {
        expect(significant(value, figures)).toBe(text);
    });

    it('rounds as the core does', () => {
        const values = [0.34299, 12.345, 1e-5, 99.95, 123456, 5.556, 0.1 + 0.2, 1 / 3];
        const core = execFileSync(
            'php',
            [
                '-r',
                `require "vendor/autoload.php"; foreach (json_decode('${JSON.stringify(values)}') as $v) echo Brookstone\\Core\\Quantity\\Format::significant((float) $v, 3), "\\n";`,
            ],
            { encoding: 'utf8' },
        );
        expect(values.map((value) => significant(value, 3))).toEqual(core.trim().split('\n'));
    });

    it('sets a degree close to its number and a unit apart', () => {
        expect([gap('°'), gap('%'), gap(''), gap('mm')]).toEqual(['', '', '', ' ']);
    });
});

describe('units', () => {
    it.each([
        ['mass_kg', 'kg'],
        ['spring_Nm_per_deg', 'N·m/°'],
        ['speed_deg_s', '°/s'],
        ['give_up_s', 's'],
        ['duty', ''],
    ])('knows that %s is kept in %s', (key, symbol) => {
        expect(book.keptIn(key)).toBe(symbol);
    });

    it('goes there and back in every unit', () => {
        for (const symbol of ['mm', 'oz', 'kg·cm', 's/60°', 'rpm', 'lbf', 'oz·in²', '%']) {
            expect(book.fromSi(book.toSi(2.5, symbol), symbol)).toBeCloseTo(2.5, 12);
        }
    });

    it('shows nothing endless for a unit that counts the other way round', () => {
        expect(book.fromSi(0, 's/60°')).toBe(0);
    });

    it('prefers the larger unit from one of it up', () => {
        expect(book.preferred('mass', 'metric', 0.9)).toBe('g');
        expect(book.preferred('mass', 'metric', 1)).toBe('kg');
        expect(book.preferred('mass', 'inch', 0.2)).toBe('oz');
        expect(book.preferred('torque', 'bench', 1)).toBe('kg·cm');
        expect(book.preferred('voltage', 'inch', 1)).toBe('V');
    });

    it('keeps a unit that it does not know as it is', () => {
        expect(book.fromSi(3, 'furlong')).toBe(3);
        expect(book.dimension('furlong')).toBe('number');
    });
});

describe('numbers on one line', () => {
    it('are read in the unit that they were typed in, and what is no number is left as it is', () => {
        expect(read(book, ' 8  10;12,5 ', 'mm')).toEqual([0.008, 0.01, 0.0125]);
        expect(read(book, '1 wide -2', 'in')).toEqual([0.0254, 'wide', -0.0508]);
        expect(read(book, '  ', 'mm')).toEqual([]);
    });
});

describe('sentences', () => {
    const sentence = {
        template: 'It needs {needs} at {at}, not {missing}.',
        values: { needs: { si: 0.343, dimension: 'torque' }, at: { si: Math.PI / 2, dimension: 'angle' } },
        text: '',
    };

    it('says them in each system', () => {
        expect(book.say(sentence, 'metric')).toBe('It needs 0.343 N·m at 90°, not {missing}.');
        expect(book.say(sentence, 'bench')).toContain('3.5 kg·cm');
        expect(book.say(sentence, 'inch')).toContain('48.6 oz·in');
    });

    it('says a name as it was typed, whatever it reads like', () => {
        const named = { template: '{name1} needs {needs}', values: { ...sentence.values, name1: 'Lid {needs} {name1}' }, text: '' };
        expect(book.say(named, 'metric')).toBe('Lid {needs} {name1} needs 0.343 N·m');
    });

    it('sets number and unit apart', () => {
        expect(book.parts({ si: 0.012, dimension: 'length' }, 'metric')).toEqual({ number: '12', unit: 'mm' });
        expect(book.text({ si: 0.4, dimension: 'share' }, 'metric')).toBe('40%');
    });
});

describe('sentences', () => {
    const length = (si: number) => ({ si, dimension: 'length' });
    const says = (values: Record<string, { si: number; dimension: string } | string>) =>
        book.say({ template: '{a} is more than {b}', values, text: '' } as never, 'metric');

    it.each([
        [0.12345, 0.12, '123 mm is more than 120 mm'],
        [0.12301, 0.123, '123.01 mm is more than 123 mm'],
        [0.12344, 0.12336, '123.44 mm is more than 123.36 mm'],
        [0.1234, 0.1231, '123.4 mm is more than 123.1 mm'],
        [0.123000001, 0.123, '123 mm is more than 123 mm'],
        [0.123, 0.123, '123 mm is more than 123 mm'],
    ])('tell %s m and %s m apart where they differ', (a, b, text) => {
        expect(says({ a: length(a), b: length(b) })).toBe(text);
    });

    it('compare nothing that is of another kind, or is a name', () => {
        expect(says({ a: length(0.12301), b: { si: 0.123, dimension: 'time' } })).toBe('123 mm is more than 0.123 s');
        expect(says({ a: length(0.12301), b: '123 mm' })).toBe('123 mm is more than 123 mm');
    });

    it('say what the core says, in every system', () => {
        const pairs = Array.from({ length: 60 }, (_, i) => [0.1 * 1.37 ** (i % 20), 0.1 * 1.37 ** (i % 20) * (1 + 10 ** -(1 + (i % 7)))]);
        const core = execFileSync(
            'php',
            [
                '-r',
                `require "vendor/autoload.php"; use Brookstone\\Core\\Quantity\\Quantity; foreach (json_decode('${JSON.stringify(pairs)}') as [$a, $b]) foreach (['metric', 'bench', 'inch'] as $system) echo (new Brookstone\\Core\\Finding\\Sentence('{a} and {b}', ['a' => Quantity::of($a, 'N·m'), 'b' => Quantity::of($b, 'N·m')]))->text($system), "\\n";`,
            ],
            { encoding: 'utf8' },
        );
        const said = pairs.flatMap(([a, b]) =>
            (['metric', 'bench', 'inch'] as const).map((system) =>
                book.say(
                    { template: '{a} and {b}', values: { a: { si: a!, dimension: 'torque' }, b: { si: b!, dimension: 'torque' } }, text: '' } as never,
                    system,
                ),
            ),
        );
        expect(said).toEqual(core.trim().split('\n'));
    });
});

import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Schema } from '../../resources/js/api/types';
import { CalculatorForm } from '../../resources/js/calculators/CalculatorForm';
import { fieldsOf, together } from '../../resources/js/calculators/lists';
import { atServer, open } from './bench';

const number = (more: object = {}): Schema => ({ type: 'number', ...more });
const PINS: Schema = {
    type: 'object',
    required: ['board', 'pins'],
    properties: {
        servos: number({ default: 0 }),
        speed_control: { type: 'boolean', default: true },
        percent: { enum: [5, 1], default: 5 },
        board: { enum: ['small', 'large'] },
        pins: { type: 'object', required: ['digital'], properties: { digital: number(), pwm: number({ default: 0 }) } },
    },
};

/** A calculator at the server that tells back what it was asked, and what is said of it. */
function calculator(results: object = {}, errors: { field: string; message: string }[] = []): void {
    const server = atServer();
    server.says('GET calc/power.ports', { title: 'power.ports', description: '', properties: { inputs: PINS, results: { properties: {} } } });
    server.answersBy('POST quantity', ({ body }) => {
        const si = Number(body.text);
        return Number.isNaN(si)
            ? { status: 422, body: { message: `text: “${String(body.text)}” is not a number.`, errors: [] } }
            : { status: 200, body: { si, dimension: 'number', text: String(si) } };
    });
    server.answersBy('POST calc/power.ports', ({ body }) =>
        errors.length > 0
            ? { status: 422, body: { message: 'No.', errors } }
            : { status: 200, body: { calculator: 'power.ports', inputs: body, results, findings: [] } },
    );
}

const asked = () => atServer().asked.findLast((each) => each.path === 'calc/power.ports' && each.method === 'POST')?.body;
const form = <CalculatorForm name="power.ports" title="Pins and boards" says="How many." />;

describe('a form made of a schema', () => {
    it('has a field for each number of a group', () => {
        expect(fieldsOf(PINS).map(({ key, isNeeded }) => [key, isNeeded])).toEqual([
            ['servos', false],
            ['speed_control', false],
            ['percent', false],
            ['board', true],
            ['pins.digital', true],
            ['pins.pwm', false],
        ]);
    });

    it('puts the group together again, and has it although nothing of it is given', () => {
        expect(together(PINS, { servos: 3, 'pins.pwm': 2 })).toEqual({ servos: 3, pins: { pwm: 2 } });
        expect(together(PINS, {})).toEqual({ pins: {} });
    });

    it('sends what is typed, and leaves the rest to what is usual', async () => {
        calculator({ digital: 4 });
        const { user } = await open(form);
        await user.type(await screen.findByLabelText('Digital pins there'), '14');
        await user.type(screen.getByLabelText('Servos'), '3');
        await user.click(screen.getByRole('button', { name: 'Work it out' }));
        const results = await screen.findByRole('region', { name: 'Results' });
        expect(asked()).toEqual({ servos: 3, pins: { digital: 14 } });
        expect(within(results).getByRole('rowheader', { name: 'Digital digital' }).parentElement!.textContent).toBe('Digital digital4');
    });

    it('shows what is usual of a choice, and sends what is chosen as what it is', async () => {
        calculator();
        const { user } = await open(form);
        const speed = await screen.findByLabelText<HTMLSelectElement>('Speed control');
        expect(speed.value).toBe('yes');
        await user.selectOptions(speed, 'no');
        await user.selectOptions(screen.getByLabelText('Percent'), '1');
        await user.click(screen.getByRole('button', { name: 'Work it out' }));
        await waitFor(() => expect(asked()).toEqual({ speed_control: false, percent: 1, pins: {} }));
    });

    it('chooses nothing where nothing is usual', async () => {
        calculator();
        const { user } = await open(form);
        const board = await screen.findByLabelText<HTMLSelectElement>('Board');
        expect([...board.options].map((each) => each.text)).toEqual(['choose one', 'small', 'large']);
        expect([...screen.getByLabelText<HTMLSelectElement>('Percent').options].map((each) => each.text)).toEqual(['5', '1']);
        await user.click(screen.getByRole('button', { name: 'Work it out' }));
        await waitFor(() => expect(asked()).toEqual({ pins: {} }));
        await user.selectOptions(board, 'large');
        await user.click(screen.getByRole('button', { name: 'Work it out' }));
        await waitFor(() => expect(asked()).toEqual({ board: 'large', pins: {} }));
    });

    it('says at the field what is wrong there, inside of a group too, and keeps what was typed', async () => {
        calculator({}, [
            { field: 'pins.digital', message: 'Is needed.' },
            { field: 'servos', message: 'Must be whole.' },
        ]);
        const { user } = await open(form);
        const servos = await screen.findByLabelText<HTMLInputElement>('Servos');
        await user.type(servos, '1.5');
        await user.click(screen.getByRole('button', { name: 'Work it out' }));
        expect((await screen.findAllByRole('alert')).map((each) => each.textContent)).toEqual(['Must be whole.', 'Is needed.']);
        expect(servos.value).toBe('1.5');
        expect(screen.getByLabelText('Digital pins there').getAttribute('aria-describedby')).toBeTruthy();
    });

    it('computes nothing while a figure is none', async () => {
        calculator();
        const { user } = await open(form);
        await user.type(await screen.findByLabelText('Servos'), 'some');
        await user.click(screen.getByRole('button', { name: 'Work it out' }));
        expect((await screen.findByRole('alert')).textContent).toContain('“some” is not a number.');
        expect(asked()).toBeUndefined();
    });

    it('shows the bands of a resistor in colours and in words', async () => {
        calculator({ bands: ['yellow', 'violet', 'red', 'gold'] });
        const { user } = await open(form);
        await user.click(await screen.findByRole('button', { name: 'Work it out' }));
        const painted = await screen.findByRole('img', { name: 'A resistor with the bands yellow, violet, red, gold' });
        expect(painted.querySelectorAll('rect')).toHaveLength(5);
        expect(painted.parentElement!.textContent).toBe('yellow, violet, red, gold');
    });
});

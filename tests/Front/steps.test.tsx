import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Condition, Step } from '../../resources/js/api/types';
import { ConditionEditor } from '../../resources/js/routine/ConditionEditor';
import { StepEditor } from '../../resources/js/routine/StepEditor';
import { StepList } from '../../resources/js/routine/StepList';
import { useBuild } from '../../resources/js/state/BuildContext';
import { edited, open } from './bench';

const SHOW = 1; // Heron Wharf's harbour show

function Show({ list = 'steps' }: { list?: 'steps' | 'if_fails' }) {
    const routine = useBuild().stored.document.routines[SHOW]!;
    return <StepList routine={routine} path={`routines.${SHOW}`} list={list} trace={undefined} now={0} />;
}

const does = (steps: unknown) => (steps as Step[]).map((step) => step.do);
const BEFORE = ['signal', 'go', 'signal', 'repeat', 'go', 'wait', 'go', 'go', 'signal'];

async function row(name: RegExp): Promise<HTMLElement> {
    return screen.findByRole('button', { name });
}

describe('steps of a routine', () => {
    it('stand as sentences, numbered, those inside of others too', async () => {
        await open(<Show />);
        await row(/^Take Drawbridge to Up/);
        const numbers = screen.getAllByTitle('Drag it elsewhere').map((each) => each.textContent);
        expect(numbers).toEqual(['1', '2', '3', '4', '4.1', '4.2', '4.3', '4.4', '5', '6', '7', '8', '9']);
    });

    it('go up and down by keys and by buttons, within their own list', async () => {
        const { user } = await open(<Show />);
        (await row(/^Take Drawbridge to Up/)).focus();
        await user.keyboard('{Alt>}{ArrowUp}{/Alt}');
        expect(does((await edited(1)).value)).toEqual(['go', 'signal', 'signal', 'repeat', 'go', 'wait', 'go', 'go', 'signal']);
        await user.click(await screen.findByRole('button', { name: 'Move step 4.2 down' }));
        const second = await edited(2);
        expect(second.path).toBe('routines.1.steps.3.steps');
        expect(does(second.value)).toEqual(['go', 'go', 'wait', 'wait']);
        expect(screen.getByRole('button', { name: 'Move step 1 up' })).toHaveProperty('disabled', true);
        expect(screen.getByRole('button', { name: 'Move step 4.4 down' })).toHaveProperty('disabled', true);
    });

    it('are taken out by the key and by the button', async () => {
        const { user } = await open(<Show />);
        (await row(/^Take Drawbridge to Up/)).focus();
        await user.keyboard('{Delete}');
        expect(does((await edited(1)).value)).toEqual(BEFORE.filter((_, i) => i !== 1));
        await user.click(await screen.findByRole('button', { name: 'Take step 3 out' }));
        expect(does((await edited(2)).value)).toEqual(['signal', 'signal', 'go', 'wait', 'go', 'go', 'signal']);
    });

    it('run beside the next, and are taken apart again', async () => {
        const { user } = await open(<Show />);
        await user.click(await screen.findByRole('button', { name: 'Run step 1 together with the next' }));
        const beside = (await edited(1)).value as Step[];
        expect(does(beside)).toEqual(['together', ...BEFORE.slice(2)]);
        expect(beside[0]).toMatchObject({ until: 'all', branches: [[{ do: 'signal' }], [{ do: 'go', place: 'up' }]] });
        await user.click(await screen.findByRole('button', { name: 'Take step 1 apart' }));
        expect(does((await edited(2)).value)).toEqual(BEFORE);
    });

    it('are added after the one that was last touched, by their verb', async () => {
        const { user } = await open(<Show />);
        (await row(/^Take Tide to Low water/)).focus();
        await screen.findByText('after step 5');
        await user.type(screen.getByLabelText('Add a step'), 'wai');
        await user.click(await screen.findByRole('option', { name: 'Wait' }));
        const added = await edited(1);
        expect(added.path).toBe('routines.1.steps');
        expect(does(added.value)).toEqual([...BEFORE.slice(0, 5), 'wait', ...BEFORE.slice(5)]);
        expect(await screen.findByRole('group', { name: 'Parts of the step' })).toBeTruthy(); // and stand open
    });

    it('say what is lacking for a step that cannot be yet, and that there is none of that name', async () => {
        const { user, server } = await open(<Show list="if_fails" />);
        const add = await screen.findByLabelText('Add a step for when it fails');
        expect(screen.getByText(/everything that it moves is stopped/)).toBeTruthy();
        await user.type(add, 'shared');
        await user.click(await screen.findByRole('option', { name: 'Change over a shared motor' }));
        expect((await screen.findByRole('alert')).textContent).toBe('Let two motions share a motor through a selector first.');
        await user.type(add, 'fly away');
        expect(screen.getByText('There is no such step.')).toBeTruthy();
        expect(server.edits).toEqual([]);
    });

    it('open at their sentence with the first part ready, and close by Escape onto it again', async () => {
        const { user } = await open(<Show />);
        await user.click(await row(/^Take Drawbridge to Up/));
        const parts = await screen.findByRole('group', { name: 'Parts of the step' });
        expect(parts.contains(document.activeElement)).toBe(true);
        await user.selectOptions(within(parts).getByLabelText('To'), 'Down');
        expect(await edited()).toEqual({ path: 'routines.1.steps.1.place', value: 'down' });
        await user.keyboard('{Escape}');
        await waitFor(() => expect(screen.queryByRole('group', { name: 'Parts of the step' })).toBeNull());
        await waitFor(() => expect((document.activeElement as HTMLElement).dataset.step).toBe('steps.1'));
    });

    it('are dragged by their grip onto another of the same list, and nowhere else', async () => {
        const { server } = await open(<Show />);
        await row(/^Take Drawbridge to Up/);
        const drag = (from: number, onto: string) => {
            const grip = screen.getAllByTitle('Drag it elsewhere')[from]!;
            document.elementFromPoint = () => document.querySelector(`[data-row="${onto}"] span`);
            fireEvent.pointerDown(grip, { pointerId: 1 });
            fireEvent.pointerMove(grip, { pointerId: 1, clientX: 5, clientY: 5 });
            fireEvent.pointerUp(grip, { pointerId: 1 });
        };
        drag(0, 'steps.3.steps.1');
        drag(0, 'steps.0');
        expect(server.edits).toEqual([]);
        drag(0, 'steps.2');
        expect(does((await edited(1)).value)).toEqual(['go', 'signal', 'signal', ...BEFORE.slice(3)]);
    });

    it('let a drag go that is broken off', async () => {
        const { server } = await open(<Show />);
        await row(/^Take Drawbridge to Up/);
        const grip = screen.getAllByTitle('Drag it elsewhere')[0]!;
        document.elementFromPoint = () => document.querySelector('[data-row="steps.2"]');
        fireEvent.pointerDown(grip, { pointerId: 1 });
        fireEvent.pointerMove(grip, { pointerId: 1 });
        fireEvent.pointerCancel(grip, { pointerId: 1 });
        fireEvent.pointerUp(grip, { pointerId: 1 });
        expect(server.edits).toEqual([]);
    });
});

function One({ step }: { step: Step }) {
    return <StepEditor step={step} path="routines.1.steps.0" />;
}

const options = (label: string) => [...screen.getByLabelText<HTMLSelectElement>(label).options].map((each) => each.text);

describe('the parts of a step', () => {
    it('brings the place along when another motion is taken', async () => {
        const { user } = await open(<One step={{ do: 'go', motion: 'drawbridge', place: 'up', speed: 1, give_up_s: 5 }} />);
        await user.selectOptions(await screen.findByLabelText('Motion'), 'Tide');
        const all = [await edited(1)];
        const changed = all[0]!.value as Record<string, unknown>;
        expect(changed).toMatchObject({ motion: 'tide', place: 'high-water' });
    });

    it('homes only what has something to home onto', async () => {
        await open(<One step={{ do: 'home', motion: 'drawbridge', switch: 'bridge-down', speed: 0.5, give_up_s: 9 }} />);
        await screen.findByLabelText('Onto');
        expect(options('Onto')).toEqual(['Bridge down switch', 'Bridge up switch']);
        expect(options('Motion')).toEqual(['Drawbridge', 'Tide', 'Ferry']);
    });

    it('switches the power of a motion or of a whole supply', async () => {
        const { user } = await open(<One step={{ do: 'power', motion: 'tide', supply: null, state: 'on', settle_s: 0.3 }} />);
        await user.selectOptions(await screen.findByLabelText('Of'), 'all on Servo rail');
        expect((await edited()).value).toMatchObject({ do: 'power', motion: null, supply: 'servo-rail' });
    });

    it('adds a branch, another way, and an end to a loop', async () => {
        const wait: Step = { do: 'wait', for_s: 1, until: null, give_up_s: null };
        const first = await open(<One step={{ do: 'together', until: 'all', branches: [[wait], [wait]] }} />);
        await first.user.click(await screen.findByRole('button', { name: 'One more beside them' }));
        expect((await edited()).value).toMatchObject({ branches: [[wait], [wait], [wait]] });
    });

    it('ends a loop by what is so', async () => {
        const { user } = await open(<One step={{ do: 'repeat', times: null, until: null, steps: [] }} />);
        expect((await screen.findByLabelText<HTMLInputElement>('How often')).placeholder).toBe('for ever');
        await user.selectOptions(screen.getByLabelText('Until something is so'), 'or until');
        expect((await edited()).value).toMatchObject({ until: { test: 'input', sensor: 'visitor-beam', is: 'on' } });
    });

    it('keeps what a step may say', async () => {
        const { user } = await open(<One step={{ do: 'fault', message: 'stuck' }} />);
        await user.type(await screen.findByLabelText('What it says'), ' fast{Enter}');
        expect(await edited()).toEqual({ path: 'routines.1.steps.0.message', value: 'stuck fast' });
    });
});

function Asked({ condition }: { condition: Condition }) {
    return <ConditionEditor label="If" condition={condition} path="routines.1.steps.0.if" />;
}

const BEAM: Condition = { test: 'input', sensor: 'visitor-beam', is: 'on', for_s: null };
const UP: Condition = { test: 'place', motion: 'drawbridge', place: 'up' };

describe('a condition', () => {
    it('asks another question', async () => {
        const { user } = await open(<Asked condition={BEAM} />);
        await user.selectOptions(await screen.findByLabelText('If'), 'Drawbridge is at Up');
        expect(await edited()).toEqual({ path: 'routines.1.steps.0.if', value: UP });
    });

    it('is joined by and, or, not', async () => {
        const { user } = await open(<Asked condition={UP} />);
        await user.click(await screen.findByRole('button', { name: 'and…' }));
        expect((await edited(1)).value).toEqual({ test: 'all', of: [UP, BEAM] });
        await user.click(screen.getByRole('button', { name: 'or…' }));
        expect((await edited(2)).value).toEqual({ test: 'any', of: [UP, BEAM] });
        await user.click(screen.getByRole('button', { name: 'not' }));
        expect((await edited(3)).value).toEqual({ test: 'not', that: UP });
    });

    it('of several is widened, turned round and cut down to the first', async () => {
        const both: Condition = { test: 'all', of: [UP, BEAM] };
        const { user } = await open(<Asked condition={both} />);
        await user.click(await screen.findByRole('button', { name: 'and something else' }));
        expect((await edited(1)).value).toEqual({ test: 'all', of: [UP, BEAM, BEAM] });
        await user.click(screen.getByRole('button', { name: 'any of them is enough' }));
        expect((await edited(2)).value).toEqual({ test: 'any', of: [UP, BEAM] });
        await user.click(screen.getByRole('button', { name: 'only the first' }));
        expect((await edited(3)).value).toEqual(UP);
    });

    it('that is turned round can be turned back', async () => {
        const { user } = await open(<Asked condition={{ test: 'not', that: UP }} />);
        await user.click(await screen.findByRole('button', { name: 'when it is so' }));
        expect(await edited()).toEqual({ path: 'routines.1.steps.0.if', value: UP });
    });

    it('is not nested without an end', async () => {
        const deep: Condition = { test: 'not', that: { test: 'not', that: { test: 'not', that: UP } } };
        await open(<Asked condition={deep} />);
        await screen.findAllByRole('button', { name: 'when it is so' });
        expect(screen.queryByRole('button', { name: 'and…' })).toBeNull();
    });

    it('about a reading has its threshold and how far it comes back', async () => {
        await open(<Asked condition={{ test: 'level', sensor: 'daylight', is: 'below', value: 30, hysteresis: 5 }} />);
        expect((await screen.findByLabelText<HTMLInputElement>('Value')).value).toBe('30');
        expect(screen.getByLabelText<HTMLInputElement>('Comes back by').value).toBe('5');
    });
});

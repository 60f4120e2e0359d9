import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { ChoiceField, TextField, ToggleField } from '../../resources/js/fields/PlainFields';
import { QuantityField } from '../../resources/js/fields/QuantityField';
import { useBuild } from '../../resources/js/state/BuildContext';
import { useUnitChoice } from '../../resources/js/state/units';
import { atServer, edited, open } from './bench';

function Ambient() {
    const { ambient_C } = useBuild().stored.document.settings;
    return <QuantityField label="Air" path="settings.ambient_C" value={ambient_C} how="Of the room." />;
}

function Clock() {
    const { timer_Hz } = useBuild().stored.document.settings;
    return <QuantityField label="Timer" path="settings.timer_Hz" value={timer_Hz} empty="none" />;
}

function Mass({ typedIn }: { typedIn?: string }) {
    const thing = useBuild().stored.document.motions[1]!.mechanism as unknown as { mass_kg: number };
    return <QuantityField label="Mass" path="motions.1.mechanism.mass_kg" value={thing.mass_kg} typedIn={typedIn} />;
}

const field = (label: string) => screen.findByLabelText<HTMLInputElement>(label);

describe('a number with its unit', () => {
    it('shows the figure in the unit of the system that is chosen, and says how it is measured', async () => {
        const { server } = await open(<Ambient />);
        const air = await field('Air');
        expect(air.value).toBe(String(server.stored.document.settings.ambient_C));
        expect(air.nextElementSibling).toHaveProperty('textContent', '°C');
        expect(screen.getByText('Of the room.')).toBeTruthy();
    });

    it('follows the switch of units', async () => {
        const { server } = await open(<Mass />);
        const mass = await field('Mass');
        expect(mass.nextElementSibling!.textContent).toBe('g');
        act(() => useUnitChoice.setState({ system: 'inch' }));
        expect(mass.nextElementSibling!.textContent).toBe('lb');
        const kept = (server.stored.document.motions[1]!.mechanism as unknown as { mass_kg: number }).mass_kg;
        expect(Number(mass.value)).toBeCloseTo(kept / 0.45359237, 3);
    });

    it('takes what is typed when a moment has passed, with the unit that stands beside it', async () => {
        const { user } = await open(<Ambient />);
        await user.type(await field('Air'), '31', { initialSelectionStart: 0, initialSelectionEnd: 9 });
        expect(await edited()).toEqual({ path: 'settings.ambient_C', text: '31', unit: '°C' });
    });

    it('takes it at once by Enter, and sends nothing twice when it is left', async () => {
        const { user, server } = await open(<Ambient />);
        const air = await field('Air');
        await user.clear(air);
        await user.type(air, '33{Enter}');
        expect(await edited()).toMatchObject({ text: '33' });
        await waitFor(() => expect(server.stored.document.settings.ambient_C).toBe(33));
        await user.tab();
        await new Promise((resolve) => setTimeout(resolve, 600));
        expect(server.edits).toHaveLength(1);
        expect(air.value).toBe('33');
    });

    it('sends nothing when it is only visited', async () => {
        const { user, server } = await open(<Ambient />);
        await user.click(await field('Air'));
        await user.tab();
        await new Promise((resolve) => setTimeout(resolve, 600));
        expect(server.edits).toEqual([]);
    });

    it('keeps what it does not understand, says so there, and has it after the page is loaded again', async () => {
        const { user, again } = await open(<Ambient />);
        const air = await field('Air');
        await user.clear(air);
        await user.type(air, 'as warm as toast{Enter}');
        expect(await screen.findByRole('alert')).toHaveProperty('textContent', '“as warm as toast” is not a number with a unit.');
        expect(air.getAttribute('aria-invalid')).toBe('true');
        expect(document.getElementById(air.getAttribute('aria-describedby')!)!.textContent).toContain('toast');
        again();
        const anew = await field('Air');
        expect(anew.value).toBe('as warm as toast');
        expect(screen.getByRole('alert')).toBeTruthy();
        await user.clear(anew);
        await user.type(anew, '21{Enter}');
        await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
        expect(anew.value).toBe('21');
    });

    it('reads a unit that is typed, and shows what it understood', async () => {
        const { server } = await open(<Mass typedIn="oz" />);
        const mass = await field('Mass');
        const kept = (server.stored.document.motions[1]!.mechanism as unknown as { mass_kg: number }).mass_kg;
        expect(mass.nextElementSibling!.textContent).toBe('oz');
        expect(Number(mass.value)).toBeCloseTo(kept / 0.028349523125, 3);
        expect(screen.getByText(/^= [\d.]+ g$/).textContent).toBe(`= ${Number((kept * 1000).toPrecision(4))} g`);
    });

    it('does not keep to a unit that measures something else', async () => {
        await open(<Mass typedIn="mm" />);
        expect((await field('Mass')).nextElementSibling!.textContent).toBe('g');
    });

    it('goes up and down in its second figure by the arrows, ten times as far with shift', async () => {
        const { user, server } = await open(<Ambient />);
        const air = await field('Air');
        const first = server.stored.document.settings.ambient_C;
        await user.click(air);
        await user.keyboard('{ArrowUp}');
        expect(await edited(1)).toMatchObject({ text: String(first + 1) });
        await user.keyboard('{ArrowDown}');
        expect(await edited(2)).toMatchObject({ text: String(first) });
        await user.keyboard('{Shift>}{ArrowDown}{/Shift}');
        expect(await edited(3)).toMatchObject({ text: String(first - 10) });
    });

    it('may be left empty where that means something', async () => {
        atServer().stored.document.settings.timer_Hz = 16e6;
        const { user, server } = await open(<Clock />);
        const timer = await field('Timer');
        expect(timer.placeholder).toBe('none');
        await user.clear(timer);
        await user.keyboard('{Enter}');
        expect(await edited()).toEqual({ path: 'settings.timer_Hz', value: null });
        await waitFor(() => expect(server.stored.document.settings.timer_Hz).toBeNull());
        expect(timer.value).toBe('');
        await user.keyboard('{ArrowUp}'); // there is nothing to go up from
        await new Promise((resolve) => setTimeout(resolve, 50));
        expect(server.edits).toHaveLength(1);
    });
});

function Plain() {
    const { document } = useBuild().stored;
    return (
        <>
            <TextField label="Name" path="name" value={document.name} />
            <ChoiceField
                label="Profile"
                path="motions.1.task.profile"
                value={document.motions[1]!.task.profile}
                choices={[
                    { value: 'trapezoid', label: 'even' },
                    { value: 's_curve', label: 'soft' },
                ]}
                also={(chosen) => [{ path: 'note', value: `it goes ${chosen}` }]}
            />
            <ToggleField label="Gentle" path="motions.1.task.gentle" value={false} how="Softly." />
        </>
    );
}

describe('plain fields', () => {
    it('saves a name when it is left, by Enter too, and not when it is as it was', async () => {
        const { user, server } = await open(<Plain />);
        const name = await field('Name');
        await user.click(name);
        await user.tab();
        expect(server.edits).toEqual([]);
        await user.type(name, ' II{Enter}');
        expect(await edited()).toEqual({ path: 'name', value: 'Heron Wharf II' });
        await waitFor(() => expect(name.value).toBe('Heron Wharf II'));
    });

    it('keeps a name that was refused, with the reason, until it is put back', async () => {
        const { user, server } = await open(<Plain />);
        server.says('POST builds/b1/edits', { message: 'Too long.', errors: [{ field: 'name', message: 'A name has at most 80 letters.' }] }, 422);
        const name = await field('Name');
        await user.type(name, '!{Enter}');
        expect(await screen.findByText('A name has at most 80 letters.')).toBeTruthy();
        expect(name.value).toBe('Heron Wharf!');
        await user.type(name, '{Backspace}{Enter}');
        await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
        expect(server.asked.filter((each) => each.path.endsWith('/edits'))).toHaveLength(1);
    });

    it('saves a choice with what it brings along, in one', async () => {
        const { user, server } = await open(<Plain />);
        await user.selectOptions(await field('Profile'), 'soft');
        await edited(2);
        expect(server.asked.filter((each) => each.path.endsWith('/edits'))).toHaveLength(1);
        expect(server.edits).toEqual([
            { path: 'motions.1.task.profile', value: 's_curve' },
            { path: 'note', value: 'it goes s_curve' },
        ]);
    });

    it('says at a tick why it cannot be, and no longer once something else is saved', async () => {
        const { user, server } = await open(<Plain />);
        server.says('POST builds/b1/edits', { message: 'No.', errors: [{ field: 'motions.1.task.gentle', message: 'It cannot go softly.' }] }, 422);
        await user.click(await screen.findByLabelText('Gentle'));
        expect((await screen.findByRole('alert')).textContent).toBe('It cannot go softly.');
        expect(within(screen.getByRole('alert').parentElement!).getByText('Softly.')).toBeTruthy();
        server.says('POST builds/b1/edits', { ...server.stored, version: 2 });
        await user.type(await field('Name'), ' III{Enter}');
        await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
    });

    it('holds what was typed while the server is away, and sends it when it is back', async () => {
        const { user, server } = await open(<Plain />);
        vi.useFakeTimers({ shouldAdvanceTime: true });
        const name = await field('Name');
        server.isReachable = false;
        fireEvent.change(name, { target: { value: 'Kept' } });
        fireEvent.blur(name);
        await waitFor(() => expect(localStorage.getItem('brookstone-unsaved:b1')).toContain('Kept'));
        server.isReachable = true;
        await vi.advanceTimersByTimeAsync(2100);
        expect(await edited()).toEqual({ path: 'name', value: 'Kept' });
        await waitFor(() => expect(localStorage.getItem('brookstone-unsaved:b1')).toBeNull());
        void user;
    });
});

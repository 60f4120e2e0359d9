import { screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Finding, Fix } from '../../resources/js/api/types';
import { Findings } from '../../resources/js/chain/Findings';
import { TryPanel } from '../../resources/js/chain/TryPanel';
import { ChainRow } from '../../resources/js/chain/ChainRow';
import { useLinkKeys } from '../../resources/js/chain/useLinkKeys';
import { LogPage } from '../../resources/js/pages/LogPage';
import { SettingsPage } from '../../resources/js/pages/SettingsPage';
import { ScenarioEditor } from '../../resources/js/routine/ScenarioEditor';
import { Shell } from '../../resources/js/shell/Shell';
import { useBuild } from '../../resources/js/state/BuildContext';
import { atServer, edited, open, where } from './bench';

describe('the frame around a build', () => {
    it('goes to anything that has a name, by typing some of its words', async () => {
        const { user } = await open(<Shell>page</Shell>);
        await screen.findByText('page');
        await user.keyboard('/');
        const name = await screen.findByLabelText('Name');
        await user.type(name, 'drive tide');
        expect((await screen.findAllByRole('option')).map((each) => each.textContent)).toEqual(['Tide: Drive']);
        await user.keyboard('{Enter}');
        await waitFor(() => expect(where()).toBe('/builds/b1/motions/tide/drive'));
        expect(screen.queryByLabelText('Name')).toBeNull();
    });

    it('says that nothing has such a name', async () => {
        const { user } = await open(<Shell>page</Shell>);
        await user.click(await screen.findByRole('button', { name: 'Go to anything' }));
        await user.type(await screen.findByLabelText('Name'), 'zeppelin');
        expect(await screen.findByText('Nothing here has that name.')).toBeTruthy();
    });

    it('lists its keys, and closes the list by Escape', async () => {
        const { user } = await open(<Shell>page</Shell>);
        await screen.findByText('page');
        await user.keyboard('?');
        const list = await screen.findByRole('dialog');
        expect(within(list).getAllByRole('heading').length).toBeGreaterThan(0);
        await user.keyboard('{Escape}');
        await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    });

    it('changes units by a key, but not while something is typed', async () => {
        const { user } = await open(<Shell>page</Shell>);
        const units = within(await screen.findByRole('group', { name: 'Units' })).getAllByRole('button');
        const pressed = () => units.findIndex((each) => each.getAttribute('aria-pressed') === 'true');
        expect(pressed()).toBe(0);
        await user.keyboard('u');
        expect(pressed()).toBe(1);
        await user.keyboard('uu');
        expect(pressed()).toBe(0);
        await user.type(screen.getByLabelText('Name of the build'), 'u');
        expect(pressed()).toBe(0);
    });

    it('takes a change back by the key and by the button, on whatever page it was made', async () => {
        const { user, server } = await open(<Shell>page</Shell>);
        const name = await screen.findByLabelText<HTMLInputElement>('Name of the build');
        expect(screen.getByRole('button', { name: 'Undo' })).toHaveProperty('disabled', true);
        await user.type(name, ' II{Enter}');
        await waitFor(() => expect(server.stored.version).toBe(2));
        await user.click(await screen.findByText('page'));
        await user.keyboard('{Control>}z{/Control}');
        await waitFor(() => expect(name.value).toBe('Heron Wharf'));
        expect(screen.getByRole('button', { name: 'Undo' })).toHaveProperty('disabled', true);
        expect(screen.getByRole('button', { name: 'Redo' })).toHaveProperty('disabled', false);
        await user.keyboard('{Control>}z{/Control}');
        expect(server.asked.filter((each) => each.path.endsWith('/undo'))).toHaveLength(1); // there is nothing more
    });

    it('says what is saved, that it is not while the server is away, and that what was typed is kept', async () => {
        const { user, server } = await open(<Shell>page</Shell>);
        await screen.findByText('Saved');
        server.isReachable = false;
        await user.type(screen.getByLabelText('Name of the build'), ' III{Enter}');
        expect((await screen.findByRole('alert')).textContent).toMatch(/cannot be reached.*What you typed is kept here/);
        expect(screen.getByText('Not saved')).toBeTruthy();
        server.isReachable = true;
        await waitFor(() => expect(screen.queryByRole('alert')).toBeNull(), { timeout: 4000 });
        expect(server.stored.document.name).toBe('Heron Wharf III');
        expect(screen.getByText('Saved')).toBeTruthy();
    });

    it('asks who counts when another window was quicker', async () => {
        const { user, server } = await open(<Shell>page</Shell>);
        const name = await screen.findByLabelText<HTMLInputElement>('Name of the build');
        server.says('POST builds/b1/edits', { message: 'Another window changed this build.', errors: [] }, 409);
        await user.type(name, ' mine{Enter}');
        const notice = await screen.findByRole('alert');
        expect(notice.textContent).toContain('Another window changed this build. Your last change is still here.');
        server.stored = { ...server.stored, version: 7, document: { ...server.stored.document, name: 'Theirs' } };
        await user.click(within(notice).getByRole('button', { name: 'Let mine go' }));
        await waitFor(() => expect(name.value).toBe('Theirs'));
        expect(screen.queryByRole('alert')).toBeNull();
    });
});

function Chains() {
    const { stored } = useBuild();
    useLinkKeys(stored.id, 'tide');
    return <ChainRow build={stored.id} chain={stored.assessment.chains.find((each) => each.motion === 'tide')!} current="load" />;
}

describe('a chain', () => {
    it('shows every link with its figure and verdict in words, and where one stands', async () => {
        const { server } = await open(<Chains />);
        const links = within(await screen.findByRole('navigation', { name: 'Chain of Tide' })).getAllByRole('link');
        const chain = server.stored.assessment.chains.find((each) => each.motion === 'tide')!;
        expect(links).toHaveLength(chain.links.length);
        expect(links.map((each) => each.getAttribute('aria-current'))).toEqual(chain.links.map((each) => (each.link === 'load' ? 'page' : null)));
        chain.links.forEach((link, i) =>
            expect(links[i]!.textContent).toContain({ holds: 'holds', tight: 'tight', fails: 'fails', not_said: 'not said' }[link.verdict]),
        );
    });

    it('is gone along by its numbers', async () => {
        const { user } = await open(<Chains />);
        await screen.findByRole('navigation', { name: 'Chain of Tide' });
        await user.keyboard('3');
        expect(where()).toBe('/builds/b1/motions/tide/drive');
        await user.keyboard('1');
        expect(where()).toBe('/builds/b1/motions/tide/task');
    });
});

const said = (text: string) => ({ text, template: text, values: {} }) as unknown as Finding['says'];
const fix = (does: string): Fix => ({ does: said(does), changes: [{ path: 'note', value: does }], costs: [said('5 g more')] }) as unknown as Fix;
const finding = (severity: Finding['severity'], says: string, fixes: Fix[] = []): Finding =>
    ({ severity, code: 'x', place: 'p', says: said(says), fixes, instead: null }) as unknown as Finding;

function Judged() {
    return (
        <>
            <TryPanel />
            <Findings
                findings={[
                    finding('note', 'A note.'),
                    finding('fails', 'It gives.', [fix('Take the large one')]),
                    finding('tight', 'It is tight.', [fix('Wait longer')]),
                ]}
            />
        </>
    );
}

describe('what gives', () => {
    it('stands worst first, with what can be done and what that costs', async () => {
        await open(<Judged />);
        const rows = within(await screen.findByRole('region', { name: 'What gives first' })).getAllByRole('listitem');
        expect(rows.map((each) => each.querySelector('strong')!.textContent)).toEqual(['Fails.', 'Tight.', 'Note.']);
        expect(rows[0]!.textContent).toContain('Try: Take the large one');
        expect(rows[0]!.textContent).toContain('5 g more');
    });

    it('is tried by a key before it is kept by another', async () => {
        const { user, server } = await open(<Judged />);
        await screen.findByText('It gives.');
        await user.keyboard('t');
        const panel = await screen.findByRole('region', { name: 'Try' });
        expect(panel.textContent).toContain('Trying: Take the large one');
        await within(panel).findByText('No link changes its number by this.');
        expect(server.edits).toEqual([]);
        await user.keyboard('k');
        expect(await edited()).toEqual({ path: 'note', value: 'Take the large one' });
        await waitFor(() => expect(screen.queryByRole('region', { name: 'Try' })).toBeNull());
    });

    it('is dropped without a trace by Escape', async () => {
        const { user, server } = await open(<Judged />);
        await user.click(await screen.findByRole('button', { name: 'Try: Wait longer' }));
        await screen.findByText('Trying: Wait longer');
        await user.keyboard('{Escape}');
        await waitFor(() => expect(screen.queryByRole('region', { name: 'Try' })).toBeNull());
        expect(server.edits).toEqual([]);
    });

    it('shows each link that would change, before and after, and that the chain closes', async () => {
        const { user, server } = await open(<Judged />);
        const after = structuredClone(server.stored);
        const bad = after.assessment.chains.find((each) => each.verdict === 'fails' || each.verdict === 'tight')!;
        bad.verdict = 'holds';
        bad.links[2] = { ...bad.links[2]!, verdict: 'holds', figure: said('1.9 ×') };
        server.says('POST builds/b1/try', after);
        await user.click(await screen.findByRole('button', { name: 'Try: Take the large one' }));
        const panel = await screen.findByRole('region', { name: 'Try' });
        await within(panel).findByText('1.9 ×');
        expect(
            within(panel)
                .getAllByRole('rowheader')
                .map((each) => each.textContent),
        ).toEqual([`${bad.name}, drive`]);
        expect(within(panel).getByText('The chain closes: nothing fails or is tight any more.')).toBeTruthy();
    });

    it('says why something could not be tried', async () => {
        const { user, server } = await open(<Judged />);
        server.says('POST builds/b1/try', { message: 'Refused.', errors: [{ field: 'note', message: 'There is no such drive.' }] }, 422);
        await user.click(await screen.findByRole('button', { name: 'Try: Take the large one' }));
        expect(await screen.findByText('There is no such drive.')).toBeTruthy();
        expect(screen.getByRole('button', { name: /^Keep/ })).toHaveProperty('disabled', true);
    });
});

describe('the log', () => {
    const read = { id: 'm9', motion: 'tide', from: 'high-water', to: 'low-water', measured_s: 4.2, on: '2026-05-30', note: 'warm' };
    const asked = (server: { asked: readonly { path: string; body: unknown }[] }) =>
        JSON.parse((server.asked.find((each) => each.path.endsWith('/log/read'))!.body as { text: string }).text) as object;

    it('asks what is meant by all that was typed, and writes down what that is', async () => {
        const { user, server } = await open(<LogPage />);
        server.says('POST builds/b1/log/read', { entries: [read], problems: [], wrong: 0 });
        await user.selectOptions(await screen.findByLabelText('Motion'), 'Tide');
        await user.selectOptions(screen.getByLabelText('From'), 'High water');
        await user.selectOptions(screen.getByLabelText('To'), 'Low water');
        await user.type(screen.getByLabelText('Measured time'), '4.2');
        await user.type(screen.getByLabelText('Note'), 'oiled');
        await user.selectOptions(screen.getByLabelText('It was'), 'warm from running');
        await user.type(screen.getByLabelText('Current on the way'), '240 mA');
        await user.click(screen.getByRole('button', { name: 'Write it down' }));
        const entry = await edited();
        expect(asked(server)).toEqual({ motion: 'tide', from: 'high-water', to: 'low-water', time: '4.2', note: 'oiled', warm: 'yes', current: '240 mA' });
        expect(entry.path).toBe(`log.${server.stored.document.log.length - 1}`);
        expect(entry.value).toEqual(read);
        expect(screen.getByText(/^How it was, and what else was measured: warm$/)).toBeTruthy(); // how it was stays for the next one
        expect(screen.getByLabelText<HTMLInputElement>('Current on the way').value).toBe('');
        await waitFor(() => expect(screen.getByLabelText<HTMLInputElement>('Measured time').value).toBe(''));
        expect(screen.getByLabelText<HTMLInputElement>('Note').value).toBe('');
    });

    it('says what is wrong at its field, keeps what was typed, and writes nothing down', async () => {
        const { user, server } = await open(<LogPage />);
        const problems = [
            { line: 1, field: 'time', message: '“soon” is not a number.' },
            { line: 1, field: 'supply', message: 'kg is a mass.' },
        ];
        server.says('POST builds/b1/log/read', { entries: [], problems, wrong: 1 });
        await user.type(await screen.findByLabelText('Measured time'), 'soon');
        await user.type(screen.getByLabelText('The supply gave'), '1 kg');
        await user.type(screen.getByLabelText('Measured time'), '{Enter}');
        expect((await screen.findAllByRole('alert')).map((each) => each.textContent)).toEqual(['“soon” is not a number.', 'kg is a mass.']);
        expect(screen.getByLabelText('Measured time').getAttribute('aria-invalid')).toBe('true');
        expect(screen.getByLabelText<HTMLInputElement>('The supply gave').value).toBe('1 kg');
        expect(server.edits).toEqual([]);
    });

    it('reads a table before it writes it down, and names the bad rows', async () => {
        const { user, server } = await open(<LogPage />);
        const before = server.stored.document.log;
        server.says('POST builds/b1/log/read', {
            entries: [read, { ...read, id: 'm10' }],
            problems: [{ line: 3, field: 'time', message: 'No time.' }],
            wrong: 2,
        });
        const many = within(await screen.findByRole('region', { name: 'Many at once' }));
        await user.click(many.getByLabelText('Measurements as a table'));
        await user.paste('motion,time');
        expect((await many.findByText(/Row 3, time/)).textContent).toBe('Row 3, time: No time.');
        expect(many.getByText('2 rows are wrong; these are the first.')).toBeTruthy();
        await user.click(many.getByRole('button', { name: 'Write all 2 down' }));
        expect(await edited()).toEqual({ path: 'log', value: [...before, read, { ...read, id: 'm10' }] });
        expect(many.getByLabelText<HTMLTextAreaElement>('Measurements as a table').value).toBe('');
    });

    it('takes a time with its watch', async () => {
        const { user } = await open(<LogPage />);
        await user.click(await screen.findByRole('button', { name: 'Start the watch' }));
        await new Promise((resolve) => setTimeout(resolve, 120));
        await user.click(screen.getByRole('button', { name: 'Stop the watch' }));
        const taken = screen.getByLabelText<HTMLInputElement>('Measured time').value;
        expect(taken).toMatch(/^\d+\.\d\d s$/);
        expect(Number.parseFloat(taken)).toBeGreaterThanOrEqual(0.12);
        expect(Number.parseFloat(taken)).toBeLessThan(5);
    });

    it('takes one measurement out and leaves the others', async () => {
        const { user, server } = await open(<LogPage />);
        const before = server.stored.document.log;
        const buttons = await screen.findAllByRole('button', { name: /^Take out the measurement/ });
        expect(buttons).toHaveLength(before.length);
        await user.click(buttons[0]!);
        expect(await edited()).toEqual({ path: 'log', value: before.slice(0, -1) }); // the newest stands first
    });
});

describe('settings', () => {
    it('say what is not as usual, and put it back in one', async () => {
        const usual = { peak_margin: { description: 'In hand.', default: 1.5 }, scan_s: { description: 'A look.', default: 0.005 } };
        atServer().says('GET schema/build', { properties: { settings: { properties: usual } } });
        const { server, user } = await open(<SettingsPage />);
        const margin = await screen.findByLabelText<HTMLInputElement>('Torque in hand, times the need');
        await screen.findByText('In hand. Usual: 1.5.');
        expect(screen.getByText('A look. Usual: 0.005 s.')).toBeTruthy();
        server.stored.document.settings.peak_margin = 1.5;
        await user.clear(margin);
        await user.type(margin, '2{Enter}');
        expect(await edited(1)).toEqual({ path: 'settings.peak_margin', text: '2', unit: '' });
        await screen.findByText(/torque in hand, times the need/);
        await user.click(screen.getByRole('button', { name: 'Put all back to usual' }));
        await edited(2);
        expect(server.edits.slice(1)).toContainEqual({ path: 'settings.peak_margin', value: 1.5 });
        await waitFor(() => expect(margin.value).toBe('1.5'));
    });
});

function World({ scenario }: { scenario: string | null }) {
    return <ScenarioEditor scenario={scenario} onChoose={() => undefined} />;
}

describe('what the world does', () => {
    it('begins a scenario, and throws one away', async () => {
        const { user, server } = await open(<World scenario="visitor" />);
        const count = server.stored.document.scenarios.length;
        await user.click(await screen.findByText(/^What the world does/));
        await user.click(screen.getByRole('button', { name: 'New scenario' }));
        expect(await edited(1)).toMatchObject({ path: `scenarios.${count}`, value: { until_s: 60, events: [], starts_at: [] } });
        await user.click(screen.getByRole('button', { name: 'Throw this one away' }));
        const left = (await edited(2)).value as { id: string }[];
        expect(left).toHaveLength(count);
        expect(left.map((each) => each.id)).not.toContain('visitor');
    });

    it('lets something more happen, a second after the last', async () => {
        const { user, server } = await open(<World scenario="visitor" />);
        const events = server.stored.document.scenarios[0]!.events;
        await user.selectOptions(await screen.findByLabelText('Something more happens'), 'the power goes or comes back');
        expect(await edited(1)).toEqual({ path: 'scenarios.0.events', value: [...events, { what: 'power', at_s: 10.5, is: 'off' }] });
        await user.click(await screen.findByRole('button', { name: 'Take event 2 out' }));
        expect((await edited(2)).value).toEqual([events[0], { what: 'power', at_s: 10.5, is: 'off' }]);
    });

    it('offers nothing that cannot happen to the build', async () => {
        await open(<World scenario="visitor" />);
        const more = await screen.findByLabelText<HTMLSelectElement>('Something more happens');
        const words = [...more.options].map((each) => each.text);
        expect(words).toContain('a wire breaks');
        expect(words).not.toContain('a hand changes a shared motor over'); // it has none
    });

    it('lets a motion stand elsewhere at first, once', async () => {
        const { user } = await open(<World scenario="visitor" />);
        await user.selectOptions(await screen.findByLabelText('Something stands elsewhere at first'), 'Drawbridge stands elsewhere');
        expect(await edited(1)).toEqual({ path: 'scenarios.0.starts_at', value: [{ motion: 'drawbridge', at: 80 }] });
        const at = await screen.findByLabelText<HTMLInputElement>('drawbridge stands at');
        expect(at.value).toBe('80');
        const rest = [...screen.getByLabelText<HTMLSelectElement>('Something stands elsewhere at first').options].map((each) => each.text);
        expect(rest).not.toContain('Drawbridge stands elsewhere');
        await user.click(screen.getByRole('button', { name: 'Let drawbridge stand where its task begins' }));
        expect(await edited(2)).toEqual({ path: 'scenarios.0.starts_at', value: [] });
    });
});

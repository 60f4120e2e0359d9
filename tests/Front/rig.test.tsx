import { screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { useRig } from '../../resources/js/rig/useRig';
import { atServer, open, type Server } from './bench';

interface Line {
    do: string;
    seconds?: number;
    event?: { what: string; is?: string };
}

function Rig() {
    const rig = useRig('b1', 1, null);
    return (
        <>
            <p data-testid="now">{rig.state === null ? 'not yet' : rig.state.now_s.toFixed(2)}</p>
            <p>{rig.isPlaying ? 'plays' : 'stands still'}</p>
            <p role="alert">{rig.problem}</p>
            <ol>
                {rig.words.map((word, i) => (
                    <li key={i}>{word.says.text}</li>
                ))}
            </ol>
            <button onClick={() => rig.happens({ what: 'sensor', sensor: 'beam', is: 'on' })}>break</button>
            <button onClick={() => rig.happens({ what: 'sensor', sensor: 'beam', is: 'off' })}>clear</button>
            <button onClick={() => rig.setPlaying(!rig.isPlaying)}>pause</button>
            <button onClick={rig.again}>again</button>
        </>
    );
}

/** A rig at the server that only counts the time and tells what it is told. */
function machine(server: Server): Line[] {
    const heard: Line[] = [];
    let now_s = 0;
    const state = (line: Line) => ({
        now_s,
        motions: [],
        events:
            line.event === undefined ? [] : [{ at_s: now_s, kind: 'input', says: { text: `${line.event.what} ${line.event.is}`, template: '', values: {} } }],
    });
    server.answersBy('POST builds/b1/rig', () => ({ status: 201, body: { id: 'r1', answers: [{ ok: true, state: state({ do: 'get' }) }] } }));
    server.answersBy('POST rig/r1/say', ({ body }) => {
        const answers = (body.lines as Line[]).map((line) => {
            heard.push(line);
            now_s += line.do === 'step' ? line.seconds! : 0;
            return { ok: true, state: state(line) };
        });
        return { status: 200, body: { answers } };
    });
    return heard;
}

const now = () => Number(screen.getByTestId('now').textContent);

describe('a live session', () => {
    it('goes on by the time that passes, and stands still when that is wanted', async () => {
        machine(atServer());
        const { user } = await open(<Rig />);
        await waitFor(() => expect(now()).toBeGreaterThan(0.2), { timeout: 5000 });
        await user.click(screen.getByText('pause'));
        await screen.findByText('stands still');
        await new Promise((resolve) => setTimeout(resolve, 150));
        const stood = now();
        await new Promise((resolve) => setTimeout(resolve, 300));
        expect(now()).toBe(stood);
    });

    it('says what happens in its order, and a click is a press of a moment', async () => {
        const heard = machine(atServer());
        const { user } = await open(<Rig />);
        await waitFor(() => expect(now()).toBeGreaterThan(0), { timeout: 5000 });
        await user.click(screen.getByText('break'));
        await user.click(screen.getByText('clear'));
        await waitFor(() => expect(heard.filter((line) => line.do === 'event').map((line) => line.event!.is)).toEqual(['on', 'off']));
        const [on, off] = heard.flatMap((line, i) => (line.do === 'event' ? [i] : []));
        expect(heard.slice(on, off).some((line) => line.do === 'step' && line.seconds! > 0)).toBe(true);
    });

    it('tells all that happened, also of what was said in one go', async () => {
        machine(atServer());
        const { user } = await open(<Rig />);
        await waitFor(() => expect(now()).toBeGreaterThan(0));
        await user.click(screen.getByText('break'));
        await user.click(screen.getByText('clear'));
        expect(await screen.findByText('sensor off')).toBeTruthy();
        expect(screen.getAllByRole('listitem').map((each) => each.textContent)).toEqual(['sensor on', 'sensor off']);
    });

    it('loses nothing that happened while the server was away', async () => {
        const heard = machine(atServer());
        const { user, server } = await open(<Rig />);
        await waitFor(() => expect(now()).toBeGreaterThan(0), { timeout: 5000 });
        server.isReachable = false;
        await user.click(screen.getByText('break'));
        await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(/cannot be reached/));
        await new Promise((resolve) => setTimeout(resolve, 250));
        server.isReachable = true;
        await waitFor(() => expect(heard.map((line) => line.event?.is)).toContain('on'), { timeout: 5000 });
        await waitFor(() => expect(screen.getByRole('alert').textContent).toBe(''));
        expect(heard.filter((line) => line.event !== undefined)).toHaveLength(1);
    });

    it('is the same machine after the page is loaded again, and another after a new beginning', async () => {
        machine(atServer());
        const { user, server, again } = await open(<Rig />);
        await waitFor(() => expect(now()).toBeGreaterThan(0.1), { timeout: 5000 });
        const before = now();
        again();
        await waitFor(() => expect(now()).toBeGreaterThanOrEqual(before), { timeout: 5000 });
        const opened = () => server.asked.filter((each) => each.path === 'builds/b1/rig').length;
        expect(opened()).toBe(1);
        await user.click(screen.getByText('again'));
        await waitFor(() => expect(opened()).toBe(2));
    });

    it('says what the machine refused', async () => {
        machine(atServer());
        atServer().says('POST rig/r1/say', { answers: [{ ok: false, errors: [{ field: 'lines.0', message: 'There is no sensor beam.' }] }] });
        await open(<Rig />);
        await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('There is no sensor beam.'), { timeout: 5000 });
    });
});

import { fireEvent, screen, within as inside } from '@testing-library/react';
import { describe, expect, inject, it } from 'vitest';
import { around, asWritten, bodyPlace, LOOKS, onMat, placed, pointOf, STILL, wayBack, wayOf, within } from '../../resources/js/mat/space';
import { StagePage } from '../../resources/js/pages/StagePage';
import { atServer, edited, open } from './bench';

const given = () => structuredClone(inject('stage'));

/** The page of a machine that stands there. */
const page = async () => {
    const { document, assessment, report } = given();
    const server = atServer();
    server.stored = { ...server.stored, document, assessment: { ...assessment, rehearsed: true, tried: true } };
    server.says('GET builds/b1/stage', report);
    server.says('POST builds/b1/stage/pose', report.pose);
    const opened = await open(<StagePage />, '/builds/b1/stage');
    await screen.findByRole('group', { name: 'From the front' });
    return opened;
};

const onFront = () => inside(screen.getByRole('group', { name: 'From the front' }));

describe('space', () => {
    it('has everything where the core has it, in any pose', () => {
        const { report, pose, middles } = given();
        const all = placed(report, pose);
        for (const body of report.bodies.filter((each) => each.motion !== null)) {
            const at = bodyPlace(body, all).slice(9);
            middles[`${body.motion}/${body.id}`]!.forEach((each, i) => expect(at[i]).toBeCloseTo(each, 9));
        }
    });

    it('places all by the document as the core places it, raised ends too', () => {
        const { report, document } = given();
        const drawn = asWritten(report, document);
        const near = (one: number[], other: number[]) => one.forEach((each, i) => expect(each).toBeCloseTo(other[i]!, 12));
        drawn.motions.forEach((motion, i) => near(motion.mount, report.motions[i]!.mount));
        drawn.bodies.forEach((body, i) => near(body.at, report.bodies[i]!.at));
    });

    it('leaves at rest what a pose leaves out', () => {
        const { report } = given();
        const rest = Object.fromEntries(report.motions.map((motion) => [motion.id, motion.rest]));
        expect(placed(report, {})).toEqual(placed(report, rest));
    });

    it('goes there and back', () => {
        const { report, pose } = given();
        const place = placed(report, pose).jaw!.moved;
        const back = wayBack(place, wayOf(place, [0.1, -0.2, 0.3]));
        [0.1, -0.2, 0.3].forEach((each, i) => expect(back[i]).toBeCloseTo(each, 12));
        expect(pointOf(within(STILL, place), [0, 0, 0])).toEqual(place.slice(9));
    });

    it('finds what is around a heap of points, anticlockwise', () => {
        const hull = around([
            { x: 1, y: 1 },
            { x: 0, y: 0 },
            { x: 2, y: 0 },
            { x: 2, y: 2 },
            { x: 1, y: 0 },
            { x: 0, y: 2 },
        ]);
        expect(hull).toEqual([
            { x: 0, y: 0 },
            { x: 2, y: 0 },
            { x: 2, y: 2 },
            { x: 0, y: 2 },
        ]);
    });

    it('looks from three sides: what is to the right, up and near', () => {
        expect([onMat(LOOKS.front, [1, 2, 3]), onMat(LOOKS.side, [1, 2, 3]), onMat(LOOKS.above, [1, 2, 3])]).toEqual([
            { x: 1000, y: 3000 },
            { x: 2000, y: 3000 },
            { x: 1000, y: 2000 },
        ]);
    });
});

describe('the stage', () => {
    it('shows every body on every mat, and says what is nearest', async () => {
        await page();
        for (const side of ['From the front', 'From the right', 'From above']) {
            const mat = inside(screen.getByRole('group', { name: side }));
            expect(mat.getByRole('button', { name: new RegExp(`^Skull of Head, ${side.toLowerCase()}`) })).toBeTruthy();
            expect(mat.getAllByRole('button')).toHaveLength(13 + 5);
        }
        expect(screen.getByRole('status').textContent).toMatch(/^In this pose: 12.mm between Skull of Head and Chin of Jaw\. It stands/);
    });

    it('moves a thing by the arrow keys, a millimetre or ten, as it looks on that mat', async () => {
        await page();
        const post = onFront().getByRole('button', { name: /^Door post/ });
        fireEvent.keyDown(post, { key: 'ArrowLeft' });
        expect(await edited()).toEqual({ path: 'things.3.x_m', value: 0.449 });
        fireEvent.keyDown(inside(screen.getByRole('group', { name: 'From above' })).getByRole('button', { name: /^Door post/ }), {
            key: 'ArrowUp',
            shiftKey: true,
        });
        expect(await edited(2)).toEqual({ path: 'things.3.y_m', value: -0.04 });
    });

    it('moves a body as what carries it sees that: a head that looks at you has its front there', async () => {
        await page();
        fireEvent.keyDown(onFront().getByRole('button', { name: /^Nose of Head/ }), { key: 'ArrowRight' });
        // The neck points towards you, −90°: to the right on the front mat is to its left, its own y.
        expect(await edited()).toEqual({ path: 'motions.1.bodies.1.y_m', value: 0.001 });
    });

    it('drags what is held, and writes it down when it is let go', async () => {
        await page();
        const mat = screen.getByRole('group', { name: 'From the front' });
        mat.getBoundingClientRect = () => ({ left: 0, top: 0, width: 560, height: 380 }) as DOMRect;
        const post = onFront().getByRole('button', { name: /^Door post/ });
        fireEvent.pointerDown(post, { clientX: 300, clientY: 200 });
        fireEvent.pointerMove(mat, { clientX: 340, clientY: 200 });
        expect(atServer().edits).toEqual([]);
        fireEvent.pointerUp(mat);
        const edit = await edited();
        expect(edit.path).toBe('things.3.x_m');
        expect(edit.value as number).toBeGreaterThan(0.5);
    });

    it('shows the fields of what is picked in the list, and adds a body to it', async () => {
        const { user } = await page();
        await user.click(screen.getByRole('button', { name: 'Jaw' }));
        expect(screen.getByLabelText('Stands on')).toHaveProperty('value', 'head');
        await user.click(screen.getByRole('button', { name: 'Add a body to Jaw' }));
        expect(await edited()).toEqual({ path: 'motions.2.bodies.1', value: { id: 'part', name: 'Part 2', length_m: 0.1 } });
    });

    it('takes a thing away, and only that', async () => {
        const { user } = await page();
        await user.click(screen.getByRole('button', { name: /^Door post in the way$/ }));
        await user.click(screen.getByRole('button', { name: 'Take it away' }));
        const edit = await edited();
        expect(edit.path).toBe('things');
        expect((edit.value as { id: string }[]).map((each) => each.id)).toEqual(['plate', 'torso', 'box', 'child']);
    });

    it('shows the pose in which most is asked of a motion', async () => {
        const { server, user } = await page();
        const neck = screen.getByRole('slider', { name: /Neck/ });
        expect(neck).toHaveProperty('value', '0');
        await user.click(screen.getAllByRole('button', { name: 'Show that' })[0]!);
        expect(Number((screen.getByRole('slider', { name: /Head/ }) as HTMLInputElement).value)).toBeCloseTo(15, 0);
        await screen.findByRole('status');
        const asked = server.asked.filter((each) => each.path.endsWith('stage/pose')).map((each) => each.body.pose as Record<string, number>);
        expect(asked.at(-1)!.head).toBeCloseTo(15, 0);
        await user.click(screen.getByRole('button', { name: 'All at rest' }));
        expect(Number((screen.getByRole('slider', { name: /Head/ }) as HTMLInputElement).value)).toBeCloseTo(0, 0);
    });
});

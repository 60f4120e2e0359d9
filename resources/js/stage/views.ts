import { useState } from 'react';
import type { Build, StageBody, StageReport } from '../api/types';
import { box, type Box } from '../mat/geometry';
import { bodyPlace, cornersOf, LOOKS, onMat, pointOf, type Look, type placed, type Point3 } from '../mat/space';

/** What stands about is shown so far from the machine, or so much of its size. */
const NEAR_MM = 250;

const NEAR_SHARE = 0.3;

const LEAST_SHARE = 0.3; // of a view: less than that is looked at from nearer

const ROOM = 1.12;

export const NAMES = ['front', 'side', 'above'] as const;

type Boxes = Record<(typeof NAMES)[number], Box>;

export const SIZES = { front: { width: 560, height: 380 }, side: { width: 340, height: 380 }, above: { width: 560, height: 250 } };

/** The same view as before, as long as everything has its place in it and it is not far too large. */
export function useSteady(needed: Boxes): Boxes {
    const [shown, show] = useState(needed);
    const fits = NAMES.every(
        (name) =>
            needed[name].left >= shown[name].left &&
            needed[name].right <= shown[name].right &&
            needed[name].bottom >= shown[name].bottom &&
            needed[name].top <= shown[name].top,
    );
    const isLarge = NAMES.some((name) => needed[name].right - needed[name].left > LEAST_SHARE * (shown[name].right - shown[name].left));
    if (!fits || !isLarge) {
        const next = roomy(needed);
        if (JSON.stringify(next) !== JSON.stringify(shown)) {
            show(next);
        }
        return next;
    }
    return shown;
}

/** What each mat has to show: the machine, and of what stands about it as much as is near. */
export function boxesOf(document: Build, report: StageReport, all: ReturnType<typeof placed>): Boxes {
    const corners = (body: StageBody) =>
        cornersOf(body, bodyPlace(body, all)).flatMap((corner): Point3[] => [
            corner.map((each) => each - body.skin_m) as Point3,
            corner.map((each) => each + body.skin_m) as Point3,
        ]);
    const isOwn = (body: StageBody) => body.motion !== null || document.things[body.index]?.is === 'frame';
    const own: Point3[] = [
        ...report.motions.map((motion) => pointOf(all[motion.id]!.stands, [0, 0, 0])),
        ...report.bodies.filter(isOwn).flatMap(corners),
        ...(report.motions.length === 0
            ? ([
                  [-0.2, -0.2, 0],
                  [0.2, 0.2, 0.3],
              ] satisfies Point3[])
            : []),
    ];
    const others = report.bodies.flatMap(corners);
    const of = (look: Look): Box => {
        const core = box(own.map((point) => onMat(look, point)));
        const whole = box([...own, ...others].map((point) => onMat(look, point)));
        const near = Math.max(NEAR_MM, NEAR_SHARE * Math.max(core.right - core.left, core.top - core.bottom));
        return {
            left: Math.max(whole.left, core.left - near),
            right: Math.min(whole.right, core.right + near),
            bottom: Math.max(whole.bottom, core.bottom - near),
            top: Math.min(whole.top, core.top + near),
        };
    };
    return { front: of(LOOKS.front), side: of(LOOKS.side), above: of(LOOKS.above) };
}

/** All of them to one scale, with some room about. */
function roomy(needed: Boxes): Boxes {
    const room = (name: (typeof NAMES)[number]) => ({ width: SIZES[name].width - 48, height: SIZES[name].height - 40 });
    const scale = Math.min(
        ...NAMES.map((name) => {
            const { left, right, bottom, top } = needed[name];
            return Math.min(room(name).width / Math.max(10, right - left), room(name).height / Math.max(10, top - bottom)) / ROOM;
        }),
    );
    const about = (name: (typeof NAMES)[number]): Box => {
        const { left, right, bottom, top } = needed[name];
        const [w, h] = [room(name).width / scale, room(name).height / scale];
        return { left: (left + right - w) / 2, right: (left + right + w) / 2, bottom: (bottom + top - h) / 2, top: (bottom + top + h) / 2 };
    };
    return { front: about('front'), side: about('side'), above: about('above') };
}

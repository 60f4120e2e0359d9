import type { TrainWheel } from '../api/types';
import type { Point } from './geometry';

/** The outline of a toothed wheel around (0, 0), mm: teeth to scale, their flanks straight. A tooth points to the right. */
export function toothed(wheel: Pick<TrainWheel, 'teeth' | 'pitch_mm' | 'outside_mm'>): Point[] {
    const out = wheel.outside_mm;
    const root = Math.max(wheel.pitch_mm - 1.25 * (out - wheel.pitch_mm), wheel.pitch_mm * 0.4);
    const pitch = (2 * Math.PI) / wheel.teeth;
    const at = (radius: number, angle: number): Point => ({ x: radius * Math.cos(angle), y: radius * Math.sin(angle) });
    return Array.from({ length: wheel.teeth }, (_, i) => i * pitch).flatMap((middle) => [
        at(root, middle - pitch * 0.34),
        at(out, middle - pitch * 0.13),
        at(out, middle + pitch * 0.13),
        at(root, middle + pitch * 0.34),
    ]);
}

/**
 * How far each wheel is turned, radians, so that the teeth of every pair stand in the gaps of the other; what sits on one shaft turns
 * together. The shaft of the drive is turned by the given angle.
 */
export function turned(wheels: TrainWheel[], drive: number): Map<TrainWheel, number> {
    const angles = new Map<TrainWheel, number>();
    const shafts = new Map<number, number>([[0, drive]]);
    const stages = [...new Set(wheels.map((wheel) => wheel.stage))].sort((a, b) => a - b);
    for (const stage of stages) {
        const driven = wheels.find((wheel) => wheel.stage === stage && !wheel.driver);
        const driver = wheels.find((wheel) => wheel.stage === stage && wheel.driver) ?? wheels.find((wheel) => wheel.stage === stage - 1 && !wheel.driver)!;
        const from = angles.get(driver) ?? shafts.get(driver.shaft) ?? 0;
        angles.set(driver, from);
        if (driven === undefined) {
            shafts.set(driver.shaft + 1, from); // a rack, screw or pawl: what follows turns along
            continue;
        }
        const along = Math.atan2(driven.y_mm - driver.y_mm, driven.x_mm - driver.x_mm);
        const share = driver.teeth / driven.teeth;
        const meshes = driven.type === 'spur' || driven.type === 'bevel' || driven.type === 'crown';
        const to = meshes ? along + Math.PI + Math.PI / driven.teeth - (from - along) * share : from * share;
        angles.set(driven, to);
        shafts.set(driven.shaft, to);
    }
    return angles;
}

/** The multiple of a step that is nearest; where there is none, to a tenth of a millimetre. */
export function snapped(value: number, step: number | null): number {
    const to = step ?? 0.1;
    return Math.round(Math.round(value / to) * to * 1e4) / 1e4;
}

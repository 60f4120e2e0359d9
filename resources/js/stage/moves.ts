import type { Build } from '../api/types';
import type { Picked } from '../mat/StageMat';
import type { Point3 } from '../mat/space';

/** What a drag or an arrow key writes down, to a tenth of a millimetre. */
export function movedBy(document: Build, of: Picked, by: Point3): { path: string; value: number }[] {
    const index = document.motions.findIndex((motion) => motion.id === of.motion);
    const motion = document.motions[index];
    const i = (motion?.bodies ?? document.things).findIndex((body) => body.id === of.body);
    const [path, from] =
        of.body === null
            ? [`motions.${index}.mount`, motion?.mount]
            : [motion === undefined ? `things.${i}` : `motions.${index}.bodies.${i}`, (motion?.bodies ?? document.things)[i]];
    return (['x_m', 'y_m', 'z_m'] as const)
        .map((axis, k) => ({ path: `${path}.${axis}`, value: Math.round(((from?.[axis] ?? 0) + by[k]!) * 1e4) / 1e4, by: by[k]! }))
        .filter((each) => Math.abs(each.by) > 1e-6)
        .map(({ path, value }) => ({ path, value }));
}

/** The document with a value at a path. */
export function written(document: Build, { path, value }: { path: string; value: number }): Build {
    const put = (at: unknown, keys: string[]): unknown => {
        if (keys.length === 0) return value;
        const [key, ...rest] = keys as [string, ...string[]];
        return Array.isArray(at)
            ? at.map((each: unknown, i) => (String(i) === key ? put(each, rest) : each))
            : { ...(at as Record<string, unknown>), [key]: put((at as Record<string, unknown>)[key], rest) };
    };
    return put(document, path.split('.')) as Build;
}

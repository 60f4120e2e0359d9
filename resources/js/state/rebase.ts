/** A value at a dotted path of a document, `undefined` where there is none. */
export function valueAt(document: unknown, path: string): unknown {
    return path.split('.').reduce<unknown>((at, key) => (typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[key] : undefined), document);
}

/**
 * A list as it was to become when it read `base`, now that it reads `now`: what came in meanwhile is in it, what was taken
 * out meanwhile is not. Anything but lists is as it was to become. An entry with an id that both changed is as `mine` has it.
 */
export function rebased(base: unknown, mine: unknown, now: unknown): unknown {
    if (!Array.isArray(base) || !Array.isArray(mine) || !Array.isArray(now)) {
        return mine;
    }
    const result = without(mine, without(base, now));
    for (const entry of without(now, base)) {
        if (result.some((each) => sameId(each, entry))) {
            continue;
        }
        const before = (now as unknown[]).slice(0, now.indexOf(entry));
        const at = result.findLastIndex((each) => before.some((other) => same(each, other)));
        result.splice(at < 0 && before.length > 0 ? result.length : at + 1, 0, entry);
    }
    return result;
}

/** The entries of a list that another has not, each as often as it is there more. */
function without(list: unknown[], other: unknown[]): unknown[] {
    const left = other.map((each) => JSON.stringify(each));
    return list.filter((each) => {
        const at = left.indexOf(JSON.stringify(each));
        if (at >= 0) {
            left.splice(at, 1);
        }
        return at < 0;
    });
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

function sameId(a: unknown, b: unknown): boolean {
    const id = valueAt(a, 'id');
    return id !== undefined && id === valueAt(b, 'id');
}

/** A value at a dotted path of a document, `undefined` where there is none. */
export function valueAt(document: unknown, path: string): unknown {
    return path.split('.').reduce<unknown>((at, key) => (typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[key] : undefined), document);
}

/**
 * A list as it was to become when it read `base`, now that it reads `now`: what came in meanwhile is in it, what was taken out meanwhile is not, what was
 * changed meanwhile is changed. Anything but lists is as it was to become, and so is an entry that both changed.
 */
export function rebased(base: unknown, mine: unknown, now: unknown): unknown {
    if (!Array.isArray(base) || !Array.isArray(mine) || !Array.isArray(now)) {
        return mine;
    }
    const meanwhile = became(base, now);
    const since = new Map(meanwhile.map((entry) => [entry.from, entry]));
    const result: Entry[] = [];
    became(base, mine).forEach((entry) => {
        const isAsItWas = entry.from !== null && JSON.stringify(entry.is) === JSON.stringify(base[entry.from]);
        const other = isAsItWas ? since.get(entry.from) : entry;
        if (other !== undefined) {
            result.push(other);
        }
    });
    meanwhile.forEach(({ from, is }, i) => {
        if (from !== null || result.some((each) => sameId(each.is, is))) {
            return;
        }
        const before = meanwhile.slice(0, i);
        const at = result.findLastIndex((each) => before.some((other) => other === each || (other.from !== null && other.from === each.from)));
        result.splice(at < 0 && before.length > 0 ? result.length : at + 1, 0, meanwhile[i]!);
    });
    return result.map((each) => each.is);
}

/** An entry of a list that came of another list: of which of its entries, null where it is new. */
interface Entry {
    from: number | null;
    is: unknown;
}

/** Which entry came of which: those that stand as they stood, then what moved as it is, then what stands between the same two. */
function became(base: unknown[], list: unknown[]): Entry[] {
    const [was, are] = [base.map((each) => JSON.stringify(each)), list.map((each) => JSON.stringify(each))];
    const from: (number | null)[] = list.map(() => null);
    const kept = commonPairs(was, are);
    const gone = new Set(was.keys());
    const link = (b: number, i: number) => {
        from[i] = b;
        gone.delete(b);
    };
    kept.forEach(([b, i]) => link(b, i));
    are.forEach((is, i) => {
        const b = from[i] === null ? [...gone].find((each) => was[each] === is) : undefined;
        if (b !== undefined) {
            link(b, i);
        }
    });
    [[-1, -1] as const, ...kept].forEach(([b, i], k) => {
        const [nextB, nextI] = kept[k] ?? [base.length, list.length];
        const [left, came] = [
            [...gone].filter((each) => each > b && each < nextB),
            [...are.keys()].filter((each) => each > i && each < nextI && from[each] === null),
        ];
        came.slice(0, left.length).forEach((each, j) => link(left[j]!, each));
    });
    return list.map((is, i) => ({ from: from[i]!, is }));
}

/** A longest common subsequence, as pairs of places. */
function commonPairs(a: string[], b: string[]): [number, number][] {
    const longest = Array.from({ length: a.length + 1 }, () => new Array<number>(b.length + 1).fill(0));
    for (let i = a.length - 1; i >= 0; i--) {
        for (let j = b.length - 1; j >= 0; j--) {
            longest[i]![j] = a[i] === b[j] ? longest[i + 1]![j + 1]! + 1 : Math.max(longest[i + 1]![j]!, longest[i]![j + 1]!);
        }
    }
    const pairs: [number, number][] = [];
    for (let i = 0, j = 0; i < a.length && j < b.length;) {
        if (a[i] === b[j]) {
            pairs.push([i++, j++]);
        } else if (longest[i + 1]![j]! >= longest[i]![j + 1]!) {
            i++;
        } else {
            j++;
        }
    }
    return pairs;
}

function sameId(a: unknown, b: unknown): boolean {
    const id = valueAt(a, 'id');
    return id !== undefined && id === valueAt(b, 'id');
}

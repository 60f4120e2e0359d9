import type { Build, Edit } from '../api/types';

type Motion = Build['motions'][number];
type Selector = NonNullable<NonNullable<Motion['drive']>['selector']>;

const BY_HAND: Selector = { motion: null, place: null, other: null, tells: null };

/** The motion whose motor moves one, where that shares it. */
export function ownerOf(motions: Motion[], id: string): string {
    const met = new Set<string>();
    for (let at = id; ;) {
        const shares = motions.find((each) => each.id === at)?.drive?.shares ?? null;
        if (shares === null || met.has(at)) return at;
        met.add(at);
        at = shares;
    }
}

/** All that share one motor with the motion that has it, that one left out, each with its place in the document. */
export function followersOf(motions: Motion[], owner: string): { motion: Motion; index: number }[] {
    return motions
        .map((motion, index) => ({ motion, index }))
        .filter(({ motion }) => motion.id !== owner && (motion.drive?.shares ?? null) !== null && ownerOf(motions, motion.id) === owner);
}

/** Moved through a selector that it has together with others. */
export function isSelected(motions: Motion[], id: string): boolean {
    const followers = followersOf(motions, ownerOf(motions, id));
    return followers[0]?.motion.drive?.shares_by === 'selector';
}

/** What a motion takes over from those that share that motor already: all on one motor share it in one way, and through one selector. */
export function joining(motions: Motion[], motion: Motion, to: string, path: string): Edit[] {
    const [usual] = followersOf(motions, ownerOf(motions, to)).filter((each) => each.motion.id !== motion.id);
    const drive = usual?.motion.drive;
    if (drive === undefined || drive === null) return [];
    const selector = drive.selector ?? BY_HAND;
    return [
        { path: `${path}.drive.shares_by`, value: drive.shares_by },
        {
            path: `${path}.drive.selector`,
            value: selector.motion === null ? null : { ...selector, place: freePlace(motions, selector, motion.id, to), tells: null },
        },
    ];
}

function freePlace(motions: Motion[], selector: Selector, id: string, to: string): string | null {
    const taken = [
        selector.other,
        ...followersOf(motions, ownerOf(motions, to))
            .filter((each) => each.motion.id !== id)
            .map((each) => each.motion.drive?.selector?.place),
    ];
    return motions.find((each) => each.id === selector.motion)?.places.find((place) => !taken.includes(place.id))?.id ?? null;
}

/** The others on its motor, told the same. */
export function together(motions: Motion[], motion: Motion, change: (drive: NonNullable<Motion['drive']>, path: string) => Edit): Edit[] {
    return followersOf(motions, ownerOf(motions, motion.id)).flatMap(({ motion: each, index }) =>
        each.id === motion.id || each.drive === null ? [] : [change(each.drive, `motions.${index}.drive`)],
    );
}

/** A servo, or a hand, that changes all of them over: each has a place of its own, as far as there are any; what has the motor has the last. */
export function changedOverBy(motions: Motion[], motion: Motion, servo: string): { own: Selector; others: Edit[] } {
    const places = motions.find((each) => each.id === servo)?.places.map((place) => place.id) ?? [];
    const followers = followersOf(motions, ownerOf(motions, motion.id));
    const other = places[followers.length] ?? places.at(-1) ?? null;
    const of = (id: string, selector: Selector | null): Selector => ({
        ...(selector ?? BY_HAND),
        motion: servo === '' ? null : servo,
        place: places[followers.findIndex((each) => each.motion.id === id)] ?? null,
        other,
    });
    return {
        own: of(motion.id, motion.drive?.selector ?? null),
        others: followers
            .filter((each) => each.motion.id !== motion.id)
            .map(({ motion: each, index }) => ({ path: `motions.${index}.drive.selector`, value: of(each.id, each.drive?.selector ?? null) })),
    };
}

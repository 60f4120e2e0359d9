import { ChoiceField } from '../fields/PlainFields';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { changedOverBy, joining, ownerOf, together } from '../state/motors';

const WAYS = [
    { value: 'selector', label: 'a selector' },
    { value: 'direction', label: 'its direction of turn' },
    { value: 'in_turn', label: 'which is lightest: it goes first' },
    { value: 'rectifier', label: 'all: the first always forwards' },
];

/** What else the motor moves, and what decides which of them goes. */
export function SharedMotorFields({ motion, path }: { motion: MotionHandle['motion']; path: string }) {
    const { stored } = useBuild();
    const { motions } = stored.document;
    const { drive } = motion;
    const others = motions.filter((each) => each.id !== motion.id);
    if (drive === null || others.length === 0) {
        return null;
    }
    return (
        <>
            <ChoiceField
                label="The same motor moves"
                path={`${path}.drive.shares`}
                value={drive.shares ?? ''}
                choices={[{ value: '', label: 'only this' }, ...others.map((each) => ({ value: each.id, label: `${each.name} too` }))]}
                toValue={(value) => (value === '' ? null : value)}
                also={(to) => (to === '' ? [] : joining(motions, motion, to, path))}
            />
            {drive.shares !== null && (
                <ChoiceField
                    label="Which of them, says"
                    path={`${path}.drive.shares_by`}
                    value={drive.shares_by}
                    choices={WAYS}
                    also={(way) => together(motions, motion, (_, at) => ({ path: `${at}.shares_by`, value: way }))}
                />
            )}
            {drive.shares !== null && drive.shares_by === 'selector' && <SelectorFields motion={motion} path={`${path}.drive.selector`} />}
        </>
    );
}

const BY_HAND = { motion: null, place: null, other: null, tells: null };

/** What changes a shared motor over, and what tells which of them it holds. */
function SelectorFields({ motion, path }: { motion: MotionHandle['motion']; path: string }) {
    const { stored } = useBuild();
    const { motions, sensors } = stored.document;
    const selector = motion.drive?.selector ?? BY_HAND;
    const owner = motions.find((each) => each.id === ownerOf(motions, motion.id));
    const servos = motions.filter((each) => each.drive?.motor.kind === 'servo' && ownerOf(motions, each.id) !== owner?.id);
    const moved = motions.find((each) => each.id === selector.motion);
    const places = (moved?.places ?? []).map((place) => ({ value: place.id, label: place.name }));
    const swapped = (field: 'place' | 'other', to: string) => ({
        ...selector,
        [field]: to,
        ...(selector[field === 'place' ? 'other' : 'place'] === to ? { [field === 'place' ? 'other' : 'place']: selector[field] } : {}),
    });
    return (
        <>
            <ChoiceField
                label="It is changed over by"
                path={path}
                value={selector.motion ?? ''}
                choices={[{ value: '', label: 'a hand' }, ...servos.map((each) => ({ value: each.id, label: each.name }))]}
                toValue={(servo) => changedOverBy(motions, motion, servo).own}
                also={(servo) => changedOverBy(motions, motion, servo).others}
            />
            {moved !== undefined && (
                <ChoiceField
                    label={`It moves ${motion.name} at`}
                    path={path}
                    value={selector.place ?? ''}
                    choices={places}
                    toValue={(to) => swapped('place', to)}
                    also={(to) =>
                        together(motions, motion, (drive, at) => ({
                            path: `${at}.selector`,
                            value: { ...(drive.selector ?? BY_HAND), other: swapped('place', to).other },
                        }))
                    }
                />
            )}
            {moved !== undefined && (
                <ChoiceField
                    label={`It moves ${owner?.name ?? 'the other'} at`}
                    path={path}
                    value={selector.other ?? ''}
                    choices={places}
                    toValue={(to) => swapped('other', to)}
                    also={(to) => together(motions, motion, (drive, at) => ({ path: `${at}.selector`, value: { ...(drive.selector ?? BY_HAND), other: to } }))}
                />
            )}
            <ChoiceField
                label={`Told that it holds ${motion.name} by`}
                path={path}
                value={selector.tells ?? ''}
                choices={[
                    { value: '', label: 'nothing' },
                    ...sensors.filter((each) => each.motion === null).map((each) => ({ value: each.id, label: each.name })),
                ]}
                toValue={(id) => ({ ...selector, tells: id === '' ? null : id })}
            />
        </>
    );
}

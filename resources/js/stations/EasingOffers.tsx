import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { useTrying } from '../chain/trying';
import { useBuild, type MotionHandle } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { STATION_BUTTON } from './StationFields';

/** Counterweight and spring in the size that halves the worst torque, and what they do to the way back and without power. */
export function EasingOffers({ handle: { motion } }: { handle: MotionHandle }) {
    const { stored } = useBuild();
    const { text, say } = useSpeaking();
    const choose = useTrying((state) => state.choose);
    const { data } = useQuery({
        queryKey: ['easing', stored.id, motion.id, stored.version],
        queryFn: () => api.easing(stored.id, motion.id),
        placeholderData: (before) => before,
        staleTime: Infinity,
    });
    if (data === undefined || data.length === 0) {
        return null;
    }
    return (
        <section aria-label="To halve the load">
            <h2 className="mb-1 text-[1.05rem]">To halve the load</h2>
            <ul className="divide-y divide-line border-y border-line">
                {data.map((offer) => (
                    <li key={offer.way} className="py-2">
                        <p>
                            <strong>{say(offer.size)}</strong>: {text({ si: offer.worst_before_Nm, dimension: 'torque' })} becomes{' '}
                            {text({ si: offer.worst_after_Nm, dimension: 'torque' })}
                            {offer.margin_after === null ? '' : `, margin ${significant(offer.margin_after, 3)} ×`}.
                        </p>
                        <p className="text-quiet">
                            {say(offer.back)} {say(offer.unpowered)}
                        </p>
                        <button type="button" className={`mt-1 ${STATION_BUTTON}`} onClick={() => void choose(stored, offer.fix)}>
                            Try the {offer.way}
                        </button>
                    </li>
                ))}
            </ul>
        </section>
    );
}

import type { usePlayhead } from '../routine/usePlayhead';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';

/** What is played: a routine, started by hand. */
export function Playing({
    routine,
    onRoutine,
    play,
    took,
}: {
    routine: string | null;
    onRoutine: (routine: string | null) => void;
    play: ReturnType<typeof usePlayhead>;
    took: number | undefined;
}) {
    const { routines } = useBuild().stored.document;
    if (routines.length === 0) {
        return null;
    }
    return (
        <div className="flex items-center gap-2">
            <label className="flex items-center gap-2">
                <span className="text-quiet">Play</span>
                <select
                    className="border border-line bg-well px-2 py-1"
                    value={routine ?? ''}
                    onChange={(event) => {
                        play.seek(0);
                        onRoutine(event.target.value === '' ? null : event.target.value);
                    }}
                >
                    <option value="">a routine …</option>
                    {routines.map((each) => (
                        <option key={each.id} value={each.id}>
                            {each.name}
                        </option>
                    ))}
                </select>
            </label>
            {took !== undefined && routine !== null && (
                <>
                    <input
                        type="range"
                        aria-label="Time"
                        className="w-40 accent-accent"
                        min={0}
                        max={took}
                        step={took / 500 || 0.01}
                        value={play.time}
                        onChange={(event) => play.seek(Number(event.target.value))}
                    />
                    <span className="w-14 text-right">{significant(play.time, play.time < 10 ? 2 : 3)} s</span>
                    <button type="button" className="border border-line bg-sheet px-3 py-1 hover:bg-well" onClick={play.toggle}>
                        {play.isPlaying ? 'Pause' : 'Play'}
                    </button>
                </>
            )}
        </div>
    );
}

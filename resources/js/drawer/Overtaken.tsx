import { STATION_BUTTON } from '../stations/StationFields';

/** Another tab was quicker: what is typed here stays until somebody says which of both counts. */
export function Overtaken({ onTheirs, onMine }: { onTheirs: () => void; onMine: () => void }) {
    return (
        <p className="mt-1 flex flex-wrap items-center gap-2">
            What you typed still stands here.
            <button type="button" className={STATION_BUTTON} onClick={onTheirs}>
                Show what is kept now
            </button>
            <button type="button" className={STATION_BUTTON} onClick={onMine}>
                Put mine in its place
            </button>
        </p>
    );
}

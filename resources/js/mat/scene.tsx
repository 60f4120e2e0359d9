import type { Curves, Mechanism, Motion } from '../api/types';
import type { Box, Frame, Point } from './geometry';
import { TrackMarks, type Track } from './track';

/** What a drawing on the mat is given. */
export interface Scene<M extends Mechanism = Mechanism> {
    motion: Motion;
    thing: M;
    curves: Curves;
    frame: Frame;
    position: number;
    color: string;
    /** Begins to drag one of a sort; what is not among them is only shown. */
    grabs?: Grabs;
}

/** What can be dragged along the way of a motion: a place, a switch, a hard stop (0 the lower, 1 the upper). */
export type Grabbed = 'place' | 'switch' | 'stop';

export type Grabs = Partial<Record<Grabbed, (index: number) => void>>;

/** How one kind of mechanism stands on the mat: what it takes up, where its positions lie, how it is grabbed, and its drawing. */
export interface Kind<M extends Mechanism> {
    extent: (thing: M, curves: Curves) => Box;
    /** The position under a point in mm, on the turn nearest to where it stands. */
    grab: (thing: M, point: Point, near: number, curves: Curves) => number;
    Draw: (scene: Scene<M>) => React.ReactNode;
}

export const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });

/** Places, stops and switches along the way that a motion takes. */
export function Marks({ scene, track, outwards, aside }: { scene: Scene; track: Track; outwards: (position: number) => Point; aside?: Point }) {
    return (
        <TrackMarks
            aside={aside}
            motion={scene.motion}
            frame={scene.frame}
            track={track}
            outwards={outwards}
            runOn={scene.curves.run_on}
            unit={scene.curves.position_unit}
            grabs={scene.grabs}
        />
    );
}

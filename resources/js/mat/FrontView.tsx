import type { FrontOutline, Motion } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { box } from './geometry';

const ROOM_MM = 12;

/** The machine from the front, small: a picture of it, and nothing to do. */
export function FrontView({ of, label, className }: { of: FrontOutline[]; label: string; className: string }) {
    const all = box(of.flatMap(({ points_mm, radius_mm }) => points_mm.flatMap(([x, y]) => [at(x!, y!, -radius_mm), at(x!, y!, radius_mm)])));
    const [width, height] = [all.right - all.left + 2 * ROOM_MM, all.top - all.bottom + 2 * ROOM_MM];
    return (
        <svg role="img" aria-label={label} className={`bg-mat ${className}`} viewBox={`${all.left - ROOM_MM} ${-all.top - ROOM_MM} ${width} ${height}`}>
            {of.map((outline, i) => (
                <polygon
                    key={i}
                    points={outline.points_mm.map(([x, y]) => `${x},${-y!}`).join(' ')}
                    strokeLinejoin="round"
                    strokeLinecap="round"
                    strokeWidth={Math.max(2 * outline.radius_mm, width / 120)}
                    {...paint(outline)}
                />
            ))}
        </svg>
    );
}

function paint({ is, marker, radius_mm }: FrontOutline) {
    const color = is === 'frame' ? 'var(--color-mat-quiet)' : MARKER_COLOR[marker as Motion['marker']];
    return { fill: color, fillOpacity: is === 'frame' ? 0.3 : 0.75, stroke: color, strokeOpacity: radius_mm > 0 ? 0.75 : is === 'frame' ? 0.6 : 1 };
}

function at(x: number, y: number, by: number) {
    return { x: x + by, y: y + by };
}

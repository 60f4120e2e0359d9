import type { Chain, Motion } from '../api/types';
import { MARKER_COLOR } from '../chain/links';
import { Frame } from '../mat/geometry';
import { kindOf } from '../mat/kinds';
import { MatGround } from '../mat/MatGround';

const POINTS_PER_MM = 96 / 25.4; // of CSS
const ROOM = { width: 125, height: 95 }; // mm on the paper
const MARGIN = { left: 40, right: 40, top: 24, bottom: 30 };
const SCALES = [0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500];
const BAR_MM = 50; // on the paper

/** The motion as it stands at the start of its task, to a round scale, with a bar to lay a ruler on. */
export function ScaleDrawing({ motion, chain }: { motion: Motion; chain: Chain }) {
    const kind = kindOf(motion.mechanism);
    const extent = kind.extent(motion.mechanism, chain.curves);
    const [wide, tall] = [extent.right - extent.left, extent.top - extent.bottom];
    const scale = SCALES.find((each) => wide / each <= ROOM.width && tall / each <= ROOM.height) ?? 1000;
    const points = POINTS_PER_MM / scale;
    const width = wide * points + MARGIN.left + MARGIN.right;
    const height = tall * points + MARGIN.top + MARGIN.bottom;
    const frame = new Frame(extent, width, height, MARGIN);
    const start = motion.places.find((place) => place.id === motion.task.from)?.at ?? 0;
    return (
        <figure>
            <svg
                viewBox={`0 0 ${width} ${height}`}
                style={{ width: `${width / POINTS_PER_MM}mm`, height: `${height / POINTS_PER_MM}mm` }}
                role="img"
                aria-label={`${motion.name}, ${words(scale)}`}
            >
                <MatGround frame={frame} />
                <kind.Draw motion={motion} thing={motion.mechanism} curves={chain.curves} frame={frame} position={start} color={MARKER_COLOR[motion.marker]} />
            </svg>
            <ScaleBar scale={scale} />
            <figcaption>
                {words(scale)}, where its task begins. Lay a ruler on the bar: where it is not {BAR_MM} mm long, the printer has changed the size.
            </figcaption>
        </figure>
    );
}

/** 50 mm on the paper, and what that is in the real thing. */
function ScaleBar({ scale }: { scale: number }) {
    const width = (BAR_MM + 25) * POINTS_PER_MM;
    const end = BAR_MM * POINTS_PER_MM;
    return (
        <svg
            data-scale-bar
            viewBox={`-2 0 ${width} 26`}
            style={{ width: `${width / POINTS_PER_MM}mm` }}
            role="img"
            aria-label={`Scale bar, ${BAR_MM} mm on the paper`}
        >
            <path d={`M0 16 V24 H${end} V16 M${end / 2} 20 V24`} fill="none" stroke="currentColor" strokeWidth="1" />
            <text x={0} y={11} fontSize="11">
                0
            </text>
            <text x={end} y={11} fontSize="11">
                {BAR_MM * scale} mm
            </text>
        </svg>
    );
}

function words(scale: number): string {
    return scale < 1 ? `Scale ${1 / scale} : 1` : `Scale 1 : ${scale}`;
}

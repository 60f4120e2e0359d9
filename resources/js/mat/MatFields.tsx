import { QuantityField } from '../fields/QuantityField';
import { InSentence } from '../fields/sentence';
import type { Point } from './geometry';
import { placedBeside } from './spots';

export interface OnMat {
    /** Path in the document. */
    path: string;
    /** For screen readers: what is meant, and that it is the one on the drawing. */
    label: string;
    word: string;
    value: number | null;
    typedIn?: string;
    /** Points of the drawing. */
    at: Point;
    /** It stands on its point, where a figure would. */
    isOn?: true;
}

const BESIDE = { width: 128, height: 25 };
const ON = { width: 38, height: 25 };

/** Fields on a drawing, each beside the part that it is of. The same values stand in the list of fields, which a narrow page has alone. */
export function MatFields({ fields, width, height }: { fields: OnMat[]; width: number; height: number }) {
    const places = placedBeside(
        fields.map(({ at, isOn = false }) => ({ at, isOn, ...(isOn ? ON : BESIDE) })),
        { left: 36, right: width - 8, top: 44, bottom: height - 26 },
    );
    return (
        <div className="max-lg:hidden">
            <svg viewBox={`0 0 ${width} ${height}`} className="pointer-events-none absolute inset-0 w-full" aria-hidden="true">
                {places.map(({ at, left, top, width, height }, i) => (
                    <line
                        key={fields[i]!.path}
                        x1={at.x}
                        y1={at.y}
                        x2={Math.max(left, Math.min(left + width, at.x))}
                        y2={Math.max(top, Math.min(top + height, at.y))}
                        stroke="var(--color-mat-ink)"
                        strokeWidth="1"
                    />
                ))}
            </svg>
            <InSentence value="drawing">
                {fields.map((field, i) => (
                    <span
                        key={field.path}
                        className="on-drawing absolute flex items-baseline text-ink"
                        style={{ left: `${(places[i]!.left / width) * 100}%`, top: `${(places[i]!.top / height) * 100}%` }}
                    >
                        <span aria-hidden="true" className="narrow bg-mat/85 px-1 text-[0.86rem] text-mat-ink empty:hidden">
                            {field.word}
                        </span>
                        <QuantityField label={field.label} path={field.path} value={field.value} typedIn={field.typedIn} />
                    </span>
                ))}
            </InSentence>
        </div>
    );
}

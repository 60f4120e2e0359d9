import { useState } from 'react';
import type { Build, Picture } from '../api/types';
import { QuantityField } from '../fields/QuantityField';
import { freeId } from '../pages/AddMotion';
import { ChoiceField, TextField, TextInput } from '../fields/PlainFields';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { FieldGroup, STATION_BUTTON } from '../stations/StationFields';
import { LineOver, type Ends } from './LineOver';
import { UseReading } from './UseReading';

const SCALES = [
    { value: '1', label: '1 : 1' },
    { value: '0.9', label: 'nine tenths' },
    { value: '0.5', label: '1 : 2' },
    { value: '0.2', label: '1 : 5' },
    { value: '0.1', label: '1 : 10' },
    { value: String(1 / 12), label: '1 : 12' },
    { value: String(1 / 24), label: '1 : 24' },
    { value: String(1 / 48), label: '1 : 48' },
];

/** One picture with its lines: the known one and the readings. */
export function PictureBench({ picture, index }: { picture: Picture; index: number }) {
    const { stored, edit } = useBuild();
    const { text } = useSpeaking();
    const [chosen, setChosen] = useState<string>('known');
    const [isMissing, setMissing] = useState(false);
    const path = `pictures.${index}`;
    const read = stored.assessment.pictures.find((each) => each.id === picture.id)?.readings ?? [];
    const { width_px: width, height_px: height } = picture;
    const across = (share: number): Ends => ({ x1: width * 0.3, y1: height * share, x2: width * 0.7, y2: height * share });
    const move = (at: string, ends: Ends, more: object = {}) => edit({ path: at, value: { ...more, ...rounded(ends) } });
    const scale = SCALES.find((each) => Math.abs(Number(each.value) - picture.scale) < 1e-9);
    const add = () => {
        const { readings } = picture;
        const id = freeId(
            `line ${readings.length + 1}`,
            readings.map((reading) => reading.id),
        );
        edit({
            path: `${path}.readings.${readings.length}`,
            value: { id, name: `Length ${readings.length + 1}`, ...rounded(across(0.55 + 0.05 * (readings.length % 6))) },
        });
        setChosen(id);
    };
    const length = (si: number | null | undefined) => (si === null || si === undefined ? '–' : text({ si, dimension: 'length' }));
    return (
        <div className="mt-3 grid grid-cols-[minmax(0,1fr)_24.5rem] gap-4">
            <div className="on-mat relative self-start bg-mat">
                {isMissing && (
                    <p role="alert" className="p-3 text-coral">
                        The picture itself is not here: build files carry what was marked on it, but not the picture. The readings stand.
                    </p>
                )}
                <svg
                    viewBox={`0 0 ${width} ${height}`}
                    className="mx-auto block max-h-[80vh] w-full"
                    role="group"
                    aria-label={`${picture.name}, with the lines over it`}
                >
                    <image href={`/api/pictures/${picture.id}`} width={width} height={height} onError={() => setMissing(true)} />
                    {picture.known !== null && (
                        <LineOver
                            ends={picture.known}
                            size={[width, height]}
                            color="var(--color-yellow)"
                            name={`Known length, ${length(picture.known.length_m)}`}
                            isChosen={chosen === 'known'}
                            onChoose={() => setChosen('known')}
                            onMove={(ends) => move(`${path}.known`, ends, { length_m: picture.known!.length_m })}
                        />
                    )}
                    {picture.readings.map((reading, i) => (
                        <LineOver
                            key={reading.id}
                            ends={reading}
                            size={[width, height]}
                            color="var(--color-sky)"
                            name={`${reading.name}, ${length(read[i]?.model_m)}`}
                            isChosen={chosen === reading.id}
                            onChoose={() => setChosen(reading.id)}
                            onMove={(ends) => move(`${path}.readings.${i}`, ends, { id: reading.id, name: reading.name })}
                        />
                    ))}
                </svg>
            </div>
            <div className="space-y-5">
                {picture.known === null ? (
                    <section aria-label="The known length" className="border-l-3 border-tight pl-3">
                        <p>Lay one line over something whose length you know. It gives the scale of all the others.</p>
                        <button
                            type="button"
                            className="mt-2 bg-accent px-3 py-1 font-semibold text-sheet"
                            onClick={() => edit({ path: `${path}.known`, value: { ...rounded(across(0.4)), length_m: 0.1 } })}
                        >
                            Mark the known length
                        </button>
                    </section>
                ) : (
                    <FieldGroup title="The known length">
                        <QuantityField
                            label="In reality it is"
                            path={`${path}.known.length_m`}
                            value={picture.known.length_m}
                            how="Drag the ends of the yellow line onto it; arrow keys move an end by a pixel, with Shift by ten."
                        />
                        <ChoiceField
                            label="My model is"
                            path={`${path}.scale`}
                            value={scale?.value ?? 'own'}
                            choices={[...SCALES, ...(scale === undefined ? [{ value: 'own', label: `${significant(picture.scale, 3)} of it` }] : [])]}
                            toValue={Number}
                        />
                        <QuantityField
                            label="Or as a number"
                            path={`${path}.scale`}
                            value={picture.scale}
                            how="Size of the model over that of the real thing; 1/12 is understood."
                        />
                    </FieldGroup>
                )}
                {picture.known !== null && (
                    <section aria-label="Readings">
                        <h2 className="mb-1 text-[1.05rem]">What is read off it</h2>
                        <ul className="divide-y divide-line border-y border-line">
                            {picture.readings.map((reading, i) => (
                                <li key={reading.id} className={`py-2 ${chosen === reading.id ? 'border-l-3 border-sky pl-2' : ''}`}>
                                    <div className="flex items-baseline gap-2">
                                        <TextInput
                                            path={`${path}.readings.${i}.name`}
                                            value={reading.name}
                                            label={`Name of reading ${i + 1}`}
                                            className="min-w-0 flex-1 border border-transparent bg-transparent px-1 font-semibold hover:border-line focus:bg-well"
                                        />
                                        <span className="figure">{length(read[i]?.model_m)}</span>
                                        <button
                                            type="button"
                                            className={STATION_BUTTON}
                                            aria-label={`Take ${reading.name} off`}
                                            onClick={() => edit({ path: `${path}.readings`, value: picture.readings.filter((each) => each.id !== reading.id) })}
                                        >
                                            Off
                                        </button>
                                    </div>
                                    <p className="narrow pl-1 text-quiet">
                                        {length(read[i]?.real_m)} in reality
                                        {read[i]?.error_share == null ? '' : `, within about ${significant(read[i].error_share * 100, 2)} %`}
                                    </p>
                                    <UseReading build={stored.document as Build} length_m={read[i]?.model_m ?? null} name={reading.name} />
                                </li>
                            ))}
                        </ul>
                        <button type="button" className="mt-2 border border-line bg-well px-3 py-1" onClick={add}>
                            Add another line
                        </button>
                    </section>
                )}
                <FieldGroup title="This picture">
                    <TextField label="Name" path={`${path}.name`} value={picture.name} />
                    <div className="py-1.5 text-right">
                        <button
                            type="button"
                            className={STATION_BUTTON}
                            onClick={() => edit({ path: 'pictures', value: stored.document.pictures.filter((each) => each.id !== picture.id) })}
                        >
                            Take the picture out of the build
                        </button>
                    </div>
                </FieldGroup>
            </div>
        </div>
    );
}

function rounded({ x1, y1, x2, y2 }: Ends): Ends {
    const round = (value: number) => Math.round(value * 10) / 10;
    return { x1: round(x1), y1: round(y1), x2: round(x2), y2: round(y2) };
}

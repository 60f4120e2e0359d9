import type { Motion } from '../api/types';
import { labelOf } from '../chain/links';
import { useBuild } from '../state/BuildContext';
import { significant } from '../state/units';
import { useSpeaking } from '../state/UnitsContext';
import { Paper, SheetTable } from './Paper';
import { ScaleDrawing } from './ScaleDrawing';

/** One motion: its drawing to scale, its numbers, its gears and its stops. */
export function MotionSheet({ motion }: { motion: Motion }) {
    const { stored } = useBuild();
    const { say, text, book } = useSpeaking();
    const chain = stored.assessment.chains.find((each) => each.motion === motion.id);
    if (chain === undefined) {
        return null;
    }
    const unit = chain.curves.position_unit === 'deg' ? '°' : 'm';
    const at = (position: number | null) => (position === null ? '–' : text({ si: book.toSi(position, unit), dimension: unit === '°' ? 'angle' : 'length' }));
    return (
        <Paper title={motion.name}>
            <ScaleDrawing motion={motion} chain={chain} />
            <h3 className="mt-3 font-semibold">Numbers</h3>
            <SheetTable head={['Link', 'Figure', 'That is', 'To write in']}>
                {chain.links.map((link) => (
                    <tr key={link.link}>
                        <td>{labelOf(link.link)}</td>
                        <td className="font-semibold whitespace-nowrap">{say(link.figure)}</td>
                        <td>{say(link.about)}</td>
                        <td className="w-[40mm]" />
                    </tr>
                ))}
            </SheetTable>
            <h3 className="mt-3 font-semibold">Places and stops</h3>
            <SheetTable head={['What', 'At', 'Set to']}>
                {motion.places.map((place) => (
                    <tr key={place.id}>
                        <td>{place.name}</td>
                        <td>{at(place.at)}</td>
                        <td className="w-[40mm]" />
                    </tr>
                ))}
                {motion.stops.switches.map((each) => (
                    <tr key={each.id}>
                        <td>{each.name}</td>
                        <td>{at(each.at)}</td>
                        <td />
                    </tr>
                ))}
                {[
                    { name: 'Hard stop, low', at: motion.stops.hard_low },
                    { name: 'Hard stop, high', at: motion.stops.hard_high },
                ]
                    .filter((each) => each.at !== null)
                    .map((each) => (
                        <tr key={each.name}>
                            <td>{each.name}</td>
                            <td>{at(each.at)}</td>
                            <td />
                        </tr>
                    ))}
            </SheetTable>
            {motion.train.length > 0 && (
                <>
                    <h3 className="mt-3 font-semibold">Train</h3>
                    <SheetTable head={['Stage', 'Kind', 'Drives', 'Driven', 'Module, mm', 'Width, mm', 'Material', 'Plane']}>
                        {motion.train.map((stage, i) => (
                            <tr key={i}>
                                <td>{i + 1}</td>
                                <td>{stage.type.replace('_', ' ')}</td>
                                <td>{stage.driver}</td>
                                <td>{stage.driven}</td>
                                <td>{significant(stage.module_mm, 4)}</td>
                                <td>{significant(stage.face_mm, 4)}</td>
                                <td>{stage.material.replace('_', ' ')}</td>
                                <td>{motion.layout?.planes[i] ?? '–'}</td>
                            </tr>
                        ))}
                    </SheetTable>
                </>
            )}
            {chain.links.some((link) => link.findings.length > 0) && (
                <>
                    <h3 className="mt-3 font-semibold">What is said of it</h3>
                    <ul className="list-disc pl-5">
                        {chain.links.flatMap((link) =>
                            link.findings.map((finding) => (
                                <li key={`${finding.code} ${finding.says.text}`}>
                                    <strong>{{ fails: 'Fails', tight: 'Tight', note: 'Note' }[finding.severity]}.</strong> {say(finding.says)}
                                </li>
                            )),
                        )}
                    </ul>
                </>
            )}
        </Paper>
    );
}

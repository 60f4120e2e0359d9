import { labelOf } from '../chain/links';
import { useBuild } from '../state/BuildContext';
import { useSpeaking } from '../state/UnitsContext';
import { Paper, SheetTable } from './Paper';

const WORD = { holds: 'holds', tight: 'TIGHT', fails: 'FAILS', not_said: 'not said' } as const;

/** The build on one page: its chains, and what gives first. */
export function BuildSheet() {
    const { stored } = useBuild();
    const { say } = useSpeaking();
    const { chains, says } = stored.assessment;
    const faults = chains
        .flatMap((chain) => chain.links.flatMap((link) => link.findings.map((finding) => ({ chain, finding }))))
        .filter(({ finding }) => finding.severity !== 'note')
        .sort((a, b) => (a.finding.severity === b.finding.severity ? 0 : a.finding.severity === 'fails' ? -1 : 1));
    const links = chains[0]?.links ?? [];
    return (
        <Paper title="The build on one page">
            <p className="mb-2 text-[1.1rem] font-semibold">{say(says)}</p>
            {stored.document.note !== '' && <p className="mb-2">{stored.document.note}</p>}
            <div className="text-[0.8em]">
                <SheetTable head={['Motion', ...links.map((link) => labelOf(link.link))]}>
                    {chains.map((chain) => (
                        <tr key={chain.motion}>
                            <td className="font-semibold">{chain.name}</td>
                            {chain.links.map((link) => (
                                <td key={link.link}>
                                    <span className={link.verdict === 'holds' ? '' : 'font-semibold'}>{WORD[link.verdict]}</span>
                                    <span className="block font-semibold">{say(link.figure)}</span>
                                    <span className="narrow block">{say(link.about)}</span>
                                </td>
                            ))}
                        </tr>
                    ))}
                </SheetTable>
            </div>
            <h3 className="mt-3 font-semibold">What gives first</h3>
            {faults.length === 0 && <p>Nothing: every link that can be judged holds.</p>}
            <ol className="list-decimal pl-6">
                {faults.slice(0, 12).map(({ chain, finding }) => (
                    <li key={`${chain.motion} ${finding.code} ${finding.says.text}`}>
                        <strong>
                            {chain.name} {finding.severity === 'fails' ? 'fails' : 'is tight'}.
                        </strong>{' '}
                        {say(finding.says)}
                    </li>
                ))}
            </ol>
            {faults.length > 12 && <p>And {faults.length - 12} more, on the sheets of the motions.</p>}
        </Paper>
    );
}

import { LINKS } from '../chain/links';
import { Sheet } from './Sheet';

const KEYS = [
    [`1 – ${LINKS.length}`, 'go to a link of the chain'],
    ['[  ]', 'the motion before, the motion after'],
    ['/', 'go to anything by name'],
    ['Space', 'play and pause'],
    ['+  −  0', 'lanes of a run: closer, further, all of it'],
    ['Shift ← →', 'lanes of a run: earlier, later'],
    ['t', 'try the first fix'],
    ['k', 'keep what is tried'],
    ['Esc', 'drop what is tried'],
    ['u', 'change the units'],
    ['n', 'dark or light room, or as the system has it'],
    ['Ctrl Z', 'undo'],
    ['Ctrl Y', 'redo'],
    ['↑ ↓', 'in a field: nudge the number; with Shift ten times as far'],
    ['?', 'this list'],
];

export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
    return (
        <Sheet open={open} onClose={onClose} title="Keys">
            <dl className="grid grid-cols-[6rem_1fr] gap-y-1">
                {KEYS.map(([key, does]) => (
                    <div key={key} className="contents">
                        <dt>
                            <kbd className="border border-line bg-well px-1.5 py-0.5">{key}</kbd>
                        </dt>
                        <dd>{does}</dd>
                    </div>
                ))}
            </dl>
            <button type="button" className="mt-4 border border-line bg-well px-3 py-1" onClick={onClose}>
                Close
            </button>
        </Sheet>
    );
}

// Runs a written program in MicroPython, with board and motors stood in for: node bench.mjs FOLDER, a line in, lines out, the last of them a dot.
import { readFileSync } from 'node:fs';
import { createInterface } from 'node:readline';
import { loadMicroPython } from '@micropython/micropython-webassembly-pyscript';

const python = await loadMicroPython({ heapsize: 8 * 1024 * 1024 });
for (const [name, from] of [
    ['routine.py', `${process.argv[2]}/routine.py`],
    ['bench.py', new URL('bench.py', import.meta.url)],
]) {
    python.FS.writeFile(`/${name}`, readFileSync(from, 'utf8'));
}
python.runPython('import sys\nsys.path.append("/")\nimport bench\n');
const { answer } = python.globals.get('bench');
for await (const line of createInterface({ input: process.stdin })) {
    process.stdout.write(`${answer(line)}\n`);
}

// MicroPython compiles files, and does not run them; what it complains of comes out: node compiles.mjs FILE…
import { readFileSync } from 'node:fs';
import { loadMicroPython } from '@micropython/micropython-webassembly-pyscript';

const python = await loadMicroPython();
for (const file of process.argv.slice(2)) {
    try {
        python.globals.set('text', readFileSync(file, 'utf8'));
        python.runPython(`compile(text, ${JSON.stringify(file)}, 'exec')`);
    } catch (error) {
        process.exitCode = 1;
        console.log(`${file}: ${error.message}`);
    }
}

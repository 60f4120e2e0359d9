import { execFileSync } from 'node:child_process';
import type { TestProject } from 'vitest/node';
import type { StoredBuild, UnitTable, WiringReport } from '../../resources/js/api/types';

const PHP = `
require 'vendor/autoload.php';
use Brookstone\\Core\\Assessment\\BuildJudge;
use Brookstone\\Core\\Assessment\\Wiring\\WiringReport;
use Brookstone\\Core\\Build\\Build;
use Brookstone\\Core\\Rehearsal\\Rehearsal;
use Brookstone\\Core\\Wiring\\BoardStock;
$build = Build::fromJson(file_get_contents('database/demo/heron-wharf.brookstone.json'));
echo json_encode(['units' => Brookstone\\Core\\Quantity\\Units::table(), 'document' => json_decode($build->toJson()), 'assessment' => BuildJudge::atOnce($build, null, Rehearsal::of($build)),
    'wiring' => ['version' => 1] + WiringReport::of($build, BoardStock::shipped(), null)]);
`;

declare module 'vitest' {
    interface ProvidedContext {
        units: UnitTable;
        document: StoredBuild['document'];
        assessment: StoredBuild['assessment'];
        wiring: WiringReport;
    }
}

/** What the components show in their tests is what the core says of a demo build: read once for all of them. */
export default function setup(project: TestProject) {
    const told = JSON.parse(execFileSync('php', ['-r', PHP], { encoding: 'utf8', maxBuffer: 1e8 })) as Record<
        'units' | 'document' | 'assessment' | 'wiring',
        never
    >;
    project.provide('units', told.units);
    project.provide('document', told.document);
    project.provide('assessment', told.assessment);
    project.provide('wiring', told.wiring);
}

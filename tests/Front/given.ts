import { execFileSync } from 'node:child_process';
import type { TestProject } from 'vitest/node';
import type { StageReport, StoredBuild, UnitTable, WiringReport } from '../../resources/js/api/types';

const PHP = `
require 'vendor/autoload.php';
use Brookstone\\Core\\Assessment\\BuildJudge;
use Brookstone\\Core\\Assessment\\Stage\\StageReport;
use Brookstone\\Core\\Assessment\\Wiring\\WiringReport;
use Brookstone\\Core\\Build\\Build;
use Brookstone\\Core\\Rehearsal\\Rehearsal;
use Brookstone\\Core\\Wiring\\BoardStock;
$build = Build::fromJson(file_get_contents('database/demo/heron-wharf.brookstone.json'));
echo json_encode(['units' => Brookstone\\Core\\Quantity\\Units::table(), 'document' => json_decode($build->toJson()), 'assessment' => BuildJudge::atOnce($build, null, Rehearsal::of($build)),
    'wiring' => ['version' => 1] + WiringReport::of($build, BoardStock::shipped(), null), 'stage' => stage()]);

/** A machine that stands on the stage, and where the core has the middle of each of its bodies in a pose. */
function stage(): array
{
    $build = Build::fromJson(file_get_contents('database/demo/grumbling-troll.brookstone.json'));
    $pose = ['neck' => -33.0, 'head' => 11.0, 'jaw' => -21.0, 'eyes' => 17.0, 'arm' => 25.0];
    [, $moved] = $build->stage->placed($pose);
    $middles = [];
    foreach ($build->stage->motions as $id => $motion) {
        foreach ($motion->bodies as $body) {
            $at = $moved[$id]->then($body->placement)->at;
            $middles["{$id}/{$body->id}"] = [$at->x, $at->y, $at->z];
        }
    }

    return ['document' => json_decode($build->toJson()), 'assessment' => BuildJudge::atOnce($build),
        'report' => ['version' => 1] + (new StageReport($build))->written(), 'pose' => $pose, 'middles' => $middles];
}
`;

declare module 'vitest' {
    interface ProvidedContext {
        units: UnitTable;
        document: StoredBuild['document'];
        assessment: StoredBuild['assessment'];
        wiring: WiringReport;
        stage: {
            document: StoredBuild['document'];
            assessment: StoredBuild['assessment'];
            report: StageReport;
            pose: Record<string, number>;
            middles: Record<string, number[]>;
        };
    }
}

/** What the components show in their tests is what the core says of a demo build: read once for all of them. */
export default function setup(project: TestProject) {
    const told = JSON.parse(execFileSync('php', ['-r', PHP], { encoding: 'utf8', maxBuffer: 1e8 })) as Record<
        'units' | 'document' | 'assessment' | 'wiring' | 'stage',
        never
    >;
    project.provide('units', told.units);
    project.provide('document', told.document);
    project.provide('assessment', told.assessment);
    project.provide('wiring', told.wiring);
    project.provide('stage', told.stage);
}

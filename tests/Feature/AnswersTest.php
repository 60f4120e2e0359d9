<?php

declare(strict_types=1);

use App\Http\Answers;
use Brookstone\Core\Schemas;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Tests\Support\Builds;
use Tests\TestCase;

/** What an answer is not that its schema says, by place; nothing where it is all of that. */
function unlikeItsSchema(TestResponse $answer, string $name, bool $many = false): array
{
    $schema = [...Schemas::all(), ...Answers::schemas()][$name];
    $schema = $many ? ['type' => 'array', 'items' => array_diff_key($schema, ['$schema' => true])] : $schema;
    $defs = Schemas::all()['Build']['$defs'];
    $found = (new Validator)->validate(json_decode((string) $answer->getContent()),
        (string) json_encode(['$schema' => 'https://json-schema.org/draft/2020-12/schema'] + $schema + ['$defs' => $defs]));
    $error = $found->error();

    return $error === null ? [] : (new ErrorFormatter)->format($error);
}

/** The demo that stands on the stage. */
function troll(TestCase $it): string
{
    return collect($it->getJson('/api/builds')->json())->firstWhere('name', 'Grumbling Troll')['id'];
}

beforeEach(function () {
    $this->seed();
    $this->id = collect($this->getJson('/api/builds')->json())->firstWhere('name', 'Heron Wharf')['id'];
    $this->document = $this->getJson("/api/builds/{$this->id}")->json();
});

it('answers what its schema says', function (Closure $ask, string $name, bool $many = false) {
    $answer = $ask($this, "/api/builds/{$this->id}");

    expect($answer->getStatusCode())->toBeIn([200, 201])->and(unlikeItsSchema($answer, $name, $many))->toBe([]);
    if ($many) {
        expect($answer->json())->not->toBe([], 'there is something to look at');
    }
})->with([
    'plan' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/plan?today=2026-06-02"), 'PlanReport'],
    'parts' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/parts"), 'PartsReport'],
    'bench tests' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/bench"), 'BenchReport'],
    'service' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/service?today=2026-06-02"), 'ServiceReport'],
    'twin' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/motions/drawbridge/twin?mirrored=1&together=1"), 'Variation'],
    'removal' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/motions/tide/removal"), 'Variation'],
    'refit' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/motions/tide/refit"), 'RefitReport'],
    'units' => [fn (TestCase $it) => $it->getJson('/api/units'), 'UnitTable'],
    'shelf' => [fn (TestCase $it) => $it->getJson('/api/builds'), 'ShelfEntry', true],
    'build' => [fn (TestCase $it, string $at) => $it->getJson($at), 'StoredBuild'],
    'new build' => [fn (TestCase $it) => $it->postJson('/api/builds', ['name' => 'Mill']), 'StoredBuild'],
    'edit' => [fn (TestCase $it, string $at) => $it->postJson("{$at}/edits",
        ['version' => $it->document['version'], 'changes' => [['path' => 'note', 'value' => 'It turns.']]]), 'StoredBuild'],
    'try' => [fn (TestCase $it, string $at) => $it->postJson("{$at}/try",
        ['version' => $it->document['version'], 'changes' => [['path' => 'motions.0.task.move_s', 'text' => '3 s']], 'rehearsed' => true]), 'StoredBuild'],
    'judgement' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/judgement"), 'Judgement'],
    'mends' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/mends"), 'Mends'],
    'mend all' => [fn (TestCase $it, string $at) => $it->postJson("{$at}/mend-all", ['dropped' => []]), 'MendAll'],
    'completed' => [fn (TestCase $it, string $at) => $it->postJson("{$at}/complete",
        ['does' => 'Slower', 'changes' => [['path' => 'motions.0.task.move_s', 'value' => 4]]]), 'Completed'],
    'drives' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/motions/{$it->document['document']['motions'][0]['id']}/drives?goal=fastest&each=drive"), 'Choice'],
    'ways to do it' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/motions/{$it->document['document']['motions'][1]['id']}/schools"), 'School', true],
    'stops' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/motions/drawbridge/stops"), 'StopsSheet'],
    'counterbalance' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/motions/drawbridge/easing"), 'Counterbalance', true],
    'trains' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/motions/drawbridge/trains?ratio=5&module_mm=1"), 'TrainChoice'],
    'stage' => [fn (TestCase $it) => $it->getJson('/api/builds/'.troll($it).'/stage'), 'StageReport'],
    'stage of nothing' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/stage"), 'StageReport'],
    'pose' => [fn (TestCase $it) => $it->postJson('/api/builds/'.troll($it).'/stage/pose', ['pose' => ['neck' => -40, 'arm' => 62]]), 'StagePose'],
    'wiring' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/wiring"), 'WiringReport'],
    'one more' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/wiring/one-more?list=outputs&kind=points"), 'OneMore'],
    'times' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/times"), 'MoveTimes'],
    'run' => [fn (TestCase $it, string $at) => $it->postJson("{$at}/routines/{$it->document['document']['routines'][0]['id']}/run",
        ['scenario' => null, 'events' => []]), 'Trace'],
    'beside' => [function (TestCase $it) {
        $id = $it->postJson('/api/builds/import',
            Builds::planted(['routines.1.steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 9],
                ['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9]]])->document)->json('id');

        return $it->getJson("/api/builds/{$id}/routines/show/beside");
    }, 'BesideOffer', true],
    'ready routines' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/library"), 'ReadyRoutine', true],
    'readings, typed' => [fn (TestCase $it) => $it->postJson('/api/readings', ['text' => "absent,present\n1,2\n3,4"]), 'ReadingsRead'],
    'quantity' => [fn (TestCase $it) => $it->postJson('/api/quantity', ['text' => '26 oz', 'unit' => 'kg']), 'QuantityRead'],
    'calculated' => [fn (TestCase $it) => $it->postJson('/api/calc/sense.knock', ['ring_ms' => 20, 'gap_ms' => 300, 'quiet_ms' => 80, 'noise' => 10,
        'softest' => 60, 'threshold' => 30]), 'Calculated'],
    'a result swept' => [fn (TestCase $it) => $it->postJson('/api/calc/sense.knock/sweep', ['inputs' => ['ring_ms' => 20, 'gap_ms' => 300,
        'quiet_ms' => 80, 'noise' => 10, 'softest' => 60, 'threshold' => 30]]), 'Swept'],
    'readings of a sensor' => [fn (TestCase $it, string $at) => $it->getJson("{$at}/sensors/".collect($it->document['document']['sensors'])->first(fn (array $sensor): bool => ($sensor['absent'] ?? []) !== [])['id'].'/readings'), 'ReadingsSheet'],
    'a drive added' => [fn (TestCase $it) => $it->postJson('/api/drawer', ['kind' => 'dc_motor', 'code' => 'OWN-1']
        + collect($it->getJson('/api/drawer')->json())->first(fn (array $entry): bool => $entry['drive']['kind'] === 'dc_motor')['drive']), 'DrawerEntry'],
    'a picture' => [fn (TestCase $it, string $at) => $it->postJson("{$at}/pictures", ['name' => 'Dot', 'data' => base64_encode((function (): string {
        ob_start();
        imagepng(imagecreatetruecolor(4, 3));

        return (string) ob_get_clean();
    })())]), 'PictureKept'],
    'a study of drift' => [fn (TestCase $it, string $at) => $it->postJson("{$at}/studies",
        ['kind' => 'drift', 'routine' => $it->document['document']['routines'][0]['id'], 'motion' => 'drawbridge', 'cycles' => 5]), 'Study'],
    'calculators' => [fn (TestCase $it) => $it->getJson('/api/calc'), 'CalculatorEntry', true],
    'examples' => [fn (TestCase $it) => $it->getJson('/api/examples'), 'ExampleEntry', true],
    'an example' => [fn (TestCase $it) => $it->postJson('/api/examples/'.$it->getJson('/api/examples')->json('0.example'), []), 'StoredBuild'],
    'drawer' => [fn (TestCase $it) => $it->getJson('/api/drawer'), 'DrawerEntry', true],
    'columns of the drawer' => [fn (TestCase $it) => $it->getJson('/api/drawer/guide'), 'DrawerColumn', true],
    'a drawer looked at' => [fn (TestCase $it) => $it->postJson('/api/drawer/import', ['csv' => $it->get('/api/drawer/export')->getContent(),
        'look' => true]), 'DrawerImport'],
    'a study of faults' => [fn (TestCase $it, string $at) => $it->postJson("{$at}/studies",
        ['kind' => 'faults', 'routine' => $it->document['document']['routines'][0]['id']]), 'Study'],
    'a study of states' => [fn (TestCase $it, string $at) => $it->postJson("{$at}/studies",
        ['kind' => 'states', 'routine' => $it->document['document']['routines'][0]['id']]), 'Study'],
    'studies' => [function (TestCase $it, string $at) {
        $it->postJson("{$at}/studies", ['kind' => 'states', 'routine' => $it->document['document']['routines'][0]['id']]);

        return $it->getJson("{$at}/studies?routine={$it->document['document']['routines'][0]['id']}");
    }, 'Study', true],
]);

it('tells an answer that is not what a schema says', function () {
    expect(unlikeItsSchema($this->getJson('/api/units'), 'StoredBuild'))->not->toBe([])
        ->and(unlikeItsSchema($this->getJson('/api/builds'), 'DrawerEntry', many: true))->not->toBe([]);
});

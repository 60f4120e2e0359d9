<?php

declare(strict_types=1);

use App\Actions\JudgeBuild;
use App\Actions\KeepDemos;
use App\Models\Build;
use App\Models\DrawerDrive;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessor;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

function stored(): Build
{
    return Build::factory()->of(Builds::sound())->create();
}

it('begins a build, shows it and puts it on the shelf', function () {
    $id = $this->postJson('/api/builds', ['name' => 'Owl'])->assertCreated()->assertJsonPath('document.name', 'Owl')->json('id');

    $this->getJson("/api/builds/{$id}")->assertOk()->assertJsonPath('assessment.verdict', 'not_said')->assertJsonPath('can_undo', false);
    $this->getJson('/api/builds')->assertOk()->assertJsonPath('0.name', 'Owl');
    $this->deleteJson("/api/builds/{$id}")->assertNoContent();
    $this->getJson("/api/builds/{$id}")->assertNotFound();
});

it('refuses a build without a name', function (mixed $name) {
    $this->postJson('/api/builds', ['name' => $name])->assertStatus(422)->assertJsonPath('errors.0.field', 'name');
})->with(['', null, 7, str_repeat('x', 81), [[]]]);

it('shows what the one judge says', function () {
    $build = stored();

    $this->getJson("/api/builds/{$build->id}")->assertOk()
        ->assertJsonPath('assessment', json_decode((string) json_encode(BuildJudge::atOnce(Builds::sound())), true));
});

it('gives the whole judgement apart, keeps it by content, and then answers with it at once', function () {
    $build = Build::factory()->of(Builds::planted(['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 8]]))->create();
    $first = $this->getJson("/api/builds/{$build->id}")->assertJsonPath('assessment.rehearsed', false)->json();
    expect(collect($first['assessment']['routines'][1]['findings'])->pluck('code'))->not->toContain('routine.hits');

    $whole = $this->getJson("/api/builds/{$build->id}/judgement")->assertOk()->assertJsonPath('version',
        $first['version'])->assertJsonPath('assessment.rehearsed', true)->json('assessment');
    expect(collect($whole['routines'][1]['findings'])->pluck('code'))->toContain('routine.hits', 'routine.stalls')
        ->and($whole)->toBe(json_decode((string) json_encode(BuildJudge::atOnce($build->core(), null, Rehearsal::of($build->core()))), true));
    $this->getJson("/api/builds/{$build->id}")->assertJsonPath('assessment', $whole);
    expect(collect($this->getJson('/api/builds')->json())->firstWhere('id', $build->id)['verdict'])->toBe('fails');

    // A name makes no difference to any run; a mass does.
    $named = $this->postJson("/api/builds/{$build->id}/edits",
        ['version' => $first['version'], 'changes' => [['path' => 'name', 'value' => 'Other']]])->assertJsonPath('assessment.rehearsed', true)->json();
    $this->postJson("/api/builds/{$build->id}/edits",
        ['version' => $named['version'],
            'changes' => [['path' => 'motions.2.mechanism.mass_kg', 'value' => 0.601]]])->assertJsonPath('assessment.rehearsed', false);
});

it('offers what it has tried, goes on at the next asking, and keeps it', function () {
    $build = Build::factory()->of(Builds::planted(['routines.1.steps.1' => ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 8],
        'scenarios' => []]))->create();
    $this->getJson("/api/builds/{$build->id}")->assertJsonPath('assessment.tried', false)->assertJsonPath('assessment.mend', null);

    $first = $this->getJson("/api/builds/{$build->id}/mends")->assertOk()->assertJsonPath('version', 1)->assertJsonPath('assessment.rehearsed', true)->json();
    expect($first['done'])->toBeGreaterThan(0)->toBeLessThanOrEqual($first['of']);
    $whole = mendedOverHttp($this, $build->id);
    expect($whole['mend']['does']['text'])->toBe('Run it until Lift high switch trips')
        ->and($whole)->toBe(json_decode((string) json_encode(Assessor::assess($build->core())), true));
    $this->getJson("/api/builds/{$build->id}")->assertJsonPath('assessment', $whole);

    // Another drawer is another choice: then it is tried again.
    $this->getJson('/api/drawer');
    DrawerDrive::query()->where('code', 'G25-227')->delete();
    $this->getJson("/api/builds/{$build->id}")->assertJsonPath('assessment.tried', false)->assertJsonPath('assessment.rehearsed', true);
    $this->getJson('/api/builds/nothing/mends')->assertNotFound();
});

it('tries nothing more for a build that has been changed meanwhile, or thrown away', function () {
    $stored = Build::factory()->of(Builds::planted(['supplies.0.max_A' => 1.5, 'scenarios' => []]))->create();
    $judge = app(JudgeBuild::class);
    $asked = 0;
    expect($stored->isStillSo())->toBeTrue();
    [$assessment, $done, $of] = $judge->mended($stored->core(), function () use ($stored, &$asked): bool {
        if (++$asked === 2) {
            Build::query()->whereKey($stored->id)->update(['version' => 2]);
        }

        return $stored->isStillSo();
    });
    expect($asked)->toBe(2)->and($done)->toBe(1)->and($of)->toBeGreaterThan(1)->and($assessment->tried)->toBeFalse();

    $stored->refresh();
    expect($stored->isStillSo())->toBeTrue();
    $stored->delete();
    expect($stored->isStillSo())->toBeFalse();
});

it('plans mend after mend as far as one request can, and keeps nothing of it', function () {
    $build = Build::factory()->of(Builds::planted(['supplies.0.max_A' => 1.5, 'routines.1.target_s' => 1, 'scenarios' => []]))->create();
    $ask = fn (array $dropped): array => $this->postJson("/api/builds/{$build->id}/mend-all", ['dropped' => $dropped])->assertOk()->assertJsonPath('version',
        1)->json();
    $whole = function (array $dropped) use ($ask): array {
        while (! ($plan = $ask($dropped))['done']) {
            expect($plan['verdict'])->toBeNull()->and($plan['left'])->toBe([]);
        }

        return $plan;
    };
    $plan = $whole([]);
    expect(array_column(array_column(array_column($plan['steps'], 'fix'), 'does'), 'text'))->toContain('Start it softly: from nothing to its speed over 0.05 s')
        ->and($plan['verdict'])->toBe('fails')->and(array_column($plan['left'], 'code'))->toContain('routine.over_target')
        ->and(collect($plan['left'])->firstWhere('code', 'routine.over_target')['instead']['text'])->toStartWith('Let things move beside each other')
        ->and(array_column($whole([$plan['steps'][0]['mark']])['steps'], 'mark'))->not->toContain($plan['steps'][0]['mark'])
        ->and($build->refresh()->version)->toBe(1);
    foreach ([[], ['dropped' => 'all'], ['dropped' => [1]], ['dropped' => [str_repeat('x', 65)]]] as $nonsense) {
        $this->postJson("/api/builds/{$build->id}/mend-all", $nonsense)->assertStatus(422);
    }
});

it('brings with a choice what that needs', function () {
    $build = Build::factory()->of(Builds::planted(['motions.1.task.move_s' => 3, 'routines.1.steps.3.give_up_s' => 8, 'routines.1.steps.5.give_up_s' => 8,
        'scenarios' => []]))->create();
    $post = fn (array $body) => $this->postJson("/api/builds/{$build->id}/complete", $body);
    $drive = ['path' => 'motions.1.drive', 'value' => ['motor' => Builds::motor('W24-150'), 'supply' => 'servos']];

    $post(['does' => 'Take it', 'changes' => [$drive]])->assertOk()->assertJsonPath('brings', null)->assertJsonPath('fix.does.text',
        'Take it; put a switch at Closed; home Jaw onto Closed switch first; put a switch at Wide');
    expect($build->refresh()->version)->toBe(1);
    $post(['does' => 'Take it', 'changes' => [['path' => 'motions.1.drive', 'value' => 'x']]])->assertStatus(422)->assertJsonPath('errors.0.field',
        'motions.1.drive');
    $post(['does' => '', 'changes' => [$drive]])->assertStatus(422)->assertJsonPath('errors.0.field', 'does');
    $post(['does' => 'Take it', 'changes' => []])->assertStatus(422);
    $post(['does' => 'Take it', 'changes' => [['path' => 'nowhere', 'value' => 1]]])->assertStatus(422);
});

it('plays a rehearsal, and knows of no more than there are', function () {
    $build = Build::factory()->of(Builds::sound())->create();
    $rehearsals = $this->getJson("/api/builds/{$build->id}/judgement")->json('assessment.routines.1.rehearsals');
    expect(array_column($rehearsals, 'says'))->toContain('from power-on', 'a second time', 'from power-on with Lid at Open');

    $second = array_search('a second time', array_column($rehearsals, 'says'), true);
    $trace = $this->postJson("/api/builds/{$build->id}/routines/show/run", ['rehearsal' => $second])->assertOk()->assertJsonPath('outcome', 'finished')->json();
    expect($trace['took_s'])->toBe($rehearsals[$second]['takes_s'])->and($trace['start_s'])->toBeGreaterThan(9.0);
    $this->postJson("/api/builds/{$build->id}/routines/show/run", ['rehearsal' => 99])->assertNotFound();
    $this->postJson("/api/builds/{$build->id}/routines/show/run", ['rehearsal' => -1])->assertStatus(422)->assertJsonPath('errors.0.field', 'rehearsal');
    $this->postJson("/api/builds/{$build->id}/routines/show/run", ['rehearsal' => 'first'])->assertStatus(422);
});

it('has no judgement of a build that is not there', function () {
    $this->getJson('/api/builds/nothing/judgement')->assertNotFound();
});

it('saves a file and reads it back, byte for byte', function () {
    $file = $this->get('/api/builds/'.stored()->id.'/export')->assertOk()->assertHeader('Content-Disposition',
        'attachment; filename="sound.brookstone.json"')->getContent();
    $id = $this->call('POST', '/api/builds/import', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
        content: $file)->assertCreated()->json('id');

    expect($this->get("/api/builds/{$id}/export")->getContent())->toBe($file)->and($file)->toBe(Builds::sound()->toJson());
});

it('refuses a file with the place that is wrong', function (Closure $body, string $field, string $says) {
    $response = $this->call('POST', '/api/builds/import', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
        content: $body());

    $response->assertStatus(422);
    expect($response->json('errors.0.field'))->toBe($field)->and($response->json('errors.0.message'))->toContain($says);
})->with([
    'not JSON' => [fn () => 'PK zip', '', 'not JSON'],
    'empty' => [fn () => '', '', 'Nothing was sent'],
    'wrong version' => [fn () => json_encode(['format' => 'brookstone-build', 'version' => 2, 'name' => 'x']), 'version', 'Must be 1, but is 2'],
    'wrong types' => [fn () => json_encode(['format' => 'brookstone-build', 'version' => 1, 'name' => 'x', 'motions' => ['lid' => 1]]), 'motions',
        'Must be a list'],
    'too large' => [fn () => str_repeat(' ', 7 * 1024 * 1024 + 1), '', '7 MB'],
    'ten thousand motions' => [fn () => json_encode(['format' => 'brookstone-build', 'version' => 1, 'name' => 'x',
        'motions' => array_fill(0, 10000, ['id' => 'a'])]), 'motions', 'at most 40 motions, but has 10000'],
    'nested without end' => [fn () => str_repeat('{"a":', 100).'1'.str_repeat('}', 100), '', 'nested too deep'],
    'a reference in a circle' => [fn () => json_encode(['format' => 'brookstone-build', 'version' => 1, 'name' => 'x', '$ref' => '#']), '$ref',
        'no such field'],
]);

it('saves typed text and gives the consequences at once', function () {
    $build = stored();
    $before = $this->getJson("/api/builds/{$build->id}")->json('assessment.chains.1.margin');

    $answer = $this->postJson("/api/builds/{$build->id}/edits",
        ['version' => 1, 'changes' => [['path' => 'motions.0.mechanism.mass_kg', 'text' => '1.5 lb', 'unit' => 'g']]])->assertOk();

    expect($answer->json('version'))->toBe(2)
        ->and($answer->json('document.motions.0.mechanism.mass_kg'))->toBeAbout(0.680388555, 1e-9)
        ->and($answer->json('document.motions.0.units')['mechanism.mass_kg'])->toBe('lb')
        ->and(collect($answer->json('assessment.chains'))->firstWhere('motion', 'lid')['margin'])->toBeLessThan(6.9)
        ->and($before)->not->toBeNull();
    $this->getJson("/api/builds/{$build->id}")->assertJsonPath('version', 2)->assertJsonPath('can_undo', true);
});

it('puts a refusal at the field and changes nothing', function (array $change) {
    $build = stored();

    $this->postJson("/api/builds/{$build->id}/edits", ['version' => 1, 'changes' => [['path' => 'motions.0.mechanism.mass_kg'] + $change]])
        ->assertStatus(422)->assertJsonPath('errors.0.field', 'motions.0.mechanism.mass_kg');
    expect($build->refresh()->document)->toBe(Builds::sound()->toJson())->and($build->version)->toBe(1);
})->with([[['text' => '1e9 kg']], [['text' => 'NaN']], [['text' => '-0']], [['text' => '']], [['text' => '3 mm']], [['text' => str_repeat('novel ', 3000)]],
    [['value' => -1]], [['value' => ['a' => 1]]], [['value' => null]]]);

it('refuses edits that are none', function (array $body) {
    $this->postJson('/api/builds/'.stored()->id.'/edits', $body)->assertStatus(422)->assertJsonStructure(['errors' => [['field', 'message']]]);
})->with([[[]], [['version' => 1]], [['version' => 1, 'changes' => 'x']], [['version' => 'x', 'changes' => [['path' => 'name', 'value' => 'y']]]],
    [['version' => 1, 'changes' => [['value' => 'y']]]], [['version' => 1, 'changes' => [['path' => 'name', 'value' => 'y', 'more' => 1]]]]]);

it('does not let a later save overwrite another window', function () {
    $build = stored();
    $edit = fn (int $version, string $name) => $this->postJson("/api/builds/{$build->id}/edits",
        ['version' => $version, 'changes' => [['path' => 'name', 'value' => $name]]]);

    $edit(1, 'From the first window')->assertOk();
    $edit(1, 'From the second window')->assertStatus(409);
    expect($build->refresh()->name)->toBe('From the first window');
    $edit(2, 'From the second window')->assertOk();
});

it('undoes and redoes across the whole build', function () {
    $build = stored();
    $post = fn (string $what, int $version, array $body = []) => $this->postJson("/api/builds/{$build->id}/{$what}", ['version' => $version] + $body);
    $post('edits', 1, ['changes' => [['path' => 'name', 'value' => 'Two']]]);
    $post('edits', 2, ['changes' => [['path' => 'motions.0.name', 'value' => 'Trap']]]);

    $post('undo', 3)->assertJsonPath('document.motions.0.name', 'Lid')->assertJsonPath('document.name', 'Two')->assertJsonPath('can_redo', true);
    $post('undo', 4)->assertJsonPath('document.name', 'Sound')->assertJsonPath('can_undo', false);
    $post('undo', 5)->assertOk()->assertJsonPath('document.name', 'Sound');
    $post('redo', 5)->assertJsonPath('document.name', 'Two');
    $post('edits', 6, ['changes' => [['path' => 'note', 'value' => 'Another way']]])->assertJsonPath('can_redo',
        false)->assertJsonPath('document.motions.0.name', 'Lid');
    $post('undo', 1)->assertStatus(409);
});

it('undoes typing in one field as one', function () {
    $build = stored();
    foreach (['3', '30', '300'] as $i => $text) {
        $this->postJson("/api/builds/{$build->id}/edits",
            ['version' => $i + 1, 'changes' => [['path' => 'motions.0.mechanism.mass_kg', 'text' => $text, 'unit' => 'g']]])->assertOk();
    }

    expect($build->revisions()->count())->toBe(2);
    $this->travel(10)->seconds();
    $this->postJson("/api/builds/{$build->id}/edits",
        ['version' => 4, 'changes' => [['path' => 'motions.0.mechanism.mass_kg', 'text' => '400', 'unit' => 'g']]])->assertOk();
    expect($build->revisions()->count())->toBe(3);
});

it('tries a fix without keeping it', function () {
    $this->app->make(KeepDemos::class)->putBack();
    $build = Build::query()->where('demo_key', 'heron-wharf')->firstOrFail();
    $mend = mendedOverHttp($this, $build->id)['mend'];

    $after = $this->postJson("/api/builds/{$build->id}/try",
        ['version' => 1, 'changes' => $mend['changes']])->assertOk()->assertJsonPath('assessment.rehearsed', false);
    $this->postJson("/api/builds/{$build->id}/try", ['version' => 1, 'changes' => $mend['changes'],
        'rehearsed' => true])->assertOk()->assertJsonPath('assessment.rehearsed', true);
    $this->postJson("/api/builds/{$build->id}/try", ['version' => 1, 'changes' => $mend['changes'],
        'rehearsed' => 'soon'])->assertStatus(422)->assertJsonPath('errors.0.field', 'rehearsed');

    expect(collect($after->json('assessment.chains'))->firstWhere('motion', 'drawbridge')['verdict'])->toBe('not_said')
        ->and($build->refresh()->version)->toBe(1)
        ->and($build->document)->toBe(Builds::demo('heron-wharf')->toJson());
});

it('ranks drives and runs routines', function () {
    $id = stored()->id;

    $this->getJson("/api/builds/{$id}/motions/lid/drives")->assertOk()->assertJsonPath('rows.0.place', 1)->assertJsonPath('rows.0.verdict', 'holds');
    $this->postJson("/api/builds/{$id}/routines/show/run", ['scenario' => 'pressed'])->assertOk()->assertJsonPath('outcome', 'finished');
    $this->postJson("/api/builds/{$id}/routines/show/run", [])->assertOk()->assertJsonPath('scenario', null);
    $this->getJson("/api/builds/{$id}/motions/moon/drives")->assertNotFound();
    $this->postJson("/api/builds/{$id}/routines/moon/run", [])->assertNotFound();
    $this->postJson("/api/builds/{$id}/routines/show/run", ['scenario' => 'moon'])->assertNotFound();
    $this->postJson("/api/builds/{$id}/routines/show/run", ['scenario' => ['x']])->assertStatus(422);
});

it('judges a document that is not stored', function () {
    $this->postJson('/api/assess', Builds::demo('moth-lantern')->document)->assertOk()->assertJsonPath('verdict', 'not_said');
    $this->postJson('/api/assess', ['format' => 'other'])->assertStatus(422);
});

it('puts the demos on an empty shelf only, and back beside what was changed', function () {
    $demos = $this->app->make(KeepDemos::class);
    expect($demos->onFirstStart())->toBe(7)->and($demos->onFirstStart())->toBe(0)->and(Build::query()->count())->toBe(7);

    $heron = Build::query()->where('demo_key', 'heron-wharf')->firstOrFail();
    $this->postJson("/api/builds/{$heron->id}/edits", ['version' => 1, 'changes' => [['path' => 'name', 'value' => 'My wharf']]])->assertOk();
    $this->artisan('brookstone:reset-demo')->assertSuccessful();
    $this->artisan('brookstone:reset-demo')->assertSuccessful();

    expect(Build::query()->count())->toBe(8)
        ->and($heron->refresh()->name)->toBe('My wharf')
        ->and($heron->demo_key)->toBeNull()
        ->and(Build::query()->where('demo_key', 'heron-wharf')->firstOrFail()->document)->toBe(Builds::demo('heron-wharf')->toJson());
});

it('gives the page for every address that is no API', function () {
    $this->withoutVite()->get('/builds/anything/motions/lid/drive')->assertOk()->assertSee('id="app"', false);
});

it('gives the times of the moves that are used, as a table and as a header', function () {
    $id = $this->postJson('/api/builds/import', json_decode((string) file_get_contents(base_path('database/demo/quarry-tram.brookstone.json')),
        true))->json('id');
    $moves = $this->getJson("/api/builds/{$id}/times")->assertOk()->json('moves');

    expect(count($moves))->toBeGreaterThan(4);
    expect((string) $this->get("/api/builds/{$id}/times.csv")->assertOk()->assertHeader('Content-Type',
        'text/csv; charset=utf-8')->getContent())->toStartWith('motion,from,to,speed');
    expect((string) $this->get("/api/builds/{$id}/times.h")->assertOk()->getContent())->toContain('#define MOVE_');
    $this->getJson('/api/builds/nobody/times')->assertStatus(404);
});

it('says that the build is gone when it is deleted while something is added to it', function (string $model, Closure $add) {
    $build = Build::query()->create(App\Actions\KeepBuild::columns(Tests\Support\Builds::sound()));
    $model::creating(fn () => Build::query()->whereKey($build->id)->delete());
    $add($this, $build->id)->assertNotFound()->assertJsonPath('errors.0.message', 'What this belongs to has been deleted in the meantime.');
    $model::flushEventListeners();

    expect($model::query()->count())->toBe(0);
})->with([
    'a picture' => [App\Models\Picture::class, fn ($test, string $id) => $test->postJson("/api/builds/{$id}/pictures",
        ['name' => 'x', 'data' => 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='])],
    'a study' => [App\Models\Study::class, fn ($test, string $id) => $test->postJson("/api/builds/{$id}/studies", ['kind' => 'states', 'routine' => 'show'])],
]);

it('refuses what is no list of units, at its field', function (mixed $units, string $field) {
    $build = Build::query()->create(App\Actions\KeepBuild::columns(Tests\Support\Builds::sound()));
    $this->postJson("/api/builds/{$build->id}/edits",
        ['version' => 1, 'changes' => [['path' => 'motions.0.units', 'value' => $units]]])->assertStatus(422)->assertJsonPath('errors.0.field', $field);
})->with([['mm', 'motions.0.units'], [5, 'motions.0.units'], [['mm'], 'motions.0.units'], [['mechanism.mass_kg' => 5], 'motions.0.units.mechanism.mass_kg']]);

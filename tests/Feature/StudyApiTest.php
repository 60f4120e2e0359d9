<?php

declare(strict_types=1);

use App\Models\Build;
use App\Models\Study;
use Tests\Support\Builds;

function soundId($test): string
{
    return (string) $test->postJson('/api/builds/import', Builds::sound()->document)->assertCreated()->json('id');
}

it('sweeps faults part by part, and every cell can be run again', function () {
    $id = soundId($this);
    $study = $this->postJson("/api/builds/{$id}/studies", ['kind' => 'faults', 'routine' => 'show', 'scenario' => 'pressed'])->assertCreated();
    $said = $this->getJson('/api/studies/'.$study->json('id'))->assertOk()->assertJsonPath('state', 'done')->json();
    $cells = $said['result']['cells'];

    expect($said['done'])->toBe($said['parts'])->and(count($cells))->toBe($said['result']['cases'])
        ->and(array_unique(array_column($cells, 'step')))->each->toBeIn(array_column($said['result']['steps'], 'path'));
    $hit = array_values(array_filter($cells, fn (array $cell): bool => $cell['outcome'] === 'hits'))[0];
    $trace = $this->postJson("/api/builds/{$id}/routines/show/run", ['scenario' => 'pressed', 'events' => $hit['events']])->assertOk()->json();
    expect(array_column(array_column($trace['events'], 'says'), 'text'))->toContain($hit['says']['text']);
    // What was studied before sentences followed the units had texts; they are told on.
    $part = Study::query()->findOrFail($said['id'])->done()->firstOrFail();
    $part->update(['result' => [['says' => 'It finishes {late}.'] + $part->result[0], ...array_slice($part->result, 1)]]);
    $this->getJson('/api/studies/'.$said['id'])->assertJsonPath('result.cells.0.says.text',
        'It finishes {late}.')->assertJsonPath('result.steps.0.says.template', $said['result']['steps'][0]['says']['template']);
    $this->getJson("/api/builds/{$id}/studies?routine=show")->assertJsonPath('0.id', $said['id'])->assertJsonPath('0.is_stale', false);
    $this->postJson("/api/builds/{$id}/edits", ['version' => 1, 'changes' => [['path' => 'name', 'value' => 'Other']]])->assertOk();
    $this->getJson("/api/builds/{$id}/studies?routine=show")->assertJsonPath('0.is_stale', true);
});

it('stops where it is called off, keeps what is done, and does a part only once', function () {
    $id = soundId($this);
    Illuminate\Support\Facades\Queue::fake();
    $study = Study::query()->findOrFail($this->postJson("/api/builds/{$id}/studies",
        ['kind' => 'faults', 'routine' => 'show', 'scenario' => 'pressed'])->json('id'));
    $work = app(App\Actions\StudyWork::class);
    (new App\Jobs\RunStudyPart($study->id, 0))->handle($work);
    (new App\Jobs\RunStudyPart($study->id, 0))->handle($work);
    expect($study->done()->count())->toBe(1);
    $this->getJson("/api/studies/{$study->id}")->assertJsonPath('state', 'running')->assertJsonPath('done', 1);
    $this->postJson("/api/studies/{$study->id}/cancel")->assertOk()->assertJsonPath('state', 'cancelled');
    (new App\Jobs\RunStudyPart($study->id, 1))->handle($work);
    expect($study->done()->count())->toBe(1);
});

it('walks a drift with a seed, the same each time, and less where it is homed more often', function () {
    $build = Builds::planted(['motions.2.task.tolerance' => 0.002] + Builds::byTime());
    $id = $this->postJson('/api/builds/import', $build->document)->assertCreated()->json('id');
    $ask = fn (array $more): array => $this->getJson('/api/studies/'.$this->postJson("/api/builds/{$id}/studies",
        ['kind' => 'drift', 'routine' => 'show', 'motion' => 'lift', 'cycles' => 40, ...$more])->assertCreated()->json('id'))->json('result');
    $wide = fn (array $result): float => end($result['stops'][1]['fan'])['high'] - end($result['stops'][1]['fan'])['low'];
    $never = $ask(['seed' => 3]);

    expect($never)->toBe($ask(['seed' => 3]))->not->toBe($ask(['seed' => 4]))
        ->and($never['walks'])->toBe(40)->and(end($never['stops'][1]['fan'])['cycle'])->toBeLessThanOrEqual(40)
        ->and($wide($ask(['seed' => 3, 'home_every' => 2])))->toBeLessThan($wide($never));
});

it('searches all states, offers what could run together, and has ready routines', function () {
    $id = soundId($this);
    $this->getJson('/api/studies/'.$this->postJson("/api/builds/{$id}/studies",
        ['kind' => 'states', 'routine' => 'show'])->json('id'))->assertJsonPath('result.complete', true);
    $offers = $this->getJson("/api/builds/{$id}/routines/show/beside")->assertOk()->json();
    $after = $this->postJson("/api/builds/{$id}/try",
        ['version' => 1, 'changes' => $offers[0]['fix']['changes']])->assertOk()->json('assessment.routines.1.takes_s');
    expect($offers[0]['saves_s'])->toBeGreaterThan(0.1)
        ->and($this->getJson("/api/builds/{$id}")->json('assessment.routines.1.takes_s') - $after)->toEqualWithDelta($offers[0]['saves_s'], 1e-6);
    foreach ($this->getJson("/api/builds/{$id}/library")->assertOk()->json() as $ready) {
        expect(($ready['lacks'] === null) === ($ready['begin'] !== null))->toBeTrue();
        if ($ready['begin'] !== null) {
            $tried = $this->postJson("/api/builds/{$id}/try", ['version' => 1, 'changes' => $ready['begin']['changes']])->assertOk();
            expect(collect($tried->json('document.routines'))->pluck('name'))->toHaveCount(3);
        }
    }
});

it('refuses what cannot be studied', function (array $asked, string $field) {
    $this->postJson('/api/builds/'.soundId($this).'/studies', $asked)->assertStatus(422)->assertJsonPath('errors.0.field', $field);
})->with([
    [['kind' => 'weather', 'routine' => 'show'], 'kind'], [['kind' => 'faults', 'routine' => 'nope'], 'routine'],
    [['kind' => 'faults', 'routine' => 'show', 'scenario' => 'nope'], 'scenario'],
    [['kind' => 'drift', 'routine' => 'show'], 'motion'], [['kind' => 'drift', 'routine' => 'show', 'motion' => 'lift', 'cycles' => 1000000000], 'cycles'],
]);

it('refuses events that happen to nothing', function () {
    $id = soundId($this);
    $this->postJson("/api/builds/{$id}/routines/show/run",
        ['events' => [['what' => 'hold', 'at_s' => 1, 'motion' => 'nope']]])->assertStatus(422)->assertJsonPath('errors.0.field', 'events.0.motion');
    $this->postJson("/api/builds/{$id}/routines/show/run", ['events' => [['what' => 'flood', 'at_s' => 1]]])->assertStatus(422);
});

it('keeps a live session through the death of its process, to the last digit', function () {
    $id = soundId($this);
    $session = (string) $this->postJson("/api/builds/{$id}/rig", [])->assertCreated()->json('id');
    $say = fn (array ...$lines): array => $this->postJson("/api/rig/{$session}/say", ['lines' => $lines])->assertOk()->json('answers');
    $say(['do' => 'step', 'seconds' => 6.0], ['do' => 'event', 'event' => ['sensor' => 'button', 'is' => 'on']], ['do' => 'step', 'seconds' => 1.7]);
    $before = $say(['do' => 'get'])[0]['state'];
    shell_exec("pkill -f rig-{$session}.sock");
    usleep(300_000);
    @unlink(storage_path("brookstone/rig-{$session}.sock"));
    $after = $say(['do' => 'get'])[0]['state'];
    unset($before['events'], $after['events']);
    expect($after)->toBe($before)->and($before['now_s'])->toBe(7.7)->and($before['running'])->toBe(['show']);
    // Saved, it is a scenario that runs to the same places.
    $scenario = $say(['do' => 'save', 'id' => 'mine', 'name' => 'Mine'])[0]['scenario'];
    $this->postJson("/api/builds/{$id}/edits", ['version' => 1, 'changes' => [['path' => 'scenarios.1', 'value' => $scenario]]])->assertOk();
    $core = Build::query()->findOrFail($id)->core();
    $rig = new Brookstone\Core\Rig\Rig($core, $core->scenarios['mine']);
    $rig->step(7.7);
    expect(json_decode((string) json_encode($rig->state()['motions']), true))->toBe($before['motions']);
    shell_exec("pkill -f rig-{$session}.sock");
});

it('tells a rig what is wrong with what it is told', function () {
    $session = (string) $this->postJson('/api/builds/'.soundId($this).'/rig', [])->json('id');
    $answers = $this->postJson("/api/rig/{$session}/say",
        ['lines' => [['do' => 'dance'], ['do' => 'step', 'seconds' => -1], ['do' => 'event', 'event' => ['sensor' => 'nope', 'is' => 'on']],
            ['do' => 'get']]])->json('answers');
    expect(array_column($answers, 'ok'))->toBe([false, false, false, true])
        ->and($answers[2]['errors'][0]['message'])->toBe('There is no such sensor nope in this build.');
    $this->postJson("/api/rig/{$session}/say", ['lines' => 'x'])->assertStatus(422);
    shell_exec("pkill -f rig-{$session}.sock");
});

it('goes on after a step that says no time, or a word for it', function () {
    $session = (string) $this->postJson('/api/builds/'.soundId($this).'/rig', [])->json('id');
    $say = fn (array ...$lines): array => $this->postJson("/api/rig/{$session}/say", ['lines' => $lines])->assertOk()->json('answers');
    $first = $say(['do' => 'step'], ['do' => 'step'], ['do' => 'step', 'seconds' => 'long'], ['do' => 'step', 'seconds' => -3],
        ['do' => 'step', 'seconds' => 2], ['do' => 'step', 'seconds' => []], ['do' => 'step', 'seconds' => 3]);
    $now = $say(['do' => 'get'])[0]['state']['now_s'];
    shell_exec("pkill -f rig-{$session}.sock");
    usleep(300_000);
    @unlink(storage_path("brookstone/rig-{$session}.sock"));

    expect(array_column($first, 'ok'))->toBe([true, true, false, false, true, false, true])->and($now)->toBe(5.01)
        ->and($say(['do' => 'get'])[0]['state']['now_s'])->toBe(5.01); // told again to a new process
    shell_exec("pkill -f rig-{$session}.sock");
});

it('keeps no more than eight rigs at once, and each goes on where it was', function () {
    $id = soundId($this);
    $sessions = array_map(fn (): string => (string) $this->postJson("/api/builds/{$id}/rig", [])->assertCreated()->json('id'), range(1, 10));
    $this->postJson("/api/rig/{$sessions[9]}/say", ['lines' => [['do' => 'step', 'seconds' => 1.5]]])->assertOk();
    for ($waited = 0; $waited < 60
        && count($running = array_filter($sessions,
            fn (string $session): bool => trim((string) shell_exec("pgrep -f '[r]ig-{$session}.json'")) !== '')) > 8; $waited++) {
        usleep(100_000);
    }
    expect($running)->toHaveCount(8)->not->toContain($sessions[0], $sessions[1]);
    $answers = $this->postJson("/api/rig/{$sessions[0]}/say", ['lines' => [['do' => 'step', 'seconds' => 0.5], ['do' => 'get']]])->assertOk()->json('answers');

    expect($answers[1]['state']['now_s'])->toBe(0.5);
    foreach ($sessions as $session) {
        @unlink(storage_path("brookstone/rig-{$session}.sock"));
    }
});

it('takes what is sent empty for not said', function () {
    $id = soundId($this);
    expect($this->getJson("/api/builds/{$id}/motions/lid/drives?rows=&goal=&each=")->assertOk()->json())->toBe($this->getJson("/api/builds/{$id}/motions/lid/drives")->json())
        ->and($this->getJson("/api/builds/{$id}/motions/lift/trains?ratio=12&stages=2&limit=&direction=&module_mm=&order=")->assertOk()->json('trains'))->toBe($this->getJson("/api/builds/{$id}/motions/lift/trains?ratio=12&stages=2")->json('trains'));
    $this->getJson("/api/builds/{$id}/motions/lift/trains?ratio=")->assertStatus(422)->assertJsonPath('errors.0.field', 'ratio');
    $this->postJson("/api/builds/{$id}/studies", ['kind' => 'drift', 'routine' => 'show', 'motion' => 'lift', 'cycles' => '',
        'home_every' => ''])->assertCreated()->assertJsonPath('result.cycles', 100);
});

it('reads readings of a sensor, and says where its threshold belongs', function () {
    $build = $this->postJson('/api/builds/import', json_decode((string) file_get_contents(database_path('demo/heron-wharf.brookstone.json')), true))->json();
    $eye = ['id' => 'eye', 'name' => 'Eye', 'kind' => 'light', 'upper' => 450, 'absent' => [412, 418, 409], 'present' => [610, 655, 590]];
    $this->postJson("/api/builds/{$build['id']}/edits",
        ['version' => $build['version'], 'changes' => [['path' => 'sensors.'.count($build['document']['sensors']), 'value' => $eye]]])->assertOk();

    $this->getJson("/api/builds/{$build['id']}/sensors/eye/readings")->assertOk()->assertJsonPath('absent', 3)->assertJsonPath('wrong_now', 0);
    $this->getJson("/api/builds/{$build['id']}/sensors/none/readings")->assertNotFound();
    $this->postJson('/api/readings', ['text' => "without,with\n1,9\n2,8"])->assertOk()->assertExactJson(['all' => null, 'absent' => [1, 2],
        'present' => [9, 8]]);
    $this->postJson('/api/readings', ['text' => 'bright'])->assertStatus(422)->assertJsonPath('errors.0.field', 'text');
    $this->postJson('/api/readings', ['text' => str_repeat('1 ', 60000)])->assertStatus(422)->assertJsonPath('errors.0.field', 'text');
});

it('refuses events of a run that are none', function (mixed $events, string $field) {
    $build = $this->postJson('/api/builds/import', json_decode((string) file_get_contents(database_path('demo/heron-wharf.brookstone.json')), true))->json();
    $this->postJson("/api/builds/{$build['id']}/routines/harbour-show/run",
        ['scenario' => 'visitor', 'events' => $events])->assertStatus(422)->assertJsonPath('errors.0.field', $field);
})->with([
    [[['what' => 'stuck']], 'events.0.at_s'], [[['what' => 'flood', 'at_s' => 1]], 'events.0.what'], ['none', 'events'],
    [[['what' => 'hold', 'at_s' => 1, 'motion' => 'whale', 'is' => 'on']], 'events.0.motion'],
    [[['what' => 'level', 'at_s' => 1e99, 'sensor' => 'visitor-beam', 'value' => 1]], 'events.0.at_s'],
]);

it('says why a motion was not seen to drift', function (array $planted, string $motion, string $says) {
    $id = $this->postJson('/api/builds/import', Builds::planted($planted)->document)->assertCreated()->json('id');
    $study = $this->getJson('/api/studies/'.$this->postJson("/api/builds/{$id}/studies", ['kind' => 'drift', 'routine' => 'show', 'motion' => $motion,
        'cycles' => 5])->assertCreated()->json('id'));

    expect($study->json('result.nothing'))->toBe($says)->and($study->json('result.stops'))->toBe([]);
})->with([
    'its switches find it' => [['routines.1.steps' => [['do' => 'wait', 'for_s' => 1]]], 'lift', 'Lift does not drift: every move of it ends on a switch.'],
    'it gives up first' => [['motions.0.mechanism.mass_kg' => 30,
        'routines.1.steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4], ...Builds::byTime()['routines.1.steps']]]
        + Builds::byTime(), 'lift', 'Show gives up before Lift has gone by time: mend that first.'],
]);

<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Illuminate\Support\Facades\Cache;
use Tests\Support\Builds;

beforeEach(function () {
    $this->at = '/api/builds/'.$this->postJson('/api/builds/import', Builds::sound()->document)->assertCreated()->json('id');
});

it('reads a table beside the build, and gives the log as one', function () {
    $read = $this->postJson("{$this->at}/log/read", ['text' => "motion,time\nLid,1.1 s\nNobody,2\n", 'today' => '2026-06-02'])->assertOk();
    $csv = $this->get("{$this->at}/log.csv")->assertOk();

    $read->assertJsonPath('entries.0.measured_s', 1.1)->assertJsonPath('entries.0.on', '2026-06-02')->assertJsonPath('wrong', 1)
        ->assertJsonPath('problems.0.line', 3);
    expect($csv->headers->get('Content-Disposition'))->toContain('-log.csv')->and($csv->getContent())->toContain('Lid,Shut,Open,0.98 s');
});

it('says at its field what cannot be read', function (array $sent, string $field) {
    $refused = $this->postJson("{$this->at}/log/read", $sent)->assertStatus(422);

    expect(array_column($refused->json('errors'), 'field'))->toContain($field);
})->with([
    [['today' => '2026-06-02'], 'text'], [['text' => ['x'], 'today' => '2026-06-02'], 'text'], [['text' => 'motion,time'], 'today'],
    [['text' => '', 'today' => 'yesterday'], 'today'], [['text' => '', 'today' => '0000-01-01'], 'today'], [['text' => '', 'today' => ['x']], 'today'],
]);

it('answers with sentences to whatever is sent as a table', function (string $text) {

    $this->postJson("{$this->at}/log/read", ['text' => $text, 'today' => '2026-06-02'])->assertOk()->assertJsonPath('entries', []);
})->with(['"', '{', '{"motion":{"a":1}}', "motion\n\u{0}", "motion,time\nLid,1e400", "motion,time\nLid,NaN", ';;;;', '{"motion":"lid","time":null}',
    "motion,time\n\"Lid", "\xEF\xBB\xBF", '[1,2]', "motion,stopped at\nLid,1e9 °"]);

it('reads more than is stored at once, and no more than it bears', function () {
    $table = fn (int $MB): array => ['text' => "motion,time\n".str_repeat("Nobody,1.234567\n", intdiv($MB * 1024 * 1024, 16)), 'today' => '2026-06-02'];

    $this->postJson("{$this->at}/log/read", $table(3))->assertOk()->assertJsonPath('problems.0.message', 'At most 10000 rows are read at once: what follows is left out.');
    $this->postJson("{$this->at}/spoken", ['text' => str_repeat("{}\n", 1_000_000)])->assertOk();
    $this->postJson("{$this->at}/log/read", $table(6))->assertStatus(422)->assertJsonPath('errors.0.message', 'This is too much: at most 6 000 000 characters are read.');
    $this->postJson("{$this->at}/log/read", $table(7))->assertStatus(422)->assertJsonPath('errors.0.message', 'This is too large: at most 7 MB are read.');
    $this->postJson("{$this->at}/edits", ['version' => 1, 'changes' => [['path' => 'note', 'value' => str_repeat('x', 7_400_000)]]])->assertStatus(422)
        ->assertJsonPath('errors.0.message', 'This is too large: at most 7 MB are read.');
    $this->postJson("{$this->at}/edits", ['version' => 1, 'changes' => [['path' => 'note', 'value' => array_fill(0, 800_000, [])]]])->assertStatus(422)
        ->assertJsonPath('errors.0.message', 'This is too large: it has more than 200000 parts.');
    $this->postJson("{$this->at}/rig", ['x' => str_repeat('x', 2_200_000)])->assertStatus(422)->assertJsonPath('errors.0.message', 'This is too large: at most 2 MB are read.');
});

it('takes a build with ten thousand measurements in, and gives it out again as it was', function () {
    $entries = array_map(fn (int $i): array => ['id' => "m{$i}", 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'measured_s' => 1 + ($i % 50) / 1000, 'on' => '2026-05-30',
        'note' => 'measured with the watch in the evening'], range(1, 10_000));
    $json = Build::read(['log' => $entries] + Builds::sound()->document)->toJson();
    $id = $this->call('POST', '/api/builds/import', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], content: $json)->assertCreated()->json('id');

    expect(strlen($json))->toBeGreaterThan(4_000_000)->and($this->get("/api/builds/{$id}/export")->assertOk()->getContent())->toBe($json);
});

it('has the newest of a long log with the build, and as many more as are asked for', function () {
    $document = Builds::sound()->document;
    $lid = ['motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'on' => '2026-05-30'];
    $document['log'] = array_map(fn (int $i): array => ['id' => "m{$i}", 'measured_s' => 1.0 + $i / 1000] + $lid, range(0, 99));
    $at = '/api/builds/'.$this->postJson('/api/builds/import', $document)->assertCreated()->json('id');
    $log = $this->getJson($at)->assertOk()->json('assessment.log');
    $all = $this->getJson("{$at}/log?newest=100")->assertOk()->json();

    expect(array_column($log['newest'], 'id'))->toBe(array_map(fn (int $i): string => "m{$i}", range(40, 99)))
        ->and(array_column($log['repeats'], 'count'))->toBe([100])->and($all)->toHaveCount(100)->and(array_slice($all, 40))->toBe($log['newest']);
    foreach (['', '?newest=0', '?newest=10001', '?newest=many', '?newest[]=3'] as $query) {
        $this->getJson("{$at}/log{$query}")->assertStatus(422)->assertJsonPath('errors.0.field', 'newest')
            ->assertJsonPath('errors.0.message', 'Must be a whole number from 1 to 10000.');
    }
});

it('opens what is judged and tried without judging it again, until it changes', function () {
    $first = $this->getJson($this->at)->assertOk()->json();
    $key = "opened:{$first['id']}";
    expect(Cache::get($key))->toBeNull(); // there is more to say of it
    $this->getJson("{$this->at}/judgement")->assertOk();
    while (! $this->getJson("{$this->at}/mends")->json('assessment.tried'));
    $whole = $this->getJson($this->at)->assertOk()->json();
    expect($whole['assessment']['tried'])->toBeTrue()->and($this->getJson($this->at)->json())->toBe($whole);
    Cache::put($key, ['json' => '{"kept":true}'] + Cache::get($key), 60);
    expect($this->getJson($this->at)->json())->toBe(['kept' => true]);

    $this->postJson("{$this->at}/edits", ['version' => $first['version'], 'changes' => [['path' => 'motions.0.task.move_s', 'value' => 0.5]]])->assertOk();
    $changed = $this->getJson($this->at)->json();
    expect($changed['document']['motions'][0]['task']['move_s'])->toBe(0.5)->and($changed['can_undo'])->toBeTrue();
});

<?php

declare(strict_types=1);

use Illuminate\Testing\TestResponse;
use Tests\Support\Builds;

beforeEach(function () {
    $this->seed();
    $this->id = collect($this->getJson('/api/builds')->json())->firstWhere('name', 'Grumbling Troll')['id'];
    $this->build = fn (): array => $this->getJson("/api/builds/{$this->id}")->json();
    $this->edit = fn (array $changes): TestResponse => $this->postJson("/api/builds/{$this->id}/edits", ['version' => ($this->build)()['version'],
        'changes' => array_map(fn (string $path, mixed $value): array => ['path' => $path, 'value' => $value], array_keys($changes), $changes)]);
});

it('tells what stands on what, what each carries, and what is nearest', function () {
    $report = $this->getJson("/api/builds/{$this->id}/stage")->assertOk()->json();
    $motions = array_column($report['motions'], null, 'id');

    expect(array_map(fn (array $motion): ?string => $motion['on'], $motions))->toBe(['neck' => null, 'head' => 'neck', 'jaw' => 'head', 'eyes' => 'head', 'arm' => null])
        ->and($motions['head']['carries']['text'])->toStartWith('Moves 640 g of its own and carries 155 g')
        ->and(count($report['bodies']))->toBe(13)
        ->and($report['pose']['nearest']['says']['text'])->toStartWith('12 mm between Skull of Head and Chin of Jaw')
        ->and($report['pose']['stands']['text'])->toStartWith('It stands: its centre is 190 mm inside of its feet')
        ->and(array_sum(array_column($report['masses'], 'kg')))->toBeGreaterThan(7.0);
});

it('tells what is so in another pose', function () {
    $pose = fn (mixed $pose): TestResponse => $this->postJson("/api/builds/{$this->id}/stage/pose", ['pose' => $pose]);

    expect($pose(['neck' => -40, 'head' => -15, 'arm' => 62])->assertOk()->json('nearest.gap_m'))->toEqualWithDelta(0.0, 1e-9)
        ->and($pose(['neck' => 40, 'arm' => 62])->json('nearest.gap_m'))->toBeGreaterThan(0.005)
        ->and($pose(new stdClass)->assertOk()->json('nearest.says.text'))->toStartWith('12 mm');
});

it('names what is wrong with a pose, by motion', function (mixed $pose, string $field, string $says) {
    $answer = $this->postJson("/api/builds/{$this->id}/stage/pose", ['pose' => $pose])->assertStatus(422)->json('errors.0');
    expect($answer['field'])->toBe($field)->and($answer['message'])->toContain($says);
})->with([
    [['neck' => 'far'], 'pose.neck', 'Must be a number'],
    [['neck' => 1e9], 'pose.neck', '720'],
    [['wing' => 3], 'pose.wing', 'not on the stage'],
    ['all', 'pose', 'Must be a group'],
    [[1, 2], 'pose', 'Must be a group'],
]);

it('finds at once that a thing was put into the way, and mends it with what is offered', function () {
    $before = ($this->build)();
    expect(array_column($before['assessment']['stage']['findings'], 'code'))->not->toContain('stage.touches');

    $after = ($this->edit)(['things.3.x_m' => 0.22, 'things.3.y_m' => -0.2])->assertOk()->json('assessment.stage.findings');
    $touches = array_values(array_filter($after, fn (array $finding): bool => $finding['code'] === 'stage.touches'));
    expect($touches)->not->toBe([])->and($touches[0]['says']['text'])->toContain('Door post')->and($touches[0]['place'])->toBe('things.3');
});

it('mends what is in the way with what was tried on the whole build', function () {
    $build = $this->postJson('/api/builds/import', Builds::planted(['motions.2.mount' => ['z_m' => 0.1],
        'motions.2.bodies' => [['id' => 'box', 'name' => 'Box', 'length_m' => 0.1]],
        'things' => [['id' => 'shelf', 'name' => 'Shelf', 'z_m' => 0.26, 'length_m' => 0.1, 'height_m' => 0.02]]])->document)->json();
    do {
        $whole = $this->getJson("/api/builds/{$build['id']}/mends")->json();
    } while (! $whole['assessment']['tried']);
    $finding = collect($whole['assessment']['stage']['findings'])->firstWhere('code', 'stage.touches');
    expect($finding['fixes'][0]['does']['text'])->toMatch('/^Put Shelf 10\d mm to the right$/');
    $mended = $this->postJson("/api/builds/{$build['id']}/edits", ['version' => $build['version'], 'changes' => $finding['fixes'][0]['changes']])->json();
    expect(array_column($mended['assessment']['stage']['findings'], 'code'))->not->toContain('stage.touches');
});

it('refuses a ring of mounts at its field, and keeps what was there', function () {
    $answer = ($this->edit)(['motions.0.mount.on' => 'jaw'])->assertStatus(422)->json('errors.0');
    expect($answer['field'])->toBe('motions.0.mount.on')->and($answer['message'])->toBe('Jaw stands on Neck already: nothing can stand on what it carries.')
        ->and(($this->build)()['document']['motions'][0]['mount']['on'])->toBeNull();
});

it('reads lengths as they are typed, in any unit, and takes no body of no size', function () {
    $type = fn (string $path, string $text): TestResponse => $this->postJson("/api/builds/{$this->id}/edits", ['version' => ($this->build)()['version'],
        'changes' => [['path' => $path, 'text' => $text, 'unit' => 'mm']]]);
    expect($type('motions.1.bodies.0.length_m', '6 in')->assertOk()->json('document.motions.1.bodies.0.length_m'))->toEqualWithDelta(0.1524, 1e-9)
        ->and($type('motions.1.bodies.0.length_m', '0')->assertStatus(422)->json('errors.0.field'))->toBe('motions.1.bodies.0.length_m')
        ->and($type('things.0.mass_kg', 'heavy')->assertStatus(422)->json('errors.0.field'))->toBe('things.0.mass_kg');
});

<?php

declare(strict_types=1);

use Tests\Support\Builds;

beforeEach(function () {
    $this->id = $this->postJson('/api/builds/import', Builds::sound()->document)->assertCreated()->json('id');
});

it('hides a fault, is measured, and judges what is named', function () {
    $case = $this->postJson('/api/trainer', ['build' => $this->id, 'seed' => 5, 'hard' => ['weak']])->assertCreated()->json();
    $at = "/api/trainer/{$case['id']}";

    expect($case['build'])->toBe('Sound')->and($case['routine'])->toBe('Show')->and(count($case['faults']))->toBeGreaterThan(20)->and($case['seen'])->not->toBe($case['usual'])
        ->and(json_encode($case))->not->toContain('hidden');
    $this->postJson("{$at}/measure", ['id' => 'volts main'])->assertOk()->assertJsonPath('says.text', 'It gives 8.4 V.');
    $this->postJson("{$at}/judge", ['id' => 'jams lid'])->assertOk()->assertJsonPath('right', false)->assertJsonPath('was', null);
    $this->postJson("{$at}/judge", ['id' => 'weak main'])->assertOk()->assertJsonPath('right', true)->assertJsonPath('kind', 'weak');
    $this->postJson("{$at}/tell")->assertOk()->assertJsonPath('kind', 'weak');
});

it('goes on with the build as it was when the case began', function () {
    $case = $this->postJson('/api/trainer', ['build' => $this->id, 'seed' => 5, 'hard' => ['weak']])->json('id');
    $this->postJson("/api/builds/{$this->id}/edits", ['version' => 1, 'changes' => [['path' => 'routines', 'value' => []], ['path' => 'scenarios', 'value' => []]]])->assertOk();

    $this->postJson("/api/trainer/{$case}/measure", ['id' => 'volts main'])->assertOk();
    $this->postJson('/api/trainer', ['build' => $this->id, 'seed' => 5])->assertStatus(422)->assertJsonPath('errors.0.field', 'build');
});

it('refuses what makes no sense', function () {
    $this->postJson('/api/trainer', ['build' => 'nothing', 'seed' => 1])->assertNotFound();
    foreach ([['seed' => 1], ['build' => $this->id], ['build' => $this->id, 'seed' => -1], ['build' => $this->id, 'seed' => 1, 'hard' => 'all'],
        ['build' => $this->id, 'seed' => 1, 'hard' => [[]]], ['build' => [], 'seed' => 1]] as $body) {
        $this->postJson('/api/trainer', $body)->assertStatus(422);
    }
    $case = $this->postJson('/api/trainer', ['build' => $this->id, 'seed' => 1])->json('id');
    $this->postJson("/api/trainer/{$case}/measure", ['id' => 'the moon'])->assertNotFound();
    $this->postJson("/api/trainer/{$case}/judge", ['id' => 'the moon'])->assertNotFound();
    $this->postJson("/api/trainer/{$case}/judge", ['id' => ['x']])->assertStatus(422)->assertJsonPath('errors.0.field', 'id');
    $this->postJson('/api/trainer/none/tell')->assertNotFound();
});

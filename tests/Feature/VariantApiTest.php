<?php

declare(strict_types=1);

use Tests\Support\Builds;

beforeEach(function () {
    $this->id = $this->postJson('/api/builds/import', Builds::sound()->document)->assertCreated()->json('id');
    $this->edit = fn (string $path, mixed $value) => $this->postJson("/api/builds/{$this->id}/edits",
        ['version' => $this->getJson("/api/builds/{$this->id}")->json('version'), 'changes' => [['path' => $path, 'value' => $value]]])->assertOk();
});

it('copies a build, which then goes its own way', function () {
    $copy = $this->postJson("/api/builds/{$this->id}/copy")->assertCreated()->assertJsonPath('document.name', 'Copy of Sound')->assertJsonPath('can_undo', false)->json();
    ($this->edit)('motions.0.task.move_s', 3.5);

    expect($copy['id'])->not->toBe($this->id)->and($this->getJson("/api/builds/{$copy['id']}")->json('document.motions.0.task.move_s'))->toBe(2.5)
        ->and($this->getJson('/api/builds')->json())->toHaveCount(2);
    $this->postJson('/api/builds/nothing/copy')->assertNotFound();
});

it('compares with another build, and with an earlier state', function () {
    $copy = $this->postJson("/api/builds/{$this->id}/copy")->json('id');
    $this->getJson("/api/builds/{$this->id}/compare?with={$copy}")->assertOk()->assertJsonPath('names', ['Sound', 'Copy of Sound'])
        ->assertJsonPath('says.text', 'Sound and Copy of Sound do not differ in anything that is judged.');
    ($this->edit)('motions.0.mechanism.mass_kg', 0.4);
    $states = $this->getJson("/api/builds/{$this->id}/revisions")->assertOk()->json();
    $with = $this->getJson("/api/builds/{$this->id}/compare?revision=1")->assertOk()->assertJsonPath('names', ['Sound', 'Sound, state 1'])->json();

    expect(array_map(fn (array $state): array => [$state['number'], $state['is_now']], $states))->toBe([[2, true], [1, false]])
        ->and(array_column($with['groups'], 'differing', 'id')['motion lid'])->toBeGreaterThan(0)
        ->and(array_column($with['groups'], 'differing', 'id')['motion jaw'])->toBe(0);
});

it('says with what it cannot be compared', function (string $query, int $status) {
    $this->getJson("/api/builds/{$this->id}/compare{$query}")->assertStatus($status);
})->with([['', 422], ['?with[]=x', 422], ['?revision=none', 422], ['?revision=0', 422], ['?revision=7', 404], ['?with=nothing', 404]]);

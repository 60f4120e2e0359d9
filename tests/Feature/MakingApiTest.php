<?php

declare(strict_types=1);

use Tests\Support\Builds;

beforeEach(function () {
    $this->at = '/api/builds/'.$this->postJson('/api/builds/import', Builds::sound()->document)->assertCreated()->json('id');
    $this->edit = fn (string $path, mixed $value) => $this->postJson("{$this->at}/edits",
        ['version' => $this->getJson($this->at)->json('version'), 'changes' => [['path' => $path, 'value' => $value]]]);
});

it('gives the plan, and as a calendar once it has a first day', function () {
    $this->getJson("{$this->at}/plan?today=2026-05-01")->assertOk()->assertJsonPath('begins_on', null)->assertJsonPath('stages.0.id', 'parts');
    $refused = $this->getJson("{$this->at}/plan.ics?today=2026-05-01")->assertStatus(422);
    ($this->edit)('making.begins_on', '2026-06-01')->assertOk();
    $ics = $this->get("{$this->at}/plan.ics?today=2026-05-01")->assertOk();

    expect($refused->json('errors.0.field'))->toBe('making.begins_on')->and($ics->headers->get('Content-Type'))->toBe('text/calendar; charset=utf-8')
        ->and($ics->headers->get('Content-Disposition'))->toContain('sound-plan.ics')->and($ics->getContent())->toStartWith("BEGIN:VCALENDAR\r\n")
        ->and($this->get("{$this->at}/plan.ics?today=2026-05-01")->getContent())->toBe($ics->getContent());
});

it('gives the parts, and what is said of one stays with it', function () {
    ($this->edit)('making.parts.0', ['id' => 'drives/W40-400', 'have' => true, 'price' => 9.5])->assertOk();
    $line = collect($this->getJson("{$this->at}/parts")->assertOk()->json('lines'))->firstWhere('id', 'drives/W40-400');

    expect([$line['have'], $line['price'], $line['cost']])->toBe([true, 9.5, 9.5])
        ->and($this->get("{$this->at}/parts.csv")->assertOk()->getContent())->toContain('gear motor W40-400');
});

it('gives the service of a day, and the tests of the bench', function () {
    ($this->edit)('upkeep.since', '2026-01-01')->assertOk();
    $service = $this->getJson("{$this->at}/service?today=2026-12-01")->assertOk();

    expect(collect($service->json('jobs'))->firstWhere('id', 'cord.lift')['state'])->toBe('due')
        ->and($this->get("{$this->at}/service.ics?today=2026-12-01")->assertOk()->getContent())->toContain('DTSTART;VALUE=DATE:20261201')
        ->and($this->getJson("{$this->at}/bench")->assertOk()->json('tests.0.id'))->toBe('hand.lid');
});

it('says at its field what cannot be', function (string $path, mixed $value, string $field) {
    expect(array_column(($this->edit)($path, $value)->assertStatus(422)->json('errors'), 'field'))->toContain($field);
})->with([
    ['making.begins_on', '0000-00-00', 'making.begins_on'], ['making.hours_a_day', 0, 'making.hours_a_day'],
    ['making.tasks', [['id' => 'a', 'name' => 'A', 'needs' => ['a']]], 'making.tasks.0.needs'], ['upkeep.watch.every_h', -1, 'upkeep.watch.every_h'],
    ['motions.0.measured', ['efficiency' => 2, 'on' => '2026-05-01'], 'motions.0.measured.efficiency'],
    ['motions.0.measured', ['mechanism' => ['mass_kg' => 0], 'on' => '2026-05-01'], 'motions.0.measured.mechanism.mass_kg'],
    ['log.0.measured_s', -1, 'log.0.measured_s'],
]);

it('asks for a day that there is', function (string $today) {
    expect(array_column($this->getJson("{$this->at}/service?today={$today}")->assertStatus(422)->json('errors'), 'field'))->toBe(['today']);
})->with(['', 'tomorrow', '0000-01-01', '2026-02-30', '9999-01-01']);

it('refits a motion, and knows no other', function () {
    $this->getJson("{$this->at}/motions/lid/refit")->assertOk()->assertJsonPath('motion', 'lid');
    $this->getJson("{$this->at}/motions/nobody/refit")->assertNotFound();
});

<?php

declare(strict_types=1);

use Tests\Support\Builds;

beforeEach(function () {
    $this->at = '/api/builds/'.$this->postJson('/api/builds/import', Builds::sound()->document)->assertCreated()->json('id');
    $this->edit = fn (array $changes) => $this->postJson("{$this->at}/edits", ['version' => $this->getJson($this->at)->json('version'), 'changes' => $changes]);
});

it('tells what a motion once more changes, which an edit then does', function () {
    $told = $this->getJson("{$this->at}/motions/jaw/twin?mirrored=0&together=1")->assertOk()->assertJsonPath('name', 'Jaw 2');
    $motions = collect(($this->edit)($told->json('changes'))->assertOk()->json('document.motions'))->pluck('name');

    expect($motions->all())->toBe(['Lid', 'Jaw', 'Lift', 'Jaw 2'])
        ->and($this->getJson("{$this->at}/motions/jaw/twin")->json('name'))->toBe('Jaw 2')
        ->and($this->getJson("{$this->at}/motions/jaw/twin?name=Left%20jaw")->json('name'))->toBe('Left jaw')
        ->and($this->getJson("{$this->at}/motions/jaw/twin?together=0")->json('changes'))->toHaveCount(1);
    $this->getJson("{$this->at}/motions/moon/twin")->assertNotFound();
});

it('refuses a name that is none at its field', function (string $query, string $field) {
    $this->getJson("{$this->at}/motions/jaw/twin?{$query}")->assertStatus(422)->assertJsonPath('errors.0.field', $field);
})->with([['name=', 'name'], ['name=%20', 'name'], ['name[]=x', 'name'], ['mirrored=perhaps', 'mirrored'], ['together[]=1', 'together']]);

it('tells what goes with a motion, and takes it out', function () {
    $told = $this->getJson("{$this->at}/motions/lift/removal")->assertOk()->assertJsonPath('says.0.text', '4 steps go with it, of Wake, Show.');
    $left = ($this->edit)($told->json('changes'))->assertOk()->json('document');

    expect(array_column($left['motions'], 'id'))->toBe(['lid', 'jaw'])->and(json_encode($left['routines']))->not->toContain('lift');
    $this->getJson("{$this->at}/motions/lift/removal")->assertNotFound();
    $this->postJson("{$this->at}/undo", ['version' => $this->getJson($this->at)->json('version')])->assertOk()->assertJsonPath('document.motions.2.id', 'lift');
});

it('gives a run as a table and as a dump of changes', function () {
    $csv = $this->get("{$this->at}/routines/show/run.csv?scenario=pressed")->assertOk();
    $vcd = $this->get("{$this->at}/routines/show/run.vcd")->assertOk();

    expect($csv->headers->get('Content-Disposition'))->toBe('attachment; filename="sound-show.csv"')->and($csv->getContent())->toStartWith('time_s,lid.at_deg,')
        ->and(substr_count($csv->getContent(), "\n"))->toBeGreaterThan(500)->and($vcd->getContent())->toContain('$var real 64 ! lid.at_deg $end');
    $this->getJson("{$this->at}/routines/show/run.csv?scenario=moon")->assertNotFound();
    $this->getJson("{$this->at}/routines/moon/run.vcd")->assertNotFound();
    $this->getJson("{$this->at}/routines/show/run.csv?rehearsal=999")->assertNotFound();
    $this->getJson("{$this->at}/routines/show/run.csv?rehearsal=x")->assertStatus(422);
    $this->getJson("{$this->at}/routines/show/run.pdf")->assertNotFound();
});

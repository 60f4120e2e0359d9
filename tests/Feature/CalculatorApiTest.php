<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;

it('answers with the same object as the core', function () {
    $inputs = ['mass_kg' => 0.5, 'cg_m' => 0.2, 'from_deg' => 0, 'to_deg' => 80, 'move_s' => 2];

    $this->postJson('/api/calc/load.arm', $inputs)->assertOk()
        ->assertExactJson(json_decode((string) json_encode(Calculators::run(Calculators::all()['load.arm'], $inputs)), true));
});

it('lists the calculators and gives their schemas', function () {
    $names = array_column($this->getJson('/api/calc')->assertOk()->json(), 'name');

    expect($names)->toContain('load.arm', 'load.hoist', 'drive.dc_point', 'drive.servo_point', 'train.ratio', 'motion.run');
    foreach ($names as $name) {
        $this->getJson("/api/calc/{$name}")->assertOk()->assertJsonPath('title',
            $name)->assertJsonStructure(['properties' => ['inputs' => ['properties'], 'results' => ['properties']]]);
    }
});

it('names every wrong field with a 422, and never fails', function (string $body) {
    $response = $this->call('POST', '/api/calc/load.arm', server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], content: $body);

    $response->assertStatus(422)->assertJsonStructure(['errors' => [['field', 'message']]]);
})->with(['', '{', '[]', 'null', '"x"', '{"mass_kg":1e999}', '{"mass_kg":"heavy"}', str_repeat('[', 5000), "\xff"]);

it('does not know what it does not know', function () {
    $this->postJson('/api/calc/load.rocket', [])->assertNotFound();
    $this->getJson('/api/nothing')->assertNotFound();
});

it('reads quantities as they are typed', function () {
    $this->postJson('/api/quantity', ['text' => '3.5 kg cm', 'unit' => 'N·m'])->assertOk()->assertJsonPath('text', '0.343 N·m');
    $this->postJson('/api/quantity', ['text' => '3.5 kg', 'unit' => 'N·m'])->assertStatus(422)->assertJsonPath('errors.0.field', 'text');
    $this->postJson('/api/quantity', ['text' => '1', 'unit' => 'furlong'])->assertStatus(422)->assertJsonPath('errors.0.field', 'unit');
    $this->postJson('/api/quantity', ['text' => '1', 'unit' => ' '])->assertStatus(422)->assertJsonPath('errors.0.field', 'unit');
    $this->postJson('/api/quantity', ['text' => '1.5', 'unit' => ''])->assertOk()->assertJsonPath('si', 1.5);
    $this->getJson('/api/units')->assertOk()->assertJsonStructure(['units' => [['symbol', 'dimension', 'factor', 'inverse']], 'suffixes', 'systems']);
});

it('answers only to this machine', function () {
    $this->getJson('http://elsewhere.example/api/builds')->assertForbidden();
});

it('takes changes only as JSON', function () {
    $this->call('POST', '/api/builds', server: ['CONTENT_TYPE' => 'text/plain', 'HTTP_ACCEPT' => 'application/json'],
        content: '{"name":"x"}')->assertStatus(415);
});

it('draws a result over an input, and tells what is wrong at its field', function () {
    $worm = ['module_mm' => 1, 'diameter_quotient' => 12, 'starts' => 1, 'wheel' => 30, 'friction_coefficient' => 0.1];
    $swept = $this->postJson('/api/calc/train.worm/sweep', ['inputs' => $worm, 'over' => 'friction_coefficient', 'of' => 'efficiency'])->assertOk()->json();
    $ys = array_column($swept['points'], 'y');
    $falling = $ys;
    rsort($falling);
    expect($swept['at'])->toBe(0.1)->and($ys)->toBe($falling)->and($ys[0])->toBeGreaterThan(end($ys));

    $this->postJson('/api/calc/train.worm/sweep', ['inputs' => $worm, 'over' => 'teeth'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'over');
    $this->postJson('/api/calc/train.worm/sweep', ['inputs' => $worm, 'of' => 3])->assertUnprocessable()->assertJsonPath('errors.0.field', 'of');
    $this->postJson('/api/calc/train.worm/sweep', ['inputs' => ['wheel' => -9] + $worm])->assertUnprocessable()->assertJsonPath('errors.0.field', 'wheel');
    $this->postJson('/api/calc/train.worm/sweep', ['inputs' => 'all'])->assertUnprocessable();
    $this->postJson('/api/calc/train.worm/sweep', [])->assertUnprocessable();
    $this->postJson('/api/calc/no.such/sweep', ['inputs' => []])->assertNotFound();
});

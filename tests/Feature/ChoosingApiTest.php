<?php

declare(strict_types=1);

/** The demo with the drawbridge, as a build of its own. */
function wharf($test): string
{
    return $test->postJson('/api/builds/import', json_decode((string) file_get_contents(database_path('demo/heron-wharf.brookstone.json')),
        true))->assertCreated()->json('id');
}

it('ranks the drawer for every goal', function () {
    $id = wharf($this);
    foreach (['as_asked', 'fastest', 'safest', 'smallest', 'lightest', 'least_current', 'coolest', 'quietest', 'holds_unpowered'] as $goal) {
        $choice = $this->getJson("/api/builds/{$id}/motions/tide/drives?goal={$goal}&rows=5")->assertOk()->json();
        expect($choice['goal'])->toBe($goal)->and($choice['rows'])->toHaveCount(5)->and($choice['rows'][0]['verdict'])->toBe('holds')
            ->and($choice['tried'])->toBe(54 * 60);
    }
});

it('gives every ratio when asked, and the whole list', function () {
    $id = wharf($this);
    $all = $this->getJson("/api/builds/{$id}/motions/drawbridge/drives?each=ratio&rows=0")->assertOk()->json();

    expect($all['rows'])->toHaveCount(54 * 60);
});

it('refuses goals that are none', function (string $query) {
    $id = wharf($this);
    $this->getJson("/api/builds/{$id}/motions/tide/drives?{$query}")->assertStatus(422);
})->with(['goal=prettiest', 'each=motor', 'rows=-1', 'rows=many']);

it('compares the ways and offers counterweights', function () {
    $id = wharf($this);
    $schools = $this->getJson("/api/builds/{$id}/motions/drawbridge/schools")->assertOk()->json();
    $easing = $this->getJson("/api/builds/{$id}/motions/drawbridge/easing")->assertOk()->json();
    $this->getJson("/api/builds/{$id}/motions/moon/schools")->assertNotFound();

    expect($schools)->toHaveCount(6)->and($schools[0]['recommended'])->toBeTrue()->and(array_column($easing, 'way'))->toBe(['counterweight', 'spring']);
});

it('opens an example as a build of one’s own', function () {
    $examples = $this->getJson('/api/examples')->assertOk()->json();
    $opened = $this->postJson("/api/examples/{$examples[0]['example']}", [])->assertCreated()->json();
    $this->postJson('/api/examples/..%2F..%2Fdemo%2Fheron-wharf', [])->assertNotFound();
    $this->postJson('/api/examples/nothing', [])->assertNotFound();

    expect(count($examples))->toBeGreaterThanOrEqual(7)->and($opened['document']['name'])->toBe($examples[0]['name'])->and($opened['is_demo'])->toBeFalse();
});

it('stores a picture, reads a size off it, and gives it to a motion', function () {
    $id = wharf($this);
    $image = imagecreatetruecolor(400, 300);
    ob_start();
    imagepng($image);
    $data = base64_encode((string) ob_get_clean());
    $made = $this->postJson("/api/builds/{$id}/pictures", ['name' => 'Bridge', 'data' => $data])->assertCreated()->json();
    $this->get("/api/pictures/{$made['id']}")->assertOk()->assertHeader('content-type', 'image/png');
    $picture = $made + ['known' => ['x1' => 0, 'y1' => 0, 'x2' => 200, 'y2' => 0, 'length_m' => 1.0], 'scale' => 0.1,
        'readings' => [['id' => 'deck', 'name' => 'Deck', 'x1' => 0, 'y1' => 50, 'x2' => 300, 'y2' => 50]]];
    $version = $this->getJson("/api/builds/{$id}")->json('version');
    $answer = $this->postJson("/api/builds/{$id}/edits",
        ['version' => $version, 'changes' => [['path' => 'pictures.0', 'value' => $picture]]])->assertOk()->json();
    $read = $answer['assessment']['pictures'][0]['readings'][0];

    expect($made['width_px'])->toBe(400)->and($read['real_m'])->toBeAbout(1.5)->and($read['model_m'])->toBeAbout(0.15);
    $this->postJson("/api/builds/{$id}/edits",
        ['version' => $answer['version'],
            'changes' => [['path' => 'pictures.0.scale', 'text' => '1/12', 'unit' => '']]])->assertOk()->assertJsonPath('document.pictures.0.scale',
                0.0833333333333);
});

it('shows the picture that the demo is measured on, and none that is not there', function () {
    $picture = $this->getJson('/api/builds/'.wharf($this))->json('document.pictures.0');
    $this->get("/api/pictures/{$picture['id']}")->assertOk()->assertHeader('content-type', 'image/svg+xml');
    $this->getJson('/api/pictures/nothing')->assertNotFound();
    $this->getJson('/api/pictures/..%2Fheron-wharf')->assertNotFound();
});

it('refuses pictures that are none', function (mixed $data) {
    $id = wharf($this);
    $this->postJson("/api/builds/{$id}/pictures", ['name' => 'Bridge', 'data' => $data])->assertStatus(422)->assertJsonPath('errors.0.field', 'data');
})->with([[base64_encode('GIF89a no picture')], ['%%%'], [''], [null], [base64_encode('<svg xmlns="http://www.w3.org/2000/svg"/>')]]);

it('answers for every calculator over HTTP as on the command line', function () {
    $names = array_column($this->getJson('/api/calc')->assertOk()->json(), 'name');

    expect($names)->toContain('load.turntable', 'load.slide', 'load.wheels', 'load.crank', 'load.ball', 'load.spring_lever', 'load.feeder',
        'load.crank_rocker', 'load.measured', 'drive.stepper_point', 'drive.bench', 'claims.check', 'rolling.wheels', 'rolling.magnet_head', 'winding.drum');
    foreach ($names as $name) {
        $this->getJson("/api/calc/{$name}")->assertOk()->assertJsonPath('title', $name);
        $this->postJson("/api/calc/{$name}", ['nonsense' => 1])->assertStatus(422)->assertJsonPath('errors.0.field', 'nonsense');
    }
});

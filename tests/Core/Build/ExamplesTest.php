<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Picture;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Mechanism\Mechanisms;
use Tests\Support\Builds;

it('has every way of moving in a demo or an example', function () {
    $kinds = [];
    foreach ([...array_map(Builds::demo(...), ['heron-wharf', 'moth-lantern', 'quarry-tram']),
        ...array_map(Builds::example(...), Builds::examples())] as $build) {
        foreach ($build->motions as $motion) {
            $kinds[] = $motion->mechanism->kind();
        }
    }

    expect(array_unique($kinds))->toEqualCanonicalizing(Mechanisms::kinds());
});

it('raises nothing worse than a note over its examples', function (string $example) {
    $chain = Builds::assessed(Builds::example($example))->chains[0];
    foreach ($chain->links as $link) {
        foreach ($link->findings as $finding) {
            expect($finding->severity)->toBe(Severity::Note, "{$finding->code}: {$finding->says->text()}");
        }
    }
    foreach (['task', 'load', 'drive', 'train', 'stops'] as $i => $name) {
        expect($chain->links[$i]->verdict)->toBe(Verdict::Holds, $name);
    }
    expect($chain->curves['there'])->not->toBeNull()->and($chain->curves['there']['time_s'])->not->toBeNull();
})->with(fn () => Builds::examples());

it('keeps its examples as files that are read and written the same', function (string $example) {
    $build = Builds::example($example);

    expect(Build::fromJson($build->toJson())->toJson())->toBe((string) file_get_contents(__DIR__."/../../../database/examples/{$example}.brookstone.json"))->toBe($build->toJson());
})->with(fn () => Builds::examples());

it('loads a motion one way only, where its task says so', function () {
    $build = fn (string $payload) => Builds::planted(['motions.2.mechanism.payload_kg' => 0.6, 'motions.2.task.payload' => $payload])->motions['lift'];
    $there = $build('there');
    $facts = fn ($motion) => new Brookstone\Core\Assessment\Subject\MotionFigures($motion);

    expect($facts($there)->there()->static_peak_Nm)->toBeAbout(2 * $facts($there)->back()->static_peak_Nm)
        ->and($facts($build('back'))->there()->static_peak_Nm)->toBeAbout($facts($there)->back()->static_peak_Nm)
        ->and($facts($build('both'))->peak_Nm())->toBeAbout($facts($there)->peak_Nm())
        ->and($facts($there)->time('low', 'high'))->toBeGreaterThan($facts($there)->time('high', 'low'));
});

it('takes longer where it meets something on the way', function () {
    $free = new Brookstone\Core\Assessment\Subject\MotionFigures(Builds::sound()->motions['lift']);
    $met = new Brookstone\Core\Assessment\Subject\MotionFigures(Builds::planted(['motions.2.segments' => [['name' => 'A flap', 'from' => 0.08, 'to' => 0.1,
        'load_N' => 20.0]]])->motions['lift']);

    expect($met->time('low', 'high'))->toBeGreaterThan((float) $free->time('low', 'high'))
        ->and($met->there()->worst_at)->toBeGreaterThanOrEqual(0.0799);
});

it('refuses a segment that ends before it begins, and one in the wrong unit', function (array $segment, string $field) {
    expect(fn () => Builds::planted(['motions.2.segments' => [['name' => 'A flap'] + $segment]]))->toThrow(function (InvalidInput $invalid) use ($field) {
        expect($invalid->errors[0]['field'])->toBe("motions.2.segments.0.{$field}");
    });
})->with([[['from' => 0.1, 'to' => 0.05, 'load_N' => 1.0], 'to'], [['from' => 0.01, 'to' => 0.05, 'load_Nm' => 1.0], 'load_Nm']]);

it('refuses a mechanism whose figures do not fit each other at the field that is wrong', function () {
    expect(fn () => Builds::planted(['motions.0.mechanism' => ['kind' => 'crank', 'crank_m' => 0.05, 'rod_m' => 0.04,
        'slider_mass_kg' => 0.1]]))->toThrow(function (InvalidInput $invalid) {
            expect($invalid->errors[0]['field'])->toBe('motions.0.mechanism.rod_m');
        });
});

it('reads sizes off a picture at the scale of the model', function () {
    $line = fn (float $x1, float $y1, float $x2, float $y2): array => ['x1' => $x1, 'y1' => $y1, 'x2' => $x2, 'y2' => $y2];
    $picture = new Picture('p', 'Crane', 1000, 800, $line(0, 0, 300, 400) + ['length_m' => 2.0], 1 / 12,
        [['id' => 'jib', 'name' => 'Jib'] + $line(100, 100, 100, 350)]);
    $read = $picture->read()[0];

    expect($read['real_m'])->toBeAbout(1.0)->and($read['model_m'])->toBeAbout(1 / 12)->and($read['error_share'])->toBeGreaterThan(0.004)->toBeLessThan(0.01)
        ->and((new Picture('p', 'Crane', 10, 10, null, 1.0, [['id' => 'jib', 'name' => 'Jib'] + $line(1, 1, 2, 2)]))->read()[0]['real_m'])->toBeNull()
        ->and((new Picture('p', 'Crane', 10, 10, $line(5, 5, 5, 5) + ['length_m' => 1.0], 1.0, []))->metresPerPixel())->toBeNull();
});

it('says what to take care of, and only where it is called for', function () {
    $codes = fn (Build $build, string $motion): array => array_column(Builds::assessed($build)->chain($motion)->cautions, 'code');

    expect($codes(Builds::sound(), 'lid'))->not->toContain('overhead')->not->toContain('worn')
        ->and($codes(Builds::planted(['motions.0.task.over_people' => true]), 'lid'))->toContain('overhead')
        ->and($codes(Builds::planted(['around.public' => true, 'around.worn' => true]), 'jaw'))->toContain('public')->toContain('worn')
        ->and($codes(Builds::planted(['motions.2.mechanism' => ['kind' => 'spring_lever', 'spring_N_per_m' => 800, 'stretch_m' => 0.1, 'lever_m' => 0.06,
            'moving_mass_kg' => 0.02]]), 'lift'))->toContain('energy')
        ->and($codes(Builds::demo('moth-lantern'), 'left-wing'))->toContain('worn');

    // A door that shuts by itself; a spring of k·x²/2 just under and over a joule: thrown things, then stored energy.
    expect($codes(Builds::sound(), 'lid'))->not->toContain('door')
        ->and($codes(Builds::planted(['motions.0.task.shuts_at' => 'shut']), 'lid'))->toContain('door');
    $lever = fn (float $N_per_m): array => array_values(array_intersect(['energy', 'thrown'], $codes(Builds::planted(['motions.2.mechanism' => ['kind' => 'spring_lever',
        'spring_N_per_m' => $N_per_m, 'stretch_m' => 0.1, 'lever_m' => 0.06, 'moving_mass_kg' => 0.02]]), 'lift')));
    expect($lever(199.0))->toBe(['thrown'])->and($lever(201.0))->toBe(['energy'])->and($codes(Builds::sound(), 'lift'))->not->toContain('thrown');
});

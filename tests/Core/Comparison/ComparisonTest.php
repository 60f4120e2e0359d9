<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Comparison\Comparison;
use Brookstone\Core\Comparison\Variant;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

/** @return array<string, mixed> */
function beside(Build $one, Build $other): array
{
    [$one, $other] = array_map(fn (Build $build): Variant => new Variant($build->name, $build, BuildJudge::atOnce($build, null, Rehearsal::of($build))), [$one, $other]);

    return Comparison::of($one, $other);
}

/** @return array<string, array<string, mixed>> rows of a group, by what they tell */
function rowsOf(array $comparison, string $group): array
{
    return array_column(array_column($comparison['groups'], 'rows', 'id')[$group] ?? [], null, 'what');
}

it('finds nothing between a build and itself', function (string $demo) {
    $build = Builds::demo($demo);
    $same = beside($build, $build);

    expect($same['says']->text())->toBe("{$build->name} and {$build->name} do not differ in anything that is judged.")
        ->and(array_sum(array_column($same['groups'], 'differing')))->toBe(0)->and($same['rehearsed'])->toBeTrue();
})->with(['quarry-tram', 'signal-garden']);

it('says what a weaker drive changes, and which is the sounder one', function () {
    $one = Builds::sound();
    $other = Builds::planted(['name' => 'Weak', 'motions.0.drive.motor' => Builds::motor('W40-60'), 'motions.0.mechanism.mass_kg' => 1.9]);
    $of = beside($one, $other);
    $drive = rowsOf($of, 'motion lid')['Drive'];

    expect($of['says']->text())->toMatch('/^Sound and Weak differ in \d+ things\. The sounder one is Sound\.$/')
        ->and($drive['differs'])->toBeTrue()->and($drive['better'])->toBe(0)->and($drive['cells'][1]->verdict->value)->toBe('fails')
        ->and(array_column($of['groups'], 'id'))->toBe(['all', 'motion lid', 'routines', 'supplies', 'motion jaw', 'motion lift'])
        ->and(rowsOf($of, 'motion jaw')['Drive']['differs'])->toBeFalse()->and(array_column($of['groups'][1]['rows'], 'differs'))->toContain(true, false)
        ->and($of['groups'][1]['rows'][0]['differs'])->toBeTrue();
    $back = beside($other, $one);
    expect(rowsOf($back, 'motion lid')['Drive']['better'])->toBe(1)->and($back['says']->text())->toEndWith('The sounder one is Sound.');
});

it('compares the time of each move, and knows of one that does not arrive', function () {
    $one = Builds::sound();
    $slower = Builds::planted(['name' => 'Heavier', 'motions.0.mechanism.mass_kg' => 1.2 * $one->motions['lid']->mechanism->mass_kg]);
    $there = rowsOf(beside($one, $slower), 'motion lid')['Its move there'];
    expect($there['better'])->toBe(0)->and($there['cells'][0]->size)->toBeLessThan($there['cells'][1]->size)
        ->and($there['cells'][0]->says->text())->toMatch('/^\d[\d.]* s$/');
    $held = rowsOf(beside($one, Builds::planted(['motions.0.drive.motor' => Builds::motor('W40-60'), 'motions.0.mechanism.mass_kg' => 30.0])), 'motion lid')['Its move there'];
    expect($held['cells'][1]->says->text())->toBe('does not arrive')->and($held['better'])->toBeNull();
});

it('compares masses, currents, times, parts and work, where less is better', function () {
    $one = Builds::sound();
    $document = $one->document;
    array_splice($document['motions'], 1, 1);
    $document['routines'][1]['steps'] = array_values(array_filter($document['routines'][1]['steps'], fn (array $step): bool => ($step['motion'] ?? '') !== 'jaw'));
    $document['log'] = [];
    $other = Build::read(['name' => 'No jaw'] + $document);
    $of = beside($one, $other);
    $whole = rowsOf($of, 'all');
    $servo_kg = $one->motions['jaw']->drive->motor->body()->mass_kg;

    expect(array_keys(rowsOf($of, 'motion jaw')))->toBe(['The motion'])
        ->and(rowsOf($of, 'motion jaw')['The motion'])->toMatchArray(['differs' => true, 'better' => null])
        ->and(rowsOf($of, 'motion jaw')['The motion']['cells'][0]->says->text())->toBe('only here')->and(rowsOf($of, 'motion jaw')['The motion']['cells'][1])->toBeNull()
        ->and($whole['Mass of its drives']['better'])->toBe(1)
        ->and($whole['Mass of its drives']['cells'][0]->size - $whole['Mass of its drives']['cells'][1]->size)->toBeAbout($servo_kg, 1e-9)
        ->and($whole['Work']['better'])->toBe(1)->and(rowsOf($of, 'routines')['Show']['better'])->toBe(1)
        ->and(rowsOf($of, 'supplies')['Servo rail']['cells'][1])->toBeNull()->and(rowsOf($of, 'supplies')['Main']['differs'])->toBeFalse();
});

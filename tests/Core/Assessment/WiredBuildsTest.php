<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Wiring\WiringPlanner;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Wiring\BoardStock;
use Tests\Support\Builds;

/** What is said of a build that is wired by what is offered: its wiring, worse than a note, but for the fuses that nobody chose. */
function saidOfWired(Build $build): array
{
    $bare = Editor::apply($build, [['path' => 'wiring', 'value' => []]]);
    $subjects = array_map(fn (Motion $motion): MotionInBuild => new MotionInBuild($bare, $motion, new MotionFigures($motion)), $bare->motions);
    ['fix' => $fix, 'short' => $short] = WiringPlanner::plan($bare, $subjects, BoardStock::shipped(), false);
    if ($fix === null) {
        return array_map(fn ($says): string => $says->text(), $short);
    }
    $wired = Builds::mended($bare, $fix);
    $findings = array_filter(BuildJudge::proposed($wired)->findings(), fn (Finding $finding): bool => str_starts_with($finding->code, 'wiring.')
        && $finding->severity !== Severity::Note && ! in_array($finding->code, ['wiring.no_fuse', 'wiring.battery_days', 'wiring.coil_too_long'], true));

    return array_values(array_map(fn (Finding $finding): string => "{$finding->code}: {$finding->says->text()}", $findings));
}

it('finds nothing wrong with what it has wired itself, in every build that ships', function (Build $build) {
    expect(saidOfWired($build))->toBe([]);
})->with(fn () => array_merge(
    array_map(fn (string $name): array => [Builds::example($name)], array_combine(Builds::examples(), Builds::examples())),
    array_map(fn (string $name): array => [Builds::demo($name)], ['heron' => 'heron-wharf', 'moth' => 'moth-lantern', 'tram' => 'quarry-tram', 'garden' => 'signal-garden',
        'dial' => 'star-dial']),
));

it('finds nothing wrong with what it has wired itself, whatever is asked for', function (int $seed) {
    mt_srand($seed);
    $kinds = ['lamp', 'relay', 'track', 'points', 'uncoupler', 'valve', 'sound'];
    $outputs = array_map(fn (int $i): array => ['id' => "o{$i}", 'name' => "Output {$i}", 'kind' => $kind = $kinds[mt_rand(0, 6)],
        'supply' => in_array($kind, ['lamp', 'sound'], true) && mt_rand(0, 1) === 1 ? null : ['main', 'servos'][mt_rand(0, 1)], 'speed' => in_array($kind, ['track', 'lamp'], true)
            && mt_rand(0, 1) === 1, 'current_A' => [null, 0.01, 0.4, 2.5][mt_rand(0, 3)]], range(1, mt_rand(1, 12)));
    $sensors = array_map(fn (int $i): array => ['id' => "s{$i}", 'name' => "Sensor {$i}", 'kind' => ['press', 'magnet', 'knob', 'beam'][mt_rand(0, 3)], 'upper' => 50],
        range(1, mt_rand(1, 12)));
    $build = Builds::planted(['outputs' => [...Builds::sound()->document['outputs'], ...$outputs], 'sensors' => [...Builds::sound()->document['sensors'], ...$sensors],
        'wiring.sleeps' => mt_rand(0, 1) === 1, 'motions.0.stops.encoder_pulses' => mt_rand(0, 2) === 0 ? 12 : null]);
    $said = saidOfWired($build);
    $short = array_filter($said, fn (string $says): bool => str_starts_with($says, 'No board in the drawer bears') || str_contains($says, 'too few'));

    expect(array_diff($said, $short, array_filter($said, fn (string $says): bool => preg_match('/^wiring\.(rail_overloaded|regulator_over):/', $says) === 1)))->toBe([]);
})->with(range(1, 30));

it('is judged whatever things are called', function (string $name) {
    $build = Builds::planted(array_replace(Builds::wired(), ['motions.0.name' => $name, 'motions.2.name' => $name, 'sensors.0.name' => $name, 'outputs.0.name' => $name, 'wiring.boards.0.name' => $name,
        'wiring.boards.1.board.name' => $name, 'supplies.0.name' => $name, 'wiring.boards.1.board.peak_A' => 1.5, 'supplies.0.fuse_A' => null]));
    $says = array_map(fn (Finding $finding): string => $finding->says->text(), array_filter(BuildJudge::proposed($build)->findings(),
        fn (Finding $finding): bool => in_array($finding->code, ['wiring.driver_stall', 'wiring.no_fuse'], true)));

    expect($says)->toHaveCount(3)->and($says)->each->toContain($name);
})->with(['Lid {starts}', '{"x"}', 'a "b" \\ c', "\u{1F98A} <i>", '%s $x', str_repeat('W', 80)]);

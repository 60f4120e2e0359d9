<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Known;
use Brookstone\Core\Assessment\Remembered;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Error\InvalidInput;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Builds;
use Tests\Support\Changes;
use Tests\Support\Faulty;
use Tests\Support\Trees;

/** Remembers, by way of what it would be in a file, and counts. */
final class Counting implements Known
{
    public int $new = 0;

    /** @var array<string, string> */
    private array $kept = [];

    public function recall(string $footing): ?object
    {
        return isset($this->kept[$footing]) ? unserialize($this->kept[$footing]) : null;
    }

    public function keep(string $footing, object $of): void
    {
        $this->new++;
        $this->kept[$footing] = serialize($of);
    }
}

it('judges with what it knows as if it knew nothing, whatever changes', function (Closure $build, int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $build = $build();
    [$offered, $asked] = [new Remembered, new Counting];
    BuildJudge::proposed($build, null, null, $offered);
    BuildJudge::atOnce($build, null, null, $asked);
    $tried = 0;
    foreach ($random->shuffleArray(Changes::of($build->document)) as $change) {
        try {
            $changed = Editor::apply($build, [$change]);
        } catch (InvalidInput) {
            continue;
        }
        $of = "{$change['path']} is ".json_encode($change['value']);
        expect(json_encode(BuildJudge::proposed($changed, null, null, $offered)))->toBe(json_encode(BuildJudge::proposed($changed)), $of)
            ->and(json_encode(BuildJudge::atOnce($changed, null, null, $asked)))->toBe(json_encode(BuildJudge::atOnce($changed)), $of);
        if (++$tried >= (int) (getenv('BROOKSTONE_RUNS') ?: 16)) {
            break;
        }
    }
    expect($tried)->toBeGreaterThan(15);
})->with(fn (): array => [
    ...array_map(fn (int $seed): array => [fn (): Build => Faulty::build($seed), $seed], range(1, 4)),
    'Heron Wharf' => [fn (): Build => Builds::demo('heron-wharf'), 5], 'Quarry Tram' => [fn (): Build => Builds::demo('quarry-tram'), 6],
    'Sun and moon' => [fn (): Build => Builds::example('sun-and-moon'), 7],
    'motions on one another' => [fn (): Build => (new Trees(11))->build(3, ['arm', 'slide', 'turntable'], 0.0), 8],
]);

it('sees what a motion is judged by besides itself', function (Closure $build, array $changes) {
    $build = $build();
    $known = new Remembered;
    $before = BuildJudge::atOnce($build, null, null, $known);
    $changed = Editor::apply($build, $changes);
    $after = BuildJudge::atOnce($changed, null, null, $known);

    expect(json_encode($after))->toBe(json_encode(BuildJudge::atOnce($changed)))->not->toBe(json_encode($before));
})->with([
    'that no routine moves it any more, which is then judged by how often its task says' => [fn (): Build => Builds::planted(['supplies.1.capacity_Ah' => 0.2, 'log' => []]), [['path' => 'routines', 'value' => []], ['path' => 'scenarios', 'value' => []]]],
    'the name of one that has the same motor' => [fn (): Build => Builds::example('sun-and-moon'), [['path' => 'motions.0.name', 'value' => 'Else']]],
    'the mass of what stands on it' => [fn (): Build => (new Trees(11))->build(3, ['arm', 'slide'], 0.0), [['path' => 'motions.2.bodies.0.mass_kg', 'value' => 1.9]]],
    'what it stands on' => [fn (): Build => (new Trees(12))->build(3, ['arm', 'turntable'], 0.0), [['path' => 'motions.0.places.1.at', 'value' => 88.0]]],
    'what stands in its way' => [fn (): Build => Builds::planted(['motions.2.mount' => ['z_m' => 0.1], 'motions.2.bodies' => [['id' => 'b', 'name' => 'B', 'length_m' => 0.1]],
        'things' => [['id' => 't', 'name' => 'T', 'x_m' => 0.4, 'z_m' => 0.2, 'length_m' => 0.1]]]), [['path' => 'things.0.x_m', 'value' => 0.03]]],
    'and of the other' => [fn (): Build => Builds::example('sun-and-moon'), [['path' => 'motions.1.name', 'value' => 'Other']]],
]);

it('judges again only the motion that an edit touches, and searches only what hangs together otherwise', function (array $changes, int $new) {
    $known = new Counting;
    $build = Builds::sound();
    BuildJudge::atOnce($build, null, null, $known);
    expect($known->new)->toBe(4);
    BuildJudge::atOnce(Editor::apply($build, $changes), null, null, $known);

    expect($known->new - 4)->toBe($new);
})->with([
    'nothing' => [[['path' => 'note', 'value' => 'Later']], 0],
    'a mass' => [[['path' => 'motions.0.mechanism.mass_kg', 'value' => 0.21]], 1],
    'a place, which routines go to' => [[['path' => 'motions.0.places.1.at', 'value' => 71]], 2],
    'a wait' => [[['path' => 'routines.1.target_s', 'value' => 50]], 1],
    'a supply' => [[['path' => 'supplies.0.volts_V', 'value' => 11.9]], 3],
    'a setting' => [[['path' => 'settings.peak_margin', 'value' => 1.6]], 3],
]);

<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Stage\FrontView;
use Brookstone\Core\Assessment\Stage\StageReport;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Machine\Balance;
use Brookstone\Core\Machine\LiveStage;
use Tests\Support\Builds;
use Tests\Support\Trees;

describe('the report of the stage', function () {
    it('tells all masses, the heaviest first, and they are those of the whole', function () {
        $build = Builds::demo('grumbling-troll');
        $masses = (new StageReport($build))->written()['masses'];
        $kg = array_column($masses, 'kg');
        $sorted = $kg;
        rsort($sorted);
        expect($kg)->toBe($sorted)->and(min($kg))->toBeGreaterThan(0.0)
            // The arm's drive sits on the base and is no part of what stands there; its bodies are.
            ->and(array_sum($kg))->toBeAbout((new Balance($build->stage))->all([])->mass_kg, 1e-9)
            ->and($masses[0]['name']->text())->toBe('Base plate');
    });

    it('tells how each goes: two points of what goes evenly, many of a linkage', function () {
        $motions = (new StageReport((new Trees(4))->build(4, ['pushed', 'slide'], 0.0)))->written()['motions'];
        foreach ($motions as $motion) {
            $build = (new Trees(4))->build(4, ['pushed', 'slide'], 0.0);
            $linked = $build->motions[$motion['id']]->mechanism->follower(0.0) !== null;
            expect(count($motion['follows']))->toBe($linked ? 49 : 2)
                ->and($motion['follows'][0])->toBe([$motion['low'], $build->stage->at($motion['id'], [$motion['id'] => $motion['low']])]);
        }
    });

    it('says nothing of standing where there is no frame, and nothing is nearest to a single body', function () {
        $build = Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'One', 'motions' => [Trees::motion('arm', 'arm')
            + ['mount' => [], 'bodies' => [['id' => 'b', 'name' => 'B', 'length_m' => 0.1]]]]]);
        $pose = (new StageReport($build))->pose([]);
        expect($pose['stands'])->toBeNull()->and($pose['nearest'])->toBeNull()->and(count($pose['centre_m']))->toBe(3);
    });
});

it('looks from the front: the farthest first, frame and what moves, and none of what is only near', function () {
    $front = FrontView::of(Builds::demo('grumbling-troll'));
    expect(array_count_values(array_column($front, 'is')))->toBe(['frame' => 3, 'moved' => 8])
        ->and($front[0]['is'])->toBe('frame') // the drive box, behind all
        ->and(max(array_column(array_filter($front, fn (array $outline): bool => $outline['marker'] === 'lilac'), 'radius_mm')))->toBe(18.0)
        ->and(FrontView::of(Builds::demo('heron-wharf')))->toBe([]);
});

it('weighs at rest in a run what it weighs in that pose by the rule', function () {
    $looked = 0;
    for ($seed = 1; $seed <= 40; $seed++) {
        $trees = new Trees($seed);
        $stage = $trees->build(3 + $seed % 3)->stage;
        $pose = $trees->pose($stage);
        foreach (LiveStage::all($stage) as $family) {
            $family->moved(array_map(fn (string $id): array => [$stage->motions[$id]->unit()->toSi($pose[$id]), 0.0],
                array_combine($family->motions(), $family->motions())), 0.0);
            foreach ($family->motions() as $id) {
                [$live, $rule] = [$family->live($stage->motions[$id])->ride(), $stage->posture($id, $pose)];
                foreach ([0.0, $stage->at($id, $pose), 0.3] as $at) {
                    expect($live?->force($at))->toEqualWithDelta($rule->force($at), 1e-9 * max(1.0, abs($rule->force($at))), "{$id}, seed {$seed}");
                }
                expect($live?->mass())->toEqualWithDelta($rule->mass(), 1e-9 * max(1.0, abs($rule->mass())))
                    ->and($live?->kg())->toEqualWithDelta($rule->kg(), 1e-9);
                $looked++;
            }
        }
    }
    expect($looked)->toBeGreaterThan(60);
});

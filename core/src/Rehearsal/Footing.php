<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\MotorGroup;
use Brookstone\Core\Simulation\Axis;

/**
 * What performances hang on: everything of a build that a run can see, but of routines that are not begun only what starts them, and of motions that rest
 * only where they stand, what tells of it, and what they draw.
 */
final class Footing
{
    /** Of a document, what no run sees. */
    private const ASIDE = ['name', 'note', 'log', 'endurance', 'making', 'upkeep', 'pictures', 'routines', 'motions', 'scenarios', 'wiring', 'meetings'];

    /** Of a motion, what only shows when it moves or is held. */
    private const INSIDE = ['mechanism', 'train', 'drive', 'measured'];

    private readonly string $base;

    /** @var array<string, string> of each routine and motion, all that is said of it */
    private array $routines = [];

    /** @var array<string, string> */
    private array $motions = [];

    private const SETTLES = 20; // scans

    /** @var array<string, array{int, float}|null> by motion and place */
    private array $settled = [];

    public function __construct(private readonly Build $build)
    {
        $routines = $motions = [];
        foreach ($build->document['routines'] as $said) {
            $routine = $build->routines[$said['id']];
            $this->routines[$routine->id] = self::hash($said);
            $routines[] = [array_diff_key($said, ['steps' => 0, 'if_fails' => 0]), $build->movedBy($routine), $build->calledBy($routine),
                $routine->asksForCounters(), $build->isComplete($routine)];
        }
        foreach ($build->document['motions'] as $said) {
            $this->motions[$said['id']] = self::hash([$said, $build->motions[$said['id']]->drive?->leads()]);
            $motions[] = [array_diff_key($said, array_flip(self::INSIDE)), self::shows($build->motions[$said['id']])];
        }
        $this->base = self::hash([array_diff_key($build->document, array_flip(self::ASIDE)), $routines, $motions,
            $build->wiring->controller()]);
    }

    /** @return list<mixed> what can be seen of a motion at rest, of its drive and of what it moves */
    private static function shows(Motion $motion): array
    {
        $drive = $motion->drive;

        return [
            $drive === null ? null : [$drive->supply->id, $drive->shares, $drive->shares_by, $drive->gated, $drive->one_way],
            $motion->positioning->source?->name, $motion->unit(), $motion->period(),
        ];
    }

    /**
     * @param  list<string>  $routines  that are begun
     * @param  list<string>  $resting  motions of which no more is seen than that they rest
     */
    public function of(array $routines, array $resting): string
    {
        return self::hash([$this->base, array_map(fn (string $id): ?string => $this->routines[$id] ?? null, $routines),
            array_diff_key($this->motions, array_flip($resting))]);
    }

    /** @param  array<string, array{float, float}>  $rested  where motions stand, and what they draw: here too they do nothing there, and draw as much */
    public function rest(array $rested): bool
    {
        foreach ($rested as $motion => [$at, $drawn_A]) {
            if (($this->settles($motion, $at)[1] ?? null) !== $drawn_A) {
                return false;
            }
        }

        return true;
    }

    /**
     * The motions that rest all through a run; of two that share a motor both, or neither.
     *
     * @param  array<string, Axis>  $axes  at its end
     * @param  array<string, float>  $began  where each stood when it began
     * @return array<string, array{float, float}> where they stand, and what they draw
     */
    public function resting(array $axes, array $began): array
    {
        $rested = [];
        foreach ($began as $id => $at) {
            $settles = $this->settles($id, $at);
            if ($settles !== null && $axes[$id]->steps() === $settles[0]) {
                $rested[$id] = [$at, $settles[1]];
            }
        }
        $together = [...array_map(fn (MotorGroup $group): array => $group->members, $this->build->motorGroups),
            ...array_map($this->build->stage->family(...), array_keys($this->build->stage->motions))];
        foreach ($together as $members) {
            if (array_diff_key(array_flip($members), $rested) !== []) {
                $rested = array_diff_key($rested, array_flip($members)); // what one of them does may move another, or is felt by it
            }
        }

        return $rested;
    }

    /** @return array{int, float}|null after how many steps of time a motion does nothing at a place, and what it draws then, A; null where it does not rest there */
    private function settles(string $motion, float $at): ?array
    {
        $key = "{$motion} {$at}";
        if (! array_key_exists($key, $this->settled)) {
            $this->settled[$key] = $this->settled(new Axis($this->build->motions[$motion], $at,
                $this->build->motions[$motion]->obeysWithin_s($this->build->settings)));
        }

        return $this->settled[$key];
    }

    /** @return array{int, float}|null */
    private function settled(Axis $axis): ?array
    {
        [$at, $draws_A] = [$axis->position(), $axis->drawn_A(1.0, 0.0)];
        for ($scan = 0; $scan < self::SETTLES && ! $axis->isIdle(); $scan++) {
            if ($axis->advance($this->build->settings->scan_s) !== [] || $axis->drawn_A(1.0, 0.0) !== $draws_A) {
                return null;
            }
        }

        return $axis->isIdle() && $axis->position() === $at ? [$axis->steps(), $draws_A] : null;
    }

    private static function hash(mixed $of): string
    {
        return hash('xxh128', json_encode($of, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }
}

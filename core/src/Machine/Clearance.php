<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Solid\Gap;
use Brookstone\Core\Solid\Placement;

/**
 * How near what moves comes to everything else. Along a move nothing is stepped over: how fast a gap can change is bounded by how far its bodies are from the
 * axis that they turn about, and what that leaves open is halved until it is known to half a millimetre (conservative advancement: Mirtich, Impulse-based
 * Dynamic Simulation (1996), §2.3; Lipschitz bounds: Piyavskii (1972)).
 */
final class Clearance
{
    /** @var \WeakMap<Stage, self>|null what was worked out of a stage before */
    private static ?\WeakMap $known = null;

    /** What is just as far apart as is asked for is far enough. */
    public const NEITHER_M = 1e-9;

    private const FINE_M = 0.0004; // half of a millimetre and less

    private const SLOPES = 48;     // samples of a linkage’s travel

    private const STEEPER = 1.1;   // than at any of those a linkage may be between them

    private const JOINED_M = 0.0;

    /** @var list<Piece> */
    public readonly array $pieces;

    /** @var list<array{int, int}> pairs of them that may meet, and should not */
    private array $pairs = [];

    /** @var list<array{int, int}> of them, one of which is where hands can be */
    private array $hands = [];

    /** @var array<string, float> by piece and motion, how far the piece goes at most for a unit of that motion’s own positions, m */
    private array $rates = [];

    private int $looks = 0;

    /** @var array<string, float> by motion, rad or m for a unit of its own positions */
    private array $slopes = [];

    public static function of(Stage $stage): self
    {
        self::$known ??= new \WeakMap;

        return self::$known[$stage] ??= new self($stage);
    }

    private function __construct(public readonly Stage $stage)
    {
        $pieces = [];
        foreach ($stage->motions as $id => $motion) {
            $movedBy = [$id, ...$stage->under($id)];
            foreach ($motion->bodies as $body) {
                $pieces[] = new Piece($body, $motion, $movedBy);
            }
        }
        foreach ($stage->motions as $motion) {
            $drive = DriveBody::of($stage, $motion);
            $pieces = $drive === null ? $pieces : [...$pieces, $drive];
        }
        foreach ($stage->things as $thing) {
            $pieces[] = new Piece($thing, null, []);
        }
        $this->pieces = $pieces;
        [$moved] = [$stage->placed([])[1]];
        foreach ($pieces as $i => $one) {
            foreach (array_slice($pieces, $i + 1, preserve_keys: true) as $j => $other) {
                if (self::joints($one, $other) === [] || $other->body->is === 'carried' || $this->areJoined($one, $other, $moved)) {
                    continue;
                }
                $other->body->is === 'hands' ? $this->hands[] = [$i, $j] : $this->pairs[] = [$i, $j];
            }
        }
    }

    /**
     * What is nearest to touching in a pose.
     *
     * @param  array<string, float>  $pose
     */
    public function nearest(array $pose): ?Nearest
    {
        $moved = $this->stage->placed($pose)[1];
        $best = null;
        foreach ($this->pairs as [$i, $j]) {
            $one = $this->pieces[$i];
            $other = $this->pieces[$j];
            if ($best === null || self::apart($one, $other, $moved) < $best->gap_m) {
                $near = $this->apartBy($one, $other, $moved, $pose);
                $best = $best === null || $near->gap_m < $best->gap_m ? $near : $best;
            }
        }

        return $best;
    }

    /**
     * How near two are in a pose.
     *
     * @param  array<string, float>  $pose
     */
    public function gap(Piece $one, Piece $other, array $pose): Nearest
    {
        $moved = $this->stage->placed($pose, [...$one->movedBy, ...$other->movedBy])[1];

        return $this->apartBy($one, $other, $moved, $pose);
    }

    /**
     * Over a move of one motion with all others where they are: of each pair of bodies that it moves against one another, where they are nearest, as far as
     * that is nearer than is asked for; the nearest first.
     *
     * @param  array{float, float}  $range  of the motion, its own unit
     * @param  array<string, float>  $pose  of the others
     * @param  bool  $toHands  against where hands can be, and not against bodies
     * @param  (\Closure(Piece, Piece): bool)|null  $only  pairs that are looked at
     * @return list<Nearest>
     */
    public function over(string $motion, array $range, array $pose, float $within_m, bool $toHands = false, ?\Closure $only = null): array
    {
        $near = [];
        $placed = [];
        foreach ($toHands ? $this->hands : $this->pairs as [$i, $j]) {
            $one = $this->pieces[$i];
            $other = $this->pieces[$j];
            if (! in_array($motion, self::joints($one, $other), true) || ($only !== null && ! $only($one, $other))) {
                continue;
            }
            $rate = $this->rate($one, $motion) + $this->rate($other, $motion);
            $least = $this->least($one, $other, $motion, $rate, $range, $pose, $within_m, $placed);
            if ($least !== null) {
                $near[] = $least;
            }
        }
        usort($near, fn (Nearest $a, Nearest $b): int => $a->gap_m <=> $b->gap_m);

        return $near;
    }

    /**
     * Whether any of some pairs comes nearer than that at all, as far as that can be told by looking so finely, and no oftener than is left.
     *
     * @param  list<array{Piece, Piece}>  $pairs
     * @param  array{float, float}  $range
     * @param  array<string, float>  $pose
     */
    public function comeWithin(array $pairs, string $motion, array $range, array $pose, float $within_m, float $fine_m,
        int &$looks = PHP_INT_MAX): bool
    {
        $placed = [];
        foreach ($pairs as [$one, $other]) {
            if ($looks <= 0) {
                return false;
            }
            $before = $this->looks;
            $rate = $this->rate($one, $motion) + $this->rate($other, $motion);
            $comes = $this->least($one, $other, $motion, $rate, $range, $pose, $within_m, $placed, $within_m, $fine_m) !== null;
            $looks -= $this->looks - $before;
            if ($comes) {
                return true;
            }
        }

        return false;
    }

    /**
     * The pairs that two motions move against one another, and that may come nearer than that wherever the others stand.
     *
     * @return list<array{Piece, Piece}>
     */
    public function between(string $motion, string $other, float $within_m): array
    {
        $pose = $half = [];
        foreach ($this->stage->motions as $id => $each) {
            [$low, $high] = $each->range();
            [$pose[$id], $half[$id]] = [($low + $high) / 2, ($high - $low) / 2];
        }

        return array_values(array_filter($this->pairs(), function (array $pair) use ($motion, $other, $pose, $half, $within_m): bool {
            if (array_diff([$motion, $other], self::joints(...$pair)) !== []) {
                return false;
            }
            $reach = 0.0;
            foreach ($half as $id => $by) {
                $reach += $by * ($this->rate($pair[0], $id) + $this->rate($pair[1], $id));
            }

            return $this->gap($pair[0], $pair[1], $pose)->gap_m - $reach < $within_m;
        }));
    }

    /**
     * The motions by which two pieces move against one another.
     *
     * @return list<string>
     */
    public static function joints(Piece $one, Piece $other): array
    {
        return [...array_diff($one->movedBy, $other->movedBy), ...array_diff($other->movedBy, $one->movedBy)];
    }

    /** Something may meet something. */
    public function isNeeded(): bool
    {
        return $this->pairs !== [] || array_filter($this->pieces, fn (Piece $piece): bool => $piece->body->is === 'carried') !== [];
    }

    /** @return list<array{Piece, Piece}> that may meet, and should not */
    public function pairs(): array
    {
        return array_map(fn (array $pair): array => [$this->pieces[$pair[0]], $this->pieces[$pair[1]]], $this->pairs);
    }

    /** How far a piece goes at most for a unit of a motion’s own positions, m. */
    public function rate(Piece $piece, string $motion): float
    {
        return $piece->body->is === 'carried' ? $this->bound($piece, $motion) : $this->rates["{$piece->key()} {$motion}"] ??= $this->bound($piece, $motion);
    }

    /**
     * The nearest that two come, found by halving what may hold something nearer.
     *
     * @param  float  $enough_m  so near is near enough, and nothing nearer is looked for
     * @param  array{float, float}  $range
     * @param  array<string, float>  $pose
     * @param  array<string, array<string, Placement>>  $placed  by position
     */
    private function least(Piece $one, Piece $other, string $motion, float $rate, array $range, array $pose, float $within_m, array &$placed,
        float $enough_m = 0.0, float $fine_m = self::FINE_M): ?Nearest
    {
        $best = null;
        $limit = $within_m;
        $open = [[($range[0] + $range[1]) / 2, ($range[1] - $range[0]) / 2]];
        $look = function (float $at) use ($one, $other, $motion, $pose, &$placed, &$best, &$limit): float {
            $this->looks++;
            $moved = $placed["{$at}"] ??= $this->stage->placed([$motion => $at] + $pose)[1];
            $apart = self::apart($one, $other, $moved);
            if ($apart >= $limit) {
                return $apart;
            }
            $near = $this->apartBy($one, $other, $moved, [$motion => $at] + $pose);
            if ($near->gap_m < $limit) {
                [$best, $limit] = [$near, $near->gap_m];
            }

            return $near->gap_m;
        };
        $look($range[0]);
        $look($range[1]);
        while ($open !== []) {
            [$middle, $half] = array_pop($open);
            $gap = $look($middle);
            if (($best !== null && $limit <= $enough_m) || $gap - $rate * $half >= $limit || $rate * $half <= $fine_m) {
                continue;
            }
            $open[] = [$middle - $half / 2, $half / 2];
            $open[] = [$middle + $half / 2, $half / 2];
        }

        return $best;
    }

    /**
     * No two points of them are nearer than this, m.
     *
     * @param  array<string, Placement>  $moved
     */
    private static function apart(Piece $one, Piece $other, array $moved): float
    {
        return self::where($one, $moved)->point($one->at->at)->minus(self::where($other, $moved)->point($other->at->at))->length()
            - $one->body->solid->reach_m() - $other->body->solid->reach_m();
    }

    /**
     * @param  array<string, Placement>  $moved
     * @param  array<string, float>  $pose
     */
    private function apartBy(Piece $one, Piece $other, array $moved, array $pose): Nearest
    {
        $gap = Gap::between($one->body->solid, self::where($one, $moved)->then($one->at), $other->body->solid,
            self::where($other, $moved)->then($other->at));

        return new Nearest($one, $other, $gap->distance_m, $pose, $this->stage->motions, $gap->one, $gap->other);
    }

    /** @param  array<string, Placement>  $moved */
    private static function where(Piece $piece, array $moved): Placement
    {
        return $piece->of === null ? Placement::still() : $moved[$piece->of->id];
    }

    /**
     * What stands on one another, or on the frame, and touches at rest belongs together there: its pivot, its rail.
     *
     * @param  array<string, Placement>  $rest
     */
    private function areJoined(Piece $one, Piece $other, array $rest): bool
    {
        $joins = $other->of === null
            ? $other->body->is === 'frame' && ($one->of->mount->on ?? null) === null
            : ($one->of->mount->on ?? '') === $other->of->id || ($other->of->mount->on ?? '') === ($one->of->id ?? null);

        return $joins && self::apart($one, $other, $rest) <= self::JOINED_M && $this->apartBy($one, $other, $rest, [])->gap_m <= self::JOINED_M;
    }

    private function bound(Piece $piece, string $motion): float
    {
        $i = array_search($motion, $piece->movedBy, true);
        if ($i === false) {
            return 0.0;
        }
        if (! $this->stage->goes($motion)->turns) {
            return $this->slope($motion);
        }
        $far = $piece->at->at->length() + $piece->body->solid->reach_m();
        foreach (array_slice($piece->movedBy, 0, (int) $i) as $between) {
            $far += $this->stage->mount($between)->at->length() + ($this->stage->goes($between)->turns ? 0.0 : $this->slides($this->stage->motions[$between]));
        }

        return $far * $this->slope($motion);
    }

    /** How far it slides out at most, m. */
    private function slides(Motion $motion): float
    {
        return max(array_map(fn (float $at): float => abs($this->stage->at($motion->id, [$motion->id => $at])), $motion->range()));
    }

    /** How fast what it moves turns or slides at most, rad or m for a unit of its own positions. */
    private function slope(string $motion): float
    {
        return $this->slopes[$motion] ??= $this->steepest($this->stage->motions[$motion]);
    }

    private function steepest(Motion $motion): float
    {
        $at = fn (float $position): float => $this->stage->at($motion->id, [$motion->id => $position]);
        if ($motion->mechanism->follower(0.0) === null) {
            return abs($at(1.0) - $at(0.0));
        }
        [$low, $high] = $motion->range();
        $width = ($high - $low) / self::SLOPES;
        $most = 0.0;
        for ($i = 0; $i < self::SLOPES; $i++) {
            $most = max($most, abs($at($low + ($i + 1) * $width) - $at($low + $i * $width)) / $width);
        }

        return self::STEEPER * $most;
    }
}

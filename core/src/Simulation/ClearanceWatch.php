<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\ClearHeight;
use Brookstone\Core\Machine\Nearest;
use Brookstone\Core\Machine\Piece;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Vector;

/**
 * Watches that nothing on the stage meets anything else during a run. Two bodies that were found so far apart are not looked at again before their motions
 * could have brought them together; between two looks nothing is stepped over (conservative advancement: Mirtich, Impulse-based Dynamic Simulation (1996),
 * §2.3).
 */
final class ClearanceWatch
{
    private const FINE_M = 0.0005;

    private const UPRIGHT = 0.2; // sideways over up or down

    private const LEAVES = 2.0; // times the gap that is asked for: it has gone away again

    /** @var array<string, Axis> */
    private readonly array $axes;

    /** @var array<int, array{Piece, Piece}> */
    private array $pairs = [];

    /** @var array<string, Piece> things that are taken up and put down, each where it is */
    private array $things = [];

    /** @var array<int, array<string, float>> by pair, how far a motion takes the one from the other at most, m for a unit of its own */
    private array $rates = [];

    /** @var array<int, float> how far each pair may be moved against one another until it must be looked at */
    private array $left_m = [];

    private float $soonest_m = 0.0;

    private float $now = 0.0;

    /** @var array<string, float> */
    private array $fastest = [];

    /** @var array<string, float> where all were when they were last looked at */
    private array $stood;

    /** @var array<string, float> how far each has gone since, its own unit */
    private array $went = [];

    /** @var array<int, Nearest> pairs that are too near, each where it was nearest */
    private array $near = [];

    /** @var array<int, true> pairs that have touched */
    private array $touched = [];

    /** @param  array<string, Axis>  $axes */
    public function __construct(private readonly Clearance $clearance, array $axes, private readonly Recorder $recorder, private readonly float $asked_m)
    {
        $this->axes = array_intersect_key($axes, $clearance->stage->motions);
        foreach ($clearance->pairs() as [$one, $other]) {
            $this->add($one, $other);
        }
        $this->stood = array_map(fn (Axis $axis): float => $axis->thingAt(), $this->axes);
        $this->went = array_fill_keys(array_keys($this->axes), 0.0);
        $this->all(0.0, $this->stood);
    }

    /** A thing stands there from now on: what takes it up comes to it, all else does not. */
    public function stands(Body $thing, Placement $at): void
    {
        $takers = array_filter(array_keys($this->clearance->stage->motions), $this->clearance->stage->takes(...));
        $this->is(new Piece($thing, null, [], $at), fn (Piece $other): bool => $other->of !== null && array_intersect($other->movedBy, $takers) === []);
    }

    /** It rides on a motion: what it touches as it is taken up it may. */
    public function rides(Body $thing, Motion $on, Placement $at): void
    {
        $piece = new Piece($thing, $on, [$on->id, ...$this->clearance->stage->under($on->id)], $at);
        $pose = array_map(fn (Axis $axis): float => $axis->thingAt(), $this->axes);
        $this->is($piece, fn (Piece $other): bool => $other->body->is !== 'hands'
            && $this->clearance->gap($piece, $other, $pose)->gap_m > Clearance::NEITHER_M);
    }

    /** @param  \Closure(Piece): bool  $minds  whom it shall not meet */
    private function is(Piece $piece, \Closure $minds): void
    {
        foreach ($this->pairs as $i => [$one, $other]) {
            if ($one->body === $piece->body || $other->body === $piece->body) {
                if (isset($this->near[$i])) {
                    $this->tells($this->now, $this->near[$i]);
                }
                unset($this->pairs[$i], $this->rates[$i], $this->left_m[$i], $this->near[$i], $this->touched[$i]);
            }
        }
        $this->things[$piece->body->id] = $piece;
        $others = array_filter($this->clearance->pieces, fn (Piece $other): bool => $other->body->is !== 'carried');
        foreach ([...$others, ...array_values($this->things)] as $other) {
            if ($other->body !== $piece->body && Clearance::joints($piece, $other) !== [] && $minds($other)) {
                $this->add($piece, $other);
            }
        }
        $this->soonest_m = 0.0;
    }

    private function add(Piece $one, Piece $other): void
    {
        $i = $this->pairs === [] ? 0 : array_key_last($this->pairs) + 1;
        $this->pairs[$i] = [$one, $other];
        $this->rates[$i] = [];
        foreach (Clearance::joints($one, $other) as $motion) {
            $this->rates[$i][$motion] = $this->clearance->rate($one, $motion) + $this->clearance->rate($other, $motion);
            $this->fastest[$motion] = max($this->fastest[$motion] ?? 0.0, $this->rates[$i][$motion]);
        }
        $this->left_m[$i] = 0.0;
    }

    public function look(float $now): void
    {
        $this->now = $now;
        $stands = [];
        $most = 0.0;
        foreach ($this->axes as $id => $axis) {
            $stands[$id] = $axis->thingAt();
            $this->went[$id] += abs($axis->motion()->distance($this->stood[$id], $stands[$id]));
            $most += ($this->fastest[$id] ?? 0.0) * $this->went[$id];
        }
        if ($most > $this->soonest_m) {
            $this->all($now, $stands);
        }
        $this->stood = $stands;
    }

    /** The run is over: what is still too near has been so. */
    public function ends(float $now): void
    {
        foreach ($this->near as $i => $nearest) {
            $this->tells($now, $nearest);
            unset($this->near[$i]);
        }
    }

    /** @param  array<string, float>  $stands */
    private function all(float $now, array $stands): void
    {
        $soonest = INF;
        $before = $this->stood;
        foreach ($this->rates as $i => $rates) {
            $moved = 0.0;
            foreach ($rates as $motion => $rate) {
                $moved += $rate * $this->went[$motion];
            }
            if ($moved > 0.0 || $now === 0.0 || $this->left_m[$i] <= 0.0) {
                $this->left_m[$i] -= $moved;
                if ($this->left_m[$i] <= 0.0) {
                    $this->pair($i, $now, $before, $stands, $moved);
                }
            }
            $soonest = min($soonest, $this->left_m[$i]);
        }
        $this->soonest_m = max(0.0, $soonest);
        $this->went = array_fill_keys(array_keys($this->axes), 0.0);
    }

    /**
     * @param  array<string, float>  $before  where all were at the scan before
     * @param  array<string, float>  $stands
     */
    private function pair(int $i, float $now, array $before, array $stands, float $moved_m): void
    {
        [$one, $other] = $this->pairs[$i];
        $nearest = $this->clearance->gap($one, $other, $stands);
        $between = $moved_m > self::FINE_M ? $this->between($i, $before, $stands, $nearest) : null;
        $this->left_m[$i] = $nearest->gap_m - $this->asked_m;
        $least = $between !== null && $between->gap_m < $nearest->gap_m ? $between : $nearest;
        if ($least->gap_m < $this->asked_m && $this->setsDown($one, $least, $before, $stands)) {
            return;
        }
        if ($least->gap_m <= 0.0 && ! isset($this->touched[$i])) {
            $this->touched[$i] = true;
            unset($this->near[$i]);
            $mover = $this->moves($i, $before, $stands);
            $this->recorder->meets('touch', $mover, $now, $this->withHeight(self::says($least), $least, $mover, $stands), $least);
        } elseif ($least->gap_m < $this->asked_m - Clearance::NEITHER_M && ! isset($this->touched[$i])) {
            $this->near[$i] = isset($this->near[$i]) && $this->near[$i]->gap_m <= $least->gap_m ? $this->near[$i] : $least;
        }
        if ($nearest->gap_m > self::LEAVES * $this->asked_m) {
            if (isset($this->near[$i])) {
                $this->tells($now, $this->near[$i]);
            }
            unset($this->near[$i], $this->touched[$i]);
        }
    }

    /**
     * What is carried is let down onto something, or lifted off it: that is what it is for.
     *
     * @param  array<string, float>  $before
     * @param  array<string, float>  $stands
     */
    private function setsDown(Piece $piece, Nearest $nearest, array $before, array $stands): bool
    {
        if ($piece->body->is !== 'carried' || $piece->of === null || $nearest->to->z > $nearest->at->z + self::FINE_M) {
            return false;
        }
        $at = fn (array $pose): Vector => $this->clearance->stage->placed($pose, $piece->movedBy)[1][$piece->of->id]->then($piece->at)->at;
        $goes = $at($stands)->minus($at($before));

        return hypot($goes->x, $goes->y) <= self::UPRIGHT * abs($goes->z);
    }

    /**
     * Where they were nearest on the way, as far as that may be nearer than at its end.
     *
     * @param  array<string, float>  $from
     * @param  array<string, float>  $to
     */
    private function between(int $i, array $from, array $to, Nearest $end): ?Nearest
    {
        [$one, $other] = $this->pairs[$i];
        $way = 0.0;
        foreach ($this->rates[$i] as $motion => $rate) {
            $way += $rate * abs($this->axes[$motion]->motion()->distance($from[$motion], $to[$motion]));
        }
        $best = null;
        $limit = min($this->asked_m, $end->gap_m);
        $open = $way > self::FINE_M ? [[0.0, 1.0]] : [];
        while ($open !== []) {
            [$a, $b] = array_pop($open);
            $pose = [];
            foreach ($to as $motion => $at) {
                $pose[$motion] = $from[$motion] + ($a + $b) / 2 * $this->axes[$motion]->motion()->distance($from[$motion], $at);
            }
            $nearest = $this->clearance->gap($one, $other, $pose);
            if ($nearest->gap_m < $limit) {
                [$best, $limit] = [$nearest, $nearest->gap_m];
            }
            if ($limit > 0.0 && $nearest->gap_m - $way * ($b - $a) / 2 < $limit && $way * ($b - $a) > self::FINE_M) {
                array_push($open, [$a, ($a + $b) / 2], [($a + $b) / 2, $b]);
            }
        }

        return $best;
    }

    private function tells(float $now, Nearest $nearest): void
    {
        $motion = $nearest->one->of ?? $nearest->other->of;
        assert($motion !== null);
        $this->recorder->meets('near', $motion->id, $now, self::says($nearest, $this->asked_m), $nearest);
    }

    /**
     * The motion that brings them together: the one that takes them farthest just now.
     *
     * @param  array<string, float>  $before
     * @param  array<string, float>  $stands
     */
    private function moves(int $i, array $before, array $stands): string
    {
        $most = [array_key_first($this->rates[$i]), -1.0];
        foreach ($this->rates[$i] as $motion => $rate) {
            $goes = $rate * abs($stands[$motion] - $before[$motion]);
            $most = $goes > $most[1] ? [$motion, $goes] : $most;
        }

        return (string) $most[0];
    }

    /**
     * Of what is carried, the height from which on it would clear.
     *
     * @param  array<string, float>  $stands
     */
    private function withHeight(Sentence $says, Nearest $nearest, string $mover, array $stands): Sentence
    {
        [$carried, $other] = $nearest->one->body->is === 'carried' ? [$nearest->one, $nearest->other] : [$nearest->other, $nearest->one];
        $height = $carried->body->is !== 'carried' || $carried->of === null ? null
            : (new ClearHeight($this->clearance))->over($carried, $other, $mover, $stands, $this->asked_m);

        return $height === null ? $says : new Sentence(rtrim($says->template, '.')." (it clears with {$height[0]->named()} at {clears}).",
            ['clears' => $height[0]->unit()->quantity($height[1])] + $says->values);
    }

    /** @param  float|null  $asked_m  null where they touch */
    private static function says(Nearest $nearest, ?float $asked_m = null): Sentence
    {
        $with = $nearest->where();

        return $asked_m === null ? new Sentence("{$nearest->one->named()} touches {$nearest->other->named()}{$with->template}.", $with->values)
            : new Sentence("{$nearest->one->named()} comes within {gap} of {$nearest->other->named()}{$with->template}; {asked} is asked for.",
                ['gap' => Quantity::of($nearest->gap_m, 'm'), 'asked' => Quantity::of($asked_m, 'm')] + $with->values);
    }
}

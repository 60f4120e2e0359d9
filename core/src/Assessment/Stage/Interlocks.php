<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\Piece;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Parts\Motion;

/** Two motions that can meet, and the rule that keeps them apart: the one must not move while the other stands where it would be met. */
final class Interlocks
{
    private const MOST_LOOKS = 60_000; // in all

    private const LOOKS = 12; // over the travel of the other

    private const NARROWS = 6;

    private const PLACES = 4; // of a third motion

    private const FINE_M = 0.003;

    private const ROUND = [1.0, 0.001]; // degrees, metres: a rule is said to that

    private int $looks = self::MOST_LOOKS; // that are left

    /** @var array<string, list<array{Piece, Piece}>> by two motions */
    private array $between = [];

    public function __construct(private readonly Build $build, private readonly Clearance $clearance)
    {
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        $findings = [];
        foreach ($this->together() as [$one, $other]) {
            if ($this->looks > 0 && ! $this->isRuled($one, $other)) {
                $findings += $this->between($this->build->stage->motions[$one], $this->build->stage->motions[$other]);
            }
        }

        return array_values($this->looks > 0 ? $findings : [...$findings, new Finding('stage.looked_in_part', Severity::Note, 'rules', new Sentence(
            'So much can come near so much that not all was looked at of what two motions can do to each other in any order; what the routines do was.'))]);
    }

    /** @return array<string, array{string, string}> motions of which each moves a body against one of the other */
    private function together(): array
    {
        $together = [];
        foreach ($this->clearance->pairs() as [$one, $other]) {
            $joints = Clearance::joints($one, $other);
            foreach ($joints as $i => $a) {
                foreach (array_slice($joints, $i + 1) as $b) {
                    $pair = [min($a, $b), max($a, $b)];
                    $together[implode(' ', $pair)] = $pair;
                }
            }
        }

        return $together;
    }

    /** A rule speaks of both already: what keeps them apart has been thought of. */
    private function isRuled(string $one, string $other): bool
    {
        foreach ($this->build->rules as $rule) {
            $of = [];
            foreach ([...Conditions::all($rule->never), ...Conditions::all($rule->while)] as $condition) {
                foreach ($condition->refersTo() as [$kind, $id]) {
                    $of[] = $kind === 'motion' ? $id : null;
                }
            }
            if (in_array($one, $of, true) && in_array($other, $of, true)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, Finding> by the bodies that meet: what a third motion brings together too is told once */
    private function between(Motion $one, Motion $other): array
    {
        $inWay = $this->inWay($other, $one);
        if ($inWay === null) {
            return [];
        }
        $back = $this->inWay($one, $other) ?? $one->range();
        $with = null;
        foreach ($this->poses($this->pairs($one->id, $other->id), [$one->id, $other->id]) as $pose) {
            $with ??= $this->clearance->over($one->id, $one->range(), [$other->id => $inWay[2]] + $pose, $this->build->settings->clear_m,
                only: self::both($one->id, $other->id))[0] ?? null;
        }
        [$says, $values] = $with === null ? ["{$one->named()} and {$other->named()} can meet", []]
            : ["{$with->one->named()} and {$with->other->named()} can meet{$with->where()->template}", $with->where()->values];
        $unit = $other->unit();

        $bodies = $with?->pair() ?? "{$one->id} {$other->id}";

        return [$bodies => new Finding('stage.can_meet', Severity::Note, 'rules', new Sentence(
            "{$says}. Kept apart, {$one->named()} moves only while {$other->named()} is outside of {low} to {high}.",
            $values + ['low' => $unit->quantity($inWay[0]), 'high' => $unit->quantity($inWay[1])],
        ), [new Fix(new Sentence("Watch that: never {$one->named()} moves while {$other->named()} stands between {low} and {high}, and the other way round",
            ['low' => $unit->quantity($inWay[0]), 'high' => $unit->quantity($inWay[1])]), [
                new Change('rules', [...$this->build->document['rules'], $this->rule($one, $other, $inWay), $this->rule($other, $one, $back)]),
            ])])];
    }

    /**
     * @param  array{float, float}  $inWay
     * @return array<string, mixed>
     */
    private function rule(Motion $moves, Motion $stands, array $inWay): array
    {
        $taken = array_column($this->build->document['rules'], 'id');
        $base = substr("clear-{$moves->id}-{$stands->id}", 0, 36);
        for ($i = 1, $id = $base; in_array($id, $taken, true); $i++) {
            $id = "{$base}-{$i}";
        }

        return ['id' => $id, 'name' => mb_substr("{$moves->name} clear of {$stands->name}", 0, 80), 'never' => ['test' => 'moving', 'motion' => $moves->id],
            'while' => ['test' => 'between', 'motion' => $stands->id, 'from' => $inWay[0], 'to' => $inWay[1]]];
    }

    /**
     * Where one motion is in the way of another: from where to where, and a place of it where they meet; null where it never is.
     *
     * @return array{float, float, float}|null
     */
    private function inWay(Motion $stands, Motion $moves): ?array
    {
        $pairs = $this->pairs($moves->id, $stands->id);
        if ($pairs === []) {
            return null;
        }
        $poses = $this->poses($pairs, [$moves->id, $stands->id]);
        $meets = function (float $at) use ($pairs, $poses, $moves, $stands): bool {
            foreach ($poses as $pose) {
                if ($this->clearance->comeWithin($pairs, $moves->id, $moves->range(), [$stands->id => $at] + $pose, $this->build->settings->clear_m,
                    self::FINE_M, $this->looks)) {
                    return true;
                }
            }

            return false;
        };
        [$low, $high] = $stands->range();
        $width = ($high - $low) / self::LOOKS;
        $where = array_values(array_filter(range(0, self::LOOKS), fn (int $i): bool => $meets($low + $i * $width)));
        if ($where === []) {
            return null;
        }
        $edge = function (float $in, float $out) use ($meets): float {
            for ($i = 0; $i < self::NARROWS; $i++) {
                $middle = ($in + $out) / 2;
                $meets($middle) ? $in = $middle : $out = $middle;
            }

            return $out;
        };
        [$first, $last] = [$where[0], $where[count($where) - 1]];
        $round = self::ROUND[$stands->unit() === PositionUnit::Degrees ? 0 : 1];
        $from = $first === 0 ? $low : $edge($low + $first * $width, $low + ($first - 1) * $width);
        $to = $last === self::LOOKS ? $high : $edge($low + $last * $width, $low + ($last + 1) * $width);

        return [floor($from / $round) * $round, ceil($to / $round) * $round, $low + $first * $width];
    }

    /** @return list<array{Piece, Piece}> that both move against one another, and that may meet */
    private function pairs(string $one, string $other): array
    {
        $key = implode(' ', [min($one, $other), max($one, $other)]);
        if (! isset($this->between[$key])) {
            $this->between[$key] = $this->clearance->between($one, $other, $this->build->settings->clear_m);
            $this->looks -= count($this->clearance->pairs());
        }

        return $this->between[$key];
    }

    /**
     * Where others that move these too can stand: at rest, and at each of their places in turn.
     *
     * @param  list<array{Piece, Piece}>  $pairs
     * @param  list<string>  $but
     * @return list<array<string, float>>
     */
    private function poses(array $pairs, array $but): array
    {
        $poses = [[]];
        foreach (array_diff(array_unique(array_merge(...array_map(fn (array $pair): array => Clearance::joints(...$pair), $pairs))), $but) as $id) {
            foreach (array_slice($this->build->stage->motions[$id]->places, 0, self::PLACES) as $place) {
                $poses[] = [$id => $place->at];
            }
        }

        return $poses;
    }

    /** @return \Closure(Piece, Piece): bool pairs that both of them move against one another */
    private static function both(string $one, string $other): \Closure
    {
        return fn (Piece $a, Piece $b): bool => array_diff([$one, $other], Clearance::joints($a, $b)) === [];
    }
}

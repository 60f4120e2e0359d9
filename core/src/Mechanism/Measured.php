<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/**
 * Whatever it is: its pull was measured with a spring balance at a few places of the travel, slowly moving up and slowly
 * moving down. Half of the sum is what it weighs there, half of the difference what it rubs; between the places in a
 * straight line, outside them as at the nearest.
 */
final readonly class Measured implements Mechanism
{
    use ConstantInertia;

    private const EVEN_OVER_RAD = 0.02;

    /** @var non-empty-list<array{float, float, float}> position rad, static N·m, friction N·m; by rising position */
    private array $table;

    /**
     * @param  float  $lever_m  from the shaft to where the balance pulled, square to it, > 0
     * @param  float  $inertia_kgm2  about the shaft, > 0
     * @param  list<array{at: float, raise_N: float, lower_N: float}>  $points  two or more, `at` in degrees, none twice; lower_N
     *                                                                          is what the balance still held while it sank
     *
     * @throws ImpossibleValue
     */
    public function __construct(public float $lever_m, public float $inertia_kgm2, public array $points)
    {
        ImpossibleValue::unlessPositive('lever_m', $lever_m);
        ImpossibleValue::unlessPositive('inertia_kgm2', $inertia_kgm2);
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
        $table = array_map(fn (array $point): array => [
            PositionUnit::Degrees->toSi($point['at']), ($point['raise_N'] + $point['lower_N']) / 2 * $lever_m,
            ($point['raise_N'] - $point['lower_N']) / 2 * $lever_m,
        ], $points);
        usort($table, fn (array $a, array $b): int => $a[0] <=> $b[0]);
        if ($table === []) {
            throw ImpossibleValue::because('points', 'must be two at least.');
        }
        $this->table = $table;
    }

    public static function fields(?float $most = null): array
    {
        $force = $most === null ? NumberShape::any() : NumberShape::between(-$most, $most);

        return [
            'lever_m' => Field::needed(NumberShape::positive($most), 'From the shaft to where the balance pulled, square to it.'),
            'inertia_kgm2' => Field::needed(NumberShape::positive($most), 'About the shaft, all of it.'),
            'points' => Field::needed(new ListShape(new RecordShape([
                'at' => Field::needed(NumberShape::between(-720.0, 720.0), 'Where it was measured, degrees.'),
                'raise_N' => Field::needed($force, 'Pull while it rose slowly.'),
                'lower_N' => Field::needed($force, 'Pull that still held it while it sank slowly; below 0 where it had to be pushed down.'),
            ], 'MeasuredPoint'), 2, 100, 'readings'), 'The readings.'),
        ];
    }

    public static function problems(array $read): array
    {
        $seen = [];
        foreach (is_array($read['points'] ?? null) ? $read['points'] : [] as $i => $point) {
            if (! is_array($point) || in_array(null, $point, true)) {
                continue;
            }
            if ($point['lower_N'] > $point['raise_N']) {
                return ["points.{$i}.lower_N" => 'Must be no more than the pull while it rose: friction never helps.'];
            }
            if (in_array($point['at'], $seen, true)) {
                return ["points.{$i}.at" => 'Was measured twice: '.$point['at'].'° is there already.'];
            }
            $seen[] = $point['at'];
        }

        return [];
    }

    public function kind(): string
    {
        return 'measured';
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return 1.0;
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->between($position, 1);
    }

    public function frictionNm(float $position): float
    {
        return $this->between($position, 2);
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->inertia_kgm2;
    }

    public function isEven(): bool
    {
        return false;
    }

    public function evenOverRad(): float
    {
        return self::EVEN_OVER_RAD;
    }

    public function breaks(): array
    {
        return array_column($this->table, 0);
    }

    public function ways(): array
    {
        return ['up', 'down'];
    }

    public function masses(): array
    {
        return [];
    }

    public function leverM(): float
    {
        return $this->lever_m;
    }

    private function between(float $position, int $column): float
    {
        $last = count($this->table) - 1;
        for ($i = 0; $i < $last; $i++) {
            $next = $this->table[$i + 1];
            if ($position < $next[0]) {
                $here = $this->table[$i];
                $share = max(0.0, ($position - $here[0]) / ($next[0] - $here[0]));

                return $here[$column] + $share * ($next[$column] - $here[$column]);
            }
        }

        return $this->table[$last][$column];
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Mechanism\PositionUnit;

/**
 * What a program speaks of, each with its number and the name of that: motions, routines and counters all of them, inputs, readings and outputs as far as
 * something asks for them, in the order in which that is first so.
 */
final class Roster
{
    /** Positions are whole thousandths of a degree, or millionths of a metre. */
    private const PER_UNIT = ['deg' => 1000.0, 'm' => 1e6];

    public const SPEED = 10000; // of its usual speed, as a whole number

    public const READING = 1000; // to one of a sensor's own readings

    /** @var array<string, list<string>> ids by kind */
    private array $ids = ['MOTION' => [], 'ROUTINE' => [], 'COUNT' => [], 'INPUT' => [], 'LEVEL' => [], 'OUTPUT' => [], 'THING' => []];

    /** @var array<string, int> */
    private array $numbers = [];

    private readonly Names $names;

    /** @var list<StepNumber> */
    public array $steps = [];

    /** @var array<string, int> by `routine path` */
    private array $stepNumbers = [];

    public function __construct(public readonly Build $build)
    {
        $this->names = new Names;
        array_map(fn (string|int $id): string => $this->number('MOTION', (string) $id), array_keys($build->motions));
        array_map(fn (string|int $id): string => $this->number('ROUTINE', (string) $id), array_keys($build->routines));
        array_map(fn (string|int $id): string => $this->number('COUNT', (string) $id), array_keys($build->counters));
        foreach ($build->routines as $id => $routine) {
            foreach ($routine->flat() as $path => $step) {
                $this->stepNumbers["{$id} {$path}"] = count($this->steps);
                $this->steps[] = new StepNumber((string) $id, $path);
            }
        }
    }

    /** The name of the number of something, which stands in the program for it. */
    public function number(string $kind, string $id): string
    {
        $name = $this->names->of($kind, $id);
        if (! isset($this->numbers[$name])) {
            $this->numbers[$name] = count($this->ids[$kind]);
            $this->ids[$kind][] = $id;
        }

        return $name;
    }

    public function name(string $kind, string $id): string
    {
        return $this->names->of($kind, $id);
    }

    public function step(string $routine, string $path): int
    {
        return $this->stepNumbers["{$routine} {$path}"];
    }

    /** @return list<list<string>> motions that share a motor, each group once */
    public function groups(): array
    {
        $groups = [];
        foreach ($this->build->motorGroups as $id => $group) {
            if ($id === $group->members[0]) {
                $groups[] = $group->members;
            }
        }

        return $groups;
    }

    /** The number of the group in which a motion shares its motor; null where it has one to itself. */
    public function groupOf(string $motion): ?int
    {
        foreach ($this->groups() as $g => $members) {
            if (in_array($motion, $members, true)) {
                return $g;
            }
        }

        return null;
    }

    /** @return list<string> ids in the order of their numbers */
    public function all(string $kind): array
    {
        return $this->ids[$kind];
    }

    /** @return array<string, int> by name */
    public function numbers(): array
    {
        return $this->numbers;
    }

    /** A position or a way as a whole number. */
    public function position(string $motion, float $own): int
    {
        return (int) round($own * self::perUnit($this->build->motions[$motion]->unit()));
    }

    public static function perUnit(PositionUnit $unit): float
    {
        return self::PER_UNIT[$unit->value];
    }

    public static function speed(float $share): int
    {
        return (int) round($share * self::SPEED);
    }

    /** Whole milliseconds after which so many seconds are over. */
    public static function ms(float $seconds): int
    {
        return (int) ceil(round($seconds * 1000.0, 6));
    }
}

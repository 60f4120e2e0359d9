<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Shape\RecursiveShape;
use Brookstone\Core\Shape\Shape;
use Brookstone\Core\Shape\UnionShape;

/** The register of conditions. */
final class Conditions
{
    /** @var array<string, class-string<Condition>> by the word for it in documents */
    public const KINDS = [
        'input' => InputIs::class,
        'level' => LevelIs::class,
        'place' => AtPlace::class,
        'moving' => Moving::class,
        'between' => Between::class,
        'counter' => CounterIs::class,
        'clock' => ClockIs::class,
        'routine' => RoutineRuns::class,
        'all' => AllOf::class,
        'any' => AnyOf::class,
        'not' => NotSo::class,
    ];

    private static ?Shape $shape = null;

    /** One condition, which may hold others; without the word `test` it is an input. */
    public static function shape(): Shape
    {
        return self::$shape ??= new RecursiveShape(static fn (): Shape => self::union(), 'Condition');
    }

    public static function orNull(): Shape
    {
        return new RecursiveShape(static fn (): Shape => self::union()->orNull(), 'Condition', nullable: true);
    }

    /** @return array<string, mixed> JSON Schema of one condition */
    public static function definition(): array
    {
        return self::union()->schema();
    }

    private static function union(): UnionShape
    {
        return new UnionShape('test', array_map(fn (string $class) => $class::shape(), self::KINDS), usual: 'input');
    }

    /** @param  array<string, mixed>  $read */
    public static function make(array $read): Condition
    {
        return self::KINDS[$read['test']]::make($read);
    }

    /** @param  array<string, mixed>|null  $read */
    public static function maybe(?array $read): ?Condition
    {
        return $read === null ? null : self::make($read);
    }

    /** @return list<Condition> itself and all it is made of */
    public static function all(?Condition $condition): array
    {
        return $condition === null ? [] : [$condition, ...array_merge(...array_map(self::all(...), $condition->parts()))];
    }

    /** It changes with what inputs say and what routines do, and by nothing else: not with time, nor as something moves. */
    public static function hangsOnEvents(Condition $condition): bool
    {
        foreach (self::all($condition) as $part) {
            if ($part instanceof ClockIs || $part instanceof Moving || $part instanceof Between || $part instanceof AtPlace
                || ($part instanceof InputIs && $part->for_s !== null)) {
                return false;
            }
        }

        return true;
    }

    /** It may become so, or not so, by nothing but time. */
    public static function hangOnTime(?Condition ...$conditions): bool
    {
        foreach (array_merge(...array_map(self::all(...), $conditions)) as $part) {
            if ($part instanceof ClockIs || ($part instanceof InputIs && $part->for_s !== null)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> the motions that it asks about */
    public static function motions(?Condition $condition): array
    {
        $motions = [];
        foreach (self::all($condition) as $part) {
            if ($part instanceof Moving || $part instanceof Between || $part instanceof AtPlace) {
                $motions[] = $part->motion;
            }
        }

        return array_values(array_unique($motions));
    }

    /**
     * What a condition and its parts name, by field path.
     *
     * @return array<string, array{string, string, string|null}> kind, id, and of a place its motion
     */
    public static function references(Condition $condition, string $path): array
    {
        $found = [];
        $own = $condition->refersTo();
        foreach ($own as $field => [$kind, $id]) {
            $found["{$path}.{$field}"] = [$kind, $id, $own['motion'][1] ?? null];
        }
        foreach ($condition->parts() as $i => $part) {
            $found += self::references($part, $condition instanceof NotSo ? "{$path}.that" : "{$path}.of.{$i}");
        }

        return $found;
    }

    /** @param  list<Sentence>  $sentences */
    public static function joined(array $sentences, string $between): Sentence
    {
        $texts = $values = [];
        foreach ($sentences as $i => $sentence) {
            $named = $sentence->named((string) $i);
            $texts[] = $named->template;
            $values += $named->values;
        }

        return new Sentence(implode($between, $texts), $values);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Error\InvalidInput;

/** One result of a calculator while one of its inputs changes and the rest stays: what people would rather look at than read. */
final class Sweep
{
    /** From half of what was given to twice of it. */
    private const POINTS = 40;

    /** How much an input is changed to see which of them tells most. */
    private const NUDGE = 1.1;

    /**
     * @param  mixed  $inputs  decoded JSON from outside, as for a run
     * @param  string|null  $over  key of the input that changes; null for the one that changes the result most
     * @param  string|null  $of  key of the result; null for the first that changes at all
     * @param  callable(): bool  $goesOn  asked before each run; what is not run by then is left out
     * @return array{over: string|null, of: string|null, inputs: list<string>, results: list<string>, at: float|null,
     *               points: list<array{x: float, y: float|null}>} by x, which rises; y is null where the calculator refuses or has no figure
     *
     * @throws InvalidInput where the calculator refuses what was given, or one of the keys is not among those that can be drawn
     */
    public static function of(Calculator $calculator, mixed $inputs, ?string $over, ?string $of, callable $goesOn): array
    {
        $given = Calculators::run($calculator, $inputs);
        assert(is_array($inputs));
        $changing = self::changing($calculator, $given['inputs']);
        $results = array_values(array_filter(array_keys($given['results']), fn (string $key): bool => is_int($given['results'][$key])
            || is_float($given['results'][$key])));
        self::among($over, $changing, 'over');
        self::among($of, $results, 'of');
        [$over, $of] = self::telling($calculator, $inputs, $given, $over === null ? $changing : [$over], $of === null ? $results : [$of], $goesOn);
        if ($over === null || $of === null) {
            return ['over' => null, 'of' => null, 'inputs' => $changing, 'results' => $results, 'at' => null, 'points' => []];
        }
        $at = (float) $given['inputs'][$over];
        $points = [];
        foreach (self::values($at, is_int($given['inputs'][$over])) as $x) {
            if (! $goesOn()) {
                break;
            }
            $points[] = ['x' => (float) $x, 'y' => self::result($calculator, [$over => $x] + $inputs, $of)];
        }

        return ['over' => $over, 'of' => $of, 'inputs' => $changing, 'results' => $results, 'at' => $at, 'points' => $points];
    }

    /**
     * The inputs that are one number, other than 0: what they can be halved and doubled.
     *
     * @param  array<string, mixed>  $inputs  with every default filled in
     * @return list<string>
     */
    private static function changing(Calculator $calculator, array $inputs): array
    {
        $keys = array_keys((array) ($calculator->inputs()->schema()['properties'] ?? []));

        return array_values(array_filter($keys, fn (string $key): bool => (is_int($inputs[$key] ?? null) || is_float($inputs[$key] ?? null))
            && (float) $inputs[$key] !== 0.0));
    }

    /**
     * @param  list<string>  $keys
     *
     * @throws InvalidInput
     */
    private static function among(?string $key, array $keys, string $field): void
    {
        if ($key !== null && ! in_array($key, $keys, true)) {
            throw InvalidInput::at($field, 'This cannot be drawn here; these can: '.implode(', ', $keys).'.');
        }
    }

    /**
     * The first of the results that any of the inputs changes, and the input that changes it most, as a share of what it is.
     *
     * @param  array<mixed>  $inputs
     * @param  array{inputs: array<string, mixed>, results: array<string, mixed>}  $given
     * @param  list<string>  $over
     * @param  list<string>  $of
     * @return array{string|null, string|null}
     */
    private static function telling(Calculator $calculator, array $inputs, array $given, array $over, array $of, callable $goesOn): array
    {
        if (count($over) <= 1 && count($of) <= 1) {
            return [$over[0] ?? null, $of[0] ?? null];
        }
        $changed = [];
        foreach ($over as $key) {
            if ($goesOn()) {
                $was = $given['inputs'][$key];
                $by = [$key => is_int($was) ? $was + ($was > 0 ? 1 : -1) : $was * self::NUDGE];
                $changed[$key] = self::results($calculator, $by + $inputs);
            }
        }
        foreach ($of as $result) {
            $was = (float) $given['results'][$result];
            $most = [null, 0.0];
            foreach ($changed as $key => $results) {
                $is = $results[$result] ?? null;
                $by = is_int($is) || is_float($is) ? abs((float) $is - $was) : 0.0;
                $most = $by > $most[1] ? [(string) $key, $by] : $most;
            }
            if ($most[0] !== null) {
                return [$most[0], $result];
            }
        }

        return [$over[0] ?? null, $of[0] ?? null];
    }

    /** @return list<int|float> from half to twice a value, rising; a third of the way lies that value itself */
    private static function values(float $at, bool $isWhole): array
    {
        $all = [];
        for ($i = 0; $i < self::POINTS; $i++) {
            $x = $at * (0.5 + 1.5 * $i / (self::POINTS - 1));
            $all[] = $isWhole ? (int) round($x) : $x;
        }
        $all = array_values(array_unique($all, SORT_REGULAR));
        sort($all);

        return $all;
    }

    /** @param  array<mixed>  $inputs */
    private static function result(Calculator $calculator, array $inputs, string $key): ?float
    {
        $is = self::results($calculator, $inputs)[$key] ?? null;

        return is_int($is) || is_float($is) ? (float) $is : null;
    }

    /**
     * @param  array<mixed>  $inputs
     * @return array<string, mixed> none where it refuses them
     */
    private static function results(Calculator $calculator, array $inputs): array
    {
        try {
            return Calculators::run($calculator, $inputs)['results'];
        } catch (InvalidInput) {
            return [];
        }
    }
}

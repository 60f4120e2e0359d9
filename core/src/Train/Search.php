<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * Trains of spur gears for a ratio out of a drawer, exactly: the ratio depends only on which gears drive and which are
 * driven, so the products of all such choices are sorted, and for each the nearest partners are looked up from the middle
 * outwards as far as they can still be among the best. Nothing that could be better is passed over.
 */
final class Search
{
    public const MOST_STAGES = 4;

    public const MOST_SIZES = 40;

    private const NEAREST = 3; // partners looked at first, to know early how good the best are

    private const CODE = 64;   // a choice of gears is a number to this base

    /** @var list<int> by index */
    private array $teeth;

    /** @var list<int> by index */
    private array $counts;

    /** @var array<int, list<bool>>|null whether a gear may drive another, by index; null allows all */
    private ?array $allowed = null;

    /** @var list<array{float, int, int, int, int}> error, stages, sum of teeth, drivers, driven (as codes), best first */
    private array $best = [];

    /** @param  array<int, int>  $stock  how many there are, by teeth */
    private function __construct(array $stock, private readonly int $limit, ?\Closure $allows)
    {
        $stock = array_filter($stock, fn (int $count): bool => $count > 0);
        if (count($stock) > self::MOST_SIZES) {
            throw ImpossibleValue::because('stock', 'has more than '.self::MOST_SIZES.' sizes.');
        }
        ksort($stock);
        $this->teeth = array_keys($stock);
        $this->counts = array_values($stock);
        if ($allows !== null) {
            $this->allowed = array_map(fn (int $driver): array => array_map(fn (int $driven): bool => $allows($driver, $driven), $this->teeth), $this->teeth);
        }
    }

    /**
     * @param  array<int, int>  $stock  how many there are, by teeth
     * @param  (\Closure(int, int): bool)|null  $allows  whether a gear may drive another; null allows all
     * @param  int|null  $direction  1 keeps the turn, −1 reverses it; null does not care
     * @return list<Train> best first: by error, then fewest stages, then smallest sum of centre distances, then by teeth; the
     *                     same stages in another order are the same train
     */
    public static function best(array $stock, float $target_ratio, int $max_stages, int $limit, float $module_mm = 1.0, ?int $direction = null,
        ?\Closure $allows = null): array
    {
        ImpossibleValue::unlessPositive('target_ratio', $target_ratio);
        $search = new self($stock, $limit, $allows);
        for ($stages = 1; $stages <= min($max_stages, self::MOST_STAGES); $stages++) {
            if ($direction === null || ($stages % 2 === 0) === ($direction > 0)) {
                $search->withStages($stages, $target_ratio);
            }
        }
        $found = [];
        foreach ($search->best as [$error, $stages, $sum, $drivers, $driven]) {
            foreach ($search->pairings($search->sizes($drivers, $stages), $search->sizes($driven, $stages)) as $pairs) {
                $found[] = [$error, $stages, $sum, $pairs];
            }
        }
        sort($found);

        return array_map(
            fn (array $one): Train => new Train(array_map(fn (array $pair): Stage => new Stage(StageType::Spur, $pair[0], $pair[1], $module_mm), $one[3])),
            array_slice($found, 0, $limit),
        );
    }

    /** |ratio − target| / target. */
    public static function error(float $ratio, float $target): float
    {
        return abs($ratio - $target) / $target;
    }

    private function withStages(int $stages, float $target): void
    {
        [$products, $codes, $sums] = $this->choices($stages);
        $count = count($products);
        foreach ([self::NEAREST, PHP_INT_MAX] as $most) {
            $from = 0;
            foreach ($products as $i => $driven) {
                $wanted = $driven / $target;
                while ($from < $count && $products[$from] < $wanted) {
                    $from++;
                }
                foreach ([-1, 1] as $way) {
                    $at = $way < 0 ? $from - 1 : $from;
                    for ($tries = 0; $at >= 0 && $at < $count && $tries < $most; $tries++, $at += $way) {
                        $error = abs($driven / $products[$at] - $target) / $target;
                        if ($error > $this->worst()) {
                            break;
                        }
                        $this->offer($error, $stages, $sums[$at] + $sums[$i], $codes[$at], $codes[$i]);
                    }
                }
            }
        }
    }

    private function worst(): float
    {
        return count($this->best) < $this->limit ? INF : $this->best[$this->limit - 1][0];
    }

    private function offer(float $error, int $stages, int $sum, int $drivers, int $driven): void
    {
        $one = [$error, $stages, $sum, $drivers, $driven];
        $last = $this->best[$this->limit - 1] ?? null;
        if (($last !== null && [$error, $stages, $sum] > [$last[0], $last[1], $last[2]]) || ! $this->isInStock($drivers, $driven, $stages)
            || ($this->allowed !== null && ! $this->canPair($this->indexes($drivers, $stages), $this->indexes($driven, $stages)))) {
            return;
        }
        $low = 0;
        $high = count($this->best);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            $other = $this->best[$middle];
            $order = [$other[0], $other[1], $other[2]] <=> [$error, $stages, $sum] ?: $this->firstOf($other) <=> $this->firstOf($one);
            if ($order === 0) {
                return; // the same choice of gears, seen before
            }
            $order < 0 ? $low = $middle + 1 : $high = $middle;
        }
        array_splice($this->best, $low, 0, [$one]);
        if (count($this->best) > $this->limit) {
            array_pop($this->best);
        }
    }

    /**
     * The teeth of the first train that the choice makes, which orders it among equals.
     *
     * @param  array{float, int, int, int, int}  $one
     * @return list<array{int, int}>
     */
    private function firstOf(array $one): array
    {
        return $this->pairings($this->sizes($one[3], $one[1]), $this->sizes($one[4], $one[1]))[0];
    }

    /**
     * Every way to choose so many gears that the drawer has, by rising product.
     *
     * @return array{list<int>, list<int>, list<int>} products, codes, and sums of teeth
     */
    private function choices(int $gears): array
    {
        $products = [];
        $codes = [];
        $this->choose($gears, 0, 0, 1, 0, $products, $codes);
        array_multisort($products, $codes);
        $sums = array_map(fn (int $code): int => array_sum($this->sizes($code, $gears)), $codes);

        return [$products, $codes, $sums];
    }

    /**
     * @param  list<int>  $products
     * @param  list<int>  $codes
     */
    private function choose(int $left, int $from, int $usedOfFrom, int $product, int $code, array &$products, array &$codes): void
    {
        if ($left === 0) {
            $products[] = $product;
            $codes[] = $code;

            return;
        }
        for ($i = $from, $sizes = count($this->teeth); $i < $sizes; $i++) {
            $used = $i === $from ? $usedOfFrom : 0;
            if ($used < $this->counts[$i]) {
                $this->choose($left - 1, $i, $used + 1, $product * $this->teeth[$i], $code * self::CODE + $i, $products, $codes);
            }
        }
    }

    private function isInStock(int $drivers, int $driven, int $stages): bool
    {
        $used = [];
        foreach ([$drivers, $driven] as $code) {
            for ($i = 0; $i < $stages; $i++) {
                $index = $code % self::CODE;
                $code = intdiv($code, self::CODE);
                $used[$index] = ($used[$index] ?? 0) + 1;
                if ($used[$index] > $this->counts[$index]) {
                    return false;
                }
            }
        }

        return true;
    }

    /** @return list<int> teeth, rising */
    private function sizes(int $code, int $gears): array
    {
        return array_map(fn (int $index): int => $this->teeth[$index], $this->indexes($code, $gears));
    }

    /** @return list<int> */
    private function indexes(int $code, int $gears): array
    {
        $indexes = [];
        for ($i = $gears - 1; $i >= 0; $i--) {
            $indexes[$i] = $code % self::CODE;
            $code = intdiv($code, self::CODE);
        }
        ksort($indexes);

        return array_values($indexes);
    }

    /**
     * Whether the drivers can be paired with the driven ones so that each pair is allowed.
     *
     * @param  list<int>  $drivers
     * @param  list<int>  $driven
     */
    private function canPair(array $drivers, array $driven): bool
    {
        if ($drivers === []) {
            return true;
        }
        $driver = array_shift($drivers);
        foreach ($driven as $i => $other) {
            if ($this->allowed[$driver][$other] ?? false) {
                $rest = $driven;
                unset($rest[$i]);
                if ($this->canPair($drivers, array_values($rest))) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param  list<int>  $drivers
     * @param  list<int>  $driven
     */
    private function allowsEach(array $drivers, array $driven): bool
    {
        foreach ($drivers as $i => $teeth) {
            if (! ($this->allowed[(int) array_search($teeth, $this->teeth, true)][(int) array_search($driven[$i], $this->teeth, true)] ?? false)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Every way to pair the drivers with the driven ones, each as pairs in rising order, none twice, in order.
     *
     * @param  list<int>  $drivers
     * @param  list<int>  $driven
     * @return non-empty-list<list<array{int, int}>>
     */
    private function pairings(array $drivers, array $driven): array
    {
        $found = [];
        foreach (self::orders($driven) as $order) {
            if ($this->allowed !== null && ! $this->allowsEach($drivers, $order)) {
                continue;
            }
            $pairs = array_map(fn (int $driver, int $to): array => [$driver, $to], $drivers, $order);
            sort($pairs);
            $found[json_encode($pairs)] = $pairs;
        }
        $found = array_values($found);
        sort($found);
        assert($found !== []);

        return $found;
    }

    /**
     * @param  list<int>  $items
     * @return list<list<int>>
     */
    private static function orders(array $items): array
    {
        if (count($items) < 2) {
            return [$items];
        }
        $orders = [];
        foreach (array_keys($items) as $i) {
            $rest = $items;
            unset($rest[$i]);
            foreach (self::orders(array_values($rest)) as $order) {
                $orders[] = [$items[$i], ...$order];
            }
        }

        return $orders;
    }
}

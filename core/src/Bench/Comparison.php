<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

/** Two runs of the same, side by side: the first place at which they are not the same. */
final readonly class Comparison
{
    private const SCANS = 2; // so much sooner or later is the same

    private const SHOWN = 3; // of both, before and after the difference

    /**
     * @param  int|null  $at  how many things are the same before the first that is not; null where all are
     * @param  list<Happened>  $wanted  about there
     * @param  list<Happened>  $came
     */
    private function __construct(public ?int $at, public int $same, public float $most_s, public array $wanted, public array $came)
    {
    }

    public static function of(ProgramTrace $wanted, ProgramTrace $came, float $scan_s): self
    {
        [$one, $other] = [self::upToRule($wanted->happened), self::upToRule($came->happened)];
        if (! self::keepsRules($wanted, $came, $scan_s)) {
            return new self(count($other), min(count($one), count($other)), 0.0, self::about($wanted->happened, count($one)),
                self::about($came->happened, count($other)));
        }
        if ($came->brokeOff !== null) { // what comes then and later cannot be compared
            [$one, $other] = array_map(fn (array $all): array => array_values(array_filter($all, fn (Happened $each): bool => $each->at_s < $came->ran_s
                - (self::SCANS + 0.5) * $scan_s)), [$one, $other]);
        }
        $most = 0.0;
        for ($i = 0; $i < max(count($one), count($other)); $i++) {
            $off = isset($one[$i], $other[$i]) ? abs($one[$i]->at_s - $other[$i]->at_s) : INF;
            if ($off > self::SCANS * $scan_s + 1e-9 || ! $one[$i]->isSame($other[$i])) {
                // What comes in the same two scans may come in another order: who is asked first of things that hang on nothing of each other.
                $swap = self::later($one, $other, $i, $scan_s);
                if ($swap === null) {
                    return new self($i, $i, $most, self::about($one, $i), self::about($other, $i));
                }
                [$other[$i], $other[$swap]] = [$other[$swap], $other[$i]];
                $other = array_values($other);
                $off = abs($one[$i]->at_s - $other[$i]->at_s);
            }
            $most = max($most, $off);
        }

        return new self(null, count($one), $most, [], []);
    }

    /** Where a rule that the program keeps is broken, it stops everything within two scans, and nowhere else. */
    private static function keepsRules(ProgramTrace $wanted, ProgramTrace $came, float $scan_s): bool
    {
        $broken = array_values(array_filter($wanted->happened, fn (Happened $each): bool => $each->what === 'rule' && in_array($each->of, $came->guards,
            true)));
        $first_s = ($broken[0] ?? null)?->at_s;
        $within_s = (self::SCANS + 1.5) * $scan_s; // a run ends with the scan after

        return $came->brokeOff === ProgramRun::RULE ? $first_s !== null && abs($came->ran_s - $first_s) <= $within_s
            : $first_s === null || $first_s > $came->ran_s - $within_s;
    }

    public function isSame(): bool
    {
        return $this->at === null;
    }

    /**
     * @param  list<Happened>  $one
     * @param  list<Happened>  $other
     */
    private static function later(array $one, array $other, int $i, float $scan_s): ?int
    {
        $wanted = $one[$i] ?? null;
        for ($j = $i + 1; $wanted !== null && $wanted->what !== 'step' && $j < count($other)
            && $other[$j]->at_s <= $wanted->at_s + self::SCANS * $scan_s + 1e-9; $j++) {
            if ($other[$j]->isSame($wanted) && abs($other[$j]->at_s - $wanted->at_s) <= self::SCANS * $scan_s + 1e-9) {
                return $j;
            }
        }

        return null;
    }

    /**
     * @param  list<Happened>  $happened
     * @return list<Happened>
     */
    private static function upToRule(array $happened): array
    {
        foreach ($happened as $i => $each) {
            if ($each->what === 'rule') {
                return array_slice($happened, 0, $i);
            }
        }

        return $happened;
    }

    /**
     * @param  list<Happened>  $happened
     * @return list<Happened>
     */
    private static function about(array $happened, int $i): array
    {
        return array_slice($happened, max(0, $i - self::SHOWN), 2 * self::SHOWN);
    }
}

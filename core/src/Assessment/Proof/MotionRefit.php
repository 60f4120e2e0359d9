<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Proof;

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Proof\Circumstance;
use Brookstone\Core\Proof\Observed;
use Brookstone\Core\Proof\Refit;
use Brookstone\Core\Proof\Repeats;
use Brookstone\Core\Proof\Unknown;

/**
 * Refits one motion to all that was measured of it: its masses, how it rubs, the efficiency of its train and what its supply gives, from the times of its
 * moves and the currents that it drew, each computed for the very circumstance in which it was measured.
 */
final readonly class MotionRefit
{
    /** One standard deviation of what is usual, as a share of what was said. */
    private const MASS = 0.25;

    private const MASS_GUESSED = 0.5;

    private const EFFICIENCY = 0.25;

    private const SUPPLY = 0.08;

    private const RUB = 0.5; // of what was said, or

    private const RUB_OF_LOAD = 0.25; // of its largest torque

    private const RUB_MOST = 40.0; // times what is usual

    /** A watch in a hand, s; and of what was measured, that a computation cannot be better than. */
    private const BY_HAND_S = 0.05;

    private const BY_HAND = 0.02;

    private const METER = 0.03;

    private const METER_A = 0.005;

    private const BALANCE = 0.03;

    private const BALANCE_N = 0.02;

    private const MODEL = 0.005;

    /** So many repeats weigh as much as what is usual says of how they scatter. */
    private const USUAL_COUNTS = 3;

    public const EFFICIENCY_ID = 'efficiency';

    public const SUPPLY_ID = 'supply_V';

    /** As it was said: without what was kept of earlier measuring. */
    private Motion $said;

    /** @var array<string, mixed> its mechanism in the document */
    private array $mechanism;

    public Refit $refit;

    /** @var array<string, list<Measurement>> of each observation, what was measured */
    public array $entries;

    /** @var array<string, string> of each observation: `time`, `current`, `stalled`, `pull` */
    public array $kinds;

    public function __construct(private Build $build, string $motion)
    {
        $at = $build->indexOf($motion);
        $said = $build->document;
        $this->mechanism = $said['motions'][$at]['mechanism'];
        if ($said['motions'][$at]['measured'] !== null) {
            $said['motions'][$at]['measured'] = null;
            $build = Build::read($said);
        }
        $this->said = $build->motions[$motion];
        $observed = $this->observed();
        $this->entries = array_map(fn (array $each): array => $each[2], $observed);
        $this->kinds = array_map(fn (array $each): string => $each[1], $observed);
        $unknowns = $this->said->drive === null || $observed === [] ? [] : $this->unknowns();
        $this->refit = Refit::of($unknowns, array_column($observed, 0), fn (array $values): array => $this->model($unknowns, $values));
    }

    /** @return array<string, array{Observed, string, non-empty-list<Measurement>}> by id */
    private function observed(): array
    {
        $found = [];
        foreach (Repeats::all($this->build, $this->said->id) as $each) {
            if ($this->knows($each->entries[0])) {
                $times = array_map(fn (Measurement $entry): float => (float) $entry->measured_s, $each->entries);
                $found += $this->one('time', $each->entries, $times, hypot(self::BY_HAND_S, self::BY_HAND * $each->mean_s));
            }
        }
        foreach (['current' => ['current_A', self::METER_A, self::METER], 'stalled' => ['stalled_A', self::METER_A, self::METER],
            'pull' => ['pull_N', self::BALANCE_N, self::BALANCE]] as $kind => [$field, $least, $share]) {
            $groups = [];
            foreach ($this->build->log as $entry) {
                if ($entry->motion === $this->said->id && $entry->{$field} > 0.0 && $this->knows($entry)) {
                    $groups["{$entry->from} {$entry->to} ".Circumstance::of($entry)->key()][] = $entry;
                }
            }
            foreach ($groups as $group) {
                $values = array_map(fn (Measurement $entry): float => (float) $entry->{$field}, $group);
                $found += $this->one($kind, $group, $values, hypot($least, $share * array_sum($values) / count($values)));
            }
        }

        return $found;
    }

    /**
     * @param  non-empty-list<Measurement>  $entries
     * @param  non-empty-list<float>  $values
     * @param  float  $usual  how much one such value usually scatters
     * @return array<string, array{Observed, string, non-empty-list<Measurement>}> nothing where nothing is computed to compare
     */
    private function one(string $kind, array $entries, array $values, float $usual): array
    {
        $id = "{$kind} {$entries[0]->id}";
        if ($this->predicted(new BesideModel($this->build->settings), $this->said, $kind, $entries[0]) === null && ! $this->isStuck($kind)) {
            return [];
        }
        $count = count($values);
        $mean = array_sum($values) / $count;
        $squares = array_sum(array_map(fn (float $each): float => ($each - $mean) ** 2, $values));
        $one = sqrt((self::USUAL_COUNTS * $usual ** 2 + $squares) / (self::USUAL_COUNTS + $count - 1));

        return [$id => [new Observed($id, $mean, hypot($one / sqrt($count), self::MODEL * $mean)), $kind, $entries]];
    }

    /** Its moves may be never made as it is said, and yet were made at the bench. */
    private function isStuck(string $kind): bool
    {
        return in_array($kind, ['time', 'current'], true) && $this->said->drive !== null && (new MotionFigures($this->said))->runThere()['time_s'] === null;
    }

    private function knows(Measurement $entry): bool
    {
        return $this->said->place($entry->from) !== null && $this->said->place($entry->to) !== null;
    }

    /** @return list<Unknown> masses, rub, efficiency, supply: those that it has */
    private function unknowns(): array
    {
        $mass = $this->said->task->mass_guessed ? self::MASS_GUESSED : self::MASS;
        $unknowns = [];
        foreach (array_intersect_key($this->said->thing()->masses(), $this->mechanism) as $field => $kg) {
            if ($kg > 0.0) {
                $unknowns[] = new Unknown($field, $kg, $mass * $kg, 0.05 * $kg, 20.0 * $kg);
            }
        }
        $rub = Mechanisms::rub($this->said->thing()->kind());
        $unknowns = [...$unknowns, ...($rub === null ? [] : $this->rub($rub))];
        if ($this->said->train->stages !== []) {
            $efficiency = $this->said->train->efficiency();
            $unknowns[] = new Unknown(self::EFFICIENCY_ID, $efficiency, self::EFFICIENCY * $efficiency, min($efficiency, 0.05), 1.0);
        }
        $drive = $this->said->drive;
        if ($drive !== null && ! $drive->motor instanceof AirCylinder && ! $this->said->positioning->countsSteps()) {
            $volts = $drive->supply->volts_V;
            $unknowns[] = new Unknown(self::SUPPLY_ID, $volts, self::SUPPLY * $volts, 0.5 * $volts, min(60.0, 1.5 * $volts));
        }

        return $unknowns;
    }

    /** @return list<Unknown> */
    private function rub(string $field): array
    {
        $said = (float) $this->mechanism[$field];
        $task = $this->said->move();
        $middle = $task->from + $task->distance() / 2;
        $friction = fn (float $value): float => Mechanisms::make([$field => $value] + $this->mechanism)->frictionNm($middle);
        $more = $said > 0.0 ? 0.01 * $said : 0.001;
        $slope = ($friction($said + $more) - $friction($said)) / $more;
        $load = (new MotionFigures($this->said))->peak_Nm();
        $usual = max(self::RUB * $said, $slope > 0.0 ? self::RUB_OF_LOAD * $load / $slope : 0.0);

        return $usual > 0.0 ? [new Unknown($field, $said, $usual, 0.0, $said + self::RUB_MOST * $usual)] : [];
    }

    /**
     * @param  list<Unknown>  $unknowns
     * @param  list<float>  $values
     * @return list<float|null> in the order of the observations
     */
    private function model(array $unknowns, array $values): array
    {
        $motion = $this->with(array_combine(array_map(fn (Unknown $each): string => $each->id, $unknowns), $values));
        $beside = new BesideModel($this->build->settings, in_array('current', $this->kinds, true));

        return array_values(array_map(fn (string $kind, array $entries): ?float => $motion === null ? null : $this->predicted($beside, $motion, $kind,
            $entries[0]), $this->kinds, $this->entries));
    }

    private function predicted(BesideModel $beside, Motion $motion, string $kind, Measurement $entry): ?float
    {
        return match ($kind) {
            'time' => $beside->time_s($motion, $entry),
            'current' => $beside->current_A($motion, $entry),
            'pull' => $beside->pull_N($motion, $entry),
            default => $beside->stalled_A($motion, $entry),
        };
    }

    /**
     * The motion with other values than were said; null where it cannot be.
     *
     * @param  array<string, float>  $values  by the ids of unknowns
     */
    private function with(array $values): ?Motion
    {
        try {
            $thing = Mechanisms::make(array_replace($this->mechanism, array_intersect_key($values, $this->mechanism)));
        } catch (ImpossibleValue) {
            return null;
        }
        $motion = $this->said->withThing($thing);
        if (isset($values[self::EFFICIENCY_ID])) {
            $motion = $motion->withTrain($motion->train->withEfficiency(min(1.0, $values[self::EFFICIENCY_ID])));
        }

        return isset($values[self::SUPPLY_ID]) && $motion->drive !== null ? $motion->withDrive($motion->drive->on($values[self::SUPPLY_ID])) : $motion;
    }
}

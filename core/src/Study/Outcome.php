<?php

declare(strict_types=1);

namespace Brookstone\Core\Study;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;

/** What became of a run with a fault, beside the healthy one: the worst of what can be said of it, and in words. */
final readonly class Outcome
{
    /** What it comes to, by what goes wrong, the worst first. */
    private const WORST = ['rule' => 'breaks_rule', 'snap' => 'hits', 'hit' => 'hits', 'touch' => 'hits', 'burns' => 'burns', 'reset' => 'resets',
        'air' => 'stalls'];

    private const NO_MOMENT_S = 0.3; // of pushing at the end, that is more than a servo settling

    private const OFF_SHARE = 0.1;   // of its range: further off than in the healthy run it is somewhere else

    /**
     * @param  array<string, mixed>  $run
     * @param  array<string, mixed>  $plain  the healthy run
     */
    public function __construct(private Build $build, private array $run, private array $plain)
    {
    }

    /** @return array{string, Sentence} the word for it, of FaultSweep::OUTCOMES, and a sentence */
    public function told(): array
    {
        foreach (self::WORST as $kind => $outcome) {
            $new = $this->added($kind);
            if ($new !== null) {
                return [$outcome, $new];
            }
        }

        return $this->stalls() ?? match ($this->run['outcome']) {
            'finished' => $this->wrong() ?? ['finishes', new Sentence('It finishes after {took}.', ['took' => Quantity::of($this->run['took_s'], 's')])],
            'still_running' => ['waits', new Sentence('It still waits when the run is ended.')],
            'never_started' => ['stops', new Sentence('It never starts.')],
            default => ['stops', new Sentence('It gives up: '.Sentence::quote($this->run['fault']).'; everything stands still.')],
        };
    }

    /** What of a kind goes wrong at a step, of something, where it does not in the healthy run. */
    private function added(string $kind): ?Sentence
    {
        $of = fn (array $run): array => array_filter($run['mishaps'], fn (array $mishap): bool => $mishap['kind'] === $kind);
        $key = fn (array $mishap): string => "{$mishap['of']} {$mishap['routine']} {$mishap['path']}";
        $healthy = array_map($key, $of($this->plain));
        foreach ($of($this->run) as $mishap) {
            if (! in_array($key($mishap), $healthy, true)) {
                return $mishap['says'];
            }
        }

        return null;
    }

    /** @return array{string, Sentence}|null */
    private function stalls(): ?array
    {
        foreach ($this->run['stalled_s'] as $id => $seconds) {
            $name = $this->build->motions[$id]->named();
            $limit = $this->secondsToLimit($id, $this->run['stalled_A'][$id]);
            if ($limit !== null && $seconds > $limit) {
                return ['stalls', new Sentence("{$name} is stalled for {time}, and its winding overheats after {limit}.",
                    ['time' => Quantity::of($seconds, 's'), 'limit' => Quantity::of($limit, 's')])];
            }
            if ($this->run['stalled_at_end_s'][$id] > self::NO_MOMENT_S) {
                $hot = $limit === null ? ', and never overheats.' : '; its winding overheats after {limit}.';

                return ['stalls', new Sentence("{$name} still pushes against what holds it at the end{$hot}", $limit === null ? []
                    : ['limit' => Quantity::of($limit, 's')])];
            }
        }

        return null;
    }

    /**
     * It comes to its end, and something is not as it should be.
     *
     * @return array{string, Sentence}|null
     */
    private function wrong(): ?array
    {
        if ($this->plain['outcome'] !== 'finished') {
            return null; // there is no healthy run to compare it with
        }
        $plain = array_column($this->plain['ends'], null, 'motion');
        foreach ($this->run['ends'] as $end) {
            $motion = $this->build->motions[$end['motion']];
            $off = $this->off($motion, $end['at'], $plain[$motion->id]['at']);
            if ($off !== null) {
                $isTaken = $end['known'] !== null && $end['known'] === $plain[$motion->id]['known'];

                return [$isTaken ? 'ends_wrong_unnoticed' : 'ends_wrong',
                    new Sentence("It finishes, but {$motion->named()} stands {off} off where it should".($isTaken ? ', and is taken to be at its place.'
                    : '.'), ['off' => $off])];
            }
        }
        $should = array_column($this->plain['counters'], 'count', 'counter');
        foreach ($this->run['counters'] as ['counter' => $id, 'count' => $count]) {
            if ($count !== $should[$id]) {
                return ['ends_wrong_unnoticed',
                    new Sentence("It finishes, but {$this->build->counters[$id]->named()} is {$count} where it should be {$should[$id]}.")];
            }
        }

        return $this->onTheWay();
    }

    /**
     * A step that is said to be done, and left its motion elsewhere than in the healthy run.
     *
     * @return array{string, Sentence}|null
     */
    private function onTheWay(): ?array
    {
        $should = [];
        foreach ($this->plain['steps'] as $step) {
            $should["{$step['routine']} {$step['path']}"][] = $step['at'];
        }
        foreach ($this->run['steps'] as $step) {
            $key = "{$step['routine']} {$step['path']}";
            $at = isset($should[$key]) ? array_shift($should[$key]) : null; // the healthy run may not have come to it
            $off = $step['motion'] === null || $at === null || $step['at'] === null || $step['outcome'] !== 'done' ? null
                : $this->off($this->build->motions[$step['motion']], $step['at'], $at);
            if ($off !== null) {
                return ['ends_wrong_unnoticed', new Sentence(
                    'It finishes, but at “'.Sentence::quote($step['says']->text())."” {$this->build->motions[$step['motion']]->named()} stands {off} off where it should, and nobody notices.", ['off' => $off],
                )];
            }
        }

        return null;
    }

    /** How far off, where that is too far. */
    private function off(Motion $motion, float $at, float $should): ?Quantity
    {
        if ($motion->task->keeps_turning && $motion->stops->tellers() === []) {
            return null; // nobody asks where it stops
        }
        [$low, $high] = $motion->range();
        $off = abs($motion->distance($should, $at));

        return $off > max($motion->task->tolerance ?? 0.0, self::OFF_SHARE * ($high - $low)) ? $motion->unit()->quantity($off) : null;
    }

    /** Seconds after which a stalled winding is too hot with the current that flowed; null if it never is. */
    private function secondsToLimit(string $motion, float $current_A): ?float
    {
        $drive = $this->build->motions[$motion]->drive;
        if ($drive === null) {
            return null;
        }
        $heat = $this->build->motions[$motion]->positioning->countsSteps() ? $drive->heldHeat_W() : $current_A ** 2 * $drive->motor->resistance_ohm();

        return $drive->motor->body()->cooling()->secondsToLimit($heat, $this->build->settings->ambient_C);
    }
}

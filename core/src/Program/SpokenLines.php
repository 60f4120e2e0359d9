<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Routine\GiveUp;
use Brookstone\Core\Routine\Movement;

/** What a program said while it ran: a line of JSON for each thing. Moves between places, with how long they took, can be written into the log. */
final class SpokenLines
{
    public const MOST = 100000; // lines

    private const MOST_PROBLEMS = 20;

    /** @var array<string, string> the place that each motion was last brought to */
    private array $at = [];

    /** @var array<int, int> since when each step is under way, ms */
    private array $began = [];

    /** @var list<array{motion: string, from: string, to: string, measured_s: float, speed: float, line: int}> */
    private array $moves = [];

    /** @var list<array{line: int, message: string}> */
    private array $problems = [];

    private int $understood = 0;

    private int $last_ms = 0;

    private function __construct(private readonly Composition $of)
    {
    }

    /**
     * @return array{lines: int, moves: list<array{motion: string, from: string, to: string, measured_s: float, speed: float, line: int}>,
     *     problems: list<array{line: int, message: string}>} of problems the first twenty
     */
    public static function read(Composition $of, string $text): array
    {
        $lines = new self($of);
        foreach (explode("\n", $text, self::MOST + 1) as $i => $line) {
            if (trim($line) === '') {
                continue;
            }
            if ($i === self::MOST) {
                $lines->problem($i + 1, 'At most '.self::MOST.' lines are read: what follows is left out.');
                break;
            }
            $lines->line($i + 1, trim($line));
        }

        return ['lines' => $lines->understood, 'moves' => $lines->moves, 'problems' => $lines->problems];
    }

    private function problem(int $line, string $message): void
    {
        if (count($this->problems) < self::MOST_PROBLEMS) {
            $this->problems[] = ['line' => $line, 'message' => $message];
        }
    }

    private function line(int $number, string $line): void
    {
        $said = json_decode($line, true, 4);
        if (! is_array($said) || ! is_int($said['ms'] ?? null)) {
            $this->problem($number, 'This is no line of a program.');

            return;
        }
        if ($said['ms'] < 0) {
            $this->problem($number, 'Its time lies before the beginning.');

            return;
        }
        if (isset($said['program'])) {
            $this->begins($number, $said['program']);
        } elseif ($said['ms'] < $this->last_ms) {
            $this->problem($number, "Its time goes back, from {$this->last_ms} ms to {$said['ms']} ms.");

            return;
        } elseif (isset($said['step']) && ! $this->step($number, $said)) {
            return;
        }
        $this->last_ms = $said['ms'];
        $this->understood++;
    }

    /** It starts anew: nobody knows where anything is. */
    private function begins(int $number, mixed $mark): void
    {
        [$this->at, $this->began] = [[], []];
        if ($mark !== Package::mark($this->of)) {
            $this->problem($number, 'It is the program of another build, or of this one as it was before: its steps may have other numbers.');
        }
    }

    /** @param  array<string, mixed>  $said */
    private function step(int $number, array $said): bool
    {
        $step = is_int($said['step']) ? $this->of->roster->steps[$said['step']] ?? null : null;
        if ($step === null || ! is_int($said['step'])) {
            $this->problem($number, 'There is no such step in this build.');

            return false;
        }
        $move = $this->of->build->routines[$step->routine]->stepAt($step->path)?->effect($this->of->build)->move;
        if (($said['is'] ?? null) === 'begun') {
            $this->began[$said['step']] = (int) $said['ms'];
        } elseif ($move !== null && ($said['is'] ?? null) === 'done') {
            $this->done($number, $said['step'], (int) $said['ms'], $move);
        } elseif ($move !== null) {
            unset($this->at[$move->motion]);
        }

        return true;
    }

    private function done(int $number, int $step, int $ms, Movement $move): void
    {
        $from = $this->at[$move->motion] ?? null;
        $began = $this->began[$step] ?? null;
        unset($this->began[$step], $this->at[$move->motion]);
        if ($move->endsAt === null) {
            return;
        }
        $this->at[$move->motion] = $move->endsAt;
        $took_s = $began === null ? 0.0 : ($ms - $began) / 1000.0;
        if ($move->isSent() && $move->slowest === null && $from !== null && $from !== $move->endsAt && $took_s > 0.0 && $took_s <= GiveUp::DAY_S) {
            $this->moves[] = ['motion' => $move->motion, 'from' => $from, 'to' => $move->endsAt, 'measured_s' => $took_s, 'speed' => $move->speed,
                'line' => $number];
        }
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

use Brookstone\Core\Program\Composition;
use Brookstone\Core\Program\Roster;
use Brookstone\Core\Program\StepNumber;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\StepFailed;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\Listens;
use Brookstone\Core\Simulation\World;

/**
 * A written program drives the simulated build: at each scan it is told what its board would see, and what it wants is done. Motors, loads and supplies are
 * those of every run; only the controller is another.
 */
final class ProgramRun implements Listens
{
    public const RULE = 'rule';

    private const ALL_QUIET_S = 120.0;

    private readonly World $world;

    /** @var list<Happened> */
    private array $happened = [];

    /** @var array<int, int> what it asked to be kept, by counter */
    private array $kept = [];

    /** @var array<string, true> routines that run */
    private array $running = [];

    /** @var array<string, true> routines that ran */
    private array $ran = [];

    private ?string $brokeOff = null;

    /** @var list<array{Axis, float, string}> each motion, whole numbers to one of its units, and by what it knows where it is */
    private readonly array $axes;

    /** @var array<int, array{Routine, Step}> by number */
    private readonly array $steps;

    private function __construct(private readonly Composition $of, private readonly Talks $program, Scenario $scenario)
    {
        $this->world = new World($of->build, $scenario, INF);
        $this->world->recorder->listener = $this;
        $this->axes = array_map(function (string $id): array {
            $axis = $this->world->axes[$id];
            $positioning = $axis->motion->positioning;

            return [$axis, Roster::perUnit($axis->motion->unit()), match (true) {
                $positioning->isAbsolute() => 'feels', $positioning->countsPulses() => 'pulses', $positioning->countsSteps() => 'steps', default => 'nothing',
            }];
        }, $of->roster->all('MOTION'));
        $this->steps = array_map(fn (StepNumber $number): array => [$of->build->routines[$number->routine],
            $of->build->routines[$number->routine]->stepAt($number->path) ?? throw new \LogicException], $of->roster->steps);
    }

    /**
     * @param  Routine|null  $byHand  started by hand when all is quiet
     * @param  float  $until_s  how long it runs
     *
     * @throws ProgramEnded
     */
    public static function of(Composition $of, Talks $program, ?Scenario $scenario, ?Routine $byHand, float $until_s): ProgramTrace
    {
        return (new self($of, $program, $scenario ?? new Scenario('', 'Started by hand', self::ALL_QUIET_S, [], [])))->run($byHand, $until_s);
    }

    private function run(?Routine $byHand, float $until_s): ProgramTrace
    {
        $world = $this->world;
        $isOn = false;
        do {
            $world->look();
            $rests_s = 0.0;
            if (! $world->isPowered()) {
                $isOn ? $this->losesPower() : null;
                $isOn = false;
            } else {
                if (! $isOn) {
                    $this->begins();
                    $isOn = true;
                }
                $wants = $this->program->ask('scan '.$this->sees());
                $rests_s = $wants === [] && ! ($this->program->hangsOnMotions() && $this->stirs()) ? $this->program->rests_ms() / 1000.0 : 0.0;
                $this->obeys($wants);
                if ($byHand !== null && $this->running === [] && ! isset($this->ran[$byHand->id])) {
                    $this->obeys($this->program->ask('start '.array_search($byHand->id, $this->of->roster->all('ROUTINE'), true)));
                    $rests_s = 0.0;
                }
            }
            $world->pass($rests_s > 0.0 && $world->mayStride() ? min($until_s, $world->now() + $rests_s) : null);
        } while ($this->brokeOff === null && $world->now() < $until_s - 1e-9);

        return new ProgramTrace($this->happened, $world->counters(), $world->now(), $this->brokeOff, $this->of->guards);
    }

    /** Something moves, or is about to. */
    private function stirs(): bool
    {
        foreach ($this->world->axes as $axis) {
            if (! $axis->isIdle()) {
                return true;
            }
        }

        return false;
    }

    private function begins(): void
    {
        $this->program->restart();
        foreach ($this->kept as $counter => $value) {
            $this->program->ask("kept {$counter} {$value}");
        }
        $this->obeys($this->program->ask('begin '.$this->sees()));
    }

    private function losesPower(): void
    {
        foreach (array_keys($this->running) as $routine) {
            $this->tells('routine', $routine, 'fails');
            $this->world->runs($routine, false);
        }
        $this->running = [];
    }

    /** What its board sees: time, time of day, inputs, what is to be known of motions, readings, positions, speeds. */
    private function sees(): string
    {
        $world = $this->world;
        $now = $world->now();
        $roster = $this->of->roster;
        [$inputs, $still, $arrived, $moving, $feels, $positions, $speeds, $levels] = ['', '', '', '', '', '', '', ''];
        foreach ($roster->all('INPUT') as $id) {
            $inputs .= $world->inputs->says($id, $now) ? '1' : '0';
        }
        foreach ($this->axes as [$axis, $per, $knows]) {
            $still .= $axis->isStill() ? '1' : '0';
            $arrived .= $axis->hasArrived() ? '1' : '0';
            $moving .= $axis->isMoving() ? '1' : '0';
            $feels .= $knows === 'feels' ? '1' : '0';
            $positions .= ' '.(int) round(match ($knows) {
                'pulses' => $axis->reading(), 'steps' => $axis->stands(), default => $axis->position(),
            } * $per);
            $speeds .= ' '.(int) round($axis->speed() * $per);
        }
        foreach ($roster->all('LEVEL') as $id) {
            $levels .= ' '.(int) round($world->inputs->level($id) * Roster::READING);
        }
        $motions = count($this->axes);

        return (int) round($now * 1000.0).' '.(int) floor($world->clock_s() * 1000.0 + 1e-6)." {$inputs}- {$still}- {$arrived}- {$moving}- {$feels}- "
            .count($roster->all('LEVEL'))."{$levels} {$motions}{$positions} {$motions}{$speeds}";
    }

    /** @param  list<string>  $lines */
    private function obeys(array $lines): void
    {
        foreach ($this->brokeOff === null ? $lines : [] as $line) {
            $words = explode(' ', $line);
            $numbers = array_map(intval(...), array_slice($words, 1));
            try {
                $this->does($words[0], $numbers);
            } catch (StepFailed $failed) {
                $this->brokeOff ??= $failed->getMessage();

                return;
            }
        }
    }

    /** @param  list<int>  $of */
    private function does(string $what, array $of): void
    {
        if ($what === 'says') {
            $this->said($of[0], $of[1], $of[2]);

            return;
        }
        if ($what === 'output') {
            $id = $this->of->roster->all('OUTPUT')[$of[0]];
            $this->world->signal($id, $of[1] === 1, $of[2] > 0 ? $of[2] / 1000.0 : null);

            return;
        }
        if ($what === 'keep') {
            $this->kept[$of[0]] = $of[1];

            return;
        }
        $id = $this->of->roster->all('MOTION')[$of[0]] ?? throw new ProgramEnded("It speaks of a motion {$of[0]}, and there is none.");
        $axis = $this->world->axes[$id];
        $own = fn (int $at): float => $this->own($id, $at);
        match ($what) {
            'push' => $axis->push($of[1], $of[2] / Roster::SPEED),
            'send' => $axis->follow($own($of[1]), $of[2] / Roster::SPEED, true),
            'stop' => $axis->motion->drive === null ? null : $axis->stop(['brake', 'coast', 'hold'][$of[1]]),
            'power' => $axis->power($of[1] === 1),
            'found' => $axis->isFoundAt($axis->motion->placeNear($own($of[1]), self::SAME)->id ?? throw new ProgramEnded("{$id} was found where no place is.")),
            'at' => $axis->isAt($of[1] === 1 ? $own($of[2]) : null),
            'couple' => $of[1] === 1 ? $axis->endChange() : $axis->beginChange(),
            'take' => $this->world->takes($id, $this->of->roster->all('THING')[$of[1]] ?? null),
            default => throw new ProgramEnded("It says “{$what}”, which is no word of a program."),
        };
    }

    private const SAME = 1e-5; // of the way between its outermost places: what rounding to whole numbers makes of a place

    /** A position as the build has it: what is rounded to a whole number is the place that it was. */
    private function own(string $motion, int $at): float
    {
        $of = $this->of->build->motions[$motion];
        $own = $at / Roster::perUnit($of->unit());
        $place = $of->placeNear($own, self::SAME);

        return $place === null || $of->period() !== null ? $own : $place->at;
    }

    private function said(int $what, int $number, int $value): void
    {
        if ($what <= 2) {
            [$routine, $step] = $this->steps[$number] ?? throw new ProgramEnded("It speaks of a step {$number}, and there is none.");
            $this->tells('step', "{$routine->id} {$this->of->roster->steps[$number]->path}", ['begins', 'done', 'gave_up'][$what]);

            return;
        }
        if ($what === 6) {
            $id = $this->of->roster->all('COUNT')[$number];
            $this->world->set($id, $value, null);

            return;
        }
        if ($what === 7) {
            $this->brokeOff ??= self::RULE;

            return;
        }
        $id = $this->of->roster->all('ROUTINE')[$number] ?? throw new ProgramEnded("It speaks of a routine {$number}, and there is none.");
        $starts = $what === 3;
        unset($this->running[$id]);
        $this->running += $starts ? [$id => true] : [];
        $this->ran[$id] = true;
        $this->world->runs($id, $starts);
        $this->tells('routine', $id, ['starts', 'ends', 'fails'][$what - 3]
            ?? throw new ProgramEnded("It says {$what}, which is nothing that a program says."));
    }

    private function tells(string $what, string $of, string $how): void
    {
        $this->happens($this->world->now(), $what, $of, $how);
    }

    public function happens(float $at_s, string $what, string $of, string $how): void
    {
        if (count($this->happened) < Happened::MOST) {
            $this->happened[] = new Happened($at_s, $what, $of, $how);
        }
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Simulation\Listens;
use Brookstone\Core\Simulation\Program;
use Brookstone\Core\Simulation\World;

/** The routines of a build run as they always do, and what they do is written down: what a written program must do too. */
final class RoutinesRun implements Listens
{
    /** @var list<Happened> */
    private array $happened = [];

    private ?float $start_s = null;

    private ?float $end_s = null;

    private readonly Program $program;

    private function __construct(private readonly World $world, private readonly ?Routine $byHand, private readonly ?Routine $of)
    {
        $world->recorder->listener = $this;
        $this->program = new Program($world, fn (string $id) => $this->routine($id, 'starts'),
            fn (string $id, ?string $fault) => $this->routine($id, $fault === null ? 'ends' : 'fails'));
    }

    /**
     * @param  Routine|null  $byHand  started by hand when all is quiet
     * @param  Routine|null  $of  it is over soon after this one is; null runs until the end
     * @param  float  $after_s  how soon
     */
    public static function of(Build $build, ?Scenario $scenario, ?Routine $byHand, ?Routine $of, float $until_s, float $after_s = 0.0): ProgramTrace
    {
        $world = new World($build, $scenario ?? new Scenario('', 'Started by hand', $until_s, [], []), INF);

        return (new self($world, $byHand, $of))->run($until_s, $after_s);
    }

    private function run(float $until_s, float $after_s): ProgramTrace
    {
        $world = $this->world;
        $end_s = $until_s;
        do {
            $this->program->look();
            if ($this->byHand !== null && $this->start_s === null && $this->program->isIdle() && $world->isPowered()) {
                $this->program->start($this->byHand);
            }
            $isOver = $this->of !== null && $this->end_s !== null && $this->program->isIdle() && ! $world->hasMoreToCome();
            $end_s = $isOver ? min($end_s, $world->now() + $after_s) : $until_s;
            $world->pass($world->mayStride() && ! $isOver ? min($end_s, $this->program->due_s()) : null);
        } while ($world->now() < $end_s - 1e-9);

        return new ProgramTrace($this->happened, $world->counters(), $world->now());
    }

    private function routine(string $id, string $how): void
    {
        $this->happens($this->world->now(), 'routine', $id, $how);
        if ($id === ($this->byHand->id ?? $this->of?->id)) {
            $how === 'starts' ? $this->start_s ??= $this->world->now() : $this->end_s ??= $this->world->now();
        }
    }

    public function happens(float $at_s, string $what, string $of, string $how): void
    {
        if (count($this->happened) < Happened::MOST) {
            $this->happened[] = new Happened($at_s, $what, $of, $how);
        }
    }
}

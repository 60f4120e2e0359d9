<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

use Brookstone\Core\Program\Composition;
use Brookstone\Core\Program\Package;
use Brookstone\Core\Program\Roster;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\StepFailed;
use Brookstone\Core\Simulation\Listens;
use Brookstone\Core\Simulation\Program;
use Brookstone\Core\Simulation\World;

/**
 * A board with the written program on it, as it would speak at the end of a cable: it says what it does, line by line, and obeys the words that it is told by
 * hand. Behind it is the simulated build. Time goes on when it is told to.
 */
final class SimulatedBoard implements Listens
{
    private const HALF = 0.5; // of its usual speed: by hand

    private const LONGEST_S = 86400.0;

    private readonly World $world;

    private readonly Program $program;

    /** @var list<string> that nobody has heard yet */
    private array $said = [];

    /** @param  Scenario|null  $begins  what happens by itself */
    public function __construct(private readonly Composition $of, ?Scenario $begins = null)
    {
        $this->world = new World($of->build, $begins ?? new Scenario('', 'Board', self::LONGEST_S, [], []), INF);
        $this->world->recorder->listener = $this;
        $this->program = new Program($this->world, fn (string $id) => $this->happens($this->world->now(), 'routine', $id, 'starts'),
            fn (string $id, ?string $fault) => $this->happens($this->world->now(), 'routine', $id, $fault === null ? 'ends' : 'fails'));
        $this->says(['program' => Package::mark($of)]);
    }

    /**
     * One scan later.
     *
     * @return list<string> what it says, each a line
     */
    public function goesOn(): array
    {
        $this->program->look();
        $this->world->pass();

        return $this->heard();
    }

    /**
     * Words that it is told by hand.
     *
     * @return list<string> what it says
     */
    public function hears(string $words): array
    {
        [$what, $of, $value] = [...explode(' ', trim($words)), '', '', ''];
        $roster = $this->of->roster;
        $id = fn (string $kind): ?string => ctype_digit($of) ? $roster->all($kind)[(int) $of] ?? null : null;
        $motion = $id('MOTION');
        $axis = $motion === null ? null : $this->world->axes[$motion];
        $per = $axis === null ? 1.0 : Roster::perUnit($axis->motion->unit());
        try {
            $does = match (true) {
                in_array($what, ['up', 'down'], true) && $axis !== null => fn () => $axis->push($what === 'up' ? 1 : -1, self::HALF),
                $what === 'stop' && $axis !== null => fn () => $axis->stop('brake'),
                $what === 'go' && ($axis?->motion->positioning->isSent() ?? false) && is_numeric($value) => fn () => $axis->follow((float) $value / $per,
                    self::HALF),
                in_array($what, ['on', 'off'], true) && $id('OUTPUT') !== null => fn () => $this->world->signal((string) $id('OUTPUT'), $what === 'on', null),
                $what === 'start' && $id('ROUTINE') !== null => fn () => $this->starts((string) $id('ROUTINE')),
                $what === 'tell' && $id('INPUT') !== null => fn () => isset($this->of->build->sensors[$id('INPUT')])
                    ? $this->world->inputs->set((string) $id('INPUT'), $value === '1', $this->world->now()) : null,
                $what === 'look' => fn () => $this->looks(),
                default => fn () => $this->says(['understood' => false]),
            };
            $does();
        } catch (StepFailed) {
            $this->says(['understood' => false]); // it cannot do that as it stands
        }

        return $this->heard();
    }

    private function starts(string $routine): void
    {
        if (! $this->program->isRunning($routine)) {
            $this->program->start($this->of->build->routines[$routine]);
        }
    }

    private function looks(): void
    {
        $world = $this->world;
        $roster = $this->of->roster;
        $this->says([
            'inputs' => array_map(fn (string $id): int => (int) $world->inputs->says($id, $world->now()), $roster->all('INPUT')),
            'levels' => array_map(fn (string $id): int => (int) round($world->inputs->level($id) * Roster::READING), $roster->all('LEVEL')),
            'positions' => array_map(fn (string $id): int => (int) round($world->axes[$id]->position() * Roster::perUnit($world->axes[$id]->motion->unit())),
                $roster->all('MOTION')),
        ]);
    }

    public function happens(float $at_s, string $what, string $of, string $how): void
    {
        $roster = $this->of->roster;
        $number = fn (string $kind): int => (int) array_search($of, $roster->all($kind), true);
        match ($what) {
            'step' => $this->says(['step' => $roster->step(...explode(' ', $of)), 'is' => ['begins' => 'begun', 'done' => 'done',
                'gave_up' => 'given_up'][$how]]),
            'routine' => $this->says(['routine' => $number('ROUTINE'), 'is' => ['starts' => 'started', 'ends' => 'ended', 'fails' => 'failed'][$how]]),
            'count' => $this->says(['counter' => $number('COUNT'), 'count' => (int) $how]),
            'rule' => $this->says(['rule' => (int) array_search($of, array_keys($this->of->build->rules), true), 'is' => 'broken']),
            default => null,
        };
    }

    /** @param  array<string, mixed>  $said */
    private function says(array $said): void
    {
        $this->said[] = json_encode(['ms' => (int) round($this->world->now() * 1000.0)] + $said, JSON_THROW_ON_ERROR);
    }

    /** @return list<string> */
    private function heard(): array
    {
        [$said, $this->said] = [$this->said, []];

        return $said;
    }
}

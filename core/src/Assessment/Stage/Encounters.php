<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Assessment\Sheet\StopsSheet;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Machine\Stack;
use Brookstone\Core\Parts\Meeting;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;

/** What must meet: whether it does, with all that its motions may be off. */
final readonly class Encounters
{
    private const ROUND_M = 0.001;

    /** @param  array<string, MotionInBuild>  $subjects */
    public function __construct(private Build $build, private array $subjects)
    {
    }

    /** @return array<string, Stack> by meeting */
    public function stacks(): array
    {
        return array_map(function (Meeting $meeting): Stack {
            $errors = [];
            foreach (Stack::joints($this->build->stage, $meeting) as $id) {
                $errors[$id] = $this->errors($this->build->motions[$id], $meeting->places[$id] ?? $this->build->motions[$id]->task->from);
            }

            return new Stack($this->build->stage, $meeting, $errors);
        }, $this->build->meetings);
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return array_values(array_filter(array_map($this->misses(...), $this->build->meetings, $this->stacks())));
    }

    /**
     * What each part of a stack is, in words: `the play of Trolley`.
     *
     * @param  array{?string, string, float}  $part
     */
    public function says(array $part): string
    {
        return $part[0] === null ? $part[1] : "the {$part[1]} of {$this->build->motions[$part[0]]->named()}";
    }

    /** @return array<string, float> by what makes it, how far off a motion may stand at a place, own unit */
    private function errors(Motion $motion, string $place): array
    {
        $play = Meetings::play($motion);
        $within = (new StopsSheet($this->subjects[$motion->id]))->stopsWithin();
        $counts = $motion->positioning->isAbsolute() || $motion->positioning->countsSteps() || $motion->positioning->countsPulses();
        $switch = $motion->stops->switchAt($place);
        $runOn = $switch === null || $counts ? null : $this->subjects[$motion->id]->facts->runOn($switch, $this->build->settings)?->distance;

        return array_filter([
            'stopping error' => max(0.0, ($within ?? $motion->task->tolerance ?? 0.0) - ($counts ? $play : 0.0)),
            'run-on' => $switch === null || $runOn === null ? 0.0 : abs($switch->at + $switch->direction() * $runOn - $motion->at($place)),
            'play' => $play / 2,
        ]);
    }

    private function misses(Meeting $meeting, Stack $stack): ?Finding
    {
        if ($stack->holds($meeting->forgives_m)) {
            return null;
        }
        $path = 'meetings.'.array_search($meeting->id, array_column($this->build->document['meetings'], 'id'), true);
        $fails = ! $stack->usuallyHolds($meeting->forgives_m);
        $values = ['worst' => Quantity::of($stack->worst_m, 'm'), 'usual' => Quantity::of($stack->usual_m, 'm'),
            'forgives' => Quantity::of($meeting->forgives_m, 'm'),
            'off' => Quantity::of($stack->off_m, 'm'), 'most' => Quantity::of($stack->parts[0][2] ?? 0.0, 'm')];
        $most = $stack->parts === [] || $stack->off_m >= $stack->parts[0][2] ? 'even where all stands as it should, they are {off} apart'
            : "most of it is {$this->says($stack->parts[0])}, {most}";

        return new Finding('stage.misses', $fails ? Severity::Fails : Severity::Tight, "{$path}.forgives_m", new Sentence(
            "{$meeting->named()} is off by up to {worst}, {usual} as a rule; {forgives} is forgiven: {$most}.", $values,
        ), $this->mends($meeting, $stack, $path));
    }

    /** @return list<Fix> less play where that is enough, or a wider funnel */
    private function mends(Meeting $meeting, Stack $stack, string $path): array
    {
        $fixes = [];
        foreach ($stack->parts as [$id, $what, $by]) {
            if ($id !== null && $what === 'play' && $stack->worst_m - $by <= $meeting->forgives_m) {
                $i = $this->build->indexOf($id);
                $changes = [];
                foreach ($this->build->motions[$id]->train->stages as $stage => $geared) {
                    if ($geared->backlash_mm > 0.0) {
                        $changes[] = new Change("motions.{$i}.train.{$stage}.backlash_mm", 0.0);
                    }
                }
                $fixes = $changes === [] ? $fixes
                    : [...$fixes, new Fix(new Sentence(
                        "Take the play out of {$this->build->motions[$id]->named()}: a spring or weight that pulls it to one side"), $changes)];
            }
        }
        $wide = ceil($stack->worst_m / self::ROUND_M - 1e-6) * self::ROUND_M;

        return [...$fixes, new Fix(new Sentence('Let it forgive {wide}: a wider funnel, grab or magnet', ['wide' => Quantity::of($wide, 'm')]),
            [new Change("{$path}.forgives_m", round($wide, 6))])];
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Trainer;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Simulation\RoutineRun;

/** A build to practise on: one of its routines that comes to its end, and what may be wrong with it. */
final readonly class Practice
{
    private const MOST_RUNS = 12;

    private const ENOUGH_MOVES = 3;

    private const MOVED = 1e-3; // in its own unit: it was not there already

    /** @var array<string, HiddenFault> */
    public array $faults;

    public Observer $usual;

    private function __construct(public Build $build, public Routine $routine, public ?Scenario $scenario)
    {
        $this->faults = Faults::of($build, $routine);
        $this->usual = new Observer($build, $routine, $scenario, null);
    }

    /** null where no routine comes to its end: there is enough to mend in that build. */
    public static function of(Build $build): ?self
    {
        $best = null;
        $most = 0;
        $runs = 0;
        foreach ($build->routines as $routine) {
            foreach ([null, ...array_values($build->scenarios)] as $scenario) {
                if ($runs++ >= self::MOST_RUNS || $most >= self::ENOUGH_MOVES) {
                    break 2;
                }
                $run = RoutineRun::of($build, $routine, $scenario, lean: true, byHand: $scenario === null);
                $moves = count(array_filter($run['steps'], fn (array $step): bool => $step['motion'] !== null && $step['routine'] === $routine->id
                    && $step['at'] !== null && abs($step['at'] - $step['from']) > self::MOVED));
                if ($run['outcome'] === 'finished' && $run['mishaps'] === [] && $moves > $most) {
                    [$best, $most] = [[$routine, $scenario], $moves];
                    break; // the same routine otherwise is no better
                }
            }
        }

        return $best === null ? null : new self($build, ...$best);
    }

    /** What is seen with a fault in it, or with none. */
    public function with(?HiddenFault $fault): Observer
    {
        return $fault === null ? $this->usual : new Observer($this->build, $this->routine, $this->scenario, $fault, $this->usual);
    }

    /**
     * One that shows: something goes otherwise before anything is measured.
     *
     * @param  int  $seed  the same always hides the same
     * @param  list<string>  $hard  kinds that were not found before: one of these where there is one
     */
    public function hide(int $seed, array $hard = []): ?HiddenFault
    {
        $ids = array_keys($this->faults);
        usort($ids, fn (string $a, string $b): int => [! in_array($this->faults[$a]->kind(), $hard, true), hash('xxh32', "{$seed} {$a}")]
            <=> [! in_array($this->faults[$b]->kind(), $hard, true), hash('xxh32', "{$seed} {$b}")]);
        foreach ($ids as $id) {
            if ($this->shows($this->faults[$id])) {
                return $this->faults[$id];
            }
        }

        return null;
    }

    public function shows(HiddenFault $fault): bool
    {
        return $this->with($fault)->story() !== $this->usual->story();
    }

    /**
     * Whether a fault that was named is the hidden one, and how what is seen and measured leads there.
     *
     * @return array{right: bool, says: Sentence, why: list<Sentence>}
     */
    public function judge(HiddenFault $hidden, HiddenFault $named): array
    {
        [$is, $would, $usual] = [$this->with($hidden), $this->with($named), $this->usual];
        $same = $hidden->id === $named->id || ($is->story() === $would->story() && $is->differing($would) === []);
        $says = match (true) {
            $hidden->id === $named->id => 'Found.',
            $same => 'Right: nothing at the bench tells it apart from what was hidden.',
            default => 'No, that is not it.',
        };

        return ['right' => $same, 'says' => new Sentence($says), 'why' => $same ? self::leads($is, $usual) : self::contradicts($is, $would)];
    }

    /** @return list<Sentence> what is otherwise than usual */
    private static function leads(Observer $is, Observer $usual): array
    {
        [$now, $before] = [$is->measured(), $usual->measured()];
        $why = [];
        foreach ($is->differing($usual) as $id) {
            $why[] = new Sentence(Sentence::quote($now[$id]['asks']->text()).': '.Sentence::quote($now[$id]['says']->text()).' Usually: '
                .Sentence::quote($before[$id]['says']->text()));
        }

        return $why;
    }

    /** @return list<Sentence> the first things that would be otherwise if it were the named one */
    private static function contradicts(Observer $is, Observer $would): array
    {
        $seen = array_map(null, $is->story(), $would->story());
        foreach ($seen as [$here, $there]) {
            if ($here !== $there) {
                return [new Sentence('Then one would see: '.($there === null ? 'no more than this.' : Sentence::quote($there)).' Here: '
                    .($here === null ? 'no more than this.' : Sentence::quote($here)))];
            }
        }
        $id = $is->differing($would)[0] ?? null;
        if ($id !== null) {
            ['asks' => $asks, 'says' => $says] = $is->measured()[$id];

            return [new Sentence(Sentence::quote($asks->text()).' would say: '.Sentence::quote($would->measured()[$id]['says']->text()).' Here: '
                .Sentence::quote($says->text()))];
        }

        return [];
    }
}

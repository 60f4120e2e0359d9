<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Task;

use Brookstone\Core\Assessment\Subject\Judge;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;

/** What the motion is asked to do, and how surely its figures are known. */
final class TaskJudge implements Judge
{
    private const GUESS = 1.3; // finished parts weigh this much more than guessed: costume, paint, wires, hinge

    public function judge(MotionInBuild $subject): Link
    {
        $motion = $subject->motion;
        $task = $motion->task;
        $findings = [];
        if ($task->mass_guessed) {
            $findings[] = $this->guess($subject);
        }
        if ($task->over_people) {
            $findings[] = new Finding('task.over_people', Severity::Note, $subject->path.'.task.over_people', new Sentence(
                'It moves above a place where someone can stand: give it a second, independent hold, and do not rely on a worm or a servo. Local rules decide, and for hanging or public display a licensed trade.',
            ));
        }

        return Link::of(
            'task',
            new Sentence('{time}', ['time' => Quantity::of($task->move_s, 's')]),
            new Sentence("{$subject->facts->placeName($task->from)} {from} to {$subject->facts->placeName($task->to)} {to}", [
                'from' => $motion->unit()->quantity($motion->at($task->from)),
                'to' => $motion->unit()->quantity($motion->at($task->to)),
            ]),
            $findings,
        );
    }

    private function guess(MotionInBuild $subject): Finding
    {
        $masses = array_filter($subject->motion->mechanism->masses());
        $key = array_key_first($masses);
        $margin = $subject->facts->margin();
        $fails = $margin !== null && $margin >= 1.0 && $margin / self::GUESS < 1.0;

        return new Finding('task.mass_guessed', $fails ? Severity::Tight : Severity::Note, $subject->path.'.mechanism.'.($key ?? 'kind'), new Sentence(
            'The mass is a guess. Finished parts often weigh {more} more than guessed'
                .($margin === null ? '.' : '; the margin of {margin} × would then be {then} ×.'),
            ['more' => Quantity::share(self::GUESS - 1)] + ($margin === null ? [] : ['margin' => Quantity::number($margin),
                'then' => Quantity::number($margin / self::GUESS)]),
        ), $key === null ? [] : [new Fix(
            new Sentence('Plan for {mass}', ['mass' => Quantity::of($masses[$key] * self::GUESS, 'kg')]),
            [...array_map(fn (string $each): Change => new Change("{$subject->path}.mechanism.{$each}", $masses[$each] * self::GUESS), array_keys($masses)),
                new Change($subject->path.'.task.mass_guessed', false)],
        )]);
    }
}

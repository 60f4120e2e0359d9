<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Proof;

use Brookstone\Core\Assessment\Subject\Judge;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;

/** What was measured at the bench, against what was computed. */
final class ProofJudge implements Judge
{
    private const DIFFERS = 0.15; // of the computed time: more than friction and voltage usually explain

    public function judge(MotionInBuild $subject): Link
    {
        $motion = $subject->motion;
        $entries = array_values(array_filter($subject->build->log, fn (Measurement $entry): bool => $entry->motion === $motion->id
            && $motion->place($entry->from) !== null && $motion->place($entry->to) !== null));
        if ($entries === []) {
            return Link::notSaid('proof', 'nothing measured yet');
        }
        $last = $entries[count($entries) - 1];
        $computed = $subject->facts->time($last->from, $last->to);
        $values = ['measured' => Quantity::of($last->measured_s, 's')];
        if ($computed === null) {
            return Link::of('proof', new Sentence('{measured}', $values), new Sentence('measured; nothing computed to compare'), []);
        }
        $values['computed'] = Quantity::of($computed, 's');
        $values['difference'] = Quantity::share(abs($last->measured_s / max($computed, 1e-9) - 1));
        $findings = [];
        if (abs($last->measured_s - $computed) > self::DIFFERS * $computed) {
            $findings[] = new Finding('proof.differs', Severity::Tight, 'log', new Sentence(
                'Measured {measured}, computed {computed}: {difference} '.($last->measured_s > $computed
                    ? 'slower. Look for rub, a low supply or a load that is heavier than said.'
                    : 'quicker. Look for a load that is lighter than said, or a higher supply.'),
                $values,
            ));
        }
        $task = $motion->task;
        if ($last->from === $task->from && $last->to === $task->to && $last->measured_s > $task->move_s) {
            $findings[] = new Finding('proof.over_target', Severity::Fails, 'log', new Sentence(
                'Measured {measured}, longer than the {target} asked for.', $values + ['target' => Quantity::of($task->move_s, 's')],
            ));
        }

        return Link::of('proof', new Sentence('{measured}', $values), new Sentence('measured, {computed} computed', $values), $findings);
    }
}

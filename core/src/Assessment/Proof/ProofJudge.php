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
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Proof\Circumstance;
use Brookstone\Core\Proof\Endurance;
use Brookstone\Core\Proof\Repeats;
use Brookstone\Core\Quantity\Quantity;

/** What was measured at the bench, against what was computed for the same circumstance. */
final class ProofJudge implements Judge
{
    private const DIFFERS = 0.15; // of the computed time: more than friction and voltage usually explain

    private const HOT = 0.7; // of what its windings bear, outside

    private const WARMER_K = 5.0; // than computed, and no sensor's fault any more

    private const SELDOM = 0.01; // of its runs: who fails no more often than that is mended when it happens

    private const DRAWS_OTHERWISE = 0.25; // of the computed current

    public function judge(MotionInBuild $subject): Link
    {
        $motion = $subject->motion;
        $entries = array_values(array_filter($subject->build->log, fn (Measurement $entry): bool => $entry->motion === $motion->id
            && $motion->place($entry->from) !== null && $motion->place($entry->to) !== null));
        $tested = [...$this->goesBy($subject), ...$this->tests($subject), ...$this->endurance($subject)];
        if ($entries === []) {
            return $tested === [] ? Link::notSaid('proof', 'nothing measured yet') : Link::of('proof', new Sentence('not timed'),
                new Sentence('tested, no time measured yet'), $tested);
        }
        $model = new BesideModel($subject->build->settings);
        $all = Repeats::all($subject->build, $motion->id);
        $findings = [...$tested, ...$this->failed($entries), ...$this->currents($subject, $model, $entries), ...$this->hot($subject, $model, $entries),
            ...$this->farOff($all)];
        $timed = array_values(array_filter($entries, fn (Measurement $entry): bool => $entry->measured_s !== null));
        if ($timed === []) {
            return Link::of('proof', new Sentence(count($entries) === 1 ? 'once' : count($entries).' times'), new Sentence('measured, no time among it'),
                $findings);
        }
        $last = $this->lastOf($all, $timed);
        $computed = $model->time_s($motion, $last);
        $repeats = $this->repeatsOf($all, $last);
        $isMean = $repeats->sd_s !== null;
        $time = $isMean ? $repeats->mean_s : (float) $last->measured_s;
        $values = ['measured' => Quantity::of($time, 's')];
        if ($computed === null) {
            return Link::of('proof', new Sentence('{measured}', $values), new Sentence('measured; nothing computed to compare'), $findings);
        }
        $values['computed'] = Quantity::of($computed, 's');
        $values['difference'] = Quantity::share(abs($time / max($computed, 1e-9) - 1));
        $count = count($repeats->entries);
        $says = $isMean ? 'Measured {measured} on the average of '.$count : 'Measured {measured}';
        if (abs($time - $computed) > self::DIFFERS * $computed) {
            $findings[] = new Finding('proof.differs', Severity::Tight, 'log', new Sentence(
                $says.', computed {computed}: {difference} '.($time > $computed ? 'slower. Look for rub, a low supply or a load that is heavier than said.'
                    : 'quicker. Look for a load that is lighter than said, or a higher supply.'),
                $values,
            ));
        }
        $task = $motion->task;
        if ($last->from === $task->from && $last->to === $task->to && Circumstance::of($last)->isUsual(1.0) && $time > $task->move_s) {
            $findings[] = new Finding('proof.over_target', Severity::Fails, 'log', new Sentence(
                $says.', longer than the {target} asked for.', $values + ['target' => Quantity::of($task->move_s, 's')],
            ));
        }

        return Link::of('proof', new Sentence('{measured}', $values), new Sentence('measured, {computed} computed', $values), $findings);
    }

    /** @return list<Finding> bench tests of it that did not come out */
    private function tests(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        $own = [$motion->id, ...array_map(fn (LimitSwitch $switch): string => $switch->id, $motion->stops->switches)];
        $bad = array_filter($subject->build->making->tests, fn (array $test): bool => ! $test['good'] && in_array(explode('.', $test['id'])[1] ?? '', $own,
            true)
            && ! in_array(explode('.', $test['id'])[0], ['routine', 'cut'], true));

        return array_values(array_map(fn (array $test): Finding => new Finding('proof.test', Severity::Tight, 'log', new Sentence(
            "A bench test did not come out on {$test['on']}".($test['note'] === '' ? '.' : ': '.Sentence::quote($test['note']).'.'),
        )), $bad));
    }

    /** @return list<Finding> what its endurance runs tell */
    private function endurance(MotionInBuild $subject): array
    {
        $findings = [];
        foreach ($subject->build->endurance as $run) {
            [$count, $failures] = [$run->count(), $run->failures()];
            if ($run->motion !== $subject->motion->id || $count === 0 || $failures > min($count, Endurance::MOST_FAILURES)) {
                continue;
            }
            $most = (new Endurance($count, $failures))->most_share;
            $findings[] = new Finding('proof.endurance', $failures === 0 || $most <= self::SELDOM ? Severity::Note : Severity::Tight, 'log', new Sentence(
                "It ran {$count} of {$run->target} times: {$failures} ".($failures === 1 ? 'failure' : 'failures')
                    .', so with {sure} it fails in no more than {most} of '
                .'its runs.', ['sure' => Quantity::share(0.95), 'most' => Quantity::share($most)]));
        }

        return $findings;
    }

    /** @return list<Finding> that it goes by what was measured, not by what was said */
    private function goesBy(MotionInBuild $subject): array
    {
        $measured = $subject->motion->measured;

        return $measured === null ? [] : [new Finding('proof.goes_by', Severity::Note, 'log',
            new Sentence("All this goes by what was measured on {$measured->on}, not by what was said."))];
    }

    /**
     * The last that does not lie far off others of its kind.
     *
     * @param  list<Repeats>  $all
     * @param  non-empty-list<Measurement>  $timed
     */
    private function lastOf(array $all, array $timed): Measurement
    {
        $far = array_merge(...array_map(fn (Repeats $each): array => $each->farOff, $all));
        $near = array_values(array_filter($timed, fn (Measurement $entry): bool => ! in_array($entry, $far, true)));

        return $near[count($near) - 1];
    }

    /** @param  list<Repeats>  $all */
    private function repeatsOf(array $all, Measurement $entry): Repeats
    {
        foreach ($all as $each) {
            if (in_array($entry, $each->entries, true)) {
                return $each;
            }
        }
        throw new \LogicException('Whatever has a time is a repeat of something.');
    }

    /**
     * @param  list<Repeats>  $all
     * @return list<Finding> one for each time that lies far off all others of its move
     */
    private function farOff(array $all): array
    {
        $found = [];
        foreach ($all as $each) {
            foreach ($each->farOff as $entry) {
                $others = count($each->entries);
                $found[] = new Finding('proof.far_off', Severity::Note, 'log', new Sentence(
                    "On {$entry->on} it took {measured}, far off the {mean} of {$others} others: that one does not count. Something was different then.",
                    ['measured' => Quantity::of((float) $entry->measured_s, 's'), 'mean' => Quantity::of($each->mean_s, 's')],
                ));
            }
        }

        return $found;
    }

    /**
     * @param  non-empty-list<Measurement>  $entries
     * @return list<Finding> what failed, where nothing was measured since
     */
    private function failed(array $entries): array
    {
        $last = $entries[count($entries) - 1];

        return $last->failed === '' ? [] : [new Finding('proof.failed', Severity::Tight, 'log', new Sentence(
            'On '.$last->on.' it failed: '.Sentence::quote($last->failed).'. Nothing was measured since.',
        ))];
    }

    /**
     * @param  non-empty-list<Measurement>  $entries
     * @return list<Finding> of the last temperature: the windings are hotter than their outside
     */
    private function hot(MotionInBuild $subject, BesideModel $model, array $entries): array
    {
        $limit = $subject->motion->drive?->motor->body()->cooling()->limit_C();
        $with = array_values(array_filter($entries, fn (Measurement $entry): bool => $entry->temperature_C !== null));
        $last = $with[count($with) - 1] ?? null;
        if ($last === null || $limit === null) {
            return [];
        }
        if ($last->temperature_C <= self::HOT * $limit) {
            return $this->warmer($subject, $model, $last);
        }

        return [new Finding('proof.hot', Severity::Tight, 'log', new Sentence(
            "On {$last->on} its drive was {hot} outside; its windings, which are hotter, bear {limit}. Let it rest longer, or take a larger one.",
            ['hot' => Quantity::of((float) $last->temperature_C, '°C'), 'limit' => Quantity::of($limit, '°C')],
        ))];
    }

    /** @return list<Finding> that its outside was hotter than its windings should be: more heat goes into it than computed */
    private function warmer(MotionInBuild $subject, BesideModel $model, Measurement $last): array
    {
        $windings = $model->windings_C($subject->build, $subject->motion, $last);

        if ($windings === null || $last->temperature_C <= $windings + self::WARMER_K) {
            return [];
        }

        return [new Finding('proof.warmer', Severity::Tight, 'log', new Sentence(
            "On {$last->on} its drive was {hot} outside after {after}; its windings, which are hotter, should have been {windings} by then. It draws more than "
            .'computed, or stands somewhere hot: measure its current, and look for rub.', ['hot' => Quantity::of((float) $last->temperature_C, '°C'),
                'after' => Quantity::of((float) $last->after_s, 's'), 'windings' => Quantity::of($windings, '°C')],
        ))];
    }

    /**
     * @param  non-empty-list<Measurement>  $entries
     * @return list<Finding> of the last current, and the last while it was held fast
     */
    private function currents(MotionInBuild $subject, BesideModel $model, array $entries): array
    {
        $found = [];
        foreach (['current_A' => 'on the way', 'stalled_A' => 'held fast'] as $which => $when) {
            $with = array_values(array_filter($entries, fn (Measurement $entry): bool => $entry->{$which} !== null));
            if ($with === []) {
                continue;
            }
            $last = $with[count($with) - 1];
            $measured = (float) $last->{$which};
            $computed = $which === 'current_A' ? $model->current_A($subject->motion, $last) : $model->stalled_A($subject->motion, $last);
            if ($computed === null || $computed <= 0.0 || abs($measured - $computed) <= self::DRAWS_OTHERWISE * $computed) {
                continue;
            }
            $found[] = new Finding('proof.draws', Severity::Tight, 'log', new Sentence(
                "It draws {measured} {$when}, computed {computed}: {difference} ".($measured > $computed
                    ? 'more. Look for rub, a bent shaft, or a motor that is another than said.'
                        : 'less. Look for a motor that is another than said, or a load that is lighter.'),
                ['measured' => Quantity::of($measured, 'A'), 'computed' => Quantity::of($computed, 'A'),
                    'difference' => Quantity::share(abs($measured / $computed - 1))],
            ));
        }

        return $found;
    }
}

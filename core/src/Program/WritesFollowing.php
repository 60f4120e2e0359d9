<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\When;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Routine\FollowStep;
use Brookstone\Core\Routine\PaceStep;
use Brookstone\Core\Routine\Stick;

/** How a motion that follows a stick or knob is written down. Shares of the stick's way are millionths, speeds are as everywhere. */
trait WritesFollowing
{
    private const WHOLE = 1000000;

    public function follows(FollowStep $step): void
    {
        $of = $this->motionOf($step->motion);
        $m = $this->touches($of->id);
        $t = $this->thread->number;
        if ($step->as === 'place' && ! $of->positioning->isAbsolute()) {
            $this->thread->add(...($of->positioning->countsSteps() && $of->turnsAnywhere() ? [] : ($of->positioning->countsSteps()
                ? [new When("!counted[{$m}]", $this->failing())] : $this->failing())));
        }
        $this->marks();
        $this->thread->add(new Set("has_aim[{$t}]", 'false'), new Set("told_aim[{$t}]", 'false'));
        $top = $this->thread->opens();
        $end = $this->thread->label();
        $over = array_values(array_filter([$step->for_s === null ? null : "passed({$this->thread->since()}, ".Roster::ms($step->for_s).')',
            $step->until?->asked($this->asked)]));
        $this->thread->add(new When('('.implode(') | (', $over).')', [$this->thread->goes($end)]));
        $this->listens($step, $m, $t);
        $step->as === 'place' ? $this->follow($step, $of, $m, $t) : $this->drivesAt($step, $of, $m, $t);
        $this->thread->add(...[...$this->giveUp($step->give_up_s), $this->thread->rests($top)]);
        $this->thread->begin($end);
        if ($step->as === 'speed') {
            $this->stops($of->id);
        }
        $this->thread->add(new Does("leaves({$m})"));
    }

    /** Where the stick is: `share`. What no stick reads is a wire that is off. */
    private function hears(string $sensor, float $low, float $high, string $m, int $t): void
    {
        $level = $this->roster->number('LEVEL', $sensor);
        $reading = fn (float $of): string => Asked::literal((int) round($of * Roster::READING));
        $lost = (int) round(Stick::LOST * self::WHOLE);
        $this->thread->add(
            new Set("share[{$t}]", "scaled(drive_level({$level}) - {$reading($low)}, ".self::WHOLE.', '.$reading($high - $low).')'),
            new When("(share[{$t}] < (-{$lost})) || (share[{$t}] > ".(self::WHOLE + $lost).')', [new Does("stop_motion({$m}, BRAKE)"), ...$this->failing()]),
            new When("share[{$t}] < 0", [new Set("share[{$t}]", '0')]),
            new When("share[{$t}] > ".self::WHOLE, [new Set("share[{$t}]", (string) self::WHOLE)]),
        );
    }

    /** The same, smoothed: `aim`. */
    private function listens(FollowStep $step, string $m, int $t): void
    {
        $this->hears($step->sensor, $step->low, $step->high, $m, $t);
        $takes = $step->smooth_s <= 0.0 ? self::WHOLE
            : (int) round(self::WHOLE * -expm1(-$this->build()->settings->scan_s / $step->smooth_s * M_LN10));
        $this->thread->add(new When("has_aim[{$t}]", [new Set("aim[{$t}]", "aim[{$t}] + scaled(share[{$t}] - aim[{$t}], {$takes}, ".self::WHOLE.')')],
            [new Set("aim[{$t}]", "share[{$t}]"), new Set("has_aim[{$t}]", 'true')]));
    }

    private function follow(FollowStep $step, Motion $of, string $m, int $t): void
    {
        [$low, $high] = $of->range();
        [$from, $to] = [$step->at_low ?? $low, $step->at_high ?? $high];
        $band = (int) round($step->dead_band * self::WHOLE);
        $whole = self::WHOLE;
        $this->thread->add(
            new When("!told_aim[{$t}] || (distance_of(aim[{$t}] - aim_by[{$t}]) > {$band}) || ((aim[{$t}] != aim_by[{$t}]) && ((aim[{$t}] == 0) || (aim[{$t}] == {$whole})))", [
                ...[new When("off[{$m}]", $this->failing())],
                new Set("told_aim[{$t}]", 'true'), new Set("aim_by[{$t}]", "aim[{$t}]"),
                new Does("send_motion({$m}, between({$this->at($of->id, $from)} + scaled({$this->at($of->id, $to - $from)}, aim[{$t}], {$whole}), "
                    ."{$this->at($of->id, $low)}, {$this->at($of->id, $high)}), ".Roster::speed($step->speed).')'),
            ]),
        );
    }

    private function drivesAt(FollowStep $step, Motion $of, string $m, int $t): void
    {
        $band = (int) round($step->dead_band * self::WHOLE);
        $shares = '('.self::WHOLE." - {$band})";
        $expo = (int) round($step->expo * 1000);
        $least = (int) round(Stick::STEP * Roster::SPEED);
        $speed = "share[{$t}]";
        $this->thread->add(
            new Set($speed, "distance_of(2 * aim[{$t}] - ".self::WHOLE.") - {$band}"),
            new When("{$speed} < 0", [new Set($speed, '0')]),
            new Set($speed, "scaled({$speed}, ".Roster::SPEED.", {$shares})"),
            new Set($speed, "scaled(scaled({$speed}, ".(1000 - $expo).", 1000) + scaled(scaled(scaled({$speed}, {$speed}, ".Roster::SPEED."), {$speed}, "
                .Roster::SPEED."), {$expo}, 1000), ".Roster::speed($step->speed).', '.Roster::SPEED.')'),
            new When("aim[{$t}] * 2 < ".self::WHOLE, [new Set($speed, "0 - {$speed}")]),
        );
        foreach ($of->period() !== null ? [] : $of->stops->tellers() as $switch) {
            $this->thread->add(new When("({$speed} ".($switch->direction() > 0 ? '>' : '<').' 0) && ('.$this->asked->input($switch->id).')',
                [new Set($speed, '0')]));
        }
        $isSame = "(({$speed} == 0) && (aim_by[{$t}] == 0)) || ((distance_of({$speed} - aim_by[{$t}]) < {$least}) && is_same_way({$speed}, aim_by[{$t}]))";
        $this->thread->add(
            new When("distance_of({$speed}) < {$least}", [new Set($speed, '0')]),
            new When("!told_aim[{$t}] || !({$isSame})", [
                new Set("told_aim[{$t}]", 'true'), new Set("aim_by[{$t}]", $speed),
                new When("{$speed} == 0", [new Does("stop_motion({$m}, BRAKE)")], [
                    new When("off[{$m}]", $this->failing()),
                    ...($of->isOneWay() ? [new When("{$speed} < 0", $this->failing())] : []),
                    new Does("push_motion({$m}, way_of({$speed}), distance_of({$speed}))"),
                ]),
            ]),
        );
    }

    public function paces(PaceStep $step): void
    {
        $of = $this->motionOf($step->motion);
        $m = $this->touches($of->id);
        $t = $this->thread->number;
        $switch = $of->positioning->switchEnding($step->place);
        $this->marks();
        $end = $this->thread->label();
        if ($of->positioning->isSent()) {
            $onto = $this->thread->label();
            $needs = $of->positioning->isAbsolute() || $of->turnsAnywhere() ? [] : [new When("!counted[{$m}]", [$this->thread->goes($onto)])];
            $this->thread->add(...$needs);
            $to = $this->at($of->id, $of->at($step->place));
            $period = $this->period($of);
            $way = $period === 0 ? $to : "drive_position({$m}) + way_round(drive_position({$m}), {$to}, {$period}, ".($of->isOneWay() ? 'true' : 'false').')';
            $this->keepsPace($step, $m, $t, "is_there({$m})", [new Does("send_motion({$m}, {$way}, aim[{$t}])")], []);
            $this->isAt($of->id, $to);
            $this->thread->add($this->thread->goes($end));
            $this->thread->begin($onto);
        }
        if ($switch === null) {
            $this->fails();
        } else {
            $up = $switch->direction() > 0;
            $this->keepsPace($step, $m, $t, $this->asked->input($switch->id), [new Does("push_motion({$m}, ".($up ? '1' : '(-1)').", aim[{$t}])")],
                ! $up && $of->isOneWay() ? $this->failing() : []);
            $this->stops($of->id);
            $this->found($of->id, $step->place);
        }
        $this->thread->add($this->thread->goes($end));
        $this->thread->begin($end);
    }

    /**
     * Ordered once, and again whenever the knob says another speed, until it is there.
     *
     * @param  list<Does>  $orders
     * @param  list<\Brookstone\Core\Code\Line>  $before  instead of the first order, where it cannot be
     */
    private function keepsPace(PaceStep $step, string $m, int $t, string $until, array $orders, array $before): void
    {
        $speed = new Set("aim[{$t}]", 'scaled(share['.$t.'], '.(Roster::speed($step->speed) - Roster::speed($step->slowest)).', '.self::WHOLE.') + '
            .Roster::speed($step->slowest));
        $tells = [new When("off[{$m}]", $this->failing()), new Set("aim_by[{$t}]", "aim[{$t}]"), ...$orders];
        $this->hears($step->sensor, $step->low, $step->high, $m, $t);
        $this->thread->add($speed, ...[...$before, ...$tells]);
        $top = $this->thread->opens();
        $there = $this->thread->label();
        $this->thread->add(new When($until, [$this->thread->goes($there)]), ...$this->giveUp($step->give_up_s));
        $this->hears($step->sensor, $step->low, $step->high, $m, $t);
        $this->thread->add($speed, new When("distance_of(aim[{$t}] - aim_by[{$t}]) >= ".(int) round(Stick::STEP * Roster::SPEED), $tells),
            $this->thread->rests($top));
        $this->thread->begin($there);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\When;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Routine\Moves;

/** How routines that move something are written down: the same questions and orders, in the same order, as the simulated controller asks and gives. */
trait WritesMoves
{
    private const LONGEST_CHANGE_S = 10.0; // until a servo must have moved the selector

    private function motionOf(string $motion): Motion
    {
        return $this->build()->motions[$motion];
    }

    /** After so far it comes round; 0 of what does not. */
    private function period(Motion $motion): int
    {
        return $motion->period() === null ? 0 : $this->roster->position($motion->id, $motion->period());
    }

    private function at(string $motion, float $own): string
    {
        return Asked::literal($this->roster->position($motion, $own));
    }

    /** Nothing goes while its power is off. */
    private function mayMove(string $m): void
    {
        $this->thread->add(new When("off[{$m}]", $this->failing()));
    }

    private function sends(string $motion, string $to, float $speed): void
    {
        $m = $this->touches($motion);
        $this->mayMove($m);
        $this->thread->add(new Does("send_motion({$m}, {$to}, ".Roster::speed($speed).')'));
    }

    private function drives(string $motion, int $direction, float $speed): void
    {
        $of = $this->motionOf($motion);
        if ($of->drive === null) {
            throw CannotBeWritten::because("motions.{$this->build()->indexOf($motion)}", "{$of->named()} has no drive yet.");
        }
        $m = $this->touches($motion);
        if ($direction < 0 && $of->isOneWay() && $this->roster->groupOf($motion) === null) {
            $this->thread->add(...$this->failing());
            $this->thread->begin($this->thread->label());

            return;
        }
        if ($of->positioning->isAbsolute()) {
            $this->sends($motion, $this->at($motion, $of->range()[$direction > 0 ? 1 : 0]), $speed);

            return;
        }
        $this->mayMove($m);
        $g = $this->roster->groupOf($motion);
        if ($g !== null) { // claimed when it is ordered
            $this->thread->add(new When("(turned_by[{$g}] != 0) && (turned_by[{$g}] != {$m} + 1)", $this->failing()), new Set("turned_by[{$g}]", "{$m} + 1"));
        }
        $this->thread->add(new Does("push_motion({$m}, ".($direction > 0 ? '1' : '(-1)').', '.Roster::speed($speed).')'));
    }

    public function pushes(Moves $step, int $direction): void
    {
        $this->marks();
        $this->drives($step->motion(), $direction, $step->speed());
    }

    public function halts(string $motion, string $how): void
    {
        $m = $this->touches($motion);
        $this->thread->add(new Does("stop_motion({$m}, ".strtoupper($how).')'), new Set($this->thread->since(), 'now'));
        $this->thread->waits("is_still({$m}) || passed({$this->thread->since()}, 1000)");
    }

    /** As a controller stops what it has moved: as the stops of the motion have it. */
    private function stops(string $motion): void
    {
        $this->halts($motion, $this->motionOf($motion)->stops->brakes ? 'brake' : 'coast');
    }

    private function found(string $motion, string $place): void
    {
        $this->thread->add(new Does('found('.$this->roster->number('MOTION', $motion).", {$this->at($motion, $this->motionOf($motion)->at($place))})"));
    }

    private function isAt(string $motion, string $at): void
    {
        $this->thread->add(new Does('is_at('.$this->roster->number('MOTION', $motion).", {$at})"));
    }

    public function comes(string $motion, ?string $place): void
    {
        $place === null ? $this->thread->add(new Does('leaves('.$this->roster->number('MOTION', $motion).')')) : $this->found($motion, $place);
    }

    public function ontoSwitch(Moves $step, ?LimitSwitch $switch): void
    {
        if ($switch === null) {
            $this->fails();

            return;
        }
        $this->marks();
        $this->drives($step->motion(), $switch->direction(), $step->speed());
        $this->thread->waits($this->asked->input($switch->id), $this->giveUp($step->giveUp_s()));
        $this->stops($step->motion());
        $this->found($step->motion(), $switch->place);
    }

    private function arrives(Moves $step): void
    {
        $this->thread->waits('is_there('.$this->roster->number('MOTION', $step->motion()).')', $this->giveUp($step->giveUp_s()));
    }

    public function goesTo(Moves $step, string $place): void
    {
        $of = $this->motionOf($step->motion());
        $to = $this->at($of->id, $of->at($place));
        $m = $this->touches($of->id);
        if ($of->positioning->isAbsolute()) {
            $this->marks();
            $this->sends($of->id, $to, $step->speed());
            $this->arrives($step);
            $this->isAt($of->id, $to);

            return;
        }
        $switch = $of->positioning->switchEnding($place);
        $end = $this->thread->label();
        if ($of->positioning->countsSteps()) {
            $this->goesBySteps($step, $of, $m, $to, $end);
        }
        $switch !== null ? $this->ontoSwitch($step, $switch) : $this->goesFrom($step, $of, $m, $of->at($place));
        $this->thread->add($this->thread->goes($end));
        $this->thread->begin($end);
    }

    /** What counts its steps and was homed is sent there; anything else goes on below. */
    private function goesBySteps(Moves $step, Motion $of, string $m, string $to, int $end): void
    {
        $unknown = $this->thread->label();
        $this->thread->add(...($of->turnsAnywhere() ? [] : [new When("!counted[{$m}]", [$this->thread->goes($unknown)])]), ...[
            new Set($this->thread->since(), 'now')]);
        $period = $this->period($of);
        $this->sends($of->id, $period === 0 ? $to : "drive_position({$m}) + way_round(drive_position({$m}), {$to}, {$period}, ".($of->isOneWay() ? 'true'
            : 'false')
            .')', $step->speed());
        $this->arrives($step);
        $this->isAt($of->id, $to);
        $this->thread->add($this->thread->goes($end));
        $this->thread->begin($unknown);
    }

    /** By its pulses, or by the time of the move from where it should be. */
    private function goesFrom(Moves $step, Motion $of, string $m, float $to): void
    {
        $counts = $of->positioning->countsPulses();
        if ($of->positioning->countsSteps()) {
            $this->fails();

            return;
        }
        if ($counts) {
            $from = $this->thread->label();
            $this->thread->add(new When("!counted[{$m}]", [$this->thread->goes($from)]));
            $at = $this->at($of->id, $to);
            $period = $this->period($of);
            $this->countsPulses($step, $of, $m, $period === 0 ? "{$at} - drive_position({$m})" : "way_round(drive_position({$m}), {$at}, {$period}, true)",
                $to);
            $this->isAt($of->id, $at);
            $end = $this->thread->label();
            $this->thread->add($this->thread->goes($end));
            $this->thread->begin($from);
            $this->goesByTime($step, $of, $m, fn (float $from): float => $of->distance($from, $to));
            $this->isAt($of->id, $at);
            $this->thread->add($this->thread->goes($end));
            $this->thread->begin($end);

            return;
        }
        $this->goesByTime($step, $of, $m, fn (float $from): float => $of->distance($from, $to));
        $this->isAt($of->id, $this->at($of->id, $to));
    }

    /** Told to stop early by what it runs on at the speed that it has. @param  string  $by  a way, as an expression */
    private function countsPulses(Moves $step, Motion $of, string $m, string $by, float $to): void
    {
        $t = $this->thread->number;
        $this->marks();
        $this->thread->add(new Set("aim_by[{$t}]", $by), new Set("aim[{$t}]", "drive_position({$m}) + aim_by[{$t}]"));
        $stop = $this->thread->label();
        foreach ([[1, '>'], [-1, '<']] as [$way, $sign]) {
            $after = $this->thread->label();
            $go = $this->thread->label();
            $this->thread->add(new When("aim_by[{$t}] {$sign} 0", [$this->thread->goes($go)]), $this->thread->goes($after));
            $this->thread->begin($go);
            $this->drives($of->id, $way, $step->speed());
            $left = $way > 0 ? "aim[{$t}] - drive_position({$m})" : "drive_position({$m}) - aim[{$t}]";
            $speed = $way > 0 ? "drive_speed({$m})" : "0 - drive_speed({$m})";
            $this->thread->waits("{$left} <= runs_on({$speed}, {$this->times->runsOn($of, $to, $way, $step->speed())})", $this->giveUp($step->giveUp_s()));
            $this->thread->add($this->thread->goes($stop));
            $this->thread->begin($after);
        }
        $this->thread->add($this->thread->goes($stop));
        $this->thread->begin($stop);
        $this->stops($of->id);
    }

    /**
     * From wherever it may stand, for as long as that takes.
     *
     * @param  \Closure(float): float  $distance  own unit, from there
     * @param  float|null  $always  it is as it is here wherever it stands
     */
    private function goesByTime(Moves $step, Motion $of, string $m, \Closure $distance, ?float $always = null): void
    {
        $this->thread->add(...($always === null ? [new When("!known[{$m}]", $this->failing())] : []));
        $this->marks();
        $t = $this->thread->number;
        [$stop, $end] = [$this->thread->label(), $this->thread->label()];
        $give = Roster::ms($step->giveUp_s() ?? 0.0);
        foreach ($always === null ? $this->times->positions($of) : [$always] as $from) {
            $by = $distance($from);
            $next = $this->thread->label();
            $is = $this->thread->label();
            $this->thread->add(...($always === null ? [new When("is_same(stands[{$m}], {$this->at($of->id, $from)}, {$this->period($of)}, 0)",
                [$this->thread->goes($is)]), $this->thread->goes($next)]
                : [$this->thread->goes($is)]));
            $this->thread->begin($is);
            $time = abs($by) < 1e-12 ? 0 : $this->times->ms($of, $from, $from + $by, $step->speed());
            if ($time === 0) {
                $this->thread->add($this->thread->goes($end));
            } elseif ($time === null) {
                $this->thread->add(...$this->failing());
            } else {
                $this->drives($of->id, $by <=> 0.0, $step->speed());
                $this->thread->add(new Set("span[{$t}]", (string) $time), $this->thread->goes($stop));
            }
            $this->thread->begin($next);
        }
        $this->thread->add(...$this->failing());
        $this->thread->begin($stop);
        $this->thread->waits("passed({$this->thread->since()}, span[{$t}])", $give === 0 ? [] : $this->giveUp($step->giveUp_s()));
        $this->stops($of->id);
        $this->thread->add($this->thread->goes($end));
        $this->thread->begin($end);
    }

    public function goesBy(Moves $step, float $by): void
    {
        $of = $this->motionOf($step->motion());
        $m = $this->touches($of->id);
        $t = $this->thread->number;
        $way = $this->at($of->id, $by);
        if ($by < 0.0 && $of->isOneWay()) {
            $this->fails();

            return;
        }
        $turns = $of->task->keeps_turning;
        $known = match (true) {
            $of->positioning->isAbsolute(), $of->positioning->countsSteps() && $of->turnsAnywhere() => 'true',
            $of->positioning->isTimed() => "known[{$m}]",
            default => "(known[{$m}] || counted[{$m}])",
        };
        $believes = "believes({$m}, ".($of->positioning->isAbsolute() ? 'false' : 'true').')';
        $this->thread->add(...($turns || $known === 'true' ? [] : [new When("!{$known}", $this->failing())]));
        $this->thread->add(new When($known, [new Set("set_off[{$t}]", $believes), new Set("has_set_off[{$t}]", 'true')], [new Set("has_set_off[{$t}]",
            'false')]));
        if ($of->positioning->isAbsolute() || $of->positioning->countsSteps()) {
            $this->marks();
            $this->thread->add(...($turns || $of->positioning->isAbsolute() ? [] : [new When("!counted[{$m}]", $this->failing())]));
            $this->sends($of->id, "{$believes} + {$way}", $step->speed());
            $this->arrives($step);
        } elseif ($of->positioning->countsPulses()) {
            $this->countsPulses($step, $of, $m, $way, $of->at($of->task->from) + $by);
        } else {
            $this->goesByTime($step, $of, $m, fn (float $from): float => $by, $turns ? $of->at($of->task->from) : null);
        }
        $this->thread->add(new When("has_set_off[{$t}]", [new Does("is_at({$m}, set_off[{$t}] + {$way})")], [new Does("leaves({$m})")]));
    }

    public function powers(array $motions, bool $on): void
    {
        foreach ($motions as $motion) {
            $this->thread->add(new Does('power_motion('.$this->roster->number('MOTION', $motion).', '.($on ? 'true' : 'false').')'));
        }
        $this->marks();
    }

    public function takes(string $motion, ?string $thing): void
    {
        $m = $this->roster->number('MOTION', $motion);
        $this->thread->add(new Does("drive_takes({$m}, ".($thing === null ? '255' : $this->roster->number('THING', $thing)).')'));
    }

    public function changesOver(string $motion, float $takes_s): void
    {
        $m = $this->touches($motion);
        $group = $this->build()->motorGroups[$motion] ?? null;
        foreach ($group->members ?? [] as $member) {
            $this->thread->add(new When('drive_moving('.$this->roster->number('MOTION', $member).')', $this->failing()));
        }
        $this->thread->add(new Does("drive_couples({$m}, false)"));
        $servo = $group?->servo();
        if ($group !== null && $servo !== null) {
            $at = $this->build()->motions[$servo]->at((string) $group->couplesAt($motion));
            $this->sends($servo, $this->at($servo, $at), 1.0);
        }
        $this->marks();
        $done = "passed({$this->thread->since()}, ".Roster::ms($takes_s).')';
        $this->thread->waits($servo === null ? $done : "{$done} && is_there(".$this->roster->number('MOTION', $servo).')',
            $this->giveUp(max($takes_s, self::LONGEST_CHANGE_S)));
        $this->thread->add(new Does("drive_couples({$m}, true)"));
    }
}

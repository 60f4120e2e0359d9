<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\When;
use Brookstone\Core\Routine\CalibrateStep;

/** How a threshold is set, written down: `aim` and `aim_by` are the two readings, or the least and the most. */
trait WritesCalibrating
{
    /** @var array<string, int> number of each sensor whose threshold can be set */
    public array $calibrated = [];

    public function calibrates(CalibrateStep $step): void
    {
        $k = $this->calibrated[$step->sensor] ??= count($this->calibrated);
        $t = $this->thread->number;
        $level = 'drive_level('.$this->roster->number('LEVEL', $step->sensor).')';
        if ($step->button === null) {
            $this->watches($step, $level, $t);
        } else {
            $this->means($step, $this->asked->input($step->button), $level, "aim[{$t}]", $t);
            $this->means($step, $this->asked->input($step->button), $level, "aim_by[{$t}]", $t);
        }
        $whole = (int) round(1 / CalibrateStep::AWAY);
        $this->thread->add(
            new Set("share[{$t}]", "distance_of(aim_by[{$t}] - aim[{$t}])"),
            new When("share[{$t}] < ".(int) round($step->gap * Roster::READING), $this->failing()),
            new Set("lower[{$k}]", "aim[{$t}] + (scaled(aim_by[{$t}] - aim[{$t}], 1, 2)) - scaled(share[{$t}], 1, {$whole})"),
            new Set("upper[{$k}]", "lower[{$k}] + 2 * scaled(share[{$t}], 1, {$whole})"),
        );
    }

    /** The least and the most for a while. */
    private function watches(CalibrateStep $step, string $level, int $t): void
    {
        $thread = $this->thread;
        $this->marks();
        $thread->add(new Set("aim[{$t}]", $level), new Set("aim_by[{$t}]", "aim[{$t}]"));
        $top = $thread->opens();
        [$again, $end] = [$thread->label(), $thread->label()];
        $thread->add(new When("passed({$thread->since()}, ".Roster::ms($step->for_s).')', [$thread->goes($end)]), $thread->rests($again));
        $thread->begin($again);
        $thread->add(new Set("share[{$t}]", $level), new When("share[{$t}] < aim[{$t}]", [new Set("aim[{$t}]", "share[{$t}]")]),
            new When("share[{$t}] > aim_by[{$t}]", [new Set("aim_by[{$t}]", "share[{$t}]")]), $thread->goes($top));
        $thread->begin($end);
    }

    /** The mean of some readings, once the button is let go and pressed. */
    private function means(CalibrateStep $step, string $button, string $level, string $mean, int $t): void
    {
        $thread = $this->thread;
        $this->marks();
        $thread->waits("!{$button}", $this->giveUp($step->give_up_s));
        $thread->waits($button, $this->giveUp($step->give_up_s));
        $thread->add(new Set("span[{$t}]", '0'), new Set($mean, '0'));
        $top = $thread->opens();
        $end = $thread->label();
        $thread->add(new When("span[{$t}] >= ".CalibrateStep::READINGS, [$thread->goes($end)]),
            new Set($mean, "{$mean} + scaled({$level}, 1, ".CalibrateStep::READINGS.')'), new Set("span[{$t}]", "span[{$t}] + 1"),
            new Set('soonest', '0'), $thread->rests($top));
        $thread->begin($end);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rehearsal\Day;
use Brookstone\Core\Wiring\BoardStock;

/** Whether everything is wired to what can do it, and fed by what bears it: of each motion, and of the build as a whole. */
final readonly class WiringJudge
{
    private WiringContext $on;

    /**
     * @param  array<string, MotionInBuild>  $subjects  by motion
     * @param  Day|null  $day  of the rehearsals, where they have been run
     */
    public function __construct(Build $build, array $subjects, BoardStock $stock, ?Day $day, bool $proposes)
    {
        $this->on = new WiringContext($build, $subjects, $stock, $proposes);
        (new AirRules($this->on, $day))->check();
        if ($build->wiring->isEmpty()) {
            return; // nobody has begun to wire it
        }
        (new PinRules($this->on))->check();
        (new DriverRules($this->on))->check();
        (new WireRules($this->on))->check();
        (new SignalRules($this->on))->check();
        (new SupplyRules($this->on, $day))->check();
    }

    public function link(MotionInBuild $subject): Link
    {
        $motion = $subject->motion;
        $findings = $this->on->of($motion->id);
        if ($motion->drive === null) {
            return Link::notSaid('wiring', 'follows from the drive', $findings);
        }
        if ($this->on->plan->isEmpty()) {
            return Link::notSaid('wiring', 'not wired yet');
        }
        [$figure, $about] = $this->figure($subject);

        return Link::of('wiring', $figure, $about, $findings);
    }

    /** @return list<Finding> of the build as a whole */
    public function findings(): array
    {
        $findings = $this->on->of(null);
        usort($findings, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());

        return $findings;
    }

    /** @return array<string, mixed> as Schemas has it */
    public function written(): array
    {
        $plan = $this->on->plan;
        $findings = $this->findings();

        return ['verdict' => ($plan->isEmpty() && $findings === [] ? Verdict::NotSaid : Verdict::ofFindings($findings))->value, 'findings' => $findings,
            'counts' => new Sentence(Counted::words($this->on->needs) ?? 'Nothing needs a pin yet'),
            'boards' => count($plan->boards), 'wires' => count($plan->joins)];
    }

    /** @return array{Sentence, Sentence} what its channel bears or what arrives of its volts, whichever is nearer to its limit */
    private function figure(MotionInBuild $subject): array
    {
        $drive = $subject->motion->drive;
        assert($drive !== null);
        $owner = $this->on->build->motorGroups[$subject->motion->id]->members[0] ?? $subject->motion->id;
        $join = $this->on->plan->bySignal["motions.{$owner}"] ?? null;
        $board = $join === null ? null : $this->on->boardAt($join);
        if ($join === null || $board === null || $this->on->pinAt($join) === null) {
            return [new Sentence('no pin'), new Sentence('it is wired to nothing')];
        }
        $load = $this->on->load($join->signal);
        $volts = $drive->supply->volts_V;
        $arrives = $drive->arrives_V() - $drive->lead_ohm * $drive->line()->stall_A;
        $at = "{$board->named()} {$join->pin}";
        if ($load !== null && $board->board->kind->drives() && $load->starts_A / $board->board->peak_A >= ($volts - $arrives) / $volts / self::LOST) {
            return [new Sentence('{starts}', ['starts' => Quantity::of($load->starts_A, 'A')]),
                new Sentence("of the {peak} that {$at} bears for a start", ['peak' => Quantity::of($board->board->peak_A, 'A')])];
        }

        return [new Sentence('{arrives}', ['arrives' => Quantity::of($arrives, 'V')]), new Sentence("of {volts} arrive from {$at} when it starts",
            ['volts' => Quantity::of($volts, 'V')])];
    }

    private const LOST = 0.1; // of the volts: as much as a channel at its limit
}

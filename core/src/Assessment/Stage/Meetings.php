<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\Nearest;
use Brookstone\Core\Machine\Piece;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** What meets what: each motion over all of its travel, with its play and what it runs on, and two of them in whatever order. */
final readonly class Meetings
{
    private Clearance $clearance;

    /** @param  array<string, MotionInBuild>  $subjects */
    public function __construct(private Build $build, private array $subjects)
    {
        $this->clearance = Clearance::of($build->stage);
    }

    /** @return array<string, Finding> what touches or comes near by the pair that does, and where hands can be */
    public function findings(): array
    {
        $findings = [];
        foreach ($this->build->stage->motions as $id => $motion) {
            $range = $this->reaches($motion);
            $alone = fn (Piece $one, Piece $other): bool => Clearance::joints($one, $other) === [$id];
            foreach ($this->clearance->over($id, $range, [], $this->build->settings->clear_m - Clearance::NEITHER_M, only: $alone) as $nearest) {
                $findings[$nearest->pair()] = $this->meets($motion, $nearest);
            }
            foreach ($this->clearance->over($id, $range, [], $this->build->settings->hands_m - Clearance::NEITHER_M, toHands: true) as $nearest) {
                $findings["hands {$nearest->pair()}"] = $this->pinches($nearest);
            }
        }

        return $findings;
    }

    /**
     * How far it gets, its own unit: to the outermost of its places, on by what it runs past its switches, and by half of its play; no further than its hard
     * stops.
     *
     * @return array{float, float}
     */
    private function reaches(Motion $motion): array
    {
        $period = $motion->period() ?? ($motion->turnsAnywhere() ? 360.0 : null);
        if ($period !== null) {
            return [0.0, $period];
        }
        [$low, $high] = $motion->range();
        $facts = $this->subjects[$motion->id]->facts;
        foreach ($motion->stops->switches as $switch) {
            $on = $facts->runOn($switch, $this->build->settings)->distance ?? 0.0;
            $switch->direction() > 0 ? $high = max($high, $switch->at + $on) : $low = min($low, $switch->at - $on);
        }
        $play = self::play($motion) / 2;

        return [max($motion->stops->hard_low ?? -INF, $low) - $play, min($motion->stops->hard_high ?? INF, $high) + $play];
    }

    /** Of its train, at what it moves, its own unit. */
    public static function play(Motion $motion): float
    {
        return $motion->unit()->fromSi($motion->laidTrain()->backlash_deg() * Constants::RAD_PER_DEG * $motion->mechanism->travelPerRad());
    }

    private function meets(Motion $motion, Nearest $nearest): Finding
    {
        $where = $nearest->where();
        $says = "{$nearest->one->named()} ";
        $fixes = $this->subjects[$motion->id]->proposals(fn (): array => (new MakeRoom($this->build, $this->clearance))->between($nearest,
            $this->reaches(...)));

        return $nearest->gap_m <= 0.0
            ? new Finding('stage.touches', Severity::Fails, $this->place($nearest), new Sentence(
                "{$says}touches {$nearest->other->named()}{$where->template}.", $where->values), $fixes)
            : new Finding('stage.near', Severity::Tight, $this->place($nearest), new Sentence(
                "{$says}comes within {gap} of {$nearest->other->named()}{$where->template}; {asked} is asked for.",
                ['gap' => Quantity::of($nearest->gap_m, 'm'), 'asked' => Quantity::of($this->build->settings->clear_m, 'm')] + $where->values), $fixes);
    }

    private function pinches(Nearest $nearest): Finding
    {
        $where = $nearest->where();
        $hands = Quantity::of($this->build->settings->hands_m, 'm');

        return new Finding('stage.pinches', Severity::Tight, $this->place($nearest), $nearest->gap_m <= 0.0
            ? new Sentence("{$nearest->one->named()} sweeps through {$nearest->other->named()}, where hands can be{$where->template}.", $where->values)
            : new Sentence("{$nearest->one->named()} closes to {gap} of {$nearest->other->named()}, where hands can be{$where->template}: under {hands} it pinches.",
                ['gap' => Quantity::of($nearest->gap_m, 'm'), 'hands' => $hands] + $where->values));
    }

    /** Where it is mended first: the thing that stands there, else the body that is moved. */
    private function place(Nearest $nearest): string
    {
        foreach ([$nearest->other, $nearest->one] as $piece) {
            if ($piece->driveOf !== null) {
                return "motions.{$this->build->indexOf($piece->driveOf)}.mount.drive_side";
            }
            if ($piece->of === null) {
                return 'things.'.array_search($piece->body->id, array_column($this->build->document['things'], 'id'), true);
            }
        }
        $of = $nearest->one->of ?? throw new \LogicException('Two things that stand do not meet.');
        $i = $this->build->indexOf($of->id);

        return "motions.{$i}.bodies.".array_search($nearest->one->body->id, array_column($this->build->document['motions'][$i]['bodies'], 'id'), true);
    }
}

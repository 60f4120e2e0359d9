<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Repair;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Wiring\PlacedBoard;

/** What can be done about a supply that gives too little. */
final class SupplyMends
{
    private const RAMP_S = 0.3;

    private const CAPACITORS_UF = [1000.0, 4700.0, 22_000.0];

    private const USUAL_V = [5.0, 9.0, 6.0, 3.3, 12.0];

    public const SPARE = 1.25; // what is asked of it is then four fifths of what it gives

    /** @return list<Fix> one of the others of the build */
    public static function otherSupply(MotionInBuild $subject): array
    {
        $drive = $subject->motion->drive ?? throw new \LogicException('No drive.');
        foreach ($subject->build->supplies as $supply) {
            $choice = $drive->but(['supply' => $supply]);
            if ($supply->id !== $drive->supply->id && $choice->fit() === SupplyFit::Fits && $choice->startsWith_A() <= $supply->max_A) {
                return [new Fix(
                    new Sentence("Feed it from {$supply->named()}, {volts}", ['volts' => Quantity::of($supply->volts_V, 'V')]),
                    [new Change($subject->path.'.drive.supply', $supply->id)],
                )];
            }
        }

        return [];
    }

    /** @return list<Fix> the same supply in a stronger make, for a current that is asked of it, A, and for each start of what it feeds */
    public static function stronger(Build $build, Supply $supply, float $asked_A): array
    {
        foreach ($build->motions as $motion) {
            $asked_A = $motion->drive?->supply->id === $supply->id ? max($asked_A, $motion->drive->startsWith_A()) : $asked_A;
        }
        $gives = Format::roundedUp($asked_A * self::SPARE);

        return $gives <= $supply->max_A ? [] : [new Fix(
            new Sentence("Take a supply for {$supply->named()} that gives {gives}, instead of {gave}",
                ['gives' => Quantity::of($gives, 'A'), 'gave' => Quantity::of($supply->max_A, 'A')]),
            [new Change('supplies.'.array_search($supply->id, array_keys($build->supplies), true).'.max_A', $gives)],
        )];
    }

    /**
     * Gear motors that start at once with full command, softly instead.
     *
     * @param  array<int|string, Motion>  $motions
     * @return list<Fix>
     */
    public static function softly(Build $build, Supply $supply, array $motions): array
    {
        $hard = array_filter($motions, fn (Motion $motion): bool => $motion->drive?->motor instanceof DcMotor && $motion->drive->ramp_s <= 0.0
            && $motion->drive->supply->id === $supply->id);
        $names = Sentence::listed(array_values(array_map(fn (Motion $motion): string => $motion->named(), $hard)));

        return $hard === [] ? [] : [new Fix(
            new Sentence("Start {$names} softly: from nothing to full command over {ramp}", ['ramp' => Quantity::of(self::RAMP_S, 's')]),
            array_map(fn (Motion $motion): Change => new Change('motions.'.$build->indexOf($motion->id).'.drive.ramp_s', self::RAMP_S), array_values($hard)),
        )];
    }

    /**
     * A controller that its supply leaves alone for a moment: a capacitor that bridges it, a supply that drives nothing, motors that start softly, a stronger
     * supply. Which of them does is tried.
     *
     * @param  array<int|string, Motion>  $motions  that were moved
     * @return list<Fix>
     */
    public static function keepsController(Build $build, array $motions): array
    {
        $controller = $build->wiring->controller() ?? throw new \LogicException('No controller.');
        $supply = $build->supplies[$controller->supply];
        $path = 'supplies.'.array_search($supply->id, array_keys($build->supplies), true);
        $at = 'wiring.boards.'.array_search($controller->id, array_keys($build->wiring->boards), true);
        $fixes = [];
        foreach (self::CAPACITORS_UF as $size) {
            if ($size > $supply->capacitor_uF) {
                $fixes[] = new Fix(new Sentence("Put a capacitor of {size} across {$supply->named()}", ['size' => Quantity::of($size, 'µF')]),
                    [new Change("{$path}.capacitor_uF", $size)]);
            }
        }
        foreach ($build->supplies as $other) {
            if ($other->id !== $supply->id && $other->staysWithin($controller->board->low_V, $controller->board->high_V)) {
                $fixes[] = new Fix(new Sentence("Feed {$controller->named()} from {$other->named()}"), [new Change("{$at}.supply", $other->id)]);
            }
        }

        return [...self::softly($build, $supply, $motions), ...$fixes, self::ownSupply($build, $controller), ...self::stronger($build, $supply,
            $supply->max_A * self::SPARE)];
    }

    /** @return list<Fix> a supply of the build that fits a board, or one of its own */
    public static function forBoard(Build $build, PlacedBoard $board): array
    {
        $at = 'wiring.boards.'.array_search($board->id, array_keys($build->wiring->boards), true);
        foreach ($build->supplies as $other) {
            if ($other->staysWithin($board->board->low_V, $board->board->high_V)) {
                return [new Fix(new Sentence("Feed {$board->named()} from {$other->named()}"), [new Change("{$at}.supply", $other->id)])];
            }
        }

        return [self::ownSupply($build, $board)];
    }

    private static function ownSupply(Build $build, PlacedBoard $board): Fix
    {
        $at = 'wiring.boards.'.array_search($board->id, array_keys($build->wiring->boards), true);
        for ($i = 1; isset($build->supplies["controller-supply-{$i}"]); $i++);
        $own = ['id' => "controller-supply-{$i}", 'name' => 'Controller supply', 'volts_V' => self::ownVolts($board->board->low_V, $board->board->high_V),
            'max_A' => 1.0];

        return new Fix(new Sentence("Give {$board->named()} a supply of its own, {volts}", ['volts' => Quantity::of($own['volts_V'], 'V')]),
            [new Change('supplies.'.count($build->supplies), $own), new Change("{$at}.supply", $own['id'])]);
    }

    /** The usual voltage of small supplies that lies in a range, else its middle. */
    private static function ownVolts(float $low, float $high): float
    {
        foreach (self::USUAL_V as $volts) {
            if ($volts >= $low && $volts <= $high) {
                return $volts;
            }
        }

        return round(($low + $high) / 2, 1);
    }

    /**
     * @param  float  $day_Ah  that is taken of it in a day, without what it loses by itself
     * @return list<Fix> the same supply with as much charge as that asks for; none where it loses more by itself than can be had of it
     */
    public static function largerBattery(Build $build, Supply $supply, float $day_Ah, float $days): array
    {
        $left = $supply->usable() - $days * $supply->loses_Ah_day() / (float) $supply->capacity_Ah;
        if ($left <= 0.0) {
            return [];
        }
        $larger = Format::roundedUp($day_Ah * $days / $left);

        return [new Fix(new Sentence("Feed {$supply->named()} from a battery of {charge}", ['charge' => Quantity::of($larger, 'Ah')]),
            [new Change('supplies.'.array_search($supply->id, array_keys($build->supplies), true).'.capacity_Ah', $larger)])];
    }
}

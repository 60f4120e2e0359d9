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
use Brookstone\Core\Quantity\Quantity;

/** What can be done about a supply that gives too little. */
final class SupplyMends
{
    private const RAMP_S = 0.3;

    private const SPARE = 1.25; // what is asked of it is then four fifths of what it gives

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
        $gives = self::roundedUp($asked_A * self::SPARE);

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
        $names = implode(' and ', array_map(fn (Motion $motion): string => $motion->named(), $hard));

        return $hard === [] ? [] : [new Fix(
            new Sentence("Start {$names} softly: from nothing to full command over {ramp}", ['ramp' => Quantity::of(self::RAMP_S, 's')]),
            array_map(fn (Motion $motion): Change => new Change('motions.'.$build->indexOf($motion->id).'.drive.ramp_s', self::RAMP_S), array_values($hard)),
        )];
    }

    /** @return list<Fix> the same supply with as much charge as is asked of it, Ah */
    public static function largerBattery(Build $build, Supply $supply, float $charge_Ah): array
    {
        $larger = self::roundedUp($charge_Ah);

        return [new Fix(new Sentence("Feed {$supply->named()} from a battery of {charge}", ['charge' => Quantity::of($larger, 'Ah')]),
            [new Change('supplies.'.array_search($supply->id, array_keys($build->supplies), true).'.capacity_Ah', $larger)])];
    }

    /** To two figures. */
    private static function roundedUp(float $value): float
    {
        $digit = 10 ** (floor(log10($value)) - 1);

        return round(ceil($value / $digit * (1 - 1e-9)) * $digit, 6);
    }
}

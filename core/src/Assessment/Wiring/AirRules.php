<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\AirTank;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rehearsal\Day;

/** Where the air of cylinders comes from, and whether it lasts. */
final readonly class AirRules
{
    private const REST = 0.5; // of the time: what small compressors bear to run

    private const FEW = 5.0; // runs one after another

    private const TANK_L = 5.0;

    private const OVER_BAR = [1.0, 3.0]; // what is set: where a compressor usually starts and stops

    private const L_MIN = 25.0;

    private const SPARE = 1.25;

    private const MOST_L_MIN = 1e4;

    private const MOST_L = 1000.0;

    public function __construct(private WiringContext $on, private ?Day $day)
    {
    }

    public function check(): void
    {
        foreach (array_values($this->on->build->motions) as $i => $motion) {
            $drive = $motion->drive;
            $cylinder = $drive?->one;
            if ($drive === null || $drive->shares !== null || ! $cylinder instanceof AirCylinder) {
                continue;
            }
            if ($drive->air === null) {
                $this->on->find('air.none', Severity::Tight, "motions.{$i}.drive.motor", "{$motion->named()} is pushed by air at {set}, and nothing says where that comes from: it is reckoned with as if it never ran short.",
                    ['set' => Quantity::of($cylinder->pressure_bar, 'bar')], fn (): array => $this->tank($cylinder));
            } elseif ($cylinder->pressure_bar > $drive->air->low_bar * (1 + Constants::TIE)) {
                $this->on->find('air.set_over', Severity::Note, "motions.{$i}.drive.motor.pressure_bar", "The regulator of {$motion->named()} is set to {set}, and {$drive->air->named()} may fall to {low}: it is reckoned with that.",
                    ['set' => Quantity::of($cylinder->pressure_bar, 'bar'), 'low' => Quantity::of($drive->air->low_bar, 'bar')], fn (): array => []);
            }
        }
        foreach ($this->day === null ? [] : array_values($this->on->build->tanks) as $i => $tank) {
            $this->lasts($tank, "tanks.{$i}");
        }
    }

    /** @return list<Fix> */
    private function tank(AirCylinder $cylinder): array
    {
        [$low, $high] = array_map(fn (float $over): float => $cylinder->pressure_bar + $over, self::OVER_BAR);

        return [new Fix(new Sentence('Feed it from a tank of {tank}, filled to {high} by a compressor of {gives}', ['tank' => Quantity::of(self::TANK_L, 'l'),
            'high' => Quantity::of($high, 'bar'), 'gives' => Quantity::of(self::L_MIN, 'l/min')]), [new Change('tanks.0', ['id' => 'air', 'name' => 'Air',
                'tank_l' => self::TANK_L, 'high_bar' => $high, 'low_bar' => $low, 'compressor_l_min' => self::L_MIN, 'compressor_A' => 0.0,
                'supply' => null])])];
    }

    /** What routines take of a tank in a day, and one right after another. */
    private function lasts(AirTank $tank, string $path): void
    {
        $day = $this->day ?? throw new \LogicException('No day.');
        $takes = $day->air_l_min($tank->id);
        $values = ['takes' => Quantity::of($takes, 'l/min'), 'gives' => Quantity::of($tank->compressor_l_min, 'l/min')];
        if ($tank->hasCompressor() && $takes > self::REST * $tank->compressor_l_min * (1 + Constants::TIE)) {
            $isOver = $takes > $tank->compressor_l_min * (1 + Constants::TIE);
            $this->on->find('air.not_kept_up', $isOver ? Severity::Fails : Severity::Tight, "{$path}.compressor_l_min", "Over a day {takes} are taken of {$tank->named()}, and its compressor gives {gives}: ".($isOver ? 'it runs all day and does not keep up.'
                : 'it runs {share} of the time, and small ones bear half.'), $values + ['share' => Quantity::share($takes / $tank->compressor_l_min)],
                fn (): array => $this->larger($path, $takes));
        }
        foreach ($day->breathed($tank->id) as $id => $breathed) {
            $short_l = $breathed->air_l - $tank->compressor_l_min * $breathed->seconds / 60;
            $has_l = $tank->gives_l($tank->high_bar, $tank->low_bar);
            if ($breathed->air_l <= 0.0 || $short_l <= 0.0 || $has_l / $short_l >= self::FEW) {
                continue;
            }
            $refill = $tank->hasCompressor() ? ' Then its compressor needs {refill}.' : '';
            $this->on->find('air.in_a_row', Severity::Note, "{$path}.tank_l", "{$this->on->build->routines[$id]->named()} takes {air} of air: full, {$tank->named()} is good for {runs} of it one right after another.{$refill}",
                ['air' => Quantity::of($breathed->air_l, 'l'), 'runs' => Quantity::number(floor($has_l / $short_l + Constants::TIE)),
                    'refill' => Quantity::of($tank->hasCompressor() ? $has_l / $tank->compressor_l_min * 60 : 0.0, 's')], fn (): array => []);
        }
    }

    /** @return list<Fix> */
    private function larger(string $path, float $takes): array
    {
        $gives = ceil($takes / self::REST * self::SPARE);

        return $gives > self::MOST_L_MIN ? [] : [new Fix(new Sentence('Take a compressor that gives {gives}', ['gives' => Quantity::of($gives, 'l/min')]),
            [new Change("{$path}.compressor_l_min", $gives)])];
    }

    /** @return list<Fix> a tank that holds enough for a routine that takes so much more than its compressor gives meanwhile */
    public static function forRoutine(AirTank $tank, string $path, float $lowest_bar): array
    {
        $holds = ceil($tank->tank_l * ($tank->high_bar - $lowest_bar) / ($tank->high_bar - $tank->low_bar) * self::SPARE);

        return $holds > self::MOST_L ? [] : [new Fix(new Sentence('Take a tank of {holds}', ['holds' => Quantity::of($holds, 'l')]),
            [new Change("{$path}.tank_l", $holds)])];
    }
}

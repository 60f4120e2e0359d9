<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Train;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\AskedFor;
use Brookstone\Core\Train\GearStock;
use Brookstone\Core\Train\Layout;
use Brookstone\Core\Train\Layouts;
use Brookstone\Core\Train\Placer;
use Brookstone\Core\Train\Plate;
use Brookstone\Core\Train\Search;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;

/** Trains for a ratio out of the drawer of gears, each laid out on the plate of the motion, in the order that is asked for. */
final class TrainMaking
{
    public const ORDERS = ['error', 'size', 'parts', 'efficiency', 'slop', 'wear'];

    private const BEYOND = 5;    // that need not stand on the plate

    private const TRIES = 1500; // of laying one of them out

    private const USUAL_PLAY = 0.05; // of the module, at the teeth of a bought gear

    /**
     * @param  string  $direction  `any`, `same` or `reversed`, seen from the drive
     * @param  int|null  $worm_wheel  a worm of one start and a wheel of so many teeth come first, at the drive
     * @param  array{int, int}|null  $belt  pulleys of so many teeth come first
     * @return array{module_mm: float, target: float, rows: list<array<string, mixed>>}
     */
    public static function of(Build $build, Motion $motion, GearStock $stock, float $target_ratio, int $max_stages, ?float $module_mm, string $direction,
        string $order, int $limit, ?int $worm_wheel = null, ?array $belt = null): array
    {
        $module = $module_mm ?? $stock->modules()[0] ?? 1.0;
        $first = match (true) {
            $worm_wheel !== null => [new Stage(StageType::Worm, 1, $worm_wheel, $module, self::USUAL_PLAY * $module, StageType::Worm->usualEfficiency())],
            $belt !== null => [new Stage(StageType::Belt, $belt[0], $belt[1], 2.0 / M_PI)],
            default => [],
        };
        $given = new Train($first);
        $way = ['any' => null, 'same' => 1, 'reversed' => -1][$direction];
        $plate = $motion->layout->plate ?? new Plate;
        $stands = [];
        $allows = function (int $driver, int $driven) use ($stock, $module, $plate, &$stands): bool {
            return $stands[$driver + $driven] ??= Placer::hasHoles(self::fromDrawer(new Stage(StageType::Spur, $driver, $driven, $module), $stock), $plate);
        };
        $search = fn (int $most, ?\Closure $allows): array => Search::best($stock->counts($module), $target_ratio / $given->ratio(), $max_stages, $most,
            $module, $way === null ? null : $way * $given->direction(), $allows);
        // The nearest that stand on the plate, and the nearest of all, so that it is seen what the plate costs.
        $trains = [];
        foreach ([...$search($limit, $allows), ...$search(self::BEYOND, null)] as $train) {
            $trains[json_encode(Stages::write($train))] ??= new Train([...$first, ...array_map(fn (Stage $stage): Stage => self::fromDrawer($stage, $stock),
                $train->stages)]);
        }
        $trains = array_values($trains);
        if ($first !== [] && ($way === null || $given->direction() === $way)) {
            $trains[] = $given;
        }
        $rows = array_map(fn (Train $train): array => self::row($build, $motion, $train, $target_ratio, $plate), $trains);
        usort($rows, fn (array $a, array $b): int => self::key($a, $order) <=> self::key($b, $order));

        return ['module_mm' => $module, 'target' => $target_ratio, 'rows' => $rows];
    }

    /**
     * The ratio for a wanted speed and torque at the load, the drive being known.
     *
     * @throws InvalidInput where there is no drive, or it has not the power
     */
    public static function ratioFor(Motion $motion, float $rpm, float $torque_Nm, int $stages): float
    {
        $line = $motion->drive?->line() ?? throw InvalidInput::at('rpm', 'Choose a drive first: its speed and torque decide.');
        $passes = StageType::Spur->usualEfficiency() ** max(1, $stages);
        $ratio = AskedFor::ratio($line, $rpm * Constants::RAD_S_PER_RPM, $torque_Nm, $passes);

        return $ratio ?? throw InvalidInput::at('torque_Nm',
            sprintf('No ratio gives that with this drive: it makes %.3g W at most, and %.3g W are asked for behind the gears.',
                $line->noLoad_rad_s() * $line->stall_Nm / 4 * $passes, $rpm * Constants::RAD_S_PER_RPM * $torque_Nm));
    }

    private static function fromDrawer(Stage $stage, GearStock $stock): Stage
    {
        [$face, $material] = $stock->leastOf($stage->driver, $stage->module_mm);
        [$otherFace, $otherMaterial] = $stock->leastOf($stage->driven, $stage->module_mm);
        $weaker = $material->allowable_MPa() <= $otherMaterial->allowable_MPa() ? $material : $otherMaterial;

        return new Stage(...['face_mm' => min($face, $otherFace), 'material' => $weaker, 'backlash_mm' => self::USUAL_PLAY * $stage->module_mm]
            + get_object_vars($stage));
    }

    /** @return array<string, mixed> */
    private static function row(Build $build, Motion $motion, Train $train, float $target, Plate $plate): array
    {
        [$layout, $why] = Placer::place($train, $plate, $motion->layout->obstacles ?? [], self::TRIES);
        $laid = $layout?->train($train) ?? $train;
        $path = 'motions.'.$build->indexOf($motion->id);
        $words = implode(' · ', array_map(fn (Stage $stage): string => $stage->type === StageType::Spur ? "{$stage->driver} : {$stage->driven}"
            : "{$stage->type->value} {$stage->driver} : {$stage->driven}", $train->stages));

        return [
            'words' => $words,
            'stages' => Stages::write($train),
            'ratio' => $train->ratio(),
            'error' => Search::error($train->ratio(), $target),
            'gears' => 2 * count($train->stages),
            'efficiency' => $train->efficiency(),
            'slop_deg' => $laid->backlash_deg(),
            'way' => $train->direction(),
            'box_mm' => $layout === null ? [] : self::box($layout, $train),
            'wears' => count(array_filter($train->stages, fn (Stage $stage): bool => $stage->wearsUnevenly())),
            'why_not' => $why,
            'take' => new Fix(
                new Sentence("Take {$words}, a ratio of {ratio} : 1", ['ratio' => Quantity::number($train->ratio())]),
                [new Change("{$path}.train", Stages::write($train)),
                    new Change("{$path}.layout", $layout === null ? null : Layouts::write($layout->like($motion->layout)))],
            ),
        ];
    }

    /** @return array{float, float} width and height of all its wheels */
    private static function box(Layout $layout, Train $train): array
    {
        [$left, $bottom, $right, $top] = $layout->bounds($train);

        return [$right - $left, $top - $bottom];
    }

    /**
     * @param  array<string, mixed>  $row
     * @return list<float|int> smaller is further up; what cannot be laid out comes last
     */
    private static function key(array $row, string $order): array
    {
        $area = $row['box_mm'] === [] ? INF : $row['box_mm'][0] * $row['box_mm'][1];
        $by = match ($order) {
            'size' => $area,
            'parts' => $row['gears'],
            'efficiency' => -$row['efficiency'],
            'slop' => $row['slop_deg'],
            'wear' => $row['wears'],
            default => $row['error'],
        };

        return [$row['box_mm'] === [] ? 1 : 0, $by, $row['error'], $row['gears'], $area];
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\DriveChoice;
use Brookstone\Core\Build\Motion;
use Brookstone\Core\Build\Supply;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Quantity\Quantity;

/**
 * Every drive of the drawer for one motion with the train it has, in order: what holds, then what is tight, then what
 * fails, each with the reason for its place. Among those that hold the quickest comes first; among those that fail the
 * one that misses by least.
 */
final class Ranking
{
    /** @return list<array<string, mixed>> as Shapes::ranking() has it */
    public static function of(Build $build, Motion $motion, ?Supply $supply = null): array
    {
        $rows = [];
        foreach (Drawer::all() as $code => $drive) {
            $on = $supply ?? $motion->drive->supply ?? self::fitting($build, $drive);
            if ($on !== null) {
                $rows[] = self::row($build, $motion, (string) $code, $drive, $on);
            }
        }
        usort($rows, fn (array $a, array $b): int => $a['order'] <=> $b['order']);

        return array_map(fn (array $row, int $i): array => ['place' => $i + 1] + array_diff_key($row, ['order' => null]), $rows, array_keys($rows));
    }

    private static function fitting(Build $build, Drive $drive): ?Supply
    {
        foreach ($build->supplies as $supply) {
            if ($drive->supplyFit($supply->volts_V) === SupplyFit::Fits) {
                return $supply;
            }
        }

        return array_values($build->supplies)[0] ?? null;
    }

    /** @return array<string, mixed> */
    private static function row(Build $build, Motion $motion, string $code, Drive $drive, Supply $supply): array
    {
        $with = $motion->withDrive(new DriveChoice($drive, $supply, 1.0));
        $subject = new Subject($build, $with, new Facts($with));
        $link = (new DriveJudge(mends: false))->judge($subject);
        $margin = $subject->facts->margin();
        $time = $margin === null || $margin > 1.0 ? $subject->facts->time($motion->task->from, $motion->task->to) : null;
        $needs = $subject->facts->atMotor($subject->facts->rms_Nm());
        $current = $drive->line($supply->volts_V, 1.0)->currentAt(min($needs, $drive->line($supply->volts_V, 1.0)->stall_Nm));
        $body = $drive->body();
        $failing = count(array_filter($link->findings, fn (Finding $finding): bool => $finding->severity->value === 'fails'));

        return [
            'code' => $code,
            'series' => $body->series,
            'kind' => $drive->kind(),
            'verdict' => $link->verdict->value,
            'why' => self::why($link, $subject, $time),
            'margin' => $margin,
            'time_s' => $time,
            'current_A' => $current,
            'mass_kg' => $body->mass_kg,
            'holds_unpowered' => $subject->facts->holdsUnpowered_Nm() >= $subject->facts->hold_Nm() * $build->settings->hold_margin,
            'gear_material' => $body->gear_material,
            'supply' => $supply->id,
            'motor' => Drives::write($drive),
            'order' => [$link->verdict->rank(), $link->verdict === Verdict::Fails ? $failing : 0, $link->verdict === Verdict::Fails ? -min($margin ?? INF, 10.0) : ($time ?? INF), $body->mass_kg, $code],
        ];
    }

    private static function why(Link $link, Subject $subject, ?float $time): Sentence
    {
        $first = $link->findings[0] ?? null;
        if ($first !== null && $first->severity->value !== 'note') {
            return $first->says;
        }
        $margin = $subject->facts->margin();

        return new Sentence(
            'Carries it with {margin} × in hand'.($time === null ? '.' : ' and takes {time}.'),
            ['margin' => Quantity::number($margin ?? 0.0)] + ($time === null ? [] : ['time' => Quantity::of($time, 's')]),
        );
    }
}

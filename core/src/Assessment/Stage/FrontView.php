<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Numeric\Hull;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Vector;

/** How the machine looks from the front at rest, small: the outlines of its bodies, the farthest first. */
final class FrontView
{
    private const THOUSAND = 1000.0;

    /** @return list<array{is: string, marker: string, radius_mm: float, points_mm: list<array{float, float}>}> as Schemas has it; none where nothing stands */
    public static function of(Build $build): array
    {
        [, $moved] = $build->stage->placed([]);
        $outlines = [];
        foreach ($build->document['motions'] as $said) {
            foreach (isset($moved[$said['id']]) ? $build->motions[$said['id']]->bodies : [] as $body) {
                $outlines[] = self::outline($body, $moved[$said['id']]->then($body->placement), 'moved', $said['marker']);
            }
        }
        foreach ($moved === [] ? [] : $build->stage->things as $thing) {
            if ($thing->is === 'frame') {
                $outlines[] = self::outline($thing, $thing->placement, 'frame', '');
            }
        }
        usort($outlines, fn (array $a, array $b): int => $b[0] <=> $a[0]);

        return array_column($outlines, 1);
    }

    /** @return array{float, array{is: string, marker: string, radius_mm: float, points_mm: list<array{float, float}>}} how far away, and what it looks like */
    private static function outline(Body $body, Placement $at, string $is, string $marker): array
    {
        $round = fn (float $m): float => round($m * self::THOUSAND, 1);
        $points = array_map(function (Vector $corner) use ($at, $round): array {
            $point = $at->point($corner);

            return [$round($point->x), $round($point->z)];
        }, $body->solid->corners());

        return [$at->at->y, ['is' => $is, 'marker' => $marker, 'radius_mm' => $round($body->solid->skin_m), 'points_mm' => Hull::around($points)]];
    }
}

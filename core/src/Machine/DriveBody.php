<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Parts\Body;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Vector;

/** The body of a drive with its gearbox: a box whose length lies along the axis that it turns or the way that it pushes, behind or before its mount. */
final class DriveBody
{
    private const SIDES = ['behind' => 1.0, 'before' => -1.0];

    private const MM = 0.001;

    /** @return Piece|null on what its motion stands on; null where nobody has said on which side it is, or it is elsewhere */
    public static function of(Stage $stage, Motion $motion): ?Piece
    {
        $side = self::SIDES[$motion->mount->drive_side ?? ''] ?? null;
        $drive = $motion->drive;
        if ($side === null || $drive === null || $drive->shares !== null || $motion->mount?->drive !== 'rides') {
            return null;
        }
        $is = $drive->one->body();
        $body = new Body("{$motion->id} drive", "drive of {$motion->name}", 'box', 0.0, 0.0, 0.0, $is->length_mm * self::MM, $is->width_mm * self::MM,
            $is->height_mm * self::MM, 0.0, 0.0, null, null, null, $motion->mount->on === null ? 'frame' : 'moved');
        $goes = $stage->goes($motion->id);
        $along = $goes->along;
        $behind = $goes->turns && $along->y - $along->z > 0.0 ? 1.0 : -1.0; // away from who looks, or below; of what slides where it comes from
        $middle = $along->times($behind * $side * $is->length_mm * self::MM / 2);
        $at = $stage->mount($motion->id)->then(Placement::shifted($middle))->then(self::along($along));
        $on = $motion->mount->on === null ? null : $stage->motions[$motion->mount->on];

        return new Piece($body, $on, $stage->under($motion->id), $at, $motion->id);
    }

    /** Turned so that x points that way. */
    private static function along(Vector $way): Placement
    {
        $heading = atan2($way->y, $way->x);
        $lean = asin(max(-1.0, min(1.0, $way->z / max(Constants::TIE, $way->length()))));

        return Placement::turned(new Vector(0.0, 0.0, 1.0), $heading)->then(Placement::turned(new Vector(0.0, -1.0, 0.0), $lean));
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\Piece;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Solid\Gap;
use Brookstone\Core\Solid\Solid;
use Brookstone\Core\Solid\Vector;

/** Whether the bodies of drives fit where they sit: beside what they sit on, or inside of it where that is hollow. */
final readonly class Room
{
    private const HAIR_M = 1e-6;

    private const AGAINST_M = 0.0002;

    public function __construct(private Build $build, private Clearance $clearance)
    {
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        $found = [];
        foreach ($this->clearance->pieces as $drive) {
            foreach ($drive->driveOf === null ? [] : $this->clearance->pieces as $other) {
                if ($other !== $drive && $other->body->is !== 'hands' && $other->body->is !== 'carried' && Clearance::joints($drive, $other) === []) {
                    $found[] = $this->fits($drive, $other);
                }
            }
        }

        return array_values(array_filter($found));
    }

    private function fits(Piece $drive, Piece $other): ?Finding
    {
        $motion = $this->build->motions[$drive->driveOf ?? ''];
        if ($other->driveOf !== null && strcmp($other->driveOf, $motion->id) < 0) {
            return null; // said of the other of the two
        }
        $half = $drive->body->solid->half; // what only lies against it is not in it
        $within = Solid::box(2 * max(0.0, $half->x - self::AGAINST_M) + self::HAIR_M, 2 * max(0.0, $half->y - self::AGAINST_M) + self::HAIR_M,
            2 * max(0.0, $half->z - self::AGAINST_M) + self::HAIR_M);
        if (Gap::between($within, $drive->at, $other->body->solid, $other->at)->distance_m > 0.0) {
            return null;
        }
        $out_m = $other->body->wall_m === null ? null : self::sticksOut_m($drive, $other);
        if ($out_m !== null && $out_m <= self::HAIR_M) {
            return null;
        }
        $body = $motion->drive?->one->body();
        $path = 'motions.'.$this->build->indexOf($motion->id).'.mount.drive_side';
        $size = ['length' => Quantity::of(($body->length_mm ?? 0.0) / 1000, 'm'), 'width' => Quantity::of(($body->width_mm ?? 0.0) / 1000, 'm'),
            'height' => Quantity::of(($body->height_mm ?? 0.0) / 1000, 'm'), 'out' => Quantity::of($out_m ?? 0.0, 'm')];
        $it = "The drive of {$motion->named()}, {length} by {width} by {height}, ";
        $to = $motion->mount?->drive_side === 'behind' ? 'before' : 'behind';

        $severity = $out_m === null && $other->driveOf === null ? Severity::Tight : Severity::Fails;

        return new Finding('stage.drive_room', $severity, $path, new Sentence(match (true) {
            $other->driveOf !== null => "{$it}sits where {$other->named()} does.",
            $out_m === null => "{$it}sits inside of {$other->named()}: say how thick the walls of that are, if it is hollow.",
            default => "{$it}sticks {out} out of the hollow of {$other->named()}.",
        }, $size), [new Fix(new Sentence("Put it {$to} what it turns"), [new Change($path, $to)])]);
    }

    /** How far a corner of it sticks out of the hollow of another, m; 0 or less where it does not. */
    private static function sticksOut_m(Piece $drive, Piece $other): float
    {
        $half = $drive->body->solid->half;
        $in = $other->at->back();
        $inner = $other->body->solid;
        $wall = $other->body->wall_m ?? 0.0;
        $out = -INF;
        foreach ([-1, 1] as $x) {
            foreach ([-1, 1] as $y) {
                foreach ([-1, 1] as $z) {
                    $corner = $in->point($drive->at->point(new Vector($x * $half->x, $y * $half->y, $z * $half->z)));
                    $beyond = new Vector(max(0.0, abs($corner->x) - $inner->half->x), max(0.0, abs($corner->y) - $inner->half->y),
                        max(0.0, abs($corner->z) - $inner->half->z));
                    $out = max($out, $inner->skin_m > 0.0 ? $beyond->length() - ($inner->skin_m - $wall)
                        : max(abs($corner->x) - $inner->half->x, abs($corner->y) - $inner->half->y, abs($corner->z) - $inner->half->z) + $wall);
                }
            }
        }

        return $out;
    }
}

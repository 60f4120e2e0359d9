<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Vector;

/** Where a motion stands: on the base, or on what another one moves. */
final readonly class Mount
{
    /** Nothing of this trade stands further off, m. */
    public const FAR_M = 100.0;

    /**
     * @param  string|null  $on  a motion; null is the base
     * @param  float  $x_m  of its axis or its zero, from that of what it stands on, as that stands at its zero
     * @param  float  $heading_deg  where it points, anticlockwise from above, from where that points
     * @param  string  $drive  `rides`: its drive sits there too; `base`: it stays on the base, and pulls through cord or cable
     */
    public function __construct(public ?string $on, public float $x_m, public float $y_m, public float $z_m, public float $heading_deg, public string $drive)
    {
    }

    public static function shape(): RecordShape
    {
        $far = NumberShape::between(-self::FAR_M, self::FAR_M);

        return new RecordShape([
            'on' => Field::or(null, TextShape::id()->orNull(), 'A motion on which it stands; empty is the base.'),
            'x_m' => Field::or(0.0, $far, 'Its axis, or where it begins, to the right of what it stands on.'),
            'y_m' => Field::or(0.0, $far, 'And away from who looks.'),
            'z_m' => Field::or(0.0, $far, 'And up.'),
            'heading_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0), 'Where it points: 0 to the right, 90 away from who looks.'),
            'drive' => Field::or('rides', ChoiceShape::of('rides', 'base'), 'Where its drive is: with it, or on the base, pulling through cord or cable.'),
        ], 'Mount');
    }

    public function placement(): Placement
    {
        return Placement::shifted(new Vector($this->x_m, $this->y_m, $this->z_m))
            ->then(Placement::turned(new Vector(0.0, 0.0, 1.0), $this->heading_deg * Constants::RAD_PER_DEG));
    }
}

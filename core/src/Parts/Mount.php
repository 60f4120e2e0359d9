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
     * @param  string  $drive_side  where its body is: `behind` or `before` what it turns; `none` where that is not said
     * @param  array{contact_N: float, magnet_m: float, gap_m: float, slide_coefficient: float}|null  $magnets  that hold it there; null where it is fixed
     */
    public function __construct(public ?string $on, public float $x_m, public float $y_m, public float $z_m, public float $heading_deg, public string $drive,
        public string $drive_side = 'none', public ?array $magnets = null)
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
            'drive_side' => Field::or('none', ChoiceShape::of('none', 'behind', 'before'),
                'Where the body of its drive is, along its axis; none: that is not looked at.'),
            'magnets' => Field::or(null, (new RecordShape([
                'contact_N' => Field::needed(NumberShape::positive(1e5), 'Pull of all of them in contact.'),
                'magnet_m' => Field::needed(NumberShape::positive(1.0), 'Length of one along its pull.'),
                'gap_m' => Field::needed(NumberShape::between(0.0, 1.0), 'Shell and sliders between them.'),
                'slide_coefficient' => Field::or(0.1, NumberShape::between(0.0, 10.0), 'Of what they hold on what that stands on.'),
            ], 'Magnets'))->orNull(), 'Magnets that hold it there through a shell; empty: it is fixed.'),
        ], 'Mount');
    }

    public function placement(): Placement
    {
        return Placement::shifted(new Vector($this->x_m, $this->y_m, $this->z_m))
            ->then(Placement::turned(new Vector(0.0, 0.0, 1.0), $this->heading_deg * Constants::RAD_PER_DEG));
    }
}

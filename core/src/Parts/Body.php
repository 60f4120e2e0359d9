<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Solid\Inertia;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Solid;
use Brookstone\Core\Solid\Vector;

/** Something simple that has a size, and perhaps a mass: a part of what a motion moves, of the frame, or something in the way. */
final readonly class Body
{
    use Named;

    private const LARGEST_M = 100.0;

    private const HEAVIEST_KG = 1000.0;

    /** kg/m³, usual figures. */
    private const DENSITIES = ['aluminium' => 2700.0, 'steel' => 7850.0, 'brass' => 8500.0, 'plywood' => 680.0, 'pine' => 510.0, 'hardwood' => 720.0,
        'acrylic' => 1190.0, 'printed' => 1240.0, 'foam' => 35.0, 'cloth' => 250.0];

    public Solid $solid;

    public Placement $placement;

    /** null where only its shape is known */
    public ?float $mass_kg;

    /**
     * @param  string  $shape  `box`, `ball` or `rod`, with round ends
     * @param  float  $x_m  its middle
     * @param  float  $length_m  of a box along x, of a rod in all; the thickness of a ball
     * @param  float|null  $width_m  of a box along y, and how thick a rod is; null: as long
     * @param  float|null  $height_m  of a box along z
     * @param  float  $heading_deg  its length: anticlockwise from above
     * @param  float  $lean_deg  and up from level
     * @param  float|null  $wall_m  hollow, with walls so thick; null is solid
     * @param  string  $is  of what stands on the base: `frame`, `way` (in the way, and not part of it), `hands` (where somebody can be), `carried`
     */
    public function __construct(public string $id, public string $name, public string $shape, public float $x_m, public float $y_m, public float $z_m,
        public float $length_m, public ?float $width_m, public ?float $height_m, public float $heading_deg, public float $lean_deg, ?float $mass_kg,
        public ?string $material, public ?float $wall_m, public string $is = 'moved')
    {
        $this->solid = self::made($shape, $length_m, $width_m ?? $length_m, $height_m ?? $width_m ?? $length_m);
        $this->placement = Placement::shifted(new Vector($x_m, $y_m, $z_m))
            ->then(Placement::turned(new Vector(0.0, 0.0, 1.0), $heading_deg * Constants::RAD_PER_DEG))
            ->then(Placement::turned(new Vector(0.0, -1.0, 0.0), $lean_deg * Constants::RAD_PER_DEG));
        $this->mass_kg = $mass_kg ?? ($material === null ? null : self::DENSITIES[$material] * $this->filled_m3());
    }

    /** @param  bool  $stands  on the base, and not on what a motion moves */
    public static function shape(bool $stands): RecordShape
    {
        $far = NumberShape::between(-Mount::FAR_M, Mount::FAR_M);
        $size = NumberShape::positive(self::LARGEST_M);
        $angle = NumberShape::between(-720.0, 720.0);

        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'shape' => Field::or('box', ChoiceShape::of('box', 'ball', 'rod'), 'A plate is a thin box; the ends of a rod are round.'),
            'x_m' => Field::or(0.0, $far, 'Its middle, to the right, or where its motion points.'),
            'y_m' => Field::or(0.0, $far, 'And away from who looks.'),
            'z_m' => Field::or(0.0, $far, 'And up.'),
            'length_m' => Field::needed($size, 'Along x; of a rod from end to end, of a ball how thick it is.'),
            'width_m' => Field::or(null, $size->orNull(), 'Along y; of a rod how thick it is; empty: as long.'),
            'height_m' => Field::or(null, $size->orNull(), 'Of a box along z; empty: as wide.'),
            'heading_deg' => Field::or(0.0, $angle, 'Turned anticlockwise, from above.'),
            'lean_deg' => Field::or(0.0, $angle, 'Its far end up from level.'),
            'mass_kg' => Field::or(null, NumberShape::positive(self::HEAVIEST_KG)->orNull(), 'Empty: as its material says, or only a shape.'),
            'material' => Field::or(null, ChoiceShape::of(...array_keys(self::DENSITIES))->orNull(), 'Its mass, where it is not weighed.'),
            'wall_m' => Field::or(null, $size->orNull(), 'It is hollow, with walls so thick.'),
        ] + ($stands ? ['is' => Field::or('way', ChoiceShape::of('frame', 'way', 'hands', 'carried'),
            'Frame: part of the machine; way: what it must not meet; hands: where hands or heads can be; carried: what a routine takes up.')] : []), $stands ? 'Thing' : 'Body');
    }

    /** Its mass and how it is spread, where its motion is at zero; none of a mere shape. */
    public function inertia(): Inertia
    {
        return $this->mass_kg === null ? Inertia::none() : $this->solid->inertia($this->mass_kg)->placed($this->placement);
    }

    private static function made(string $shape, float $length_m, float $width_m, float $height_m): Solid
    {
        return match ($shape) {
            'ball' => Solid::ball($length_m / 2),
            'rod' => Solid::rod(max($length_m, $width_m), $width_m / 2),
            default => Solid::box($length_m, $width_m, $height_m),
        };
    }

    /** What is not hollow of it. */
    private function filled_m3(): float
    {
        [$x, $y] = [$this->length_m, $this->width_m ?? $this->length_m];
        $z = $this->height_m ?? $y;
        $less = 2 * ($this->wall_m ?? INF);
        $isHollow = $this->shape === 'ball' ? $less < $x : ($this->shape === 'rod' ? $less < min($x, $y) : $less < min($x, $y, $z));

        return $this->solid->volume_m3() - ($isHollow ? self::made($this->shape, $x - $less, $y - $less, $z - $less)->volume_m3() : 0.0);
    }
}

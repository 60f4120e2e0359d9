<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/** The register of mechanisms: their fields in documents and calculators, and how each is made from them. */
final class Mechanisms
{
    /**
     * @param  float|null  $most  upper limit of masses, lengths and the rest in the document of a build; none for calculators
     * @return array<string, RecordShape> by kind
     */
    public static function shapes(?float $most = null): array
    {
        $positive = NumberShape::positive($most);
        $some = NumberShape::notNegative($most);

        return [
            'arm' => new RecordShape([
                'mass_kg' => Field::needed($positive, 'Mass of the finished arm with all that is fixed to it.'),
                'cg_m' => Field::needed($positive, 'From the pivot to the centre of mass.'),
                'payload_kg' => Field::or(0.0, $some, 'Mass of what it carries.'),
                'payload_m' => Field::or(0.0, $some, 'From the pivot to the centre of what it carries.'),
                'friction_Nm' => Field::or(0.0, $some, 'Rub of the pivot.'),
                'inertia_kgm2' => Field::or(null, $positive->orNull(), 'About the pivot, all of it; null: from the masses as points.'),
                'counterbalance_Nm' => Field::or(0.0, $some, 'Torque of a counterweight at horizontal.'),
                'spring_Nm_per_deg' => Field::or(0.0, $some, 'Rate of a spring at the pivot.'),
                'spring_rest_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0), 'Angle at which the spring is at rest.'),
            ], 'Arm'),
            'hoist' => new RecordShape([
                'mass_kg' => Field::needed($positive, 'Mass of the finished load.'),
                'drum_radius_m' => Field::needed($positive, 'Drum radius to the centre of the cord.'),
                'counterweight_kg' => Field::or(0.0, $some, 'Mass of a counterweight, lighter than the load.'),
                'friction_N' => Field::or(0.0, $some, 'Drag on the load.'),
                'lines' => Field::or(1, NumberShape::whole(1, $most === null ? null : 12), 'Parts of line that carry the load.'),
            ], 'Hoist'),
        ];
    }

    /**
     * @param  array<string, mixed>  $read  as read by the shape of its kind, with the word `kind`
     */
    public static function make(array $read): Mechanism
    {
        /** @var string $kind */
        $kind = $read['kind'];
        unset($read['kind']);

        return match ($kind) {
            'arm' => new Arm(...$read),
            'hoist' => new Hoist(...$read),
            default => throw new \OutOfBoundsException('No mechanism '.$kind),
        };
    }
}

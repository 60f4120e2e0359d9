<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Shape\UnionShape;

/** The register of triggers. */
final class Triggers
{
    public static function shape(): UnionShape
    {
        return new UnionShape('when', [
            'power_on' => new RecordShape([], 'PowerOnTrigger'),
            'press' => new RecordShape(['sensor' => Field::needed(TextShape::id(), 'A push button.')], 'PressTrigger'),
            'beam' => new RecordShape([
                'sensor' => Field::needed(TextShape::id(), 'A light beam.'),
                'is' => Field::or('broken', ChoiceShape::of('broken', 'made')),
            ], 'BeamTrigger'),
        ], 'Trigger');
    }

    /** @param  array<string, mixed>  $read */
    public static function make(array $read): Trigger
    {
        return new Trigger($read['when'], $read['sensor'] ?? null, ($read['is'] ?? 'broken') === 'broken');
    }
}

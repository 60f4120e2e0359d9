<?php

declare(strict_types=1);

namespace Brookstone\Core;

use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** The shape of what is said of the program of a build. */
final class ProgramSchema
{
    /** What the page of the program shows. */
    public static function report(): RecordShape
    {
        $text = new TextShape;
        $number = Schemas::number();
        $numbered = fn (string $title): RecordShape => Schemas::record($title, ['number' => $number, 'id' => $text, 'says' => $text]);

        return Schemas::record('ProgramReport', [
            'version' => $number, 'folder' => $text, 'mark' => $number,
            'obstacles' => Schemas::list(Schemas::record('ProgramObstacle', ['path' => $text, 'says' => Schemas::sentence()])),
            'files' => Schemas::list(Schemas::record('ProgramFile', ['name' => $text, 'says' => $text, 'lines' => $number, 'text' => $text])),
            'pins' => Schemas::list(Schemas::record('ProgramPin', ['board' => $text, 'pin' => $text, 'says' => $text, 'as' => $text])),
            'motions' => Schemas::list(Schemas::record('ProgramMotion', ['number' => $number, 'id' => $text, 'says' => $text,
                'kind' => ChoiceShape::of('sent', 'switched', 'none'), 'up' => $text, 'down' => $text])),
            'inputs' => Schemas::list($numbered('ProgramInput')), 'levels' => Schemas::list($numbered('ProgramLevel')),
            'outputs' => Schemas::list($numbered('ProgramOutput')), 'routines' => Schemas::list($numbered('ProgramRoutine')),
            'guards' => Schemas::list($text),
        ]);
    }
}

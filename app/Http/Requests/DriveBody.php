<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Shape\ErrorList;
use Illuminate\Http\Request;

/** Reads a drive from a JSON body by the shape that the core gives it. */
final class DriveBody
{
    /** @throws InvalidInput naming every wrong field */
    public static function of(Request $request): Drive
    {
        $errors = new ErrorList;
        $read = Drives::shape()->read(JsonBody::of($request), '', $errors);
        $errors->throwIfAny();
        assert(is_array($read));
        try {
            return Drives::make($read);
        } catch (ImpossibleValue $impossible) {
            throw InvalidInput::at($impossible->field, ucfirst(substr($impossible->getMessage(), strlen($impossible->field) + 1)));
        }
    }
}

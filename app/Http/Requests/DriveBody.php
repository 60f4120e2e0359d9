<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Drive\DrawerCsv;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Shape\ErrorList;
use Illuminate\Http\Request;

/** Reads a drive from a JSON body: its fields as files have them, or `{"typed": {column: text}}` as somebody typed them. */
final class DriveBody
{
    /** @throws InvalidInput naming every wrong field */
    public static function of(Request $request): Drive
    {
        $body = JsonBody::of($request);
        if (is_array($body)) {
            unset($body['version']); // of the drive that it replaces
        }
        if (is_array($body) && array_keys($body) === ['typed'] && is_array($body['typed'])) {
            return DrawerCsv::typed(array_map(fn (mixed $cell): string => is_scalar($cell) ? (string) $cell : '', $body['typed']));
        }
        $errors = new ErrorList;
        $read = Drives::shape()->read($body, '', $errors);
        $errors->throwIfAny();
        assert(is_array($read));
        try {
            return Drives::make($read);
        } catch (ImpossibleValue $impossible) {
            throw InvalidInput::at($impossible->field, ucfirst(substr($impossible->getMessage(), strlen($impossible->field) + 1)));
        }
    }
}

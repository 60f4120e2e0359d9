<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Error\InvalidInput;
use Illuminate\Http\Request;

/** Decodes a JSON body exactly as it was sent. */
final class JsonBody
{
    private const DEEPEST = 64;

    /** @throws InvalidInput when it is not JSON */
    public static function of(Request $request): mixed
    {
        $content = $request->getContent();
        $decoded = json_decode($content, true, self::DEEPEST);
        if (json_last_error() === JSON_ERROR_DEPTH) {
            throw InvalidInput::at('', 'This is nested too deep to be a build.');
        }
        if (json_last_error() !== JSON_ERROR_NONE) {
            throw InvalidInput::at('', $content === '' ? 'Nothing was sent.' : 'This is not JSON: '.json_last_error_msg().'.');
        }

        return $decoded;
    }
}

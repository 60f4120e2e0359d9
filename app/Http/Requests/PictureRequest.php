<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Error\InvalidInput;
use Illuminate\Foundation\Http\FormRequest;

/** A picture as base64 text, with a name. */
final class PictureRequest extends FormRequest
{
    private const MIMES = ['image/png', 'image/jpeg', 'image/webp'];

    private const LARGEST_PX = 12000;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:80'], 'data' => ['required', 'string']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['name.required' => 'Give it a name.', 'name.max' => 'Must be at most 80 characters long.', 'data.required' => 'There is no picture in it.'];
    }

    /**
     * @return array{bytes: string, mime: string, width: int, height: int}
     *
     * @throws InvalidInput when it is no picture that a browser shows
     */
    public function picture(): array
    {
        $bytes = base64_decode((string) $this->input('data'), true);
        $size = $bytes === false || $bytes === '' ? false : @getimagesizefromstring($bytes);
        if ($bytes === false || $size === false || ! in_array($size['mime'], self::MIMES, true)) {
            throw InvalidInput::at('data', 'This is no picture that can be read: take a PNG, JPEG or WebP.');
        }
        if ($size[0] < 1 || $size[1] < 1 || max($size[0], $size[1]) > self::LARGEST_PX) {
            throw InvalidInput::at('data', 'This picture is too large: at most '.self::LARGEST_PX.' pixels along a side.');
        }

        return ['bytes' => $bytes, 'mime' => $size['mime'], 'width' => $size[0], 'height' => $size[1]];
    }
}

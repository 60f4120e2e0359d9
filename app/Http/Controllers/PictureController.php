<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PictureRequest;
use App\Models\Build;
use App\Models\Picture;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Pictures that sizes are read off: the user’s, and those that ship with the demo builds. */
final class PictureController
{
    public function store(PictureRequest $request, Build $build): JsonResponse
    {
        $picture = $request->picture();
        $stored = new Picture(['build_id' => $build->id, 'mime' => $picture['mime'], 'bytes' => $picture['bytes']]);
        $stored->id = Str::lower((string) Str::ulid());
        $stored->save();

        return new JsonResponse(['id' => $stored->id, 'name' => $request->string('name')->toString(), 'width_px' => $picture['width'],
            'height_px' => $picture['height']], 201);
    }

    public function show(string $picture): Response
    {
        $stored = Picture::query()->find($picture);
        $shipped = database_path("demo/pictures/{$picture}.svg");
        if ($stored === null && (preg_match('/^[a-z0-9-]+$/D', $picture) !== 1 || ! File::exists($shipped))) {
            throw new NotFoundHttpException;
        }

        return new Response($stored->bytes ?? File::get($shipped), 200, ['Content-Type' => $stored->mime ?? 'image/svg+xml',
            'Cache-Control' => 'private, max-age=31536000, immutable', 'X-Content-Type-Options' => 'nosniff']);
    }
}

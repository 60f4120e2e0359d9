<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ReadingsRequest;
use App\Models\Build;
use Brookstone\Core\Assessment\Sensing\ReadingsSheet;
use Brookstone\Core\Sensing\Readings;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What the sensors of a build were seen to read. */
final class SensorController
{
    public function show(Build $build, string $sensor): JsonResponse
    {
        $sensors = $build->core()->sensors;
        $of = $sensors[$sensor] ?? throw new NotFoundHttpException;

        return new JsonResponse(ReadingsSheet::of($of, 'sensors.'.array_search($sensor, array_keys($sensors), true)));
    }

    /** Reads what was typed, pasted or taken out of a file. */
    public function read(ReadingsRequest $request): JsonResponse
    {
        return new JsonResponse(Readings::read($request->text()));
    }
}

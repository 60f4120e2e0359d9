<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PoseRequest;
use App\Models\Build;
use Brookstone\Core\Assessment\Stage\StageReport;
use Illuminate\Http\JsonResponse;

/** The machine as it stands: what is drawn of it, and what is so in a pose. */
final class StageController
{
    public function show(Build $build): JsonResponse
    {
        return new JsonResponse(['version' => $build->version] + (new StageReport($build->core()))->written());
    }

    public function pose(PoseRequest $request, Build $build): JsonResponse
    {
        $core = $build->core();

        return new JsonResponse((new StageReport($core))->pose($request->pose($core)));
    }
}

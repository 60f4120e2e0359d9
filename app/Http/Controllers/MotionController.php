<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\RunRequest;
use App\Models\Build;
use Brookstone\Core\Assessment\Ranking;
use Brookstone\Core\Simulation\RoutineRun;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What is computed of one motion or one routine on request. */
final class MotionController
{
    public function drives(Build $build, string $motion): JsonResponse
    {
        $core = $build->core();

        return new JsonResponse(Ranking::of($core, $core->motions[$motion] ?? throw new NotFoundHttpException));
    }

    public function run(RunRequest $request, Build $build, string $routine): JsonResponse
    {
        $core = $build->core();
        $scenario = $request->input('scenario');

        return new JsonResponse(RoutineRun::of(
            $core,
            $core->routines[$routine] ?? throw new NotFoundHttpException,
            $scenario === null ? null : $core->scenarios[$scenario] ?? throw new NotFoundHttpException,
        ));
    }
}

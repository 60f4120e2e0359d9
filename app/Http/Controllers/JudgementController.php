<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JudgeBuild;
use App\Actions\KeepBuild;
use App\Actions\OpenBuild;
use App\Http\Requests\MendAllRequest;
use App\Models\Build;
use Illuminate\Http\JsonResponse;

/** The whole judgement of a build, rehearsals and all, and what mends it: that takes longer than the answer to an edit. */
final class JudgementController
{
    /** What mends it, tried on the whole build: as much as one request can take, until `assessment.tried` says that all is. */
    public function mends(Build $build, JudgeBuild $judge, OpenBuild $open): JsonResponse
    {
        $core = $build->core();
        [$assessment, $done, $of] = $judge->mended($core, $build->isStillSo(...));
        if ($assessment->tried) {
            $open->written($build, $core, $assessment);
        }

        return new JsonResponse(['version' => $build->version, 'assessment' => $assessment, 'done' => $done, 'of' => $of]);
    }

    /** Mend after mend until it holds: as far as one request can try, until `done`. Nothing is kept. */
    public function mendAll(MendAllRequest $request, Build $build, JudgeBuild $judge): JsonResponse
    {
        [$steps, $left] = $judge->mendAll($build->core(), $request->dropped());

        return new JsonResponse([
            'version' => $build->version, 'steps' => $steps, 'done' => $left !== null, 'verdict' => $left?->verdict, 'says' => $left?->says,
            'left' => $left === null ? [] : $left->faults(),
        ]);
    }

    public function show(Build $build, JudgeBuild $judge, KeepBuild $keep): JsonResponse
    {
        $core = $build->core();
        $assessment = $judge->whole($core);
        $keep->judged($build, $core, $assessment);

        return new JsonResponse(['version' => $build->version, 'assessment' => $assessment]);
    }
}

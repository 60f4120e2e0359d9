<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JudgeBuild;
use App\Actions\KeepBuild;
use App\Models\Build;
use Illuminate\Http\JsonResponse;

/** The whole judgement of a build, rehearsals and all: it takes longer than the answer to an edit. */
final class JudgementController
{
    public function show(Build $build, JudgeBuild $judge, KeepBuild $keep): JsonResponse
    {
        $core = $build->core();
        $assessment = $judge->whole($core);
        $keep->judged($build, $core, $assessment);

        return new JsonResponse(['version' => $build->version, 'assessment' => $assessment]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\LogRequest;
use App\Http\Requests\NewestRequest;
use App\Models\Build;
use Brookstone\Core\Assessment\Proof\LogSheet;
use Brookstone\Core\Assessment\Proof\RefitReport;
use Brookstone\Core\Proof\LogTable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The log of a build as a table: read before it is written down, and taken along. */
final class LogController
{
    public function read(LogRequest $request, Build $build): JsonResponse
    {
        return new JsonResponse(LogTable::read($build->core(), $request->text(), $request->today()));
    }

    /** The newest entries, as many as are asked for, each beside what is computed for how it was. */
    public function entries(NewestRequest $request, Build $build): JsonResponse
    {
        return new JsonResponse(LogSheet::entries($build->core(), $request->newest()));
    }

    /** Which values of a motion explain best what was measured of it. */
    public function refit(Build $build, string $motion): JsonResponse
    {
        $core = $build->core();

        return new JsonResponse(RefitReport::of($core, $core->motions[$motion] ?? throw new NotFoundHttpException));
    }

    public function csv(Build $build): Response
    {
        return new Response(LogTable::write($build->core()), 200, ['Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="'.(Str::slug($build->name) ?: 'build').'-log.csv"']);
    }
}

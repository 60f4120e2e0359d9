<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\TodayRequest;
use App\Models\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Making\BenchReport;
use Brookstone\Core\Making\PartsList;
use Brookstone\Core\Making\PlanReport;
use Brookstone\Core\Making\ServiceReport;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** How a build is made and kept alive: plan, parts, bench tests, service. */
final class MakingController
{
    public function plan(TodayRequest $request, Build $build): JsonResponse
    {
        return new JsonResponse((new PlanReport($build->core(), $request->today()))->written());
    }

    public function planIcs(TodayRequest $request, Build $build): Response
    {
        $ics = (new PlanReport($build->core(), $request->today()))->ics($build->id)
            ?? throw InvalidInput::at('making.begins_on', 'Say on which day it begins: a calendar has days.');

        return $this->file($build, $ics, 'text/calendar; charset=utf-8', 'plan.ics');
    }

    public function parts(Build $build): JsonResponse
    {
        return new JsonResponse(PartsList::of($build->core())->written());
    }

    public function partsCsv(Build $build): Response
    {
        return $this->file($build, PartsList::of($build->core())->csv(), 'text/csv; charset=utf-8', 'parts.csv');
    }

    public function bench(Build $build): JsonResponse
    {
        return new JsonResponse(BenchReport::of($build->core()));
    }

    public function service(TodayRequest $request, Build $build): JsonResponse
    {
        return new JsonResponse((new ServiceReport($build->core(), $request->today()))->written());
    }

    public function serviceIcs(TodayRequest $request, Build $build): Response
    {
        return $this->file($build, (new ServiceReport($build->core(), $request->today()))->ics($build->id), 'text/calendar; charset=utf-8', 'service.ics');
    }

    private function file(Build $build, string $content, string $type, string $ending): Response
    {
        return new Response($content, 200, ['Content-Type' => $type,
            'Content-Disposition' => 'attachment; filename="'.(Str::slug($build->name) ?: 'build')."-{$ending}\""]);
    }
}

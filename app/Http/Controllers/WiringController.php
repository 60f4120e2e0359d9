<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JudgeBuild;
use App\Actions\OpenDrawer;
use App\Http\Requests\OneMoreRequest;
use App\Models\Build;
use Brookstone\Core\Assessment\Wiring\WiringCost;
use Brookstone\Core\Assessment\Wiring\WiringReport;
use Brookstone\Core\Export\WiringSheet;
use Brookstone\Core\Export\WiringSvg;
use Brookstone\Core\Rehearsal\Day;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The wiring of a build: its sheet and tables, what it would take to wire the rest, and in which order it is put together. */
final class WiringController
{
    public function __construct(private readonly JudgeBuild $judge, private readonly OpenDrawer $drawer)
    {
    }

    public function show(Build $build): JsonResponse
    {
        $core = $build->core();

        return new JsonResponse(['version' => $build->version] + WiringReport::of($core, $this->drawer->stock()->boards(),
            Day::of($core, $this->judge->rehearsed($core))));
    }

    /** What one sensor or output more would take. */
    public function oneMore(OneMoreRequest $request, Build $build): JsonResponse
    {
        return new JsonResponse(['says' => WiringCost::ofOneMore($build->core(), $request->string('list')->value(), $request->string('kind')->value(),
            $this->drawer->stock()->boards())]);
    }

    public function csv(Build $build): Response
    {
        return $this->file($build, (new WiringSheet($build->core()))->csv(), 'text/csv; charset=utf-8', 'wires.csv');
    }

    public function svg(Build $build): Response
    {
        return $this->file($build, WiringSvg::of($build->core()), 'image/svg+xml; charset=utf-8', 'wiring.svg');
    }

    private function file(Build $build, string $content, string $type, string $ending): Response
    {
        return new Response($content, 200,
            ['Content-Type' => $type, 'Content-Disposition' => 'attachment; filename="'.(Str::slug($build->name) ?: 'build')."-{$ending}\""]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JudgeBuild;
use App\Models\Build;
use Brookstone\Core\Assessment\Sheet\TimingTable;
use Brookstone\Core\Export\TimingFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The times of the moves that the routines of a build make. */
final class TimingController
{
    public function __construct(private readonly JudgeBuild $judge)
    {
    }

    public function show(Build $build): JsonResponse
    {
        return new JsonResponse(['moves' => $this->moves($build)]);
    }

    public function csv(Build $build): Response
    {
        return $this->file($build, TimingFile::csv($this->moves($build)), 'text/csv; charset=utf-8', 'csv');
    }

    public function header(Build $build): Response
    {
        return $this->file($build, TimingFile::header($this->moves($build), $build->name), 'text/x-c; charset=utf-8', 'h');
    }

    /** @return list<array{motion: string, name: string, from: string, to: string, speed: float, carries: string, computed_s: ?float, measured_s: ?float, routines: list<string>}> */
    private function moves(Build $build): array
    {
        $core = $build->core();

        return TimingTable::of($core, $this->judge->rehearsed($core));
    }

    private function file(Build $build, string $content, string $type, string $ending): Response
    {
        return new Response($content, 200,
            ['Content-Type' => $type, 'Content-Disposition' => 'attachment; filename="'.(Str::slug($build->name) ?: 'build')."-times.{$ending}\""]);
    }
}

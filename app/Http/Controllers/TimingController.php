<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Build;
use Brookstone\Core\Assessment\TimingTable;
use Brookstone\Core\Export\TimingFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The times of the moves that the routines of a build make. */
final class TimingController
{
    public function show(Build $build): JsonResponse
    {
        return new JsonResponse(['moves' => TimingTable::of($build->core())]);
    }

    public function csv(Build $build): Response
    {
        return $this->file($build, TimingFile::csv(TimingTable::of($build->core())), 'text/csv; charset=utf-8', 'csv');
    }

    public function header(Build $build): Response
    {
        return $this->file($build, TimingFile::header(TimingTable::of($build->core()), $build->name), 'text/x-c; charset=utf-8', 'h');
    }

    private function file(Build $build, string $content, string $type, string $ending): Response
    {
        return new Response($content, 200, ['Content-Type' => $type, 'Content-Disposition' => 'attachment; filename="'.(Str::slug($build->name) ?: 'build')."-times.{$ending}\""]);
    }
}

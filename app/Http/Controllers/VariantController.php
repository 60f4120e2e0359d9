<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JudgeBuild;
use App\Actions\KeepBuild;
use App\Http\Requests\CompareRequest;
use App\Http\Resources\BuildResource;
use App\Models\Build;
use Brookstone\Core\Build\Build as CoreBuild;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Comparison\Comparison;
use Brookstone\Core\Comparison\Variant;
use Illuminate\Http\JsonResponse;

/** Variants of a build: a copy to try something else on, and two of them side by side. */
final class VariantController
{
    public function __construct(private readonly JudgeBuild $judge, private readonly KeepBuild $keep)
    {
    }

    public function copy(Build $build): JsonResponse
    {
        $core = $build->core();
        $named = Editor::apply($core, [['path' => 'name', 'value' => mb_substr("Copy of {$core->name}", 0, 80)]]);

        return BuildResource::kept($this->keep->add($named))->response()->setStatusCode(201);
    }

    /** Its states that undo and redo go through, the newest first. */
    public function revisions(Build $build): JsonResponse
    {
        $states = [];
        foreach ($build->revisions()->orderByDesc('number')->get(['number', 'edit_key', 'updated_at']) as $revision) {
            $states[] = ['number' => $revision->number, 'edit' => $revision->edit_key, 'at' => $revision->updated_at->toIso8601String(),
                'is_now' => $revision->number === $build->cursor];
        }

        return new JsonResponse($states);
    }

    public function compare(CompareRequest $request, Build $build): JsonResponse
    {
        return new JsonResponse(Comparison::of($this->variant($build->name, $build->core()), $this->other($request, $build)));
    }

    private function other(CompareRequest $request, Build $build): Variant
    {
        $number = $request->revision();
        if ($number === null) {
            $other = Build::query()->findOrFail($request->string('with')->value());

            return $this->variant($other->name === $build->name ? "{$other->name}, the other" : $other->name, $other->core());
        }
        $revision = $build->revisions()->where('number', $number)->firstOrFail();
        $core = CoreBuild::fromJson($revision->document);

        return $this->variant("{$core->name}, state {$revision->number}", $core);
    }

    private function variant(string $name, CoreBuild $core): Variant
    {
        return new Variant($name, $core, $this->judge->whole($core));
    }
}

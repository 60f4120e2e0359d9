<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JudgeBuild;
use App\Actions\KeepBuild;
use App\Http\Requests\ChangesRequest;
use App\Http\Requests\CompleteRequest;
use App\Http\Requests\VersionRequest;
use App\Http\Resources\BuildResource;
use App\Models\Build;
use Brookstone\Core\Build\Editor;
use Illuminate\Http\JsonResponse;

/** Edits, tries, undo and redo. Each answers with the whole build, judged anew. */
final class EditController
{
    public function __construct(private readonly KeepBuild $keep, private readonly JudgeBuild $judge)
    {
    }

    public function edit(ChangesRequest $request, Build $build): BuildResource
    {
        $core = Editor::apply($build->core(), $request->changes());
        $assessment = $this->judge->atOnce($core);

        return BuildResource::kept($this->keep->change($build, $request->version(), $request->editKey(), $core, $assessment));
    }

    /** The same as an edit, but nothing is kept; with all routines rehearsed where that is asked for. */
    public function try(ChangesRequest $request, Build $build): BuildResource
    {
        $core = Editor::apply($build->core(), $request->changes());

        return new BuildResource($build, $core, $request->boolean('rehearsed') ? $this->judge->whole($core) : $this->judge->atOnce($core));
    }

    /** A choice, with what it needs besides: as a mend that can be tried. Nothing is kept. */
    public function complete(CompleteRequest $request, Build $build): JsonResponse
    {
        $core = $build->core();
        Editor::apply($core, $request->changes()); // says where it is wrong
        $tried = $this->judge->completed($core, $request->choice());

        return new JsonResponse(['fix' => $tried->fix, 'brings' => $tried->brings]);
    }

    public function undo(VersionRequest $request, Build $build): BuildResource
    {
        return BuildResource::kept($this->keep->step($build, $request->version(), -1));
    }

    public function redo(VersionRequest $request, Build $build): BuildResource
    {
        return BuildResource::kept($this->keep->step($build, $request->version(), 1));
    }
}

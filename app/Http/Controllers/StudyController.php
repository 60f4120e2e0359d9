<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\StudyWork;
use App\Http\Requests\StudyRequest;
use App\Jobs\RunStudyPart;
use App\Models\Build;
use App\Models\Study;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Long work over a routine: asked for, looked at while it goes on, called off. */
final class StudyController
{
    public function __construct(private readonly StudyWork $work)
    {
    }

    /** The last of each kind for a routine. */
    public function index(Request $request, Build $build): JsonResponse
    {
        $last = [];
        foreach (Study::query()->where('build_id', $build->id)->get()->sortByDesc('id')->take(60) as $study) {
            if (($study->asked['routine'] ?? null) === $request->query('routine')) {
                $last[$study->kind.($study->asked['language'] ?? '')] ??= $this->said($study, $build);
            }
        }

        return new JsonResponse(array_values($last));
    }

    public function store(StudyRequest $request, Build $build): JsonResponse
    {
        $core = $build->core();
        /** @var array<string, mixed> $asked */
        $asked = array_diff_key($request->validated(), ['kind' => true]);
        $kind = (string) $request->input('kind');
        $this->work->check($core, $asked);
        [$parts, $frame] = $this->work->plan($core, $kind, $asked);
        $study = DB::transaction(function () use ($build, $kind, $asked, $parts, $frame): Study { // it is there with all its parts, or not at all
            $study = Study::query()->create(['build_id' => $build->id, 'version' => $build->version, 'kind' => $kind, 'asked' => $asked,
                'document' => $build->document, 'parts' => $parts, 'frame' => $frame, 'state' => $parts === 0 ? 'done' : 'queued']);
            for ($part = 0; $part < $parts; $part++) {
                RunStudyPart::dispatch($study->id, $part);
            }

            return $study;
        });

        return new JsonResponse($this->said($study->refresh(), $build), 201);
    }

    public function show(Study $study): JsonResponse
    {
        return new JsonResponse($this->said($study, $study->build ?? throw new NotFoundHttpException));
    }

    /** Called off: what is done stays. */
    public function cancel(Study $study): JsonResponse
    {
        Study::query()->whereKey($study->id)->whereIn('state', ['queued', 'running'])->update(['state' => 'cancelled']);

        return $this->show($study->refresh());
    }

    /** @return array<string, mixed> */
    private function said(Study $study, Build $build): array
    {
        return [
            'id' => $study->id, 'kind' => $study->kind, 'asked' => $study->asked, 'state' => $study->state, 'done' => $study->done()->count(),
            'parts' => $study->parts,
            'is_stale' => $study->version !== $build->version, 'failure' => $study->failure, 'result' => $this->work->sofar($study),
        ];
    }
}

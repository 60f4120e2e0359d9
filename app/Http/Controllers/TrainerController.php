<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TrainerCases;
use App\Http\Requests\CaseRequest;
use App\Http\Requests\NamedRequest;
use App\Models\Build;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Practice at finding what is wrong: a case, what can be measured of it, and whether a fault that is named is the one. */
final class TrainerController
{
    public function __construct(private readonly TrainerCases $cases)
    {
    }

    public function begin(CaseRequest $request): JsonResponse
    {
        $build = Build::query()->findOrFail($request->string('build')->value());

        return new JsonResponse($this->cases->begin($build, $request->integer('seed'), $request->hard()), 201);
    }

    public function measure(NamedRequest $request, string $case): JsonResponse
    {
        return new JsonResponse(['says' => $this->cases->measure($case, $request->named()) ?? throw new NotFoundHttpException]);
    }

    public function judge(NamedRequest $request, string $case): JsonResponse
    {
        return new JsonResponse($this->cases->judge($case, $request->named()) ?? throw new NotFoundHttpException);
    }

    public function tell(string $case): JsonResponse
    {
        return new JsonResponse($this->cases->tell($case) ?? throw new NotFoundHttpException);
    }
}

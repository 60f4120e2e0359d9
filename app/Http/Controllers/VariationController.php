<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\TwinRequest;
use App\Models\Build;
use Brookstone\Core\Build\Removal;
use Brookstone\Core\Build\Twin;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** A motion once more, or no more: what that changes, told before it is done. It is done as any edit is. */
final class VariationController
{
    public function twin(TwinRequest $request, Build $build, string $motion): JsonResponse
    {
        $core = $build->core();
        $of = $core->motions[$motion] ?? throw new NotFoundHttpException;
        $mirrored = $request->boolean('mirrored');
        $name = $request->name() ?? ($mirrored ? Twin::imageOf($of->name) : Twin::another($of->name));

        return new JsonResponse(['name' => $name] + Twin::of($core, $of, $name, $mirrored, $request->boolean('together')));
    }

    public function removal(Build $build, string $motion): JsonResponse
    {
        $core = $build->core();
        $of = $core->motions[$motion] ?? throw new NotFoundHttpException;

        return new JsonResponse(['name' => $of->name] + Removal::of($core, $of));
    }
}

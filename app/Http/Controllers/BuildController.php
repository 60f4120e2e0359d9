<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepBuild;
use App\Actions\OpenBuild;
use App\Http\Requests\JsonBody;
use App\Http\Requests\NewBuildRequest;
use App\Http\Resources\BuildResource;
use App\Http\Resources\ShelfResource;
use App\Models\Build;
use Brookstone\Core\Build\Build as CoreBuild;
use Brookstone\Core\Build\BuildShape;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

final class BuildController
{
    public function __construct(private readonly KeepBuild $keep)
    {
    }

    public function index(): AnonymousResourceCollection
    {
        return ShelfResource::collection(
            Build::query()->select(['id', 'name', 'demo_key', 'summary', 'updated_at'])->orderByDesc('updated_at')->orderBy('name')->get(),
        );
    }

    public function store(NewBuildRequest $request): JsonResponse
    {
        $core = CoreBuild::read([
            'format' => BuildShape::FORMAT, 'version' => BuildShape::VERSION, 'name' => $request->string('name')->toString(),
            'supplies' => [
                ['id' => 'supply-12', 'name' => 'Motor supply', 'volts_V' => 12.0, 'max_A' => 3.0],
                ['id' => 'supply-6', 'name' => 'Servo supply', 'volts_V' => 6.0, 'max_A' => 3.0],
            ],
        ]);

        return BuildResource::kept($this->keep->add($core))->response()->setStatusCode(201);
    }

    public function import(Request $request): JsonResponse
    {
        $core = CoreBuild::read(JsonBody::of($request));

        return BuildResource::kept($this->keep->add($core))->response()->setStatusCode(201);
    }

    public function show(Build $build, OpenBuild $open): Response
    {
        return new Response($open->json($build), 200, ['Content-Type' => 'application/json']);
    }

    public function export(Build $build): Response
    {
        return new Response($build->document, 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="'.(Str::slug($build->name) ?: 'build').'.brookstone.json"',
        ]);
    }

    public function destroy(Build $build): Response
    {
        $build->delete();

        return new Response(status: 204);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepBuild;
use App\Http\Resources\BuildResource;
use Brookstone\Core\Build\Build as CoreBuild;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\File;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Small sound builds, one for each way of moving, that can be opened, changed and thrown away. */
final class ExampleController
{
    public function __construct(private readonly KeepBuild $keep)
    {
    }

    public function index(): JsonResponse
    {
        $examples = [];
        foreach (File::glob(database_path('examples/*.brookstone.json')) as $file) {
            $document = json_decode(File::get($file), true);
            $examples[] = ['example' => basename($file, '.brookstone.json'), 'name' => $document['name'], 'note' => $document['note']];
        }

        return new JsonResponse($examples);
    }

    public function open(string $example): JsonResponse
    {
        $file = database_path("examples/{$example}.brookstone.json");
        if (preg_match('/^[a-z0-9-]+$/D', $example) !== 1 || ! File::exists($file)) {
            throw new NotFoundHttpException;
        }
        $core = CoreBuild::fromJson(File::get($file));

        return BuildResource::kept($this->keep->add($core))->response()->setStatusCode(201);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\OpenDrawer;
use App\Http\Requests\CsvRequest;
use App\Http\Requests\DriveBody;
use App\Http\Requests\VersionRequest;
use App\Http\Resources\DrawerDriveResource;
use App\Models\DrawerDrive;
use Brookstone\Core\Drive\DrawerCsv;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Error\InvalidInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;

/** The builder's own drawer of drives: add, change, take out, and as a table. */
final class DrawerController
{
    public function __construct(private readonly OpenDrawer $drawer)
    {
    }

    public function index(): AnonymousResourceCollection
    {
        $this->drawer->fillIfEmpty();

        return DrawerDriveResource::collection(DrawerDrive::inOrder());
    }

    public function store(Request $request): JsonResponse
    {
        $drive = DriveBody::of($request);
        $this->refuseTaken($drive, null);
        $stored = DrawerDrive::query()->create(['code' => $drive->body()->code, 'document' => Drives::write($drive)]);

        return (new DrawerDriveResource($stored))->response()->setStatusCode(201);
    }

    public function update(VersionRequest $request, DrawerDrive $drive): DrawerDriveResource
    {
        $core = DriveBody::of($request);
        $this->refuseTaken($core, $drive);

        return new DrawerDriveResource($this->drawer->change($drive, $request->version(), $core));
    }

    public function destroy(VersionRequest $request, DrawerDrive $drive): Response
    {
        $this->drawer->takeOut($drive, $request->version());

        return new Response(status: 204);
    }

    public function export(): Response
    {
        $this->drawer->fillIfEmpty();
        $drives = DrawerDrive::inOrder()->map(fn (DrawerDrive $drive): Drive => $drive->core());

        return new Response(DrawerCsv::write($drives), 200, ['Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="drawer.csv"']);
    }

    /** Takes every row that is right; each that is not is named. Nothing is stored when only looked at. */
    public function import(CsvRequest $request): JsonResponse
    {
        $this->drawer->fillIfEmpty();
        $read = DrawerCsv::read($request->csv());
        $known = DrawerDrive::query()->pluck('code')->all();
        $codes = array_map(fn (Drive $drive): string => $drive->body()->code, $read['drives']);
        if (! $request->onlyLooks()) {
            $this->drawer->put($read['drives'], $request->asOf());
        }

        return new JsonResponse([
            'stored' => ! $request->onlyLooks(),
            'as_of' => $this->drawer->state(),
            'new' => array_values(array_diff($codes, $known)),
            'replaced' => array_values(array_intersect($codes, $known)),
            'errors' => $read['errors'],
        ]);
    }

    public function guide(): JsonResponse
    {
        return new JsonResponse(DrawerCsv::guide());
    }

    private function refuseTaken(Drive $drive, ?DrawerDrive $itself): void
    {
        $code = $drive->body()->code;
        if (DrawerDrive::query()->where('code', $code)->when($itself !== null, fn ($query) => $query->whereKeyNot($itself?->id))->exists()) {
            throw InvalidInput::at('code', "A drive {$code} is in the drawer already: give this one another name.");
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CsvRequest;
use App\Http\Requests\JsonBody;
use App\Models\DrawerGears;
use Brookstone\Core\Train\GearCsv;
use Brookstone\Core\Train\GearStock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The builder's own drawer of gears: changed as a whole, and as a table. */
final class GearController
{
    public function show(): JsonResponse
    {
        return new JsonResponse(['gears' => DrawerGears::stock()->lines]);
    }

    public function update(Request $request): JsonResponse
    {
        $body = JsonBody::of($request);
        DrawerGears::keep(GearStock::read(is_array($body) ? $body['gears'] ?? null : null));

        return $this->show();
    }

    public function export(): Response
    {
        return new Response(GearCsv::write(DrawerGears::stock()), 200, ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="gears.csv"']);
    }

    public function import(CsvRequest $request): JsonResponse
    {
        $stock = GearCsv::read($request->csv());
        if (! $request->onlyLooks()) {
            DrawerGears::keep($stock);
        }

        return new JsonResponse(['gears' => $stock->lines]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CsvRequest;
use App\Http\Requests\JsonBody;
use App\Http\Requests\VersionRequest;
use App\Models\DrawerTable;
use Brookstone\Core\Drawer\PartStock;
use Brookstone\Core\Drawer\PartTable;
use Brookstone\Core\Shape\TableCsv;
use Brookstone\Core\Train\GearStock;
use Brookstone\Core\Winding\LineStock;
use Brookstone\Core\Wiring\BoardStock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** The builder's own drawers that are one table each (DrawerTable::TABLES): changed as a whole, and as a table. */
final class TableController
{
    public function show(string $table): JsonResponse
    {
        return new JsonResponse([$table => $this->kept($table), 'version' => DrawerTable::versionOf($table)]);
    }

    public function update(VersionRequest $request, string $table): JsonResponse
    {
        $body = JsonBody::of($request);
        DrawerTable::keep($table, $this->read($table, is_array($body) ? $body[$table] ?? null : null), $request->version());

        return $this->show($table);
    }

    public function export(string $table): Response
    {
        return new Response($this->csv($table)->write($this->kept($table)), 200, ['Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"{$table}.csv\""]);
    }

    public function import(CsvRequest $request, string $table): JsonResponse
    {
        $lines = $this->read($table, $this->csv($table)->read($request->csv()));
        if (! $request->onlyLooks()) {
            DrawerTable::keep($table, $lines, $request->version() ?? DrawerTable::versionOf($table));
        }

        return new JsonResponse([$table => $lines, 'version' => DrawerTable::versionOf($table)]);
    }

    /** @return list<array<string, mixed>> */
    private function kept(string $table): array
    {
        return match ($table) {
            'gears' => DrawerTable::gears()->lines,
            'lines' => DrawerTable::lines()->lines,
            'boards' => DrawerTable::boards()->lines,
            default => DrawerTable::parts(PartTable::from($table))->lines,
        };
    }

    /** @return list<array<string, mixed>> */
    private function read(string $table, mixed $lines): array
    {
        return match ($table) {
            'gears' => GearStock::read($lines)->lines,
            'lines' => LineStock::read($lines)->lines,
            'boards' => BoardStock::read($lines)->lines,
            default => PartStock::read(PartTable::from($table), $lines)->lines,
        };
    }

    private function csv(string $table): TableCsv
    {
        return new TableCsv(match ($table) {
            'gears' => GearStock::shape(),
            'lines' => LineStock::shape(),
            'boards' => BoardStock::shape(),
            default => PartTable::from($table)->shape(),
        });
    }
}

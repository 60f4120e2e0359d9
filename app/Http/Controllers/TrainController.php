<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PartsRequest;
use App\Http\Requests\TrainRequest;
use App\Models\Build;
use App\Models\DrawerTable;
use Brookstone\Core\Assessment\Train\TrainMaking;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Export\Dxf;
use Brookstone\Core\Export\LinkageParts;
use Brookstone\Core\Export\Sheet;
use Brookstone\Core\Export\Svg;
use Brookstone\Core\Export\TrainParts;
use Brookstone\Core\Shape\Csv;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Trains out of the drawer of gears, and what a train is made of in open formats. */
final class TrainController
{
    public function find(TrainRequest $request, Build $build, string $motion): JsonResponse
    {
        $core = $build->core();
        $thing = $core->motions[$motion] ?? throw new NotFoundHttpException;
        $ratio = $request->filled('rpm') ? TrainMaking::ratioFor($thing, $request->float('rpm'), $request->float('torque_Nm'),
            $request->integer('stages', 3)) : $request->float('ratio');
        $belt = $request->filled('belt_driver') ? [$request->integer('belt_driver'), $request->integer('belt_driven')] : null;

        return new JsonResponse(TrainMaking::of(
            $core, $thing, DrawerTable::gears(), $ratio, $request->integer('stages', 3),
            $request->filled('module_mm') ? $request->float('module_mm') : null, (string) $request->input('direction', 'any'),
            (string) $request->input('order', 'error'), $request->integer('limit', 20),
            $request->filled('worm_wheel') ? $request->integer('worm_wheel') : null, $belt,
        ));
    }

    /** `gears.svg`, `gears.dxf`, `holes.svg`, `holes.dxf`, `parts.csv`, `gear-1.stl`, `linkage.svg`, `linkage.dxf`. */
    public function export(PartsRequest $request, Build $build, string $motion, string $file): Response
    {
        $core = $build->core()->motions[$motion] ?? throw new NotFoundHttpException;
        $parts = new TrainParts($core, $request->float('kerf_mm'), $request->float('flat_mm'), $request->float('key_mm'), $request->filled('bore_mm')
            ? $request->float('bore_mm') : null);
        [$what, $format] = array_pad(explode('.', $file, 2), 2, '');
        try {
            $written = match (true) {
                $what === 'parts' && $format === 'csv' => implode('', array_map(fn (array $row): string => Csv::row($row)."\n", $parts->list())),
                in_array($what, ['gears', 'holes'], true) && in_array($format, ['svg', 'dxf'], true) => self::sheet($what === 'gears' ? $parts->gearSheet()
                    : $parts->drilling(), $format),
                $what === 'linkage' && in_array($format, ['svg', 'dxf'], true) => self::sheet((new LinkageParts(
                    $core, $request->float('hole_mm', 2.0), $request->float('width_mm', 8.0),
                    $request->float('kerf_mm')))->sheet(), $format),
                preg_match('/^gear-(\d{1,2})$/', $what, $number) === 1 && $format === 'stl' => $parts->solid((int) $number[1] - 1),
                default => null,
            };
        } catch (ImpossibleValue $wrong) {
            throw InvalidInput::at($wrong->field, ucfirst(substr($wrong->getMessage(), strlen($wrong->field) + 1)));
        }
        $types = ['svg' => 'image/svg+xml', 'dxf' => 'image/vnd.dxf', 'csv' => 'text/csv; charset=utf-8', 'stl' => 'model/stl'];

        return new Response($written ?? throw new NotFoundHttpException, 200,
            ['Content-Type' => $types[$format], 'Content-Disposition' => 'attachment; filename="'.(Str::slug($core->name) ?: 'train')."-{$file}\""]);
    }

    private static function sheet(Sheet $sheet, string $format): string
    {
        return $format === 'svg' ? Svg::write($sheet) : Dxf::write($sheet);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Mechanism\Bars;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Train\Layout;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\StageType;

/** What a train is made of, to cut, drill and buy. Only spur gears have outlines of their own. */
final readonly class TrainParts
{
    private const APART_MM = 3.0; // between wheels on a sheet

    private const SHEET_MM = 300.0;

    private const USUAL_SHAFT_MM = 3.0;

    /**
     * @param  float  $flat_mm  that the bores have
     * @param  float  $key_mm  width of the keyway that they have
     */
    public function __construct(private Motion $motion, private float $kerf_mm = 0.0, private float $flat_mm = 0.0, private float $key_mm = 0.0,
        private ?float $bore_mm = null)
    {
    }

    /** @return list<array{name: string, stage: int, driver: bool, spec: Stage, outline: GearOutline}> every spur gear once */
    public function gears(): array
    {
        $gears = [];
        foreach ($this->motion->train->stages as $i => $stage) {
            foreach ([true, false] as $driver) {
                if ($stage->type !== StageType::Spur || ($driver && $stage->idler)) {
                    continue;
                }
                $teeth = $driver ? $stage->driver : $stage->driven;
                $gears[] = ['name' => "{$teeth} teeth, stage ".($i + 1).($driver ? ' driver' : ' driven'), 'stage' => $i, 'driver' => $driver,
                    'spec' => $stage, 'outline' => $this->outline($stage, $teeth)];
            }
        }

        return $gears;
    }

    /** All gears side by side. */
    public function gearSheet(): Sheet
    {
        $outlines = $words = [];
        [$x, $y, $tall] = [0.0, 0.0, 0.0];
        foreach ($this->gears() as ['name' => $name, 'outline' => $gear]) {
            $radius = $gear->outside_mm + $this->kerf_mm / 2;
            if ($x > 0.0 && $x + 2 * $radius > self::SHEET_MM) {
                [$x, $y, $tall] = [0.0, $y + $tall + 2 * self::APART_MM + 3.0, 0.0];
            }
            $outlines[] = ['cut', self::moved($gear->outline(), $x + $radius, $y + $radius)];
            $outlines[] = ['bore', self::moved($gear->hole(), $x + $radius, $y + $radius)];
            $words[] = [$x + $radius, $y - 4.0, $name];
            $x += 2 * $radius + self::APART_MM;
            $tall = max($tall, 2 * $radius);
        }

        return new Sheet("{$this->motion->name}: gears", $outlines, [], $words);
    }

    /** Where the holes of the shafts are drilled. */
    public function drilling(): Sheet
    {
        $layout = $this->motion->layout !== null && $this->motion->layout->fits($this->motion->train) ? $this->motion->layout
            : throw ImpossibleValue::because('layout', 'must be there first: lay the train out on its plate.');
        $circles = $words = $outlines = [];
        foreach ($layout->shafts as $i => [$x, $y]) {
            if (Layout::axes($this->motion->train)[$i] !== $i) {
                continue; // it turns on an axis that has its hole
            }
            $circles[] = ['drill', $x, $y, $layout->plate->shaft_mm / 2];
            $words[] = [$x, $y - $layout->plate->shaft_mm / 2 - 4.0, 'shaft '.($i + 1)];
        }
        foreach ($layout->obstacles as $obstacle) {
            $circles[] = ['keep-clear', $obstacle->x_mm, $obstacle->y_mm, $obstacle->radius_mm];
        }
        if ($layout->linkage !== null && Bars::of($this->motion->thing())?->pivots_mm() !== null) {
            $circles[] = ['drill', $layout->linkage->x_mm, $layout->linkage->y_mm, $layout->plate->shaft_mm / 2];
            $words[] = [$layout->linkage->x_mm, $layout->linkage->y_mm - $layout->plate->shaft_mm / 2 - 4.0, 'pivot'];
        }
        foreach ($layout->plates as $plate) {
            [$x, $y, $w, $h] = [$plate->x_mm, $plate->y_mm, $plate->width_mm, $plate->height_mm];
            $outlines[] = ['edge', [[$x, $y], [$x + $w, $y], [$x + $w, $y + $h], [$x, $y + $h]]];
            $words[] = [$x + 12.0, $y - 4.0, $plate->name];
        }
        if ($layout->plate->width_mm !== null && $layout->plate->height_mm !== null) {
            [$w, $h] = [$layout->plate->width_mm, $layout->plate->height_mm];
            $outlines[] = ['edge', [[0.0, 0.0], [$w, 0.0], [$w, $h], [0.0, $h]]];
        }

        return new Sheet("{$this->motion->name}: holes", $outlines, $circles, $words);
    }

    /** One gear as a solid, binary STL; null where there is no such gear. */
    public function solid(int $number): ?string
    {
        $gear = $this->gears()[$number] ?? null;

        return $gear === null ? null : Stl::write($gear['name'], $gear['outline']->outline(), $gear['outline']->hole(), $gear['spec']->face_mm);
    }

    /** @return list<list<string|int|float>> the first line names the columns */
    public function list(): array
    {
        $lines = [];
        foreach ($this->motion->train->stages as $i => $stage) {
            foreach ([true, false] as $driver) {
                if ($driver && $stage->idler) {
                    continue;
                }
                $what = $stage->type->wheel($driver);
                $key = implode('|', [$what, $driver ? $stage->driver : $stage->driven, $stage->module_mm, $stage->face_mm, $stage->material->value]);
                $lines[$key] ??= ['count' => 0, 'what' => $what, 'teeth' => $driver ? $stage->driver : $stage->driven, 'module_mm' => $stage->module_mm,
                    'face_mm' => $stage->face_mm, 'material' => $stage->material->inWords(), 'where' => []];
                $lines[$key]['count']++;
                $lines[$key]['where'][] = 'stage '.($i + 1).($driver ? ' driver' : ' driven');
            }
        }
        $rows = array_map(fn (array $line): array => [$line['count'], $line['what'], $line['teeth'], $line['module_mm'], $line['face_mm'], $line['material'],
            $this->bore(), implode(', ', $line['where'])], array_values($lines));
        $shafts = count(array_unique(Layout::axes($this->motion->train))) - 1;
        if ($shafts > 0) {
            $rows[] = [$shafts, 'shaft', '', '', '', '', $this->bore(), 'one for each stage; the first wheel sits on the drive'];
        }
        if ($this->motion->drive !== null) {
            $rows[] = [$this->motion->drive->motors, 'drive '.$this->motion->drive->motor->body()->code, '', '', '', '', '', 'the drive'];
        }

        return [['count', 'part', 'teeth', 'module_mm', 'face_mm', 'material', 'bore_mm', 'where'], ...$rows];
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float}>
     */
    private static function moved(array $points, float $x, float $y): array
    {
        return array_map(fn (array $point): array => [$point[0] + $x, $point[1] + $y], $points);
    }

    private function outline(Stage $stage, int $teeth): GearOutline
    {
        return new GearOutline($teeth, $stage->module_mm, new Bore($this->bore(), $this->flat_mm, $this->key_mm, $this->key_mm / 2), $stage->backlash_mm / 2,
            $this->kerf_mm);
    }

    private function bore(): float
    {
        return $this->bore_mm ?? $this->motion->layout->plate->shaft_mm ?? self::USUAL_SHAFT_MM;
    }
}

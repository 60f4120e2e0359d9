<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/** The gears that lie in a drawer: how many of which teeth, module, width and material. */
final readonly class GearStock
{
    private const MOST_LINES = 400;

    /** @param  list<array{teeth: int, module_mm: float, count: int, face_mm: float, material: string}>  $lines */
    public function __construct(public array $lines)
    {
    }

    public static function shape(): ListShape
    {
        return new ListShape(new RecordShape([
            'teeth' => Field::needed(NumberShape::whole(GearStock::leastTeeth(), 400), 'Teeth.'),
            'module_mm' => Field::or(1.0, NumberShape::between(0.1, 20.0), 'Module: outside diameter over teeth and two.'),
            'count' => Field::or(1, NumberShape::whole(0, 1000), 'How many there are.'),
            'face_mm' => Field::or(6.0, NumberShape::between(0.5, 200.0), 'Width of the teeth.'),
            'material' => Field::or('acetal', ChoiceShape::of(...array_column(GearMaterial::cases(), 'value')), 'What it is made of.'),
        ], 'GearLine'), 0, self::MOST_LINES, 'gears');
    }

    public static function leastTeeth(): int
    {
        return 6;
    }

    /** @throws InvalidInput every wrong field; the same gear twice is one of them */
    public static function read(mixed $lines): self
    {
        $errors = new ErrorList;
        $read = self::shape()->read($lines, 'gears', $errors);
        $seen = [];
        foreach (is_array($read) ? $read : [] as $i => $line) {
            $key = json_encode([$line['teeth'] ?? null, $line['module_mm'] ?? null, $line['face_mm'] ?? null, $line['material'] ?? null]);
            if (isset($seen[$key])) {
                $errors->add("gears.{$i}.teeth", 'The same gear stands in line '.($seen[$key] + 1).': count them together.');
            }
            $seen[$key] ??= $i;
        }
        $errors->throwIfAny();
        assert(is_array($read));

        return new self(array_values($read));
    }

    /** What comes with Brookstone: two each of twenty-four sizes of module 1, and some of module 0.5. */
    public static function shipped(): self
    {
        $lines = [];
        foreach ([10, 12, 14, 15, 16, 17, 18, 20, 21, 22, 24, 25, 27, 28, 30, 32, 35, 36, 40, 44, 45, 48, 56, 60] as $teeth) {
            $lines[] = ['teeth' => $teeth, 'module_mm' => 1.0, 'count' => 2, 'face_mm' => 6.0, 'material' => 'acetal'];
        }
        foreach ([12, 16, 20, 24, 32, 40, 48, 64] as $teeth) {
            $lines[] = ['teeth' => $teeth, 'module_mm' => 0.5, 'count' => 2, 'face_mm' => 4.0, 'material' => 'brass'];
        }

        return new self($lines);
    }

    /** @return list<float> modules that there are, the one with most gears first */
    public function modules(): array
    {
        $counts = [];
        foreach ($this->lines as $line) {
            $key = (string) $line['module_mm'];
            $counts[$key] = ($counts[$key] ?? 0) + $line['count'];
        }
        arsort($counts);

        return array_map(floatval(...), array_map(strval(...), array_keys($counts)));
    }

    /** @return array<int, int> how many there are, by teeth */
    public function counts(float $module_mm): array
    {
        $counts = [];
        foreach ($this->lines as $line) {
            if (abs($line['module_mm'] - $module_mm) < 1e-9) {
                $counts[$line['teeth']] = ($counts[$line['teeth']] ?? 0) + $line['count'];
            }
        }

        return $counts;
    }

    /**
     * The narrowest and weakest gear of those teeth: what a stage of it may count on.
     *
     * @return array{float, GearMaterial}
     */
    public function leastOf(int $teeth, float $module_mm): array
    {
        $found = array_filter($this->lines, fn (array $line): bool => $line['teeth'] === $teeth && abs($line['module_mm'] - $module_mm) < 1e-9
            && $line['count'] > 0);
        $faces = array_column($found, 'face_mm');
        $materials = array_map(fn (array $line): GearMaterial => GearMaterial::from($line['material']), array_values($found));
        usort($materials, fn (GearMaterial $a, GearMaterial $b): int => $a->allowable_MPa() <=> $b->allowable_MPa());

        return [$faces === [] ? 6.0 : min($faces), $materials[0] ?? GearMaterial::Acetal];
    }
}

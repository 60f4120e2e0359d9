<?php

declare(strict_types=1);

namespace Brookstone\Core\Winding;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** Cords, belts, chains and rods that lie in a drawer. */
final readonly class LineStock
{
    private const MOST_LINES = 400;

    /** @param  list<array{kind: string, name: string, size_mm: float, teeth: int|null, length_mm: float|null, breaking_N: float|null, count: int}>  $lines */
    public function __construct(public array $lines)
    {
    }

    public static function shape(): ListShape
    {
        return new ListShape(new RecordShape([
            'kind' => Field::needed(ChoiceShape::of('cord', 'belt', 'round', 'chain', 'rod'), 'What it is.'),
            'name' => Field::needed(TextShape::name(), 'What you call it.'),
            'size_mm' => Field::needed(NumberShape::positive(100.0), 'Thickness of a cord, round belt or rod; pitch of a toothed belt or chain.'),
            'teeth' => Field::or(null, NumberShape::whole(4, 5000)->orNull(), 'Of a closed belt or chain: its teeth or links.'),
            'length_mm' => Field::or(null, NumberShape::positive(100000.0)->orNull(), 'How long, of a cord, a rod or a round belt.'),
            'breaking_N' => Field::or(null, NumberShape::positive(100000.0)->orNull(), 'What it breaks at, straight and new.'),
            'count' => Field::or(1, NumberShape::whole(0, 1000), 'How many there are.'),
        ], 'LineStock'), 0, self::MOST_LINES, 'lines');
    }

    /** @throws InvalidInput every wrong field; one name twice is one of them */
    public static function read(mixed $lines): self
    {
        $errors = new ErrorList;
        $read = self::shape()->read($lines, 'lines', $errors);
        $seen = [];
        foreach (is_array($read) ? $read : [] as $i => $line) {
            $name = $line['name'] ?? null;
            if ($name !== null && isset($seen[$name])) {
                $errors->add("lines.{$i}.name", 'The same name stands in line '.($seen[$name] + 1).'.');
            }
            $seen[$name ?? ''] ??= $i;
            foreach (self::missing($line) as $field => $message) {
                if (($lines[$i][$field] ?? null) === null) { // what is there and wrong has been told already
                    $errors->add("lines.{$i}.{$field}", $message);
                }
            }
        }
        $errors->throwIfAny();
        assert(is_array($read));

        return new self(array_values($read));
    }

    /**
     * What a kind cannot be told from without.
     *
     * @param  array<string, mixed>|null  $line
     * @return array<string, string>
     */
    private static function missing(?array $line): array
    {
        return match ($line['kind'] ?? null) {
            'belt', 'chain' => $line['teeth'] === null ? ['teeth' => 'A closed belt or chain has a number of teeth.'] : [],
            'cord' => $line['breaking_N'] === null ? ['breaking_N' => 'Say what the cord breaks at.'] : [],
            'rod', 'round' => $line['length_mm'] === null ? ['length_mm' => 'Say how long it is.'] : [],
            default => [],
        };
    }

    /** What comes with Brookstone. */
    public static function shipped(): self
    {
        $lines = [];
        foreach ([[0.5, 60.0], [0.8, 150.0], [1.0, 240.0], [1.5, 500.0], [2.0, 900.0]] as [$thick, $breaks]) {
            $lines[] = ['kind' => 'cord', 'name' => "Braid {$thick}", 'size_mm' => $thick, 'teeth' => null, 'length_mm' => 10000.0, 'breaking_N' => $breaks,
                'count' => 1];
        }
        foreach ([60, 70, 80, 90, 100, 120, 140, 160, 200] as $teeth) {
            $lines[] = ['kind' => 'belt', 'name' => "Belt 2 × {$teeth}", 'size_mm' => 2.0, 'teeth' => $teeth, 'length_mm' => null, 'breaking_N' => 200.0,
                'count' => 2];
        }
        foreach ([120.0, 200.0, 300.0] as $long) {
            $lines[] = ['kind' => 'round', 'name' => "Round 3 × {$long}", 'size_mm' => 3.0, 'teeth' => null, 'length_mm' => $long, 'breaking_N' => 80.0,
                'count' => 2];
        }
        $lines[] = ['kind' => 'chain', 'name' => 'Chain 6 × 60', 'size_mm' => 6.0, 'teeth' => 60, 'length_mm' => null, 'breaking_N' => 300.0, 'count' => 1];
        foreach ([60.0, 100.0, 150.0, 250.0] as $long) {
            $lines[] = ['kind' => 'rod', 'name' => "Wire 1.5 × {$long}", 'size_mm' => 1.5, 'teeth' => null, 'length_mm' => $long, 'breaking_N' => null,
                'count' => 4];
        }

        return new self($lines);
    }

    /** @return list<array{kind: string, name: string, size_mm: float, teeth: int|null, length_mm: float|null, breaking_N: float|null, count: int}> those of a kind of which there are any */
    public function of(string $kind): array
    {
        return array_values(array_filter($this->lines, fn (array $line): bool => $line['kind'] === $kind && $line['count'] > 0));
    }

    /** @return array{name: string, size_mm: float, breaking_N: float}|null the thinnest cord that breaks at so much or more */
    public function cordOf(float $breaking_N): ?array
    {
        $strong = array_filter($this->of('cord'), fn (array $line): bool => $line['breaking_N'] >= $breaking_N);
        usort($strong, fn (array $a, array $b): int => [$a['size_mm'], $a['breaking_N']] <=> [$b['size_mm'], $b['breaking_N']]);

        return $strong === [] ? null : ['name' => $strong[0]['name'], 'size_mm' => $strong[0]['size_mm'], 'breaking_N' => (float) $strong[0]['breaking_N']];
    }

    /** @return array{name: string, teeth: int}|null the closed belt or chain of a pitch whose teeth are nearest */
    public function nearest(string $kind, float $pitch_mm, float $teeth): ?array
    {
        $like = array_filter($this->of($kind), fn (array $line): bool => abs($line['size_mm'] - $pitch_mm) <= 0.01 * $pitch_mm);
        usort($like, fn (array $a, array $b): int => abs($a['teeth'] - $teeth) <=> abs($b['teeth'] - $teeth));

        return $like === [] ? null : ['name' => $like[0]['name'], 'teeth' => (int) $like[0]['teeth']];
    }

    /** @return array{name: string, length_mm: float}|null the shortest rod that is long enough */
    public function rodOf(float $length_mm): ?array
    {
        $long = array_filter($this->of('rod'), fn (array $line): bool => $line['length_mm'] >= $length_mm);
        usort($long, fn (array $a, array $b): int => $a['length_mm'] <=> $b['length_mm']);

        return $long === [] ? null : ['name' => $long[0]['name'], 'length_mm' => (float) $long[0]['length_mm']];
    }
}

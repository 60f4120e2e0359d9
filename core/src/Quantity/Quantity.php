<?php

declare(strict_types=1);

namespace Brookstone\Core\Quantity;

/** A number with the kind of thing it measures, in SI. */
final readonly class Quantity implements \JsonSerializable
{
    public const FIGURES = 3; // enough for anything at a bench

    public function __construct(public float $si, public Dimension $dimension)
    {
    }

    public static function of(float $number, string $unit): self
    {
        $known = Units::get($unit);

        return new self($known->toSi($number), $known->dimension);
    }

    /** A share of 0 to 1, read as a percentage. */
    public static function share(float $share): self
    {
        return new self($share, Dimension::Share);
    }

    public static function number(float $number): self
    {
        return new self($number, Dimension::Number);
    }

    public function in(string $unit): float
    {
        return Units::get($unit)->fromSi($this->si);
    }

    /** As people read it: the preferred unit of the system, three significant figures where nothing else is said. `0.343 N·m` */
    public function text(string $system = 'metric', int $figures = self::FIGURES): string
    {
        $unit = self::unitFor($this, $system);

        return Format::significant($this->inverseOfNothing($unit) ? 0.0 : $unit->fromSi($this->si), $figures).Format::gap($unit->symbol).$unit->symbol;
    }

    /** @return array{si: float, dimension: string} */
    public function jsonSerialize(): array
    {
        return ['si' => $this->si, 'dimension' => $this->dimension->value];
    }

    private static function unitFor(self $quantity, string $system): Unit
    {
        $units = array_map(Units::get(...), Units::preferred($quantity->dimension, $system));
        $larger = array_filter(array_slice($units, 1), fn (Unit $unit): bool => abs($quantity->si) >= $unit->factor && ! $unit->inverse);

        return $larger === [] ? $units[0] : $larger[array_key_last($larger)];
    }

    private function inverseOfNothing(Unit $unit): bool
    {
        return $unit->inverse && $this->si === 0.0;
    }
}

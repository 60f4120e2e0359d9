<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Finding\Named;

/** A board of a build: which one, what feeds it or what it drives, under which address it answers, and where it lies on the sheet. */
final readonly class PlacedBoard
{
    use Named;

    public function __construct(public string $id, public string $name, public Board $board, public string $supply, public ?int $address = null,
        public float $x_mm = 0.0, public float $y_mm = 0.0)
    {
    }

    /** @return array{float, float, float, float} its left, top, right and bottom on the sheet, mm */
    public function box(): array
    {
        $outline = Outline::of($this->board);

        return [$this->x_mm, $this->y_mm, $this->x_mm + $outline->width_mm, $this->y_mm + $outline->height_mm];
    }

    /** @return array{float, float, int}|null where a pin of it is on the sheet, mm, and on which edge; null where it has none of that name */
    public function pinAt(string $pin): ?array
    {
        $at = Outline::of($this->board)->pins[$pin] ?? null;

        return $at === null ? null : [$this->x_mm + $at['x_mm'], $this->y_mm + $at['y_mm'], $at['side']];
    }
}

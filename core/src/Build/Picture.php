<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

/**
 * A picture of the real thing with one known length marked on it, which gives the scale of all the others. Lines are given
 * by the pixels of their ends.
 */
final readonly class Picture
{
    /**
     * @param  array{x1: float, y1: float, x2: float, y2: float, length_m: float}|null  $known
     * @param  float  $scale  size of the model over that of the real thing
     * @param  list<array{id: string, name: string, x1: float, y1: float, x2: float, y2: float}>  $readings
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $width_px,
        public int $height_px,
        public ?array $known,
        public float $scale,
        public array $readings,
    ) {
    }

    /** Metres of the real thing for a pixel; null without a known length. */
    public function metresPerPixel(): ?float
    {
        $pixels = $this->known === null ? 0.0 : self::pixels($this->known);

        return $this->known === null || $pixels <= 0.0 ? null : $this->known['length_m'] / $pixels;
    }

    /**
     * Every reading in real size and at the scale of the model. A pixel at each end is the least that a hand misses by.
     *
     * @return list<array{id: string, real_m: ?float, model_m: ?float, error_share: ?float}>
     */
    public function read(): array
    {
        $scale = $this->metresPerPixel();

        return array_map(function (array $reading) use ($scale): array {
            $pixels = self::pixels($reading);
            $real = $scale === null ? null : $pixels * $scale;

            return [
                'id' => $reading['id'],
                'real_m' => $real,
                'model_m' => $real === null ? null : $real * $this->scale,
                'error_share' => $real === null || $pixels <= 0.0 || $this->known === null ? null
                    : sqrt((M_SQRT2 / $pixels) ** 2 + (M_SQRT2 / self::pixels($this->known)) ** 2),
            ];
        }, $this->readings);
    }

    /** @param  array<string, mixed>  $line */
    private static function pixels(array $line): float
    {
        return hypot($line['x2'] - $line['x1'], $line['y2'] - $line['y1']);
    }
}

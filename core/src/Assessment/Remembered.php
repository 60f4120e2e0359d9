<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

/** Remembers as long as it lives, of the last that was kept so much. */
final class Remembered implements Known
{
    private const MOST = 80;

    /** @var array<string, object> what was kept last at the end */
    private array $kept = [];

    public function recall(string $footing): ?object
    {
        return $this->kept[$footing] ?? null;
    }

    public function keep(string $footing, object $of): void
    {
        $this->kept[$footing] = $of;
        if (count($this->kept) > self::MOST) {
            unset($this->kept[array_key_first($this->kept)]);
        }
    }
}

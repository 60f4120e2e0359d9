<?php

declare(strict_types=1);

namespace Brookstone\Core\Claims;

use Brookstone\Core\Quantity\Quantity;

/** One figure found in a text: what it measures, as it was written, and what the line said of it. */
final readonly class Figure
{
    public function __construct(public Quantity $quantity, public string $unit, public string $written, public string $line, public int $number)
    {
    }

    public function mentions(string ...$words): bool
    {
        foreach ($words as $word) {
            if (preg_match('/\b'.$word.'/u', $this->line) === 1) {
                return true;
            }
        }

        return false;
    }
}

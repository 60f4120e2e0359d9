<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/** What lies in a drawer: the drives that a choice is made from. */
final readonly class Stock
{
    /** @param  array<string, Drive>  $drives by code */
    private function __construct(public array $drives)
    {
    }

    /** The drives that come with Brookstone. */
    public static function shipped(): self
    {
        return new self(Drawer::all());
    }

    /** @param  iterable<Drive>  $drives of two with one code the last counts */
    public static function of(iterable $drives): self
    {
        $byCode = [];
        foreach ($drives as $drive) {
            $byCode[$drive->body()->code] = $drive;
        }

        return new self($byCode);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/** What lies in a drawer: the drives that a choice is made from. It is opened when it is first looked into. */
final class Stock
{
    /** @var array<string, Drive>|null by code */
    private ?array $drives = null;

    /** @param  \Closure(): iterable<Drive>  $open */
    private function __construct(private readonly \Closure $open)
    {
    }

    /** The drives that come with Brookstone. */
    public static function shipped(): self
    {
        return new self(fn (): array => Drawer::all());
    }

    /** @param  iterable<Drive>  $drives of two with one code the last counts */
    public static function of(iterable $drives): self
    {
        return new self(fn (): iterable => $drives);
    }

    /** @param  \Closure(): iterable<Drive>  $open called once, when the drives are asked for */
    public static function opened(\Closure $open): self
    {
        return new self($open);
    }

    /** @return array<string, Drive> by code */
    public function drives(): array
    {
        if ($this->drives === null) {
            $drives = [];
            foreach (($this->open)() as $drive) {
                $drives[$drive->body()->code] = $drive;
            }
            $this->drives = $drives;
        }

        return $this->drives;
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Winding\LineStock;
use Brookstone\Core\Wiring\BoardStock;

/** What lies in the drawers: the drives that a choice is made from, cords, belts and rods, and boards. Each is opened when it is first looked into. */
final class Stock
{
    /** @var array<string, Drive>|null by code */
    private ?array $drives = null;

    private ?LineStock $lines = null;

    private ?BoardStock $boards = null;

    /**
     * @param  \Closure(): iterable<Drive>  $open
     * @param  (\Closure(): LineStock)|null  $openLines
     * @param  (\Closure(): BoardStock)|null  $openBoards
     */
    private function __construct(private readonly \Closure $open, private readonly ?\Closure $openLines = null, private readonly ?\Closure $openBoards = null)
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

    /**
     * @param  \Closure(): iterable<Drive>  $open called once, when the drives are asked for
     * @param  (\Closure(): LineStock)|null  $lines
     * @param  (\Closure(): BoardStock)|null  $boards
     */
    public static function opened(\Closure $open, ?\Closure $lines = null, ?\Closure $boards = null): self
    {
        return new self($open, $lines, $boards);
    }

    /** Controllers, drivers, and what makes more pins. */
    public function boards(): BoardStock
    {
        return $this->boards ??= $this->openBoards === null ? BoardStock::shipped() : ($this->openBoards)();
    }

    /** Cords, belts, chains and rods. */
    public function lines(): LineStock
    {
        return $this->lines ??= $this->openLines === null ? LineStock::shipped() : ($this->openLines)();
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

<?php

declare(strict_types=1);

namespace Brookstone\Core\Comparison;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Verdict;

/** What is told of one variant in one row. */
final readonly class Cell implements \JsonSerializable
{
    /** @param  float|null  $size  the less of it, the better; null where that is no matter of more or less */
    public function __construct(public ?Verdict $verdict, public Sentence $says, public ?float $size = null, public ?Sentence $about = null)
    {
    }

    public function isAs(self $other): bool
    {
        return $this->verdict === $other->verdict && $this->says->text() === $other->says->text()
            && $this->about?->text() === $other->about?->text();
    }

    /** Over 0 where this is the better one, under 0 where the other is, 0 where that cannot be said. */
    public function betterBy(self $other): int
    {
        $rank = ($other->verdict?->rank() ?? 0) <=> ($this->verdict?->rank() ?? 0);

        return $rank !== 0 || $this->size === null || $other->size === null ? $rank : $other->size <=> $this->size;
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['verdict' => $this->verdict?->value, 'says' => $this->says, 'about' => $this->about];
    }
}

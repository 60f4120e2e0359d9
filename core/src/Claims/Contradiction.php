<?php

declare(strict_types=1);

namespace Brookstone\Core\Claims;

use Brookstone\Core\Finding\Sentence;

/** Two figures that should agree and do not. */
final readonly class Contradiction implements \JsonSerializable
{
    /** @param  string  $kind `same_twice`, `power`, `idle_over_stall`, `counts`, `ratings` or `density` */
    public function __construct(public string $kind, public Sentence $says)
    {
    }

    /** @return array{kind: string, says: Sentence} */
    public function jsonSerialize(): array
    {
        return ['kind' => $this->kind, 'says' => $this->says];
    }
}

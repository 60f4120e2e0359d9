<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Finding\Sentence;

/** Why something cannot be written, and where it stands in the document. */
final readonly class Obstacle
{
    public function __construct(public string $path, public Sentence $says)
    {
    }
}

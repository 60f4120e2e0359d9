<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Sentence;

/** Something of a build that no program can do on its board: where it stands in the document, and why. */
final class CannotBeWritten extends \RuntimeException
{
    /** @param  non-empty-list<Obstacle>  $obstacles */
    public function __construct(public readonly array $obstacles)
    {
        parent::__construct(implode(' ', array_map(fn (Obstacle $obstacle): string => $obstacle->says->template, $obstacles)));
    }

    /** As any other input that cannot be taken: each at its place. */
    public function asInput(): InvalidInput
    {
        return new InvalidInput(array_map(fn (Obstacle $obstacle): array => ['field' => $obstacle->path, 'message' => $obstacle->says->text()],
            $this->obstacles));
    }

    public static function because(string $path, string $says): self
    {
        return new self([new Obstacle($path, new Sentence($says))]);
    }
}

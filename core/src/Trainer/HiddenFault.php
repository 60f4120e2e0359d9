<?php

declare(strict_types=1);

namespace Brookstone\Core\Trainer;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Routine\WorldEvent;

/** Something that is wrong with a build: in the world, from the beginning on, or a mistake in the build or its program. */
final readonly class HiddenFault
{
    /**
     * @param  string  $id  kind and part: `drags tide`
     * @param  Sentence  $says  what is wrong
     * @param  list<WorldEvent>  $events
     * @param  array<string, mixed>  $changes  values by paths of the document
     */
    public function __construct(public string $id, public Sentence $says, public array $events = [], public array $changes = [])
    {
    }

    public function kind(): string
    {
        return explode(' ', $this->id)[0];
    }

    /** The build with the mistake in it. */
    public function in(Build $build): Build
    {
        return $this->changes === [] ? $build : Editor::apply($build, array_map(fn (string $path, mixed $value): array => ['path' => $path, 'value' => $value],
            array_keys($this->changes), $this->changes));
    }
}

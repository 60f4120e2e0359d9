<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Rehearsed;

/** Remembers as long as it lives. */
final class InMind implements Memory
{
    /** @var array<string, Rehearsed> */
    private array $rehearsed = [];

    /** @var array<string, array<string, Tried>> */
    private array $tried = [];

    public function rehearsed(Build $build): Rehearsed
    {
        return $this->rehearsed[self::key($build)] ??= Rehearsal::of($build, end($this->rehearsed) ?: null);
    }

    public function keepRehearsed(Build $build, Rehearsed $rehearsed): void
    {
        $this->rehearsed[self::key($build)] = $rehearsed;
    }

    public function tried(Build $build): array
    {
        return $this->tried[self::key($build)] ?? [];
    }

    public function keepTried(Build $build, array $tried): void
    {
        $this->tried[self::key($build)] = $tried;
    }

    private static function key(Build $build): string
    {
        return hash('xxh128', json_encode($build->document, JSON_THROW_ON_ERROR));
    }
}

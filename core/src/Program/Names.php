<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

/** Names of a program for the ids of a build: letters, figures and `_`, none of them twice, and none that a language keeps for itself. */
final class Names
{
    private const LONGEST = 40;

    /** @var array<string, string> id by name */
    private array $taken = [];

    /** @param  string  $kind  what stands before it: `MOTION`, `do` */
    public function of(string $kind, string $id): string
    {
        $word = trim((string) preg_replace('/[^a-z0-9]+/', '_', strtolower($id)), '_');
        $word = $kind === strtoupper($kind) ? strtoupper($word) : $word;
        $name = $first = rtrim(substr("{$kind}_{$word}", 0, self::LONGEST), '_');
        for ($i = 2; isset($this->taken[$name]) && $this->taken[$name] !== "{$kind} {$id}"; $i++) {
            $name = "{$first}_{$i}";
        }
        $this->taken[$name] = "{$kind} {$id}";

        return $name;
    }
}

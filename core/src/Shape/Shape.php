<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

/**
 * What an input may look like. One description serves three ends: reading with sentences for people, the JSON Schema
 * that is published, and the TypeScript types made from that schema.
 */
interface Shape
{
    /**
     * Reads a decoded JSON value. Wrong places are added to $errors under their dotted path (`motions.0.task.move_s`).
     * The result has its defaults filled in and its keys in the order of the shape; it is null after an error.
     */
    public function read(mixed $value, string $path, ErrorList $errors): mixed;

    /** @return array<string, mixed> JSON Schema, draft 2020-12 */
    public function schema(): array;
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** Words for who reads it. */
final readonly class Note implements Line
{
    public string $text;

    public function __construct(string $text)
    {
        $this->text = self::clean($text);
    }

    /** On one line, with nothing that a compiler could take for its own: no end of a comment, no line joined to the next, no unseen signs. */
    public static function clean(string $text): string
    {
        $text = (string) preg_replace('/[^\p{L}\p{M}\p{N}\p{P}\p{S}\p{Zs}]+/u', ' ', mb_scrub($text));

        return trim(str_replace(['\\', '*/', '/*', '??'], ['/', '* /', '/ *', '? ?'], $text));
    }

    public function expressions(): array
    {
        return [];
    }
}

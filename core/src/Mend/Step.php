<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;

/** One of the mends that follow one another until a build holds. */
final readonly class Step implements \JsonSerializable
{
    /**
     * @param  string  $mark  of the proposal: by it the step is dropped
     * @param  Sentence  $mends  what was wrong
     * @param  array{fails: int, tight: int}  $before  findings that fail, and that are tight, before it
     */
    public function __construct(public string $mark, public Sentence $mends, public Fix $fix, public array $before)
    {
    }

    /** @return array{mark: string, mends: Sentence, fix: Fix, before: array{fails: int, tight: int}} */
    public function jsonSerialize(): array
    {
        return ['mark' => $this->mark, 'mends' => $this->mends, 'fix' => $this->fix, 'before' => $this->before];
    }
}

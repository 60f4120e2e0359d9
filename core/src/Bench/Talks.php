<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

/** A program that runs: it is told what is seen, and answers with what it wants. */
interface Talks
{
    /**
     * @return list<string> what it wants, in its order
     *
     * @throws ProgramEnded when it answers no more
     */
    public function ask(string $line): array;

    /** After its last answer: for so long, ms, nothing happens unless it sees something else; 0 where it must look at every scan. */
    public function rests_ms(): int;

    /** And that hangs on how motions stand. */
    public function hangsOnMotions(): bool;

    /** From the beginning, as after a time without power. */
    public function restart(): void;
}

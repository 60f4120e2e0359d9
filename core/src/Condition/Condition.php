<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\RecordShape;

/** Something that is so or not, as far as the controller can tell. A new kind is one class, named once in Conditions. */
interface Condition
{
    /** Its fields in documents, without the word `test`. */
    public static function shape(): RecordShape;

    /** @param  array<string, mixed>  $read */
    public static function make(array $read): self;

    /** As it stands in a sentence: “the beam is broken”. */
    public function says(Inventory $build): Sentence;

    public function holds(Senses $senses): bool;

    /** The same in a program: an expression that is a truth. */
    public function asked(Asking $of): string;

    /**
     * What it names of the build, by field: kind (`motion`, `place`, `sensor`, `analog`, `counter`, `routine`) and id.
     *
     * @return array<string, array{string, string}>
     */
    public function refersTo(): array;

    /** @return list<Condition> those it is made of */
    public function parts(): array;
}

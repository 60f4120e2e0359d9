<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\RecordShape;

/** One step of a routine. A new kind of step is one class, named once in Steps. */
interface Step
{
    /** Its fields in documents, without the word `do`. */
    public static function shape(): RecordShape;

    /** @param  array<string, mixed>  $read */
    public static function make(array $read): self;

    /** The motion it moves, if any. */
    public function motion(): ?string;

    /** @return array<string, list<Step>> the steps that it holds, by field path: `steps`, `branches.1` */
    public function inner(): array;

    /** @return array<string, Condition> by field */
    public function conditions(): array;

    /**
     * What the step refers to in the build, by field, for checking: kind (`motion`, `place`, `sensor`, `switch`, `output`) and id.
     *
     * @return array<string, array{string, string}>
     */
    public function refersTo(): array;

    /** What it does to the machine. */
    public function effect(Inventory $build): Effect;

    /** @return array<string, string> what cannot be although each of its fields could: a sentence by field */
    public function problems(): array;

    public function says(Inventory $build): Sentence;

    /** The same in a program: a script is told what is done, in its order. */
    public function writes(Script $script): void;

    /**
     * Does the step: yields once for each scan of the controller that it waits, returns when it is done. What it yields is the time until which only a change
     * of an input, or in the world, matters to it; null where it must look at every scan.
     *
     * @return \Generator<int, float|null, null, void>
     *
     * @throws StepFailed
     */
    public function run(Controller $controller): \Generator;
}

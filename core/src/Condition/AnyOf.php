<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\RecordShape;

/** Any of several. */
final readonly class AnyOf implements Condition
{
    /** @param  list<Condition>  $of */
    public function __construct(public array $of)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['of' => Field::needed(new ListShape(Conditions::shape(), 1, 12, 'conditions'))], 'AnyOf');
    }

    public static function make(array $read): self
    {
        return new self(array_values(array_map(Conditions::make(...), $read['of'])));
    }

    public function says(Inventory $build): Sentence
    {
        return Conditions::joined(array_map(fn (Condition $each): Sentence => $each->says($build), $this->of), ' or ');
    }

    public function holds(Senses $senses): bool
    {
        $holds = array_map(fn (Condition $each): bool => $each->holds($senses), $this->of); // every one: some of them remember

        return in_array(true, $holds, true);
    }

    public function asked(Asking $of): string
    {
        return '('.implode(') | (', array_map(fn (Condition $each): string => $each->asked($of), $this->of)).')'; // every one: some of them remember
    }

    public function refersTo(): array
    {
        return [];
    }

    public function parts(): array
    {
        return $this->of;
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;

/** Not so. */
final readonly class NotSo implements Condition
{
    public function __construct(public Condition $that)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['that' => Field::needed(Conditions::shape())], 'NotSo');
    }

    public static function make(array $read): self
    {
        return new self(Conditions::make($read['that']));
    }

    public function says(Inventory $build): Sentence
    {
        $says = $this->that->says($build);

        return new Sentence("it is not so that {$says->template}", $says->values);
    }

    public function holds(Senses $senses): bool
    {
        return ! $this->that->holds($senses);
    }

    public function asked(Asking $of): string
    {
        return '!('.$this->that->asked($of).')';
    }

    public function refersTo(): array
    {
        return [];
    }

    public function parts(): array
    {
        return [$this->that];
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;

/** If something is so these steps, otherwise those. */
final readonly class ChooseStep implements Step
{
    use HasNoProblems;

    /**
     * @param  list<Step>  $then
     * @param  list<Step>  $otherwise
     */
    public function __construct(public Condition $if, public array $then, public array $otherwise)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'if' => Field::needed(Conditions::shape(), 'What decides.'),
            'then' => Field::or([], Steps::shape(), 'What is done if it is so.'),
            'otherwise' => Field::or([], Steps::shape(), 'What is done if not.'),
        ], 'ChooseStep');
    }

    public static function make(array $read): self
    {
        return new self(Conditions::make($read['if']), Steps::make($read['then']), Steps::make($read['otherwise']));
    }

    public function motion(): ?string
    {
        return null;
    }

    public function inner(): array
    {
        return ['then' => $this->then, 'otherwise' => $this->otherwise];
    }

    public function conditions(): array
    {
        return ['if' => $this->if];
    }

    public function refersTo(): array
    {
        return [];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect;
    }

    public function says(Inventory $build): Sentence
    {
        $if = $this->if->says($build);

        return new Sentence("If {$if->template}:", $if->values);
    }

    public function writes(Script $script): void
    {
        $script->chooses($this->if, $this->then, $this->otherwise);
    }

    public function run(Controller $controller): \Generator
    {
        $holds = $this->if->holds($controller->senses());
        $controller->learns($this->if, $holds);
        yield from $controller->steps($holds ? $this->then : $this->otherwise);
    }
}

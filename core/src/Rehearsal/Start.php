<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Routine\Scenario;

/** From where, and after what, a routine is begun. */
final readonly class Start
{
    /**
     * @param  string  $says  as it ends a sentence: “from power-on with Lid at Open”
     * @param  array<string, float>  $at  where motions stand when the power comes on, in their own unit; the others where their task begins
     * @param  array{Condition, bool}|null  $so  that this is so, or not, when it begins
     * @param  list<string>  $before  routines that are done before it, since the power came on
     * @param  array<string, float>  $fed  what supplies give, over their nominal voltage; the others just that
     * @param  Scenario|null  $scenario  of the build: then the world does what that says, and nobody else starts or answers anything
     */
    public function __construct(public string $says, public array $at = [], public ?array $so = null, public ?Scenario $scenario = null,
        public array $before = [], public array $fed = [])
    {
    }

    /** Nothing stands elsewhere than usual, every supply gives its nominal voltage, and nothing special happens; after other routines, or not. */
    public function isUsual(): bool
    {
        return $this->at === [] && $this->so === null && $this->scenario === null && $this->fed === [];
    }
}

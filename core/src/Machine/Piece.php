<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Solid\Placement;

/** A body and what moves it. */
final readonly class Piece
{
    /** Where it is on what moves it. */
    public Placement $at;

    /**
     * @param  Motion|null  $of  what moves it; null stands on the base
     * @param  list<string>  $movedBy  that, and what it stands on, to the base
     * @param  Placement|null  $at  where it is on that; null: as the body says
     * @param  string|null  $driveOf  the motion whose drive it is
     */
    public function __construct(public Body $body, public ?Motion $of, public array $movedBy, ?Placement $at = null, public ?string $driveOf = null)
    {
        $this->at = $at ?? $body->placement;
    }

    /** `Lid of the Chest`, for sentences; a thing by its name alone. */
    public function named(): string
    {
        return $this->driveOf !== null ? 'the '.$this->body->named() : $this->namedAsBody();
    }

    private function namedAsBody(): string
    {
        return $this->of === null || $this->of->name === $this->body->name ? $this->body->named()
            : Sentence::quote($this->body->name).' of '.$this->of->named();
    }

    /** Its path in the document, without its place in a list: `motions head body` or `things wall`. */
    public function key(): string
    {
        return ($this->of->id ?? '').'/'.$this->body->id;
    }
}

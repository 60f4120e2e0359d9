<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Routine\Effect;
use Brookstone\Core\Routine\Movement;

/** One point of a routine at which a thread can stand, or which it passes. Ends are −1. */
final class Node
{
    public const MOVE = 0;    // begins a move, then rests here until it is done or gives up

    public const WAIT = 1;    // rests until it is over

    public const DO = 2;      // done at once

    public const CHOOSE = 3;  // goes to one of two

    public const FORK = 4;    // begins branches, then rests here until they have ended

    public const FAULT = 5;   // fails

    public const AGAIN = 6;   // rests for one look of the controller, then goes on

    public readonly ?Movement $move;

    public readonly ?string $motion;

    public int $next = -1;

    /** Where a choice goes if not so. */
    public int $else = -1;

    /** @var list<array{int, int, int}> of each branch its first node, −1 of an empty one, and its nodes: from here to before there */
    public array $branches = [];

    public bool $any = false;

    /** It is of what its routine does when it has failed. */
    public bool $failing = false;

    /**
     * @param  int  $routine  whose thread it is
     * @param  string  $path  of the step in the document: `routines.1.steps.0`
     */
    public function __construct(
        public readonly int $kind,
        public readonly int $routine,
        public readonly string $path,
        public readonly Effect $effect = new Effect,
        public readonly ?Condition $condition = null,
    ) {
        $this->move = $effect->move;
        $this->motion = $effect->move?->motion;
    }
}

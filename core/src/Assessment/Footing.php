<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;

/** What the judgement of one motion by itself hangs on: all that is said of it, and what it asks of the rest of its build. */
final readonly class Footing
{
    /** Of a document, what a motion is judged by besides itself. */
    private const BESIDES = ['settings', 'supplies', 'tanks', 'sensors'];

    private string $base;

    /** @param  bool  $proposes  what would mend it is looked for too: that asks what else hangs on its supply */
    public function __construct(private Build $build, bool $proposes)
    {
        $others = array_map(fn (array $said): array => [$said['id'], $proposes ? $said['drive'] : $said['drive'] === null], $build->document['motions']);
        $this->base = self::hash([array_intersect_key($build->document, array_flip(self::BESIDES)), $others, $proposes]);
    }

    public function of(Motion $motion): string
    {
        $held = array_filter($this->build->motions, fn (Motion $each): bool => $each->latch?->motion === $motion->id || $each->id === $motion->level?->with);
        $with = [...$this->build->motorGroups[$motion->id]->members ?? [$motion->id], ...$this->build->stage->family($motion->id), ...array_keys($held)];
        $said = array_filter($this->build->document['motions'], fn (array $each): bool => in_array($each['id'], $with, true));
        $speeds = array_map(fn (LimitSwitch $switch): array => $this->build->speedsOnto($motion, $switch), $motion->stops->tellers());

        return self::hash([$this->base, $motion->id, $said, $speeds, $motion->drive?->leads(), $this->build->isRehearsed($motion->id)]);
    }

    private static function hash(mixed $of): string
    {
        return hash('xxh128', json_encode($of, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }
}

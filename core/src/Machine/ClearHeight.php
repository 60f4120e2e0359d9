<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Parts\Motion;

/** From which position on the motion that lifts a carried thing holds it clear of what stands on the way of another. */
final readonly class ClearHeight
{
    private const UPWARDS = 0.7; // of its way goes up: it lifts

    private const FINE_M = 0.0005;

    private const ROUND = 1000.0; // of a metre; of what turns tenths of a degree

    public function __construct(private Clearance $clearance)
    {
    }

    /**
     * @param  Piece  $carried  on what it rides
     * @param  string  $mover  the motion that brings it to the other
     * @param  array<string, float>  $pose  of all motions
     * @return array{Motion, float}|null the motion that lifts it, and its position, own unit; null where none does, or not high enough
     */
    public function over(Piece $carried, Piece $other, string $mover, array $pose, float $asked_m): ?array
    {
        foreach ($carried->movedBy as $id) {
            $lifts = $this->clearance->stage->motions[$id];
            $top = $id === $mover ? null : $this->top($carried, $lifts, $pose);
            if ($top === null) {
                continue;
            }
            $clears = fn (float $at): bool => ! $this->clearance->comeWithin([[$carried, $other]], $mover, $this->clearance->stage->motions[$mover]->range(),
                [$id => $at] + $pose, $asked_m - Clearance::NEITHER_M, self::FINE_M);
            if (! $clears($top)) {
                continue;
            }
            $rises = $top > $pose[$id];
            $grid = ($lifts->unit()->toSi(1.0) === 1.0 ? self::ROUND : self::ROUND / 100) * ($rises ? 1 : -1); // towards the top it counts up
            [$low, $high] = [(int) floor($pose[$id] * $grid), (int) ceil($top * $grid - 1e-6)];
            while ($high - $low > 1) {
                $middle = intdiv($low + $high, 2);
                $clears($middle / $grid) ? $high = $middle : $low = $middle;
            }

            return [$lifts, 0.0 + ($rises ? min($high / $grid, $top) : max($high / $grid, $top))];
        }

        return null;
    }

    /**
     * The end of its range to which it goes up from where it is.
     *
     * @param  array<string, float>  $pose
     */
    private function top(Piece $carried, Motion $lifts, array $pose): ?float
    {
        $at = fn (float $position) => $this->clearance->stage->placed([$lifts->id => $position] + $pose, $carried->movedBy)[1][$carried->of->id ?? '']
            ->then($carried->at)->at;
        [$low, $high] = $lifts->range();
        foreach ([$high, $low] as $end) {
            $goes = $at($end)->minus($at($pose[$lifts->id]));
            if ($goes->z > self::UPWARDS * $goes->length() && $goes->z > self::FINE_M) {
                return $end;
            }
        }

        return null;
    }
}

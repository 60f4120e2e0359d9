<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\Nearest;
use Brookstone\Core\Machine\Piece;
use Brookstone\Core\Machine\Stage;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;

/** What clears a thing that is in the way: it stands elsewhere, or is no higher. */
final readonly class MakeRoom
{
    private const FARTHEST_M = 0.4;

    private const ROUND_M = 0.001;

    private const WAYS = ['to the right' => ['x_m', 1], 'to the left' => ['x_m', -1], 'further away' => ['y_m', 1], 'nearer' => ['y_m', -1]];

    private const MOST = 3;

    public function __construct(private Build $build, private Clearance $clearance)
    {
    }

    /**
     * @param  \Closure(Motion): array{float, float}  $reaches  how far each motion gets
     * @return list<Fix> the least change first
     */
    public function between(Nearest $nearest, \Closure $reaches): array
    {
        $thing = $nearest->other->of === null ? $nearest->other->body : ($nearest->one->of === null ? $nearest->one->body : null);
        $i = $thing === null ? false : array_search($thing->id, array_column($this->build->document['things'], 'id'), true);
        if ($thing === null || $i === false) {
            return [];
        }
        $said = $this->build->document['things'][$i];
        $options = [];
        foreach (self::WAYS as $word => [$axis, $sign]) {
            $by = $this->least(fn (float $by): array => [$axis => $said[$axis] + $sign * $by] + $said, $reaches);
            if ($by !== null) {
                $options[] = [$by, new Fix(new Sentence("Put {$thing->named()} {by} {$word}", ['by' => Quantity::of($by, 'm')]),
                    [new Change("things.{$i}.{$axis}", round($said[$axis] + $sign * $by, 6))])];
            }
        }
        $height = $thing->height_m ?? $thing->width_m ?? $thing->length_m;
        $lowered = fn (float $by): array => ['height_m' => $height - $by, 'z_m' => $said['z_m'] - $by / 2] + $said;
        $by = $thing->is === 'way' && $thing->shape === 'box' && $thing->lean_deg === 0.0 ? $this->least($lowered, $reaches, $height - self::ROUND_M) : null;
        if ($by !== null) {
            $options[] = [$by, new Fix(new Sentence("Let {$thing->named()} be no higher than {height}", ['height' => Quantity::of($height - $by, 'm')]),
                [new Change("things.{$i}.height_m", round($height - $by, 6)), new Change("things.{$i}.z_m", round($said['z_m'] - $by / 2, 6))])];
        }
        usort($options, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_slice(array_column($options, 1), 0, self::MOST);
    }

    /**
     * The least of a change that clears it of everything, in whole millimetres.
     *
     * @param  \Closure(float): array<string, mixed>  $changed  the thing as the document would have it
     * @param  \Closure(Motion): array{float, float}  $reaches
     */
    private function least(\Closure $changed, \Closure $reaches, float $most_m = self::FARTHEST_M): ?float
    {
        $clears = fn (int $steps): bool => $this->isClear(new Body(...$changed($steps * self::ROUND_M)), $reaches);
        $most = (int) floor($most_m / self::ROUND_M);
        for ($high = 1; ! $clears(min($high, $most)); $high *= 2) {
            if ($high >= $most) {
                return null;
            }
        }
        $high = min($high, $most);
        for ($low = intdiv($high, 2); $high - $low > 1;) {
            $middle = intdiv($low + $high, 2);
            $clears($middle) ? $high = $middle : $low = $middle;
        }

        return $high * self::ROUND_M;
    }

    /** @param  \Closure(Motion): array{float, float}  $reaches */
    private function isClear(Body $thing, \Closure $reaches): bool
    {
        $clearance = Clearance::of(new Stage($this->build->motions, [$thing]));
        $alone = fn (Piece $one, Piece $other): bool => $one->of === null || $other->of === null;
        foreach ($this->clearance->stage->motions as $id => $motion) {
            if ($clearance->over($id, $reaches($motion), [], $this->build->settings->clear_m - Clearance::NEITHER_M, only: $alone) !== []) {
                return false;
            }
        }

        return true;
    }
}

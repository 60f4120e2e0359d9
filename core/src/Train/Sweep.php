<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Mechanism\Bars;

/** A linkage over its whole way on a plate: what its bars would run into. */
final readonly class Sweep
{
    private const STEPS = 90; // looked at on the way

    private const CLEARANCE_MM = 0.5; // rods have play in their eyes

    private const PIVOT_MM = 0.2; // nearer than this a pivot stands where it should

    public function __construct(private Layout $layout, private Train $train, private Bars $bars, private float $from, private float $to)
    {
    }

    /** How far its other pivot stands off where the bars want it, mm; positive is too far. Null where it is right. */
    public function pivotOff_mm(LinkageAt $at): ?float
    {
        $wanted = $this->bars->pivots_mm();
        $off = $wanted === null ? 0.0 : $this->ground($at)[2] - $wanted;

        return abs($off) <= self::PIVOT_MM ? null : $off;
    }

    /** The other pivot moved along its line to where the bars want it. */
    public function mended(LinkageAt $at): LinkageAt
    {
        [$x, $y] = $this->layout->shafts[count($this->layout->shafts) - 1];
        [$c, $s] = $this->ground($at);
        $apart = $this->bars->pivots_mm() ?? 0.0;

        return new LinkageAt($at->plane, round($x + $apart * $c, 3), round($y + $apart * $s, 3), $at->bar_mm);
    }

    /** @return list<array<string, Span>> its bars where they stand, at so many places of its way */
    public function ways(LinkageAt $at, int $steps = self::STEPS): array
    {
        [$x, $y] = $this->layout->shafts[count($this->layout->shafts) - 1];
        [$c, $s] = $this->ground($at);
        $put = fn (array $point): array => [$x + $point[0] * $c - $point[1] * $s, $y + $point[0] * $s + $point[1] * $c];

        return array_map(fn (float $position): array => array_map(fn (array $bar): Span => new Span($put($bar[0]), $put($bar[1])),
            $this->bars->at($position)), $this->positions($steps));
    }

    /** @return list<BarClash> the worst of each bar with each thing */
    public function clashes(LinkageAt $at): array
    {
        $load = count($this->layout->shafts) - 1;
        $half = $at->bar_mm / 2;
        $axes = Layout::axes($this->train);
        $wheels = array_filter($this->layout->wheels($this->train), fn (Wheel $wheel): bool => $wheel->plane === $at->plane);
        $shafts = array_filter(array_keys($this->layout->shafts), fn (int $i): bool => $axes[$i] !== $axes[$load] && $this->layout->topOf($this->train,
            $i) >= $at->plane);
        $obstacles = array_filter($this->layout->obstacles, fn (Obstacle $obstacle): bool => $obstacle->isOn($at->plane));
        $positions = $this->positions(self::STEPS);
        $worst = [];
        foreach ($this->ways($at) as $k => $bars) {
            foreach ($bars as $name => $bar) {
                $rooms = [];
                foreach ($wheels as $wheel) {
                    $rooms["the wheel of {$wheel->teeth} teeth of stage ".($wheel->stage + 1)] = $bar->awayFrom_mm($wheel->at) - $wheel->outside_mm - $half;
                }
                foreach ($shafts as $i) {
                    $rooms['shaft '.($i + 1)] = $bar->awayFrom_mm($this->layout->shafts[$i]) - $this->layout->plate->shaft_mm / 2 - $half;
                }
                foreach ($obstacles as $obstacle) {
                    $rooms[$obstacle->name] = $bar->apartFrom_mm($obstacle->span()) - $obstacle->radius_mm - $half;
                }
                $rooms['the edge of the room'] = self::CLEARANCE_MM - max($this->over($bar->from, $half), $this->over($bar->to, $half));
                foreach ($rooms as $meets => $room) {
                    if ($room < self::CLEARANCE_MM - Layout::SHOWS_MM && $room < ($worst["{$name} {$meets}"][0] ?? INF)) {
                        $worst["{$name} {$meets}"] = [$room, new BarClash($name, $meets, $positions[$k], self::CLEARANCE_MM - $room)];
                    }
                }
            }
        }
        usort($worst, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($worst, 1);
    }

    /** @return list<float> rad */
    private function positions(int $steps): array
    {
        return array_map(fn (int $i): float => $this->from + ($this->to - $this->from) * $i / max(1, $steps), range(0, $steps));
    }

    /** @return array{float, float, float} cosine and sine of the line to the other pivot, and its length in mm */
    private function ground(LinkageAt $at): array
    {
        [$x, $y] = $this->layout->shafts[count($this->layout->shafts) - 1];
        $apart = hypot($at->x_mm - $x, $at->y_mm - $y);

        return $apart > 0.0 ? [($at->x_mm - $x) / $apart, ($at->y_mm - $y) / $apart, $apart] : [1.0, 0.0, 0.0];
    }

    /** @param  array{float, float}  $point */
    private function over(array $point, float $half): float
    {
        return $this->layout->plate->overhang_mm(new Wheel(0, true, 0, 0, $half, 1, $point));
    }
}

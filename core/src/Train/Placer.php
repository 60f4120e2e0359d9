<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/**
 * Lays a train out on its plate: every shaft in a hole where its wheels mesh, nothing in the way of anything, the smallest box
 * first. Tries every way round in depth, planes in turn, and says what stops it where nothing is found.
 */
final class Placer
{
    public const MOST_TRIES = 40_000;

    private const MOST_HOLES = 60; // around a shaft: a belt could stand anywhere

    private const ANGLES = 24; // tried around a shaft where holes are drilled anywhere

    private const SAME_MM = 1e-6;

    private const FREE_PLAY_MM = 0.05; // that a free distance adds, for each mm of module

    private int $tries = 0;

    private ?Layout $best = null;

    private float $least = INF;

    /** @var array<int, list<array{float, float}>> by stage */
    private array $known = [];

    /** @var array<string, int> how often a clash of a kind stopped it */
    private array $stopped = [];

    /** @param  list<Obstacle>  $obstacles */
    private function __construct(private readonly Train $train, private readonly Plate $plate, private readonly array $obstacles, private int $most)
    {
    }

    /**
     * @param  list<Obstacle>  $obstacles
     * @return array{Layout|null, string|null} the layout, or why there is none
     */
    public static function place(Train $train, Plate $plate, array $obstacles = [], int $most_tries = self::MOST_TRIES): array
    {
        $placer = new self($train, $plate, $obstacles, $most_tries);
        foreach ($train->stages as $i => $stage) {
            if (($placer->known[$i] = $placer->holes($stage)) === []) {
                return [null, $placer->noHole($i, $stage)];
            }
        }
        $ways = $placer->planes();
        foreach ($ways as $i => $planes) {
            $placer->most = intdiv($most_tries * ($i + 1), count($ways)); // each way gets its share
            foreach ($placer->starts() as $start) {
                if ($placer->tries < $placer->most) {
                    $placer->step($planes, [$start], 0);
                }
            }
            if ($placer->best !== null) {
                return [$placer->fromCorner($placer->best), null];
            }
        }
        arsort($placer->stopped);

        return [null, match (array_key_first($placer->stopped)) {
            Clash::ROOM => 'The wheels do not find room between the edges that are allowed.',
            Clash::SHAFT => 'Wherever the shafts stand, one of them runs through a wheel.',
            Clash::OBSTACLE => 'Something on the plate is in the way wherever the wheels stand.',
            Clash::FACE => 'Its wheels are wider than the planes are apart.',
            default => 'Wherever the shafts stand, two wheels are in one another’s way.',
        }];
    }

    /** Whether any two places for shafts on the plate stand as far apart as a stage needs. */
    public static function hasHoles(Stage $stage, Plate $plate): bool
    {
        return (new self(new Train, $plate, [], 0))->holes($stage) !== [];
    }

    /** On a plate without edges the wheels start at its corner. */
    private function fromCorner(Layout $layout): Layout
    {
        if ($this->obstacles !== [] || ($this->plate->width_mm !== null && $this->plate->height_mm !== null)) {
            return $layout;
        }
        $step = $this->plate->step_mm() ?? 1.0;
        [$left, $bottom] = $layout->bounds($this->train);
        [$x, $y] = [ceil(-$left / $step) * $step, ceil(-$bottom / $step) * $step];

        return new Layout($layout->plate, array_map(fn (array $shaft): array => [$shaft[0] + $x, $shaft[1] + $y], $layout->shafts), $layout->planes);
    }

    /** @return list<list<int>> planes of the stages, the flattest first */
    private function planes(): array
    {
        $flat = $tall = [];
        foreach ($this->train->stages as $i => $stage) {
            $flat[] = $i === 0 ? 0 : ($stage->idler ? $flat[$i - 1] : 1 - $flat[$i - 1]);
            $tall[] = $i === 0 ? 0 : ($stage->idler ? $tall[$i - 1] : $tall[$i - 1] + 1);
        }

        return $flat === $tall ? [$flat] : [$flat, $tall];
    }

    /** @return list<array{float, float}> where the shaft of the drive may stand */
    private function starts(): array
    {
        $step = $this->plate->step_mm() ?? 1.0;
        $radius = $this->train->stages === [] ? 0.0 : $this->train->stages[0]->outside_mm(true);
        $edge = ceil($radius / $step) * $step;
        if ($this->plate->width_mm === null || $this->plate->height_mm === null) {
            return [[0.0, 0.0]];
        }
        $starts = [];
        $across = max($step, ceil(($this->plate->width_mm - 2 * $edge) / 6 / $step) * $step);
        $up = max($step, ceil(($this->plate->height_mm - 2 * $edge) / 4 / $step) * $step);
        for ($x = $edge; $x <= $this->plate->width_mm - $radius; $x += $across) {
            for ($y = $edge; $y <= $this->plate->height_mm - $radius; $y += $up) {
                $starts[] = [$x, $y];
            }
        }

        return $starts === [] ? [[$edge, $edge]] : $starts;
    }

    /**
     * @param  list<int>  $planes
     * @param  non-empty-list<array{float, float}>  $shafts
     */
    private function step(array $planes, array $shafts, int $stage): void
    {
        if ($stage === count($this->train->stages)) {
            [$left, $bottom, $right, $top] = (new Layout($this->plate, $shafts, $planes))->bounds($this->train);
            $box = ($right - $left) * ($top - $bottom);
            if ($box < $this->least * (1 - 1e-9)) {
                $this->least = $box;
                $this->best = new Layout($this->plate, $shafts, $planes, $this->obstacles);
            }

            return;
        }
        $from = $shafts[$stage];
        $part = new Train(array_slice($this->train->stages, 0, $stage + 1));
        foreach ($this->known[$stage] ??= $this->holes($this->train->stages[$stage]) as [$x, $y]) {
            if (++$this->tries > $this->most) {
                return;
            }
            $here = [...$shafts, [$from[0] + $x, $from[1] + $y]];
            $clashes = (new Layout($this->plate, $here, array_slice($planes, 0, $stage + 1), $this->obstacles))->clashes($part);
            if ($clashes !== []) {
                $this->stopped[$clashes[0]->kind] = ($this->stopped[$clashes[0]->kind] ?? 0) + 1;

                continue;
            }
            $this->step($planes, $here, $stage + 1);
        }
    }

    /** @return list<array{float, float}> from a shaft to where the next may stand, those that mesh best first */
    private function holes(Stage $stage): array
    {
        $wanted = $stage->shaftsApart_mm();
        $step = $this->plate->step_mm();
        $apart = $wanted === null ? ($stage->type->runsOver() ? 1.5 : 1.0) * ($stage->outside_mm(true) + $stage->outside_mm(false))
            : $wanted + ($stage->backlash_mm > 0.0 ? 0.0 : self::FREE_PLAY_MM * $stage->module_mm);
        if ($stage->type->isOneToOne()) {
            return [[0.0, 0.0]];
        }
        if ($step === null) {
            return array_map(fn (int $i): array => [$apart * cos(2 * M_PI * $i / self::ANGLES), $apart * sin(2 * M_PI * $i / self::ANGLES)],
                range(0, self::ANGLES - 1));
        }
        $found = [];
        if ($wanted === null) {
            // A belt may stand anywhere: a hole in each direction will do.
            for ($i = 0; $i < self::ANGLES; $i++) {
                [$x, $y] = [round($apart * cos(2 * M_PI * $i / self::ANGLES) / $step) * $step,
                    round($apart * sin(2 * M_PI * $i / self::ANGLES) / $step) * $step];
                $found["{$x} {$y}"] = [abs(hypot($x, $y) - $apart), $x, $y];
            }
        }
        foreach ($wanted === null ? [] : self::ring($step, $wanted - $stage->module_mm, $wanted + $stage->module_mm) as [$x, $y]) {
            if (Meeting::of($stage, hypot($x, $y))->fit === 'fits') {
                $found[] = [abs(hypot($x, $y) - $apart), $x, $y];
            }
        }
        sort($found);
        $found = array_slice($found, 0, self::MOST_HOLES);

        return array_map(fn (array $hole): array => [$hole[1], $hole[2]], $found);
    }

    /**
     * Holes around one at (0, 0) that are no nearer and no further than so much.
     *
     * @return list<array{float, float}>
     */
    public static function ring(float $step, float $from, float $to): array
    {
        $ring = [];
        for ($i = (int) ceil(-$to / $step), $last = (int) floor($to / $step); $i <= $last; $i++) {
            $x = $i * $step;
            $least = (int) ceil(sqrt(max(0.0, $from ** 2 - $x ** 2)) / $step);
            $most = (int) floor(sqrt(max(0.0, $to ** 2 - $x ** 2)) / $step);
            for ($j = $least; $j <= $most; $j++) {
                $ring[] = [$x, $j * $step];
                if ($j > 0) {
                    $ring[] = [$x, -$j * $step];
                }
            }
        }

        return $ring;
    }

    private function noHole(int $i, Stage $stage): string
    {
        $wanted = (float) $stage->shaftsApart_mm();
        $step = (float) $this->plate->step_mm();
        $nearest = INF;
        foreach (self::ring($step, $wanted - 2 * $step, $wanted + 2 * $step) as [$x, $y]) {
            $off = hypot($x, $y) - $wanted;
            $nearest = abs($off) < abs($nearest) ? $off : $nearest;
        }

        if (abs($nearest) < self::SAME_MM) {
            return sprintf('Holes %.4g mm apart would do for stage %d, but leave no play between its %d and %d teeth: say how much they are cut with.', $wanted,
                $i + 1, $stage->driver, $stage->driven);
        }

        return sprintf('No two holes stand %.4g mm apart for stage %d of %d and %d teeth: the nearest are %.2g mm too %s.', $wanted, $i + 1, $stage->driver,
            $stage->driven, abs($nearest), $nearest > 0.0 ? 'far' : 'near');
    }
}

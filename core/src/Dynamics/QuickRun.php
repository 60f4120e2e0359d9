<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Mechanism\Mechanism;

/**
 * The time of one move for many motors: load, friction and inertia are looked up once in a table of cells along the way.
 * Where the inertia is the same everywhere each cell is crossed in closed form, ω̇ = (P − F·ω − L)/J with the load of its
 * middle. Where it changes with the crank the kinetic energy is carried from cell to cell, ½J₁ω₁² = ½J₀ω₀² + (P − F·ω − L)Δθ,
 * with the speed between the two, nearer to the later where the motor is stiff. Right to 0.5 % of MotionRun, with a crank to
 * 1 %, but for a few motors a hair stronger than the load (tested); where the plant does more than that (wheels that may slip, a ramp), it does not apply.
 */
final readonly class QuickRun
{
    private const CELLS = 16;

    private const LEAST_CELLS = 8;    // between two places where the load jumps or bends

    private const CELLS_PER_RAD = 4; // where the inertia changes with the crank

    private const CRANK_CELLS = 24;   // and no fewer

    private const MOST_CELLS = 1200;

    private const NEWTON = 12;

    private const PRECISION = 1e-6;  // of a cell

    private const SETTLED = 30.0;    // time constants after which nothing is left of a lag

    private const MOST_PIECES = 20; // of one cell

    /** How often what pushes was looked for in a cell. */
    private const KEPT = 0;

    private const LOOKED = 1;

    private const AGAIN = 2;

    /** @var list<float> load against the move with friction, of each cell */
    private array $loads;

    /** @var list<float> at the start, and at the end of each cell */
    private array $inertias;

    /** @var list<float> of each cell, rad */
    private array $widths;

    private bool $grips;

    private bool $isEven;

    public function __construct(Mechanism $mechanism, Move $move)
    {
        $this->isEven = $mechanism->isEven();
        $this->grips = $mechanism->gripNm() === INF;
        $turn = abs($mechanism->turnAt($move->to) - $mechanism->turnAt($move->from));
        $count = $mechanism->isEven() ? self::CELLS : (int) min(self::MOST_CELLS, max(self::CRANK_CELLS, ceil($turn * self::CELLS_PER_RAD)));
        $direction = $move->direction();
        $loads = $widths = [];
        $inertias = [$mechanism->inertiaKgm2($move->from)];
        foreach (self::cells($mechanism, $move, $count) as [$from, $to]) {
            $at = ($from + $to) / 2;
            $friction = $mechanism->frictionNm($at);
            $load = $direction * $mechanism->staticTorqueNm($at) + $friction;
            $width = abs($mechanism->turnAt($to) - $mechanism->turnAt($from));
            $last = count($loads) - 1;
            if ($this->isEven && $last >= 0 && $loads[$last] === $load) {
                $widths[$last] += $width; // nothing changes: solved as one

                continue;
            }
            $loads[] = $load;
            $widths[] = $width;
            $inertias[] = $this->isEven ? $inertias[0] : $mechanism->inertiaKgm2($to);
        }
        [$this->loads, $this->widths, $this->inertias] = [$loads, array_values($widths), $inertias];
    }

    /**
     * About so many cells; none reaches over a place where the load jumps or bends.
     *
     * @return list<array{float, float}> where each starts and ends, rad or m
     */
    private static function cells(Mechanism $mechanism, Move $move, int $count): array
    {
        $ends = array_filter($mechanism->breaks(), fn (float $break): bool => ($break - $move->from) * ($break - $move->to) < 0.0);
        $ends = [...$ends, $move->to];
        $move->direction() > 0 ? sort($ends) : rsort($ends);
        $cells = [];
        $from = $move->from;
        foreach ($ends as $end) {
            $parts = max(self::LEAST_CELLS, (int) round($count * ($end - $from) / $move->distance()));
            for ($i = 0; $i < $parts && $end !== $from; $i++) {
                $cells[] = [$from + ($end - $from) * $i / $parts, $from + ($end - $from) * ($i + 1) / $parts];
            }
            $from = $end;
        }
        if ($mechanism->isEven()) {
            return $cells;
        }

        // Where it starts from rest the cells are finer: a stiff motor is up to its speed within a part of one.
        [$start, $first] = $cells[0];
        $edges = array_map(fn (float $share): float => $start + ($first - $start) * $share, [0.0, 1 / 32, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 1.0]);

        return [...array_map(null, array_slice($edges, 0, -1), array_slice($edges, 1)), ...array_slice($cells, 1)];
    }

    public function appliesTo(TorqueLine $line, float $ramp_s): bool
    {
        return $this->grips && $ramp_s <= 0.0 && $line->fall_Nms > 0.0;
    }

    /**
     * @param  float  $rotor_kgm2  as the load's shaft feels it
     * @param  float  $back  what is left of the load's push when it drives the train; 0 locks
     * @param  float  $within_s  what takes longer does not get there
     * @return array{?float, float}|null s, null where it does not get there, and its fastest in rad/s; null with a crank when that cannot be said so quickly
     */
    public function run(TorqueLine $line, float $ratio, float $efficiency, float $rotor_kgm2, float $back, float $within_s = INF): ?array
    {
        if (! $this->isEven) {
            return $this->carried($line, $ratio, $efficiency, $rotor_kgm2, $back, $within_s);
        }
        $own = $this->inertias[0];
        $coupling = new Coupling($ratio, $efficiency, $back, $rotor_kgm2);
        $speed = $fastest = $time = 0.0;
        $how = self::KEPT;
        $mayLast = false;
        [$loads, $widths] = [$this->loads, $this->widths];
        $count = count($loads);
        for ($i = 0, $left = $widths[0]; $i < $count;) {
            $load = $loads[$i];
            $keeps = $mayLast && $how === self::KEPT;
            $how += $keeps ? 0 : 1;
            $mayLast = self::pushes($coupling, $line, $keeps, $speed, $load, $own);
            $rate = $coupling->fade / $coupling->inertia;
            $accel = ($coupling->push - $coupling->against) / $coupling->inertia - $rate * $speed;
            if ($coupling->pass === Coupling::AT_ONCE) {
                $speed = $coupling->push;
                $rate = $accel = 0.0;
            }
            if (($accel <= 0.0 && $speed <= 0.0) || $how > self::MOST_PIECES) {
                return [null, $fastest];
            }
            $t = self::crossing($speed, $accel, $rate, $left);
            $next = $speed + ($rate > 0.0 ? $accel / $rate * -expm1(-$rate * $t) : $accel * $t);
            $rest = 0.0;
            if ($how === self::KEPT) {
                if ($t === INF || ! $coupling->lasts($speed, $next, $load, $own)) {
                    $how = self::LOOKED;

                    continue;
                }
            } else { // where it comes to an end of what pushes, the rest of the cell is another piece
                [$t, $next, $rest] = self::upToItsEnd($coupling, $speed, $accel, $rate, $t, $next, $left);
                if ($t === INF) {
                    return [null, $fastest];
                }
            }
            $time += $t;
            $speed = $next;
            $fastest = $speed > $fastest ? $speed : $fastest;
            if ($time > $within_s) {
                return [null, $fastest];
            }
            $left = $rest;
            if ($left <= 0.0) {
                $i++;
                $left = $widths[$i] ?? 0.0;
                $how = self::KEPT;
            }
        }

        return [$time, $fastest];
    }

    /** What pushed in the cell before, where it lasts through this one, or what pushes now. @return bool that may last */
    private static function pushes(Coupling $coupling, TorqueLine $line, bool $lasts, float $speed, float $against, float $own): bool
    {
        if ($lasts) {
            $coupling->with($against, $own);

            return true;
        }
        $coupling->look($line, true, $speed, 1, $against, $own);

        return $coupling->mayLast($line, true, 1);
    }

    /** @return array{float, float, float} time and speed at the end of a cell, or where something else pushes from there on; and what is left of the cell then */
    private static function upToItsEnd(Coupling $coupling, float $speed, float $accel, float $rate, float $time, float $next, float $left): array
    {
        $end = $accel > 0.0 ? $coupling->above : $coupling->below;
        $until = FirstOrderLag::timeToReach($speed, $end, $accel, $rate);

        return $until < $time ? [$until, $end, max(0.0, $left - FirstOrderLag::turned($speed, $accel, $rate, $until))] : [$time, $next, 0.0];
    }

    /** The time alone, s. */
    public function time_s(TorqueLine $line, float $ratio, float $efficiency, float $rotor_kgm2, float $back): ?float
    {
        return $this->run($line, $ratio, $efficiency, $rotor_kgm2, $back)[0] ?? null;
    }

    /**
     * The kinetic energy carried from cell to cell.
     *
     * @return array{?float, float}|null
     */
    private function carried(TorqueLine $line, float $ratio, float $efficiency, float $rotor_kgm2, float $back, float $within_s = INF): ?array
    {
        $coupling = new Coupling($ratio, $efficiency, $back, $rotor_kgm2);
        $speed = $fastest = $time = 0.0;
        $count = count($this->loads);
        [$how, $mayLast, $at] = [self::KEPT, false, 0.0];
        [$loads, $widths, $inertias] = [$this->loads, $this->widths, $this->inertias];
        for ($i = 0; $i < $count;) {
            $own = $inertias[$i];
            $cell = $widths[$i];

            // 1. What pushed in the cell before, where it lasts through this one; or what pushes now.
            $against = $loads[$i] + ($inertias[$i + 1] - $own) / $cell / 2 * $at * $at;
            $keeps = $mayLast && $how === self::KEPT;
            $how = $how === self::KEPT && ! $keeps ? self::LOOKED : $how;
            $mayLast = self::pushes($coupling, $line, $keeps, $at, $against, $own);
            $to = $coupling->inertia + $coupling->share * ($inertias[$i + 1] - $own);
            $left = $coupling->push - $coupling->share * $loads[$i];

            // 2. The speed at its end.
            $later = self::shareOfLater($coupling->fade, $left, $speed, $cell, $to);
            $next = self::after($coupling, $left, $speed, $cell, $to, $later);

            // 3. Where what pushes changes on the way, the cell once more with what it is from there on.
            if ($how === self::KEPT) {
                if ($next <= 0.0 || ! $coupling->lasts($speed, $next, $against, $own)) {
                    $how = self::LOOKED;

                    continue;
                }
            } elseif ($coupling->pass === Coupling::AT_ONCE) {
                $next = $coupling->push;
                $later = 1.0;
            } elseif ($how === self::LOOKED) {
                $end = $next > $speed ? $coupling->above : $coupling->below;
                if (($end - $speed) * ($end - $next) < 0.0) {
                    $at = $end * ($next > $speed ? 1 + 1e-9 : 1 - 1e-9);
                    $how = self::AGAIN;

                    continue;
                }
            } elseif ($next > 0.0 && ($at - $speed) * ($next - $at) < 0.0) {
                $next = $at; // past the end it came to, or at it
            }
            if ($next <= 0.0) {
                return null;
            }
            $time += $cell / ($speed + $later * ($next - $speed));
            $speed = $at = $next;
            $fastest = max($fastest, $speed);
            if ($time > $within_s) {
                return [null, $fastest];
            }
            $i++;
            $how = self::KEPT;
        }

        return [$time, $fastest];
    }

    /** Share of the later speed in that over a cell: a half, and all of it where the motor brings the speed about within the cell. */
    private static function shareOfLater(float $fade, float $left, float $speed, float $cell, float $inertia): float
    {
        if ($fade <= 0.0) {
            return 0.5;
        }
        $likely = $left / $fade;
        if ($likely > $speed) {
            $gained = sqrt($speed * $speed + 2 * $cell * $left / $inertia);
            $likely = $gained < $likely ? $gained : $likely;
        }
        $brought = $inertia * ($likely > $speed ? $likely : $speed);

        return $brought < $fade * $cell ? 1.0 - 0.5 * $brought / ($fade * $cell) : 0.5;
    }

    /** Speed after a cell, 0 where it stops before: ½J₁ω₁² = ½J₀ω₀² + (left − fade·ω)Δθ. */
    private static function after(Coupling $coupling, float $left, float $speed, float $cell, float $inertia, float $later): float
    {
        $b = $coupling->fade * $cell * $later;
        $root = $b * $b + 2 * $inertia * ($coupling->inertia * $speed * $speed / 2 + $cell * ($left - $coupling->fade * (1 - $later) * $speed));

        return $root > $b * $b ? (sqrt($root) - $b) / $inertia : 0.0;
    }

    /** When a way is crossed, by Newton's method; INF where it stops before. */
    private static function crossing(float $speed, float $accel, float $rate, float $way): float
    {
        if ($rate < 1e-12) {
            $root = $speed * $speed + 2 * $accel * $way;

            return $root < 0.0 ? INF : 2 * $way / ($speed + sqrt($root));
        }
        $settles = $speed + $accel / $rate;
        $lag = ($speed - $settles) / $rate;
        if ($settles > 0.0 && $rate * ($way - $lag) > self::SETTLED * $settles) {
            return ($way - $lag) / $settles; // up to its speed long before
        }
        if ($settles <= 0.0) {
            $stops = log1p(-$speed * $rate / $accel) / $rate;
            if (FirstOrderLag::turned($speed, $accel, $rate, $stops) <= $way) {
                return INF;
            }
            $t = $way / $speed;
        } else {
            $t = min($way / (0.5 * ($speed + $settles)), sqrt(2 * $way / ($rate * $settles)) + $way / max($speed, $settles));
        }
        for ($i = 0; $i < self::NEWTON; $i++) {
            $decay = exp(-$rate * $t);
            $miss = $settles * $t + $lag * (1 - $decay) - $way;
            if (abs($miss) <= self::PRECISION * $way) {
                break;
            }
            $t = max($t - $miss / ($settles + ($speed - $settles) * $decay), $t / 8);
        }

        return $t;
    }
}

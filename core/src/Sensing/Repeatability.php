<?php

declare(strict_types=1);

namespace Brookstone\Core\Sensing;

use Brookstone\Core\Quantity\Constants;

/** Bias and spread of a move added up over moves without homing: worst = |bias|·n + 3·sd·√n. All in one unit of length or angle. */
final readonly class Repeatability
{
    private const SIGMAS = 3.0;

    public float $worst_error;

    public bool $within;

    /** Most moves that stay within; INF where neither bias nor spread is any. */
    public float $max_moves;

    public function __construct(float $bias, float $sd, int $moves, float $tolerance)
    {
        $bias = abs($bias);
        $spread = self::SIGMAS * $sd;
        $worst = fn (float $n): float => $bias * $n + $spread * sqrt($n);
        $this->worst_error = $worst($moves);
        $this->within = $this->worst_error <= $tolerance * (1 + Constants::TIE);
        if ($bias <= 0.0 && $spread <= 0.0) {
            $this->max_moves = INF;

            return;
        }
        // |b|·x² + 3·sd·x = tolerance, x = √n.
        $root = $bias > 0.0 ? (sqrt($spread ** 2 + 4 * $bias * $tolerance) - $spread) / (2 * $bias) : $tolerance / $spread;
        $most = min(1e15, floor($root ** 2));
        $this->max_moves = $most + ($worst($most + 1) <= $tolerance * (1 + Constants::TIE) ? 1 : 0);
    }
}

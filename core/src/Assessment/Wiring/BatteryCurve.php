<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** What arrives at the terminals of a battery over what has been taken of it: at rest, and while the most is asked of it; and for how long that is enough. */
final class BatteryCurve
{
    private const PARTS = 40;

    /**
     * @param  Supply  $supply  a battery
     * @param  float  $most_A  that a routine asks of it
     * @return array<string, mixed> as WiringSchema has it
     */
    public static function of(Build $build, Supply $supply, float $most_A): array
    {
        $most_A = min($most_A, $supply->max_A);
        $taken = array_map(fn (int $i): float => (float) $i / self::PARTS, range(0, self::PARTS));
        [$needs, $by] = self::needs($build, $supply);
        $until = 1 - ($needs === null ? 0.0 : $supply->leftAt($needs, $most_A));

        return [
            'most_A' => $most_A,
            'taken_Ah' => array_map(fn (float $share): float => $share * (float) $supply->capacity_Ah, $taken),
            'rest_V' => array_map(fn (float $share): float => $supply->terminal_V(1 - $share, 0.0), $taken),
            'most_V' => array_map(fn (float $share): float => $supply->terminal_V(1 - $share, $most_A), $taken),
            'cutoff_V' => $supply->cutoff_V, 'needs_V' => $needs,
            'says' => $needs === null || $by === null ? null : self::says($supply, $most_A, $needs, $by, $until),
        ];
    }

    private static function says(Supply $supply, float $most_A, float $needs_V, string $by, float $until): Sentence
    {
        $values = ['needs' => Quantity::of($needs_V, 'V'), 'most' => Quantity::of($most_A, 'A'), 'until' => Quantity::share($until),
            'ohm' => Quantity::of($supply->resistance_ohm, 'Ω')];
        $asked = $most_A > 0.0 ? ' while {most} is asked of it' : '';

        return new Sentence(match (true) {
            $until >= $supply->usable() * (1 - Constants::TIE) => "{$by} needs {needs}, and gets it{$asked} for as long as there is charge.",
            $until <= 0.0 => "{$by} needs {needs}, and does not get it{$asked}, not even of a full battery.",
            default => "{$by} needs {needs}, and gets it{$asked} until {until} of the charge is gone.",
        }, $values);
    }

    /** @return array{?float, ?string} the most that something needs to get of a battery, V, and what that is */
    private static function needs(Build $build, Supply $supply): array
    {
        $needs = [];
        $controller = $build->wiring->controller();
        if ($controller !== null && $controller->supply === $supply->id && $controller->board->least_V > 0.0) {
            $needs[] = [$controller->board->least_V, $controller->named()];
        }
        foreach ($build->supplies as $rail) {
            if ($rail->from === $supply->id && $rail->needs_V() > 0.0) {
                $needs[] = [$rail->needs_V(), $rail->named()];
            }
        }
        rsort($needs);

        return $needs[0] ?? [null, null];
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/**
 * How a board is drawn on the sheet: a plain outline with its pins in their order along its edges, round it from the upper left. Drivers have what
 * tells them on the left and what they carry on the right; what makes more pins has its own on the left.
 */
final readonly class Outline
{
    public const PITCH_MM = 9.0;

    private const TITLE_MM = 20.0;

    private const FOOT_MM = 6.0;

    private const WIDE_MM = 72.0;

    public float $width_mm;

    public float $height_mm;

    /** @var array<string, array{x_mm: float, y_mm: float, side: int, label: string}> by pin; side −1 is the left edge, 1 the right */
    public array $pins;

    /**
     * @param  array<string, string>  $left  labels by pin, downwards
     * @param  array<string, string>  $right
     */
    private function __construct(array $left, array $right)
    {
        $this->width_mm = self::WIDE_MM;
        $this->height_mm = self::TITLE_MM + max(1, count($left), count($right)) * self::PITCH_MM + self::FOOT_MM;
        $pins = [];
        foreach ([-1 => $left, 1 => $right] as $side => $labels) {
            $row = 0;
            foreach ($labels as $pin => $label) {
                $pins[$pin] = ['x_mm' => $side < 0 ? 0.0 : self::WIDE_MM, 'y_mm' => self::TITLE_MM + (++$row - 0.5) * self::PITCH_MM, 'side' => $side,
                    'label' => $label];
            }
        }
        $this->pins = $pins;
    }

    public static function of(Board $board): self
    {
        $names = array_keys($board->pins);
        $own = array_combine($names, $names);
        if ($board->kind === BoardKind::Controller) {
            $half = (int) ceil(count($own) / 2);

            return new self(array_slice($own, 0, $half), array_reverse(array_slice($own, $half)));
        }
        if (! $board->kind->drives()) {
            return new self($own, match (true) {
                $board->kind->isOnBus() => ['bus.data' => 'data', 'bus.clock' => 'clock'],
                $board->kind === BoardKind::Selector => ['reading' => 'reading', 'choose-1' => 'choose 1', 'choose-2' => 'choose 2',
                    'choose-3' => 'choose 3'],
                default => ['data' => 'data', 'clock' => 'clock', 'latch' => 'latch'],
            });
        }
        $controls = [];
        foreach ($names as $channel) {
            foreach (self::roles($board) as $role => $label) {
                $controls["{$channel}.{$role}"] = "{$channel} {$label}";
            }
        }

        return new self($controls, $own);
    }

    /** @return array<string, string> what tells a channel of a driver what to do, by its role */
    private static function roles(Board $board): array
    {
        if ($board->kind === BoardKind::Stepper) {
            return ['step' => 'step', 'way-1' => 'direction'];
        }
        $ways = match ($board->directions) {
            0 => [],
            1 => ['way-1' => $board->kind === BoardKind::Bridge ? 'direction' : 'on'],
            default => ['way-1' => 'forwards', 'way-2' => 'back'],
        };

        return $ways + ($board->speed || $ways === [] ? ['speed' => 'speed'] : []);
    }
}

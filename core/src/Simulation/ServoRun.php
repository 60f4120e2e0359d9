<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Parts\Motion;

/** One servo motion stepped from rest at one position to another (own unit), as its own feedback takes it there. */
final readonly class ServoRun
{
    private const LOOK_S = 0.002; // how finely its path and arrival are seen

    private const NEAR = 0.3; // of the way

    private const FAR_LOOKS = 8;

    private const LONGEST_S = 30.0;

    private const PATIENCE = 5.0; // a servo that takes so many times its unloaded move, and a second, does not get there

    /**
     * @param  list<array{float, float, float}>  $path  time s, position in SI, current A
     */
    private function __construct(public ?float $time_s, public float $stopped_at, public float $peak_current_A, public array $path,
        public float $peak_speed_rad_s)
    {
    }

    /** @param  bool  $traced keep its path; without, it is looked at more seldom while it is far from its place */
    public static function of(Motion $motion, float $from, float $to, float $speed, float $giveUp_s, bool $traced = true): self
    {
        $axis = new Axis($motion, $from, 0.0);
        $axis->follow($to, $speed);
        $unloaded = abs($motion->mechanism->turnAt($motion->unit()->toSi($to))
            - $motion->mechanism->turnAt($motion->unit()->toSi($from))) * $axis->plant()->ratio / max(1e-6,
                $speed * ($motion->drive?->line()->noLoad_rad_s() ?? 0.0));
        $looksLeft = (int) ceil(min($giveUp_s, 1.0 + self::PATIENCE * $unloaded, self::LONGEST_S) / self::LOOK_S);
        $unit = $motion->unit();
        $peak = $fastest = 0.0;
        $path = [[0.0, $unit->toSi($from), 0.0]];
        $near = abs($to - $from) * self::NEAR;
        for ($looks = 1; $looks <= $looksLeft; $looks++) {
            $axis->advance(self::LOOK_S);
            while (! $traced && $looks < $looksLeft && abs($axis->position() - $to) > $near && ! $axis->isStill()) {
                $looks += self::FAR_LOOKS;
                $axis->advance(self::LOOK_S * self::FAR_LOOKS);
            }
            $peak = max($peak, $axis->current_A());
            $fastest = max($fastest, $axis->shaftSpeed());
            $path[] = [$looks * self::LOOK_S, $unit->toSi($axis->position()), $axis->current_A()];
            if ($axis->hasArrived() && $axis->pushedInVain_s() === 0.0) { // what is too heavy for it comes to rest elsewhere
                return new self($looks * self::LOOK_S, $to, $peak, $path, $fastest);
            }
            if ($axis->isStill()) {
                break;
            }
        }

        return new self(null, $axis->position(), $peak, $path, $fastest);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** What a motion that lets a latch go has to pull. */
final class LatchRules
{
    /** @return list<Finding> */
    public static function of(MotionInBuild $subject): array
    {
        $lever = $subject->motion->mechanism->leverM();
        $found = [];
        foreach ($subject->build->motions as $held) {
            if ($held->latch?->motion !== $subject->motion->id || $lever === null) {
                continue;
            }
            $pull_N = self::pull_N($held);
            $has_N = $subject->facts->stallAtLoad_Nm() / $lever;
            $wanted = $subject->build->settings->peak_margin;
            if ($has_N >= $wanted * $pull_N * (1 - Constants::TIE)) {
                continue;
            }
            $fails = $has_N < $pull_N;
            $found[] = new Finding('drive.latch_stiff', $fails ? Severity::Fails : Severity::Tight, "{$subject->path}.drive.motor", new Sentence(
                "To let {$held->named()} go it has to pull the latch with {pull}, and ".($fails ? 'stalled it pulls with {has}.'
                    : 'it pulls with {has}: {margin} × is less than the {wanted} × asked for.'),
                ['pull' => Quantity::of($pull_N, 'N'), 'has' => Quantity::of($has_N, 'N'), 'margin' => Quantity::number($has_N / $pull_N),
                    'wanted' => Quantity::number($wanted)],
            ));
        }

        return $found;
    }

    /** What the latch rubs with under what it holds, N: F = μ·N (Coulomb). */
    private static function pull_N(Motion $held): float
    {
        $at = $held->unit()->toSi($held->at($held->latch->place ?? ''));
        $arm = $held->mechanism->leverM() ?? $held->mechanism->travelPerRad($at);

        return ($held->latch->friction_coefficient ?? 0.0) * abs($held->mechanism->staticTorqueNm($at)) / max(1e-9, $arm);
    }
}

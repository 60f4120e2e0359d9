<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Train;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Bars;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\BarClash;
use Brookstone\Core\Train\LinkageAt;
use Brookstone\Core\Train\Sweep;

/** Whether a linkage that is laid out on the plate clears what stands there, over its whole way. */
final class LinkageRules
{
    private const MOST_PLANES = 12;

    private const LOOKS = 180; // on the way

    public const FLAT_DEG = 30.0; // a bar flatter than this to what it pushes binds with the least play

    private const STICKS_DEG = 12.0;

    private const IN_LINE_DEG = 2.0;

    /** @return list<Finding> */
    public static function findings(MotionInBuild $subject): array
    {
        $layout = $subject->motion->layout;
        $at = $layout?->linkage;
        $sweep = self::sweep($subject);
        if ($layout === null || $at === null || $sweep === null) {
            return [];
        }
        $path = $subject->path.'.layout.linkage';
        $off = $sweep->pivotOff_mm($at);
        if ($off !== null) {
            $mended = $sweep->mended($at);

            return [new Finding('linkage.pivot_off', Severity::Fails, "{$path}.x_mm",
                new Sentence('Its other pivot stands {off} too '.($off > 0.0 ? 'far from' : 'near to').' the shaft of the load for these bars.',
                    ['off' => Quantity::of(abs($off) / 1000, 'm')]), [
                        new Fix(new Sentence('Set the pivot where the bars want it'),
                            [new Change("{$path}.x_mm", $mended->x_mm), new Change("{$path}.y_mm", $mended->y_mm)]),
                    ])];
        }
        $clashes = $sweep->clashes($at);
        $fixes = $clashes === [] ? [] : self::otherPlane($sweep, $at, $path);

        return array_map(fn (BarClash $clash): Finding => new Finding('linkage.clash', Severity::Fails, "{$path}.plane", new Sentence(
            "On its way the {$clash->bar} does not clear {$clash->meets}: {by} too near at {position}.", ['by' => Quantity::of($clash->by_mm / 1000, 'm'),
                'position' => $subject->motion->unit()->quantity($subject->motion->unit()->fromSi($clash->position))],
        ), $fixes), $clashes);
    }

    /** @return list<Finding> how squarely its bars push over the way of its task, and where they lie in one line */
    public static function angles(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        $bars = Bars::of($motion->thing());
        if ($bars === null) {
            return [];
        }
        [$from, $to] = $motion->task->keeps_turning ? [0.0, 2 * M_PI] : [$motion->move()->from, $motion->move()->to];
        [$flat, $at, $dead, $last] = [90.0, $from, null, null];
        for ($i = 0; $i <= self::LOOKS; $i++) {
            $position = $from + ($to - $from) * $i / self::LOOKS;
            [$pushes, $line] = $bars->angles_deg($position);
            if ($pushes < $flat) {
                [$flat, $at] = [$pushes, $position];
            }
            // In line between two looks where the angle has been getting smaller and now grows.
            if ($last !== null && $line < self::IN_LINE_DEG && $line <= $last[1] && $i < self::LOOKS && $i > 0 && ($dead === null || $line < $dead[1])) {
                $dead = [$position, $line];
            }
            $last = [$position, $line];
        }
        $unit = $motion->unit();
        $findings = [];
        if ($flat < self::FLAT_DEG) {
            $findings[] = new Finding('linkage.flat', $flat < self::STICKS_DEG ? Severity::Fails : Severity::Tight, $subject->path.'.mechanism', new Sentence(
                'At {at} its bars push only {angle} off the line of what they push, mostly on its pivot'.($flat < self::STICKS_DEG ? ': it sticks there.'
                    : ': a little play lets it stick.'), ['at' => $unit->quantity($unit->fromSi($at)), 'angle' => Quantity::of($flat, '°')],
            ));
        }
        if ($dead !== null && ! $motion->task->keeps_turning) {
            $findings[] = new Finding('linkage.dead_point', Severity::Note, $subject->path.'.mechanism', new Sentence(
                'On its way, at {at}, the driving bar and the next lie in one line: there what is moved stands still, turns round, and cannot turn the motor.', ['at' => $unit->quantity($unit->fromSi($dead[0]))],
            ));
        }

        return $findings;
    }

    /** The linkage over the way of its task, or a whole turn; null where there is none, or no plate. */
    public static function sweep(MotionInBuild $subject): ?Sweep
    {
        $motion = $subject->motion;
        $bars = Bars::of($motion->thing());
        if ($bars === null || $motion->layout === null || ! $motion->layout->fits($motion->train)) {
            return null;
        }
        [$from, $to] = $motion->task->keeps_turning ? [0.0, 2 * M_PI] : [$motion->move()->from, $motion->move()->to];

        return new Sweep($motion->layout, $motion->train, $bars, $from, $to);
    }

    /** @return list<Fix> the lowest plane on which nothing is in its way */
    private static function otherPlane(Sweep $sweep, LinkageAt $at, string $path): array
    {
        for ($plane = 0; $plane <= self::MOST_PLANES; $plane++) {
            if ($plane !== $at->plane && $sweep->clashes(new LinkageAt($plane, $at->x_mm, $at->y_mm, $at->bar_mm)) === []) {
                return [new Fix(new Sentence("Run it on plane {$plane}: nothing is in its way there"), [new Change("{$path}.plane", $plane)])];
            }
        }

        return [];
    }
}

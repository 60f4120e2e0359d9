<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Load;

use Brookstone\Core\Assessment\Subject\Judge;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Calculator\HoistLoad;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\Sized;
use Brookstone\Core\Mechanism\SpringLever;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** What the move asks for. */
final class LoadJudge implements Judge
{
    private const INERTIA_SHARE = 0.5;  // of the peak: from here on the time decides, not the weight

    private const OFF_START_RAD = 0.05; // the worst angle is worth telling when it is not where the move starts

    private const CLIMBS_FAR = 1.25;    // last radius over first

    private const WIDEST_DRUM_M = 0.5;

    private const USUAL_KG_M2 = 8.0;    // of what is built from wood, card and metal, for the square of its size

    private const THOUSAND = 1000.0;

    private const HUNDREDS = 300.0;

    public function judge(MotionInBuild $subject): Link
    {
        $motion = $subject->motion;
        $facts = $subject->facts;
        $there = $facts->there();
        $unit = $motion->unit();
        $thing = $motion->thing();
        $findings = match (true) {
            $thing instanceof Arm => $this->arm($subject, $thing),
            $thing instanceof Hoist => $this->hoist($subject, $thing),
            $thing instanceof SpringLever => $this->spring($subject, $thing),
            default => (new RollingJudge)->of($subject, $thing),
        };
        array_push($findings, ...array_filter([$this->bothEnds($subject), $this->unitSlip($subject), $this->frictionless($subject)]));
        $moving = $facts->peak_Nm() - $there->steady_peak_Nm;
        if ($moving > self::INERTIA_SHARE * $facts->peak_Nm()) {
            $findings[] = new Finding('load.mostly_inertia', Severity::Note, $subject->path.'.task.move_s', new Sentence(
                'Most of its {peak} goes into speeding it up. Half the time would need four times as much for that; twice the time a quarter.',
                ['peak' => Quantity::of($facts->peak_Nm(), 'N·m')],
            ));
        }

        return Link::of(
            'load',
            new Sentence('{peak}', ['peak' => Quantity::of($facts->peak_Nm(), 'N·m')]),
            $motion->mechanism->evenOverRad() === INF
                ? new Sentence('largest torque, the same all the way')
                : new Sentence('largest torque, heaviest to hold at {at}', ['at' => $unit->quantity($unit->fromSi($there->worst_at))]),
            $findings,
        );
    }

    /** A spring, or its own weight past the top, that makes it stay at both ends. */
    private function bothEnds(MotionInBuild $subject): ?Finding
    {
        $motion = $subject->motion;
        $move = $motion->move();
        [$low, $high] = [min($move->from, $move->to), max($move->from, $move->to)];
        $mechanism = $motion->mechanism;
        $pulls = [$mechanism->staticTorqueNm($low) - $mechanism->frictionNm($low), -$mechanism->staticTorqueNm($high) - $mechanism->frictionNm($high)];
        if ($motion->task->keeps_turning || $mechanism->isEndless() || min($pulls) <= Constants::TIE) {
            return null;
        }
        // Between them it tips over: where the torque passes zero.
        [$a, $b] = [$low, $high];
        for ($i = 0; $i < 40; $i++) {
            $middle = ($a + $b) / 2;
            $mechanism->staticTorqueNm($middle) > 0.0 ? $a = $middle : $b = $middle;
        }
        $unit = $motion->unit();

        return new Finding('load.stays_both_ends', $motion->task->holds_unpowered ? Severity::Note : Severity::Tight, $subject->path.'.mechanism', new Sentence(
            'Left alone it stays at both ends: at the lower {low} keep it there, at the upper {high}, and past {tips} it tips over to the other side by itself.',
            ['low' => Quantity::of($pulls[0], 'N·m'), 'high' => Quantity::of($pulls[1], 'N·m'), 'tips' => $unit->quantity($unit->fromSi($a))],
        ));
    }

    /** Friction that was left at nothing. */
    private function frictionless(MotionInBuild $subject): ?Finding
    {
        $motion = $subject->motion;
        foreach ([$motion->task->from, $motion->task->to] as $place) {
            if ($motion->mechanism->frictionNm($motion->unit()->toSi($motion->at($place))) > 0.0) {
                return null;
            }
        }

        return new Finding('load.frictionless', Severity::Note, "{$subject->path}.mechanism", new Sentence(
            "Nothing of {$motion->named()} is said to rub, and everything does: turn it by hand through a spring balance where it weighs nothing, or put down a twentieth of its largest load.",
        ));
    }

    /** A mass a thousand times off for its size, or a drive hundreds of times too strong: a unit that slipped. */
    private function unitSlip(MotionInBuild $subject): ?Finding
    {
        $thing = $subject->motion->thing();
        $extent = $thing instanceof Sized ? $thing->extent() : null;
        [$size, $mass, $key] = $extent === null ? [0.0, 0.0, ''] : [$extent->across_m, $extent->mass_kg, $extent->field];
        $usual = self::USUAL_KG_M2 * $size ** 2;
        if ($usual > 0.0 && ($mass > self::THOUSAND * $usual || $mass < $usual / self::THOUSAND)) {
            return new Finding('load.unit_slip', Severity::Tight, "{$subject->path}.mechanism.{$key}", new Sentence(
                'Something {size} across that weighs {mass}: parts of that size weigh about {usual}. Did a unit slip?',
                ['size' => Quantity::of($size, 'm'), 'mass' => Quantity::of($mass, 'kg'), 'usual' => Quantity::of($usual, 'kg')],
            ));
        }
        $margin = $subject->facts->margin();

        return $margin === null || $margin < self::HUNDREDS || $subject->motion->positioning->isAbsolute() ? null
            : new Finding('load.unit_slip', Severity::Note, "{$subject->path}.mechanism", new Sentence(
                'Its drive could do {margin} times what is asked of it. Did a unit slip in the masses, the lengths or the friction?',
                ['margin' => Quantity::number($margin)],
            ));
    }

    /** @return list<Finding> */
    private function hoist(MotionInBuild $subject, Hoist $hoist): array
    {
        $findings = array_values(array_filter([$this->slack($subject, $hoist)]));
        $drum = $hoist->drum;
        if ($drum === null || $drum->layers === 1) {
            return $findings;
        }
        $first = $drum->radius_m(0);
        $last = $drum->lastRadius_m();
        $width = ceil(($hoist->lift_m * $hoist->lines / (2 * M_PI * $first) + 0.5) * $hoist->cord_m * 1000) / 1000;
        $fix = $width <= self::WIDEST_DRUM_M ? [new Fix(
            new Sentence('Take a drum {width} wide: the cord then lies in one layer', ['width' => Quantity::of($width, 'm')]),
            [new Change($subject->path.'.mechanism.drum_width_m', $width)],
        )] : [];

        return [...$findings, new Finding('load.cord_climbs', $last > self::CLIMBS_FAR * $first ? Severity::Tight : Severity::Note,
            $subject->path.'.mechanism.drum_width_m', new Sentence(
                'The cord climbs on itself in {layers} layers: the full drum needs {last} where the empty one needs {first}, and lifts {faster} faster at the end than at the start.',
                [
                    'layers' => Quantity::number($drum->layers), 'last' => Quantity::of($hoist->lineRaiseN() * $last, 'N·m'),
                    'first' => Quantity::of($hoist->lineRaiseN() * $first, 'N·m'),
                    'faster' => Quantity::share($last / $first - 1),
                ],
            ), $fix)];
    }

    /** Whether its cord stays taut both ways, with what it carries each way. */
    private function slack(MotionInBuild $subject, Hoist $hoist): ?Finding
    {
        $motion = $subject->motion;
        foreach ([true, false] as $there) {
            $carries = $motion->task->payload->isOn($there);
            $moved = $carries ? $hoist : $hoist->unloaded();
            $lowers = $motion->move()->direction() > 0 xor $there;
            if (($lowers ? $moved->lineLowerN() : $moved->lineRaiseN()) > Constants::TIE * $hoist->lineRaiseN()) {
                continue;
            }
            if ($moved->weightN() > 0.0) {
                return HoistLoad::willNotLower($moved, $subject->path.'.mechanism.friction_N', Severity::Fails);
            }

            return new Finding('load.will_not_lower', Severity::Fails, $subject->path.'.mechanism.counterweight_kg', new Sentence(
                ($carries ? 'Loaded' : 'Empty').' it weighs {mass}, less than its counterweight of {counter}: nothing pulls it down, and its cord goes slack.',
                ['mass' => Quantity::of($moved->carriedKg(), 'kg'), 'counter' => Quantity::of($moved->counterweight_kg, 'kg')],
            ), [new Fix(new Sentence('Take a counterweight of {half}', ['half' => Quantity::of($moved->mass_kg / 2, 'kg')]),
                [new Change($subject->path.'.mechanism.counterweight_kg', $moved->mass_kg / 2)])]);
        }

        return null;
    }

    /** @return list<Finding> */
    private function spring(MotionInBuild $subject, SpringLever $lever): array
    {
        return [new Finding('load.stores_energy', Severity::Note, $subject->path.'.mechanism.stretch_m', new Sentence(
            'Wound back it stores {energy} and lets go with {speed}.', ['energy' => Quantity::of($lever->energy_J(), 'J'),
                'speed' => Quantity::of($lever->launchSpeed_m_s(), 'm/s')],
        ))];
    }

    /** @return list<Finding> */
    private function arm(MotionInBuild $subject, Arm $arm): array
    {
        $findings = [];
        $there = $subject->facts->there();
        $move = $subject->motion->move();
        $atStart = abs($arm->staticTorqueNm($move->from));
        if (abs($there->worst_at - $move->from) > self::OFF_START_RAD && $there->static_peak_Nm > 1.1 * $atStart) {
            $findings[] = new Finding('load.worst_angle', Severity::Note, $subject->path.'.mechanism.cg_m', new Sentence(
                'It is hardest to hold at {at}, {worst}, and not where it starts, {start}.',
                ['at' => $subject->motion->unit()->quantity($subject->motion->unit()->fromSi($there->worst_at)),
                    'worst' => Quantity::of($there->static_peak_Nm, 'N·m'), 'start' => Quantity::of($atStart, 'N·m')],
            ));
        }
        if ($arm->counterbalance_Nm > $arm->gravityNm() * (1 + Constants::TIE)) {
            $findings[] = new Finding('load.overbalanced', Severity::Tight, $subject->path.'.mechanism.counterbalance_Nm', new Sentence(
                'The counterweight of {counter} is stronger than the weight of {gravity}: it rises by itself and will not come down unpowered.',
                ['counter' => Quantity::of($arm->counterbalance_Nm, 'N·m'), 'gravity' => Quantity::of($arm->gravityNm(), 'N·m')],
            ), [new Fix(
                new Sentence('Halve the load with {half} instead', ['half' => Quantity::of($arm->gravityNm() / 2, 'N·m')]),
                [new Change($subject->path.'.mechanism.counterbalance_Nm', $arm->gravityNm() / 2)],
            )]);
        }

        return $findings;
    }
}

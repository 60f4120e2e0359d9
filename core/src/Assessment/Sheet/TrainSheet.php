<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Sheet;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Train\CordRules;
use Brookstone\Core\Assessment\Train\LayoutRules;
use Brookstone\Core\Assessment\Train\LinkageRules;
use Brookstone\Core\Assessment\Train\PlayTaken;
use Brookstone\Core\Assessment\Train\TrainRules;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\BarClash;
use Brookstone\Core\Train\BeltDrive;
use Brookstone\Core\Train\Clash;
use Brookstone\Core\Train\Layout;
use Brookstone\Core\Train\Meeting;
use Brookstone\Core\Train\Placer;
use Brookstone\Core\Train\RoundBelt;
use Brookstone\Core\Train\Span;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;
use Brookstone\Core\Train\Wheel;

/** What is worth knowing of a train: its wheels where they stand and how they turn, and where slop, strain and power go. */
final class TrainSheet
{
    private const WAYS = 48; // places of a linkage that are drawn

    private const MOST_HOLES = 120; // that are shown around a shaft

    private const IN_HAND = 1.05; // over the least ratio that would do

    private const REACH_MM = 1.0;   // a hole so far off the right distance is worth showing

    /** @return array<string, mixed> */
    public static function of(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        $train = $motion->train;
        $layout = $motion->layout !== null && $motion->layout->fits($train) && $train->stages !== [] ? $motion->layout : null;
        [$fixes, $why] = $layout === null && $train->stages !== [] ? LayoutRules::anew($subject) : [[], null];
        $line = $motion->drive?->line();
        $atLeast = self::atLeast($subject);

        return [
            'shafts' => self::shafts($train, $layout, $line?->noLoad_rad_s() ?? 0.0, $line?->most_Nm() ?? 0.0, $motion->drive->reversed ?? false),
            'wheels' => $layout === null ? [] : array_map(fn (Wheel $wheel): array => self::wheel($train, $wheel), $layout->wheels($train)),
            'meetings' => $layout === null ? [] : array_map(fn (Meeting $meeting): array => [
                'fit' => $meeting->fit, 'apart_mm' => $meeting->apart_mm, 'off_mm' => $meeting->off_mm, 'play_mm' => $meeting->play_mm === null
                    || ! is_finite($meeting->play_mm) ? null : $meeting->play_mm, 'contact' => $meeting->contact,
            ], $layout->meetings($train)),
            'clashes' => $layout === null ? [] : array_map(fn (Clash $clash): array => ['kind' => $clash->kind, 'stage' => $clash->wheel->stage,
                'driver' => $clash->wheel->driver, 'by_mm' => $clash->by_mm], $layout->clashes($train)),
            'holes' => $layout === null ? [] : self::holes($train, $layout),
            'linkage' => self::linkage($subject),
            'rows' => self::rows($subject),
            'lay_out' => $fixes[0] ?? null,
            'why_not' => $why,
            'at_least' => $atLeast,
            'ask_for' => max($train->ratio(), self::IN_HAND * ($atLeast ?? 0.0)),
            'at_most' => self::atMost($subject),
        ];
    }

    /** @return array<string, mixed>|null the bars of a linkage where they stand on the plate, at so many places of its way; mm */
    private static function linkage(MotionInBuild $subject): ?array
    {
        $at = $subject->motion->layout?->linkage;
        $sweep = LinkageRules::sweep($subject);
        if ($at === null || $sweep === null) {
            return null;
        }
        $ways = $sweep->ways($at, self::WAYS);

        return [
            'plane' => $at->plane, 'bar_mm' => $at->bar_mm, 'bars' => array_keys($ways[0]),
            'ways' => array_map(fn (array $bars): array => array_merge(...array_map(
                fn (Span $bar): array => array_map(fn (float $mm): float => round($mm, 2), [...$bar->from, ...$bar->to]),
                array_values($bars))), $ways),
            'clashing' => $sweep->pivotOff_mm($at) !== null ? []
                : array_values(array_unique(array_map(fn (BarClash $clash): string => $clash->bar, $sweep->clashes($at)))),
        ];
    }

    /** @return list<array<string, mixed>> speeds without load and torques of the stalled drive, from the drive to the load */
    private static function shafts(Train $train, ?Layout $layout, float $speed_rad_s, float $stall_Nm, bool $reversed): array
    {
        $shafts = [];
        $way = $reversed ? -1 : 1;
        $axes = Layout::axes($train);
        foreach ($train->shafts($speed_rad_s / Constants::RAD_S_PER_RPM, $stall_Nm) as $i => ['rpm' => $rpm, 'torque_Nm' => $torque]) {
            $way *= $i > 0 ? $train->stages[$i - 1]->type->direction() : 1;
            $after = new Train(array_slice($train->stages, $i));
            $shafts[] = ['x_mm' => $layout?->shafts[$i][0], 'y_mm' => $layout?->shafts[$i][1], 'rpm' => $rpm, 'torque_Nm' => $torque,
                'turns' => $after->ratio() * $after->direction(), 'way' => $way, 'axis' => $axes[$i]];
        }

        return $shafts;
    }

    /** @return array<string, mixed> */
    private static function wheel(Train $train, Wheel $wheel): array
    {
        $stage = $train->stages[$wheel->stage];

        return [
            'stage' => $wheel->stage, 'driver' => $wheel->driver, 'shaft' => $wheel->shaft, 'plane' => $wheel->plane, 'teeth' => $wheel->teeth,
            'type' => $stage->type->value,
            'x_mm' => $wheel->at[0], 'y_mm' => $wheel->at[1], 'outside_mm' => $wheel->outside_mm, 'pitch_mm' => $wheel->driver
                ? $stage->driverPitchRadius_mm() : $stage->drivenPitchRadius_mm(),
        ];
    }

    /** @return list<list<array{x_mm: float, y_mm: float, fit: string}>> for each shaft the holes where its wheels mesh, or nearly */
    private static function holes(Train $train, Layout $layout): array
    {
        $step = $layout->plate->step_mm();
        $all = [];
        foreach ($layout->shafts as $shaft => $at) {
            $all[] = $step === null ? [] : self::holesOf($train, $layout, $shaft, $step);
        }

        return $all;
    }

    /** @return list<array{x_mm: float, y_mm: float, fit: string}> */
    private static function holesOf(Train $train, Layout $layout, int $shaft, float $step): array
    {
        $stage = $train->stages[$shaft > 0 ? $shaft - 1 : 0];
        $from = $layout->shafts[$shaft > 0 ? $shaft - 1 : 1];
        $wanted = $stage->shaftsApart_mm();
        if ($wanted === null) {
            return [];
        }
        [$x0, $y0] = [round($from[0] / $step) * $step, round($from[1] / $step) * $step];
        $holes = [];
        foreach (Placer::ring($step, $wanted - self::REACH_MM * $stage->module_mm - $step, $wanted + self::REACH_MM * $stage->module_mm + $step) as [$x, $y]) {
            $apart = hypot($x0 + $x - $from[0], $y0 + $y - $from[1]);
            if (abs($apart - $wanted) <= self::REACH_MM * $stage->module_mm && count($holes) < self::MOST_HOLES) {
                $holes[] = ['x_mm' => $x0 + $x, 'y_mm' => $y0 + $y, 'fit' => Meeting::of($stage, $apart)->fit];
            }
        }

        return $holes;
    }

    /** @return list<array{name: string, says: Sentence}> */
    private static function rows(MotionInBuild $subject): array
    {
        $train = $subject->motion->train;
        $laid = $subject->motion->laidTrain();
        $rows = [
            'Turns' => new Sentence($train->direction() * (($subject->motion->drive->reversed ?? false) ? -1 : 1) > 0 ? 'as the drive does'
                : 'against the drive'),
            'Passes' => new Sentence('{passes} of the power', ['passes' => Quantity::share($train->efficiency())]),
            'Play at the load' => new Sentence('{slop}', ['slop' => Quantity::of($laid->backlash_deg(), '°')]),
        ];
        if ($laid->backlash_deg() > 0.0) {
            $rows['Slop shows'] = PlayTaken::of($subject)->says();
        }
        $stresses = $subject->motion->drive === null ? [] : TrainRules::stresses($subject);
        foreach ($train->stages as $i => $stage) {
            $rows['Stage '.($i + 1)] = self::belt($subject, $i, $stage) ?? self::stage($laid, $i, $stage, $stresses[$i] ?? null);
        }
        $rows += array_filter(['Rod' => CordRules::rod($subject)]);

        return array_map(fn (string $name, Sentence $says): array => ['name' => $name, 'says' => $says], array_keys($rows), $rows);
    }

    /** Of a belt or chain that is laid out. */
    private static function belt(MotionInBuild $subject, int $i, Stage $stage): ?Sentence
    {
        $belt = TrainRules::belt($subject, $i, $stage);

        if ($belt === null) {
            return null;
        }
        $values = ['length' => Quantity::of($belt->length_mm / 1000, 'm'), 'span' => Quantity::of($belt->span_mm / 1000, 'm'),
            'wrap' => Quantity::of($belt->small_wrap_deg, '°')];
        if ($stage->type === StageType::Round) {
            return new Sentence('takes a round belt of {length} when stretched; it lies around the smaller pulley by {wrap} and carries {carries} before it slips', $values + ['carries' => Quantity::of((new RoundBelt($stage->tension_N, $belt->small_wrap_deg))->carries_N, 'N')]);
        }
        $teeth = $belt->length_mm / $belt->pitch_mm;
        $near = $subject->stock()->lines()->nearest($stage->type->value, $belt->pitch_mm, $teeth);
        $centre = $near === null ? null : BeltDrive::centreFor($belt->pitch_mm, $stage->driver, $stage->driven, $near['teeth']);
        $force = ($subject->motion->drive?->line()->most_Nm() ?? 0.0) * (new Train(array_slice($subject->motion->train->stages, 0, $i)))->ratio();

        return new Sentence('takes one of {length}, {teeth} teeth; {mesh} of the smaller wheel hold it, {span} lies free on each side, and each side wants {pull} at rest'
            .($centre === null ? '' : ". {$near['name']} of the drawer fits with the shafts {centre} apart"), $values + [
                'teeth' => Quantity::number(round($teeth, 1)), 'mesh' => Quantity::number($belt->teeth_in_mesh),
                'pull' => Quantity::of($belt->pretension_N($force), 'N'),
            ] + ($centre === null ? [] : ['centre' => Quantity::of($centre / 1000, 'm')]));
    }

    /** @param  array{running: float, stall: float, knock: float}|null  $stress */
    private static function stage(Train $laid, int $i, Stage $stage, ?array $stress): Sentence
    {
        $after = new Train(array_slice($laid->stages, $i + 1));
        $slop = $laid->stages[$i]->backlash_mm / $stage->drivenPitchRadius_mm() / $after->ratio() / Constants::RAD_PER_DEG;
        $text = 'adds {slop} of play';
        $values = ['slop' => Quantity::of($slop, '°')];
        if ($stress !== null) {
            $text .= '; its teeth are stressed to {running} in the move, {stall} stalled, {knock} knocked; the limit is {bears}';
            $values += array_map(fn (float $MPa): Quantity => Quantity::of($MPa, 'MPa'), $stress)
                + ['bears' => Quantity::of($stage->material->allowable_MPa(), 'MPa')];
        }
        if ($stage->type->isThread()) {
            $text .= '; its lead is {lead}';
            $values['lead'] = Quantity::of(atan($stage->driver / $stage->quotient) / Constants::RAD_PER_DEG, '°');
        }
        $thread = $stage->thread();
        if ($thread !== null) {
            $text .= $thread->self_locking ? ', which locks by {locks}' : ', which does not lock';
            $values['locks'] = Quantity::of($thread->locks_by_deg, '°');
        }
        if ($stage->type->isOneToOne()) {
            $text .= $stage->type === StageType::Pawl ? '; takes along the turning '.$stage->passes : '; slides {slides} a turn';
            $values += $stage->slides_m() === null ? [] : ['slides' => Quantity::of($stage->slides_m() * 2 * M_PI, 'm')];
        }

        return new Sentence($text, $values);
    }

    /** The ratio from which on the drive carries the load with the margin asked for; null where nothing can be said. */
    private static function atLeast(MotionInBuild $subject): ?float
    {
        $margin = $subject->facts->margin();

        return $margin === null || $margin <= 0.0 ? null : $subject->motion->train->ratio() * $subject->build->settings->peak_margin / $margin;
    }

    /** About the ratio up to which it is quick enough: at the speed that the drive keeps against the load with that margin. */
    private static function atMost(MotionInBuild $subject): ?float
    {
        $motion = $subject->motion;
        $line = $motion->drive?->line();
        $turn = $motion->turn_rad();
        if ($line === null || $turn <= 0.0) {
            return null;
        }

        return $line->noLoad_rad_s() * (1 - 0.5 / $subject->build->settings->peak_margin) / ($turn / $motion->task->move_s);
    }
}

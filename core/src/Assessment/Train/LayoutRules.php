<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Train;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\Clash;
use Brookstone\Core\Train\Layout;
use Brookstone\Core\Train\Layouts;
use Brookstone\Core\Train\Meeting;
use Brookstone\Core\Train\Placer;
use Brookstone\Core\Train\Plate;
use Brookstone\Core\Train\Train;
use Brookstone\Core\Train\UpperPlate;

/** Whether the shafts stand where the wheels mesh, and whether anything is in the way. */
final class LayoutRules
{
    private const OVERHANG = 6.0; // times its own diameter

    private const TRIES = 800; // of a fix: an edit must not wait for it

    /** @return list<Finding> */
    public static function findings(MotionInBuild $subject): array
    {
        $layout = $subject->motion->layout;
        $train = $subject->motion->train;
        if ($layout === null) {
            return [];
        }
        if ($train->stages === []) {
            return LinkageRules::findings($subject); // a linkage straight on the motor meets things too
        }
        $path = $subject->path.'.layout';
        if (! $layout->fits($train)) {
            return [new Finding('train.layout_stale', Severity::Note, $path, new Sentence('Its plate was laid out for another number of stages.'),
                self::anew($subject)[0])];
        }
        $findings = [];
        foreach ($layout->meetings($train) as $i => $meeting) {
            $findings[] = self::meeting($train, $meeting, $i, "{$path}.shafts.".($i + 1));
        }
        foreach (self::told($layout->clashes($train)) as $clash) {
            $findings[] = self::clash($clash, "{$path}.shafts.{$clash->shaft}");
        }
        $findings = array_values(array_filter($findings));
        $besides = [...self::overhung($layout, $train, $path), ...LinkageRules::findings($subject)];
        if ($findings === []) {
            return $besides;
        }
        [$fixes] = self::anew($subject);

        return [...array_map(fn (Finding $finding): Finding => new Finding($finding->code, $finding->severity, $finding->place, $finding->says, $fixes),
            $findings), ...$besides];
    }

    /** @return list<Finding> shafts that only one plate holds, far from it */
    private static function overhung(Layout $layout, Train $train, string $path): array
    {
        foreach (array_keys($layout->shafts) as $shaft) {
            $over = $layout->overhangs_mm($train, $shaft);
            if ($over <= self::OVERHANG * $layout->plate->shaft_mm) {
                continue;
            }
            [$left, $bottom, $right, $top] = array_map(fn (float $edge): float => round($edge, 1), $layout->bounds($train));
            $plate = new UpperPlate('upper plate', max([0, ...$layout->planes]), $left, $bottom, $right - $left, $top - $bottom);

            return [new Finding('train.overhung', Severity::Note, "{$path}.plates",
                new Sentence('Shaft '.($shaft + 1).' carries a wheel {over} above the only plate that holds it: it bends, and the wheels leave each other.',
                    ['over' => Quantity::of($over / 1000, 'm')]), [
                        new Fix(new Sentence('Put a second plate over the train'),
                            [new Change("{$path}.plates", [...array_map(get_object_vars(...), $layout->plates), get_object_vars($plate)])]),
                    ])];
        }

        return [];
    }

    /** @return array{list<Fix>, string|null} the train laid out anew on its plate, or why that cannot be */
    public static function anew(MotionInBuild $subject): array
    {
        $layout = $subject->motion->layout;
        [$placed, $why] = Placer::place($subject->motion->train, $layout->plate ?? new Plate, $layout->obstacles ?? [], self::TRIES);

        return $placed === null ? [[], $why]
            : [[new Fix(new Sentence('Lay it out anew: every pair meshes and nothing is in the way'),
                [new Change($subject->path.'.layout', Layouts::write($placed->like($layout)))])], null];
    }

    private static function meeting(Train $train, Meeting $meeting, int $i, string $at): ?Finding
    {
        if ($meeting->runs()) {
            return null;
        }
        $stage = $train->stages[$i];
        $values = ['apart' => Quantity::of($meeting->apart_mm / 1000, 'm'), 'off' => Quantity::of(abs($meeting->off_mm ?? 0.0) / 1000, 'm')];
        $pair = 'The shafts of stage '.($i + 1).' stand {apart} apart, {off} ';
        if ($meeting->fit === 'binds') {
            return new Finding('train.binds', Severity::Fails, $at,
                new Sentence("{$pair}too near for {$stage->driver} and {$stage->driven} teeth: they bind.", $values));
        }
        $apart = $meeting->fit === 'apart';
        if ($meeting->play_mm !== null) {
            $values['play'] = Quantity::of($meeting->play_mm / 1000, 'm');
        }

        return new Finding('train.loose', $apart ? Severity::Fails : Severity::Tight, $at, new Sentence(
            "{$pair}too far for {$stage->driver} and {$stage->driven} teeth".($meeting->contact === null ? ''
                : ': {contact} pairs touch on the mean, with {play} of play').($apart ? '. They skip.' : '. They run rough.'),
            $values + ($meeting->contact === null ? [] : ['contact' => Quantity::number(max(0.0, $meeting->contact))]),
        ));
    }

    /**
     * Each wheel only once for each kind of thing in its way, the worst.
     *
     * @param  list<Clash>  $clashes
     * @return list<Clash>
     */
    private static function told(array $clashes): array
    {
        usort($clashes, fn (Clash $a, Clash $b): int => $b->by_mm <=> $a->by_mm);
        $told = [];
        foreach ($clashes as $clash) {
            $told["{$clash->kind} {$clash->wheel->stage} ".(int) $clash->wheel->driver] ??= $clash;
        }

        return array_values($told);
    }

    private static function clash(Clash $clash, string $at): Finding
    {
        $wheel = "The wheel of {$clash->wheel->teeth} teeth of stage ".($clash->wheel->stage + 1);
        $by = ['by' => Quantity::of($clash->by_mm / 1000, 'm')];

        return $clash->kind === Clash::ROOM
            ? new Finding('train.outside', Severity::Fails, $at, new Sentence("{$wheel} reaches {by} out of the room that is allowed.", $by))
            : new Finding('train.clash', Severity::Fails, $at, new Sentence(match ($clash->kind) {
                Clash::WHEELS => "{$wheel} and the one of {$clash->other?->teeth} of stage ".(($clash->other->stage ?? 0)
                    + 1).($clash->other?->shaft === $clash->wheel->shaft ? ' sit on one shaft and one plane.'
                    : ' are on one plane and {by} too near to each other.'),
                Clash::SHAFT => "{$wheel} runs into shaft ".($clash->shaft + 1).': {by} too near.',
                Clash::OBSTACLE => "{$wheel} does not clear {$clash->obstacle?->named()}: {by} too near.",
                default => "{$wheel} is {by} wider than the planes are apart.",
            }, $by));
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Routine;

/**
 * What is tried at the bench, in the order in which a fault costs least: by hand, the direction, each motion empty, currents, stops, loaded, whole routines,
 * the power cut in the middle, an hour, a night. Each with what should come out, and from where on to stop.
 */
final class BenchTests
{
    public const KINDS = ['hand' => 'Bare mechanism by hand', 'direction' => 'Direction', 'empty' => 'Each motion empty', 'current' => 'Currents',
        'stops' => 'Stop at each switch', 'loaded' => 'Loaded', 'routine' => 'Whole routines', 'cut' => 'Power cut in the middle', 'hour' => 'An hour',
        'night' => 'A night'];

    private const TOO_SLOW = 1.3; // times the computed time: then it is stopped

    private const TOO_MUCH = 1.5; // times the computed current

    private const LOW_VOLTS = 0.5; // of its supply, for the first turn

    private const HOT_C = 60.0; // too hot to hold a finger on

    /** @var list<array{id: string, kind: string, motion: ?string, does: Sentence, expects: Sentence, stops: Sentence}> */
    private array $tests = [];

    private function __construct(private readonly Build $build)
    {
    }

    /** @return list<array{id: string, kind: string, motion: ?string, does: Sentence, expects: Sentence, stops: Sentence}> */
    public static function of(Build $build): array
    {
        $tests = new self($build);
        $driven = array_filter($build->motions, fn (Motion $motion): bool => $motion->drive !== null);
        $figures = array_map(fn (Motion $motion): MotionFigures => new MotionFigures($motion, traced: true), $driven);
        array_map($tests->hand(...), array_values($build->motions));
        array_map($tests->direction(...), array_values($driven));
        foreach ($driven as $id => $motion) {
            $tests->timed($motion, false);
        }
        foreach ($driven as $id => $motion) {
            $tests->current($motion, $figures[$id]);
        }
        foreach ($driven as $id => $motion) {
            $tests->stops($motion, $figures[$id]);
        }
        foreach ($driven as $id => $motion) {
            $tests->timed($motion, true);
        }
        array_map($tests->routine(...), array_values(array_filter($build->routines, $build->isComplete(...))));
        $tests->long($driven);

        return $tests->tests;
    }

    /**
     * @param  array<string, Quantity>  $expected
     * @param  array<string, Quantity>  $limits
     */
    private function test(string $kind, string $of, ?string $motion, string $does, string $expects, string $stops, array $expected = [],
        array $limits = []): void
    {
        $this->tests[] = ['id' => $of === '' ? $kind : "{$kind}.{$of}", 'kind' => $kind, 'motion' => $motion, 'does' => new Sentence($does),
            'expects' => new Sentence($expects, $expected), 'stops' => new Sentence($stops, $limits)];
    }

    private function hand(Motion $motion): void
    {
        [$low, $high] = $motion->range();
        $this->test('hand', $motion->id, $motion->id, "Move {$motion->named()} by hand over all its travel, its drive not yet coupled.",
            $motion->period() !== null ? 'It goes all round, and nowhere harder than elsewhere.'
                : 'It goes from {low} to {high}, and nowhere harder than elsewhere.',
            'Stop where it binds or rubs: mend that first.', $motion->period() !== null ? [] : ['low' => $motion->unit()->quantity($low),
                'high' => $motion->unit()->quantity($high)]);
    }

    private function direction(Motion $motion): void
    {
        $to = $motion->place($motion->task->to)?->named() ?? '';
        $volts = $motion->drive->supply->volts_V ?? 0.0;
        $sent = $motion->positioning->isSent();
        $this->test('direction', $motion->id, $motion->id, $sent ? "Send {$motion->named()} a little towards {$to}".($motion->positioning->isAbsolute()
            ? ', its horn not yet on.' : ', its switches within reach.')
            : "Turn the drive of {$motion->named()} on for an instant, on half the voltage, its switches within reach.",
            $sent ? "Its shaft turns the way that takes it to {$to}." : "On {volts} it moves towards {$to}, and not away from it.",
            'Stop at once where it goes the other way: swap its two wires, or reverse it in the build.',
            $sent ? [] : ['volts' => Quantity::of(self::LOW_VOLTS * $volts, 'V')]);
    }

    private function timed(Motion $motion, bool $loaded): void
    {
        $figures = new MotionFigures($loaded ? $motion : $motion->carrying(false));
        [$there, $back] = [$figures->runThere()['time_s'], $figures->runBack()['time_s']];
        $longest = max($there ?? 0.0, $back ?? 0.0);
        $never = $there === null || $back === null;
        $this->test($loaded ? 'loaded' : 'empty', $motion->id, $motion->id,
            "Run {$motion->named()} there and back, ".($loaded ? 'with all that it carries' : 'with nothing on it').', three times. Write down the times.',
            $never ? 'As it is said, it never gets there: the judgement says why.' : ($motion->isOneWay() ? '{there}.' : '{there} there, {back} back.'),
            $never ? 'Do not run it before that is mended.' : 'Stop it after {most}, or where it hums and does not move.',
            $never ? [] : ['there' => Quantity::of($there, 's')] + ($motion->isOneWay() ? [] : ['back' => Quantity::of($back, 's')]),
            $never ? [] : ['most' => Quantity::of(max(self::TOO_SLOW * $longest, $longest + 1.0), 's')]);
    }

    private function current(Motion $motion, MotionFigures $figures): void
    {
        $drive = $motion->drive;
        if ($drive === null || $drive->motor instanceof Stepper || $drive->motor->kind() === 'air_cylinder') {
            return;
        }
        $start = $drive->startsWith_A();
        $mean = $figures->drawn_A($motion->task->from, $motion->task->to);
        $this->test('current', $motion->id, $motion->id, "Put a meter into the lead of {$motion->named()} and run it there and back.",
            $mean === null ? 'At the start up to {start}.' : 'At the start up to {start}, on the way {mean} on the average.',
            'Stop where it stays over {most} on the way: it rubs, or the motor is another than said.',
            ['start' => Quantity::of($start, 'A')] + ($mean === null ? [] : ['mean' => Quantity::of($mean, 'A')]),
            ['most' => Quantity::of(min($start, self::TOO_MUCH * ($mean ?? $start / 2)), 'A')]);
    }

    private function stops(Motion $motion, MotionFigures $figures): void
    {
        foreach ($motion->stops->switches as $switch) {
            $runOn = $motion->positioning->isSent() ? null : $figures->runOn($switch, $this->build->settings);
            $past = $runOn?->distance;
            $hard = $switch->direction() > 0 ? $motion->stops->hard_high : $motion->stops->hard_low;
            $room = $hard === null ? null : abs($hard - $switch->at);
            $this->test('stops', $switch->id, $motion->id, "Run {$motion->named()} onto {$switch->named()} at full speed, a hand on the power.",
                'It stops'.($past === null ? ' there.' : ' and comes to rest {past} past it.'),
                $past !== null && $room !== null && $past > $room ? 'It would hit its hard stop, {room} on: mend that before you run it.'
                    : ($room === null ? 'Stop it where it goes on past the switch.' : 'Stop it where it comes nearer to its hard stop, {room} on.'),
                $past === null ? [] : ['past' => $motion->unit()->quantity($past)], $room === null ? [] : ['room' => $motion->unit()->quantity($room)]);
        }
    }

    private function routine(Routine $routine): void
    {
        $target = $routine->target_s;
        $this->test('routine', $routine->id, null, "Start {$routine->named()} and let it run to its end, twice.",
            $target === null ? 'Everything comes in the order of its lanes, and ends where it began.'
                : 'Everything comes in the order of its lanes, within {target}.',
            'Stop it at the first thing that comes too early, too late, or not at all.', $target === null ? [] : ['target' => Quantity::of($target, 's')]);
        $this->test('cut', $routine->id, null, "Cut the power in the middle of {$routine->named()}, wait, and put it on again.",
            'Nothing drops or runs on; at power-on everything finds its place again.', 'Stop where something starts to move that nobody started.');
    }

    /** @param  array<string, Motion>  $driven */
    private function long(array $driven): void
    {
        if ($driven === []) {
            return;
        }
        $this->test('hour', '', null, 'Let it run for an hour as often as it will be run, and stay with it.',
            'No drive gets hotter than {hot}: a finger stays on it.',
            'Stop where something smells, slows down, or is too hot to touch.', ['hot' => Quantity::of(self::HOT_C, '°C')]);
        $this->test('night', '', null, 'Let it stand under power for a night, and run as its timetable says.',
            'In the morning it is where it should be, and its count of runs is right.',
            'Do not leave it alone before the hour went well, and not without its fuse.');
    }
}

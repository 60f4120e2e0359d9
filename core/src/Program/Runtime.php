<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Each;
use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\Task;
use Brookstone\Core\Code\Type;
use Brookstone\Core\Code\When;

/** What every program has: time, what is known of motions, the bounce of contacts, outputs that go back, arithmetic. */
final class Runtime
{
    /** What it says of itself, and how motors are stopped. */
    public const NUMBERS = [
        'NEVER' => 0xFFFFFFFF,
        'WAITS' => 0, 'ENDED' => 1, 'FAILED' => 2, 'ENDS' => 65535, 'BRAKE' => 0, 'COAST' => 1, 'HOLD' => 2,
        'STEP_BEGINS' => 0, 'STEP_DONE' => 1, 'STEP_GAVE_UP' => 2, 'STARTS' => 3, 'ENDS_WELL' => 4, 'FAILS' => 5, 'COUNTS' => 6, 'BREAKS' => 7,
    ];

    /** @return list<Task> */
    public static function tasks(Roster $roster): array
    {
        return [...self::arithmetic(), ...self::motions($roster), ...self::inputs(), ...self::outputs()];
    }

    /** @return list<Task> */
    private static function arithmetic(): array
    {
        $one = ['value' => Type::Number];

        return [
            new Task('passed', 'So many milliseconds have passed since then', ['since_ms' => Type::Time, 'span_ms' => Type::Time], Type::Truth,
                [
                    new Set('since_ms', 'now - since_ms'),
                    new When('since_ms >= span_ms', [new Gives('true')]),
                    new When('span_ms - since_ms < soonest', [new Set('soonest', 'span_ms - since_ms')]),
                    new Gives('false'),
                ]),
            new Task('distance_of', 'How far from 0', $one, Type::Number, [new When('value < 0', [new Gives('0 - value')]), new Gives('value')]),
            new Task('way_of', 'Up is 1, down is -1', $one, Type::Number, [new When('value < 0', [new Gives('(-1)')]), new Gives('1')]),
            new Task('is_same_way', 'Both above 0, or both below', ['value' => Type::Number, 'other' => Type::Number], Type::Truth,
                [new Gives('((value > 0) && (other > 0)) || ((value < 0) && (other < 0))')]),
            new Task('between', 'No less than the one, no more than the other', [...$one, 'low' => Type::Number, 'high' => Type::Number], Type::Number,
                [new When('value < low', [new Gives('low')]), new When('value > high', [new Gives('high')]), new Gives('value')]),
            new Task('rest_of', 'What is left over of a way by whole rounds', ['way' => Type::Number, 'period' => Type::Number], Type::Number,
                [new Gives('way - way / period * period')]),
            new Task('is_same', 'Two positions are the same or as near, where it comes round after a period (0 is never)',
                ['one' => Type::Number, 'other' => Type::Number, 'period' => Type::Number, 'near' => Type::Number], Type::Truth, [
                    new Set('one', 'distance_of(one - other)'),
                    new When('period > 0', [new Set('one', 'rest_of(one, period)'), new When('one * 2 > period', [new Set('one', 'period - one')])]),
                    new Gives('one <= near'),
                ]),
            new Task('way_round', 'How far to the next coming of a position: forwards, or the shorter way',
                ['one' => Type::Number, 'to' => Type::Number, 'period' => Type::Number, 'forwards' => Type::Truth], Type::Number, [
                    new Set('to', 'to - one'),
                    new When('to < 0', [new Set('to', 'period - rest_of(0 - to, period)')]),
                    new Set('to', 'rest_of(to, period)'),
                    new When('!forwards && (to * 2 > period)', [new Gives('to - period')]),
                    new Gives('to'),
                ]),
            new Task('runs_on', 'How far it runs on at its speed; the time in tenths of a millisecond', ['speed' => Type::Number, 'time' => Type::Number],
                Type::Number, [new When('speed <= 0', [new Gives('0')]), new Gives('speed / 100 * time / 100')]),
        ];
    }

    /** @return list<Task> */
    private static function motions(Roster $roster): array
    {
        $m = ['m' => Type::Byte];
        $stops = $loses = [];
        foreach ($roster->groups() as $g => $members) {
            foreach ($members as $motion) {
                $number = $roster->number('MOTION', $motion);
                // Another has the motor: it is not stopped by an order for this one.
                $stops[] = new When("m == {$number}", [
                    new When("(turned_by[{$g}] != 0) && (turned_by[{$g}] != m + 1)", [new Set('told[m]', 'true'), new Gives]), new Set("turned_by[{$g}]",
                        '0')]);
                $loses[] = new When("(m == {$number}) && !is_on", [new Set("turned_by[{$g}]", '0')]);
            }
        }

        return [
            new Task('is_still', 'It has come to rest', $m, Type::Truth, [new Gives('!told[m] && drive_still(m)')]),
            new Task('is_there', 'It has come where it was sent', $m, Type::Truth, [new Gives('!told[m] && drive_arrived(m)')]),
            new Task('is_at', 'It has come to where it should be', [...$m, 'to' => Type::Number], null, [new Set('stands[m]', 'to'), new Set('known[m]',
                'true'),
                new Does('drive_is_at(m, true, to)')]),
            new Task('leaves', 'Nobody knows where it is', $m, null, [new Set('known[m]', 'false'), new Does('drive_is_at(m, false, 0)')]),
            new Task('found', 'A switch says that it is here: what counts counts from here', [...$m, 'to' => Type::Number], null, [
                new Set('stands[m]', 'to'), new Set('known[m]', 'true'), new Set('counted[m]', 'true'), new Does('drive_found(m, to)')]),
            new Task('believes', 'Where it should be', [...$m, 'counts' => Type::Truth], Type::Number, [
                new When('!(counts && counted[m]) && known[m]', [new Gives('stands[m]')]), new Gives('drive_position(m)')]),
            new Task('push_motion', 'Drives it up (1) or down (-1)', [...$m, 'way' => Type::Number, 'speed' => Type::Number], null, [
                new Set('known[m]', 'false'), new Set('told[m]', 'true'), new Does('drive_push(m, way, speed)')]),
            new Task('send_motion', 'Sends it to a position', [...$m, 'to' => Type::Number, 'speed' => Type::Number], null, [
                new Set('known[m]', 'false'), new Set('told[m]', 'true'), new Does('drive_send(m, to, speed)')]),
            new Task('stop_motion', 'Stops it', [...$m, 'how' => Type::Byte], null, [new When('!off[m]', [...$stops, new Set('told[m]', 'true'),
                new Does('drive_stop(m, how)')])]),
            new Task('power_motion', 'Switches its power', [...$m, 'is_on' => Type::Truth], null, [
                new When('!is_on', [
                    new When('drive_feels(m)', [new Set('stands[m]', 'believes(m, false)'), new Set('known[m]', 'true')],
                        [new Set('known[m]', 'false'), new Set('counted[m]', 'false')]),
                ]),
                ...$loses, new Set('off[m]', '!is_on'),
                new Does('drive_power(m, is_on)'),
                new When('known[m]', [new Does('drive_is_at(m, true, stands[m])')]),
            ]),
        ];
    }

    /** @return list<Task> */
    private static function inputs(): array
    {
        return [
            new Task('look_at', 'One input: it is believed once it has said the same for so long', ['i' => Type::Byte, 'says' => Type::Truth,
                'after_ms' => Type::Time],
                null, [
                    new Set('edge[i]', '0'),
                    new When('says == on[i]', [new Set('differs[i]', 'false'), new Gives]),
                    new When('!differs[i]', [new Set('differs[i]', 'true'), new Set('differs_at[i]', 'now')]),
                    new When('passed(differs_at[i], after_ms)', [
                        new Set('differs[i]', 'false'), new Set('on[i]', 'says'), new When('says', [new Set('edge[i]', '1')], [new Set('edge[i]', '2')]),
                    ]),
                ]),
            new Task('look_for_press', 'Tells short (1), long (2) and double presses (3) of a button apart',
                ['g' => Type::Byte, 'i' => Type::Byte, 'long_ms' => Type::Time, 'double_ms' => Type::Time], null, [
                    new Set('press[g]', '0'),
                    new When('edge[i] == 1', [
                        new Set('was_told[g]', 'let_go[g] && !passed(let_go_at[g], double_ms)'),
                        new When('was_told[g]', [new Set('press[g]', '3')]),
                        new When('let_go[g] && !was_told[g]', [new Set('press[g]', '1')]), // the press before this one was a short one
                        new Set('pressed[g]', 'true'), new Set('pressed_at[g]', 'now'), new Set('let_go[g]', 'false'),
                    ]),
                    new When('edge[i] == 2', [
                        new When('pressed[g] && !was_told[g]', [new Set('let_go[g]', 'true'), new Set('let_go_at[g]', 'now')]),
                        new Set('pressed[g]', 'false'),
                    ]),
                    new When('pressed[g] && !was_told[g] && passed(pressed_at[g], long_ms)', [new Set('was_told[g]', 'true'), new Set('press[g]', '2'),
                        new Gives]),
                    new When('let_go[g] && passed(let_go_at[g], double_ms)', [new Set('let_go[g]', 'false'), new Set('press[g]', '1')]),
                ]),
            new Task('becomes', 'It was not so, and now it has been so for so long', ['k' => Type::Byte, 'is_so' => Type::Truth, 'for_ms' => Type::Time,
                'at_once' => Type::Truth], Type::Truth, [
                    new When('!is_so', [new Set('was_so[k]', '1'), new Gives('false')]),
                    new When('(was_so[k] == 3) || ((was_so[k] == 0) && !at_once)', [new Set('was_so[k]', '3'), new Gives('false')]),
                    new When('was_so[k] != 2', [new Set('was_so[k]', '2'), new Set('so_since[k]', 'now')]),
                    new When('passed(so_since[k], for_ms)', [new Set('was_so[k]', '3'), new Gives('true')]),
                    new Gives('false'),
                ]),
            new Task('comes_again', 'Every so often', ['k' => Type::Byte, 'every_ms' => Type::Time], Type::Truth, [
                new When('was_so[k] == 0', [new Set('was_so[k]', '1'), new Set('so_since[k]', 'now')]),
                new When('passed(so_since[k], every_ms)', [new Set('so_since[k]', 'so_since[k] + every_ms'), new Gives('true')]),
                new Gives('false'),
            ]),
            new Task('day_passes', 'A time of day came since the last look', ['at_ms' => Type::Time], Type::Truth, [
                new When('day_before <= day', [new Gives('(day_before < at_ms) && (at_ms <= day)')]), new Gives('(day_before < at_ms) || (at_ms <= day)')]),
        ];
    }

    /** @return list<Task> */
    private static function outputs(): array
    {
        return [
            new Task('switch_output', 'Switches something, for so long (0 is for good)', ['o' => Type::Byte, 'is_on' => Type::Truth,
                'for_ms' => Type::Time], null, [
                    new Set('goes_back[o]', 'for_ms != 0'), new Set('back_since[o]', 'now'), new Set('back_after[o]', 'for_ms'),
                    new Set('lit[o]', 'is_on'), new Does('drive_output(o, is_on, 0)'),
                ]),
            new Task('throw_points', 'Throws something that stays as it was thrown; its coil is on for so long', ['o' => Type::Byte, 'is_on' => Type::Truth,
                'for_ms' => Type::Time], null, [new Set('lit[o]', 'is_on'), new Does('drive_output(o, is_on, for_ms)')]),
            new Task('outputs_go_back', 'What was switched for a time', [], null, [new Each('o', 'OUTPUTS', [
                new When('goes_back[o] && passed(back_since[o], back_after[o])', [new Does('switch_output(o, !lit[o], 0)')])])]),
        ];
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Each;
use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Line;
use Brookstone\Core\Code\Program;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\Store;
use Brookstone\Core\Code\Task;
use Brookstone\Core\Code\Type;
use Brookstone\Core\Code\When;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Routine\Routine;

/**
 * The routines of a build as one program. A scan lets outputs go back, looks at the inputs, starts what starts, lets everything that runs go on as far as
 * it can, and watches the rules: as the simulated controller does, in the same order.
 */
final class Composer
{
    private readonly Roster $roster;

    private readonly Asked $asked;

    private readonly Author $author;

    private readonly Starts $starts;

    /** @var array<string, Thread> by routine */
    private array $threads = [];

    /** @var array<string, Thread> by routine: what is done when it fails */
    private array $fails = [];

    /** @var list<string> rules */
    private array $guarded = [];

    private function __construct(private readonly Build $build, bool $measured)
    {
        $this->roster = new Roster($build);
        $this->asked = new Asked($this->roster);
        $this->author = new Author($this->roster, $this->asked, new MoveTimes($build, $measured));
        $this->starts = new Starts($this->roster, $this->asked);
    }

    /**
     * @param  bool  $measured  with measured times where there are some: what a run computes knows nothing of them
     *
     * @throws CannotBeWritten
     */
    public static function of(Build $build, bool $measured = false): Composition
    {
        return (new self($build, $measured))->compose();
    }

    private function compose(): Composition
    {
        $scan_ms = $this->build->settings->scan_s * 1000.0;
        if (abs($scan_ms - round($scan_ms)) > 1e-6) {
            throw CannotBeWritten::because('settings.scan_s', 'A program counts whole milliseconds: let its controller look every '.floor($scan_ms).' ms or '
                .ceil($scan_ms).' ms.');
        }
        if ($this->build->routines === []) {
            throw CannotBeWritten::because('routines', 'It has no routine yet: write one, and the program does it.');
        }
        foreach (array_keys($this->build->motorGroups) as $id) {
            if ($this->build->motions[$id]->positioning->isSent()) {
                throw CannotBeWritten::because("motions.{$this->build->indexOf((string) $id)}.drive",
                    "{$this->build->motions[$id]->named()} shares a motor that is"
                    .' sent to places with another: a program for that is not written yet.');
            }
        }
        foreach ($this->build->routines as $id => $routine) {
            $this->threads[$id] = $this->author->thread($routine, $routine->steps, $this->roster->name('do', (string) $id), "{$routine->name}");
            if ($routine->ifFails !== []) {
                $this->fails[$id] = $this->author->thread($routine, $routine->ifFails, $this->roster->name('do', "{$id} if it fails"),
                    "{$routine->name}, if it fails");
            }
        }
        $fires = $this->starts->lines();
        $guards = $this->guards();
        $wakes = $this->wakes();
        $looks = $this->looks(); // last: what is looked at is what was asked for
        $tasks = [...Runtime::tasks($this->roster), ...$this->asked->tasks, ...array_map(fn (Thread $thread): Task => $thread->task(), $this->author->threads),
            new Task('look_around', 'All inputs', [], null, $looks), new Task('see_what_starts', 'What starts now', [], null, $fires),
            ...$this->ends(), ...$guards, ...$wakes, ...$this->scan($guards !== [])];
        $numbers = Runtime::NUMBERS + $this->roster->numbers() + ['OUTPUTS' => count($this->roster->all('OUTPUT')), 'MOTIONS' => count($this->build->motions),
            'ROUTINES' => count($this->build->routines), 'COUNTS_KEPT' => count($this->build->counters), 'INPUTS' => count($this->roster->all('INPUT')),
            'SCAN_MS' => (int) round($scan_ms)];

        return new Composition($this->build, $this->roster, new Program($this->head(), $numbers, $this->stores(), $tasks), $this->guarded);
    }

    /** @return list<string> */
    private function head(): array
    {
        return [$this->build->name, 'What its controller does, written from its routines. Times are whole milliseconds,',
            'positions thousandths of a degree or millionths of a metre, speeds parts of 10000 of the usual speed.'];
    }

    /** @return list<Store> */
    private function stores(): array
    {
        $threads = max(1, count($this->author->threads));
        $count = fn (string $kind): int => max(1, count($this->roster->all($kind)));
        $row = fn (string $name, Type $type, int $many, string $note): Store => new Store($name, $type, max(1, $many), $note);
        $one = fn (string $name, Type $type, string $note): Store => new Store($name, $type, null, $note);
        [$inputs, $motions, $routines, $outputs, $buttons] = [$count('INPUT'), $count('MOTION'), $count('ROUTINE'), $count('OUTPUT'), $this->starts->buttons()];

        return [
            $one('now', Type::Time, 'milliseconds'), $one('soonest', Type::Time, 'for so long nothing happens by time alone'), $one('fresh', Type::Truth,
                'the power has just come on'),
            $one('halted', Type::Truth, 'what starts at power-on has failed: nothing starts any more'), $one('asleep', Type::Byte, 'which sleep; 0 is awake'),
            $one('day', Type::Time, 'time of day'), $one('day_before', Type::Time, 'at the last look'),
            $one('result', Type::Byte, 'of a routine'), $one('turns', Type::Byte, 'how many run'), $one('kept', Type::Byte, 'of those'),
            $row('where', Type::Word, $threads, 'at which state each thread stands'), $row('since', Type::Time, $threads, 'when its wait began'),
            $row('span', Type::Time, $threads, 'how long its move takes'), $row('aim', Type::Number, $threads, 'where its move goes'),
            $row('aim_by', Type::Number, $threads, 'by how much'), $row('set_off', Type::Number, $threads, 'from where'),
            $row('has_set_off', Type::Truth, $threads, 'that is known'), $row('share', Type::Number, $threads, 'of the way of a stick'),
            $row('has_aim', Type::Truth, $threads, 'the stick was read'), $row('told_aim', Type::Truth, $threads, 'the motion was told'),
            $row('round', Type::Number, $this->author->rounds, 'rounds of a repeat'), $row('round_at', Type::Time, $this->author->rounds, 'when a round began'),
            $row('running', Type::Truth, $routines, 'each routine'), $row('failing', Type::Truth, $routines, 'it does what it does when it fails'),
            $row('fire', Type::Truth, $routines, 'it starts now'), $row('order', Type::Byte, $routines, 'of those that run'),
            $row('turn', Type::Byte, $routines, 'whose turn it is'),
            $row('touched', Type::Truth, count($this->author->touched), 'motions that a routine has moved besides its own'),
            $row('on', Type::Truth, $inputs, 'inputs, as they are believed'), $row('edge', Type::Byte, $inputs, '1 has just gone on, 2 off'),
            $row('differs', Type::Truth, $inputs, 'it says otherwise'), $row('differs_at', Type::Time, $inputs, 'since then'),
            $row('press', Type::Byte, $buttons, '1 short, 2 long, 3 double'), $row('pressed', Type::Truth, $buttons, 'it is held'),
            $row('pressed_at', Type::Time, $buttons, 'since then'), $row('was_told', Type::Truth, $buttons, 'this press was told already'),
            $row('let_go', Type::Truth, $buttons, 'it may become a double press'), $row('let_go_at', Type::Time, $buttons, 'since then'),
            $row('was_so', Type::Byte, $this->starts->remembered, '0 nobody asked, 1 not so, 2 so for a while, 3 told'),
            $row('so_since', Type::Time, $this->starts->remembered, 'since then'),
            $row('met', Type::Truth, $this->asked->remembered(), 'conditions that remember'), $row('met_at', Type::Time, $this->asked->remembered(),
                'since then'),
            $row('stands', Type::Number, $motions, 'where each motion should be'), $row('known', Type::Truth, $motions, 'that is known'),
            $row('counted', Type::Truth, $motions, 'it was homed'), $row('off', Type::Truth, $motions, 'its power is off'),
            $row('told', Type::Truth, $motions, 'it was told something in this scan'),
            $row('turned_by', Type::Byte, count($this->roster->groups()), 'whose order a shared motor follows; 0 is nobody, else 1 more than its number'),
            $row('lit', Type::Truth, $outputs, 'outputs that are on'), $row('goes_back', Type::Truth, $outputs, 'by itself'),
            $row('back_since', Type::Time, $outputs, 'since then'), $row('back_after', Type::Time, $outputs, 'after so long'),
            $row('upper', Type::Number, count($this->author->calibrated), 'thresholds that can be set: on from here up'),
            $row('lower', Type::Number, count($this->author->calibrated), 'off from here down'),
            $row('count', Type::Number, count($this->build->counters), 'counters and marks'),
        ];
    }

    /** @return list<Line> */
    private function looks(): array
    {
        return array_map(fn (string $id): Does => $this->look($this->build->sensors[$id] ?? $this->build->switch($id)
            ?? throw CannotBeWritten::because('sensors', "There is no sensor or switch {$id}.")), $this->roster->all('INPUT'));
    }

    private function look(Sensor|LimitSwitch $input): Does
    {
        $i = $this->roster->number('INPUT', $input->id);

        return new Does("look_at({$i}, {$this->reading($input)}, {$this->after_ms($input)})");
    }

    private function after_ms(Sensor|LimitSwitch $input): int
    {
        $settings = $this->build->settings;

        return Roster::ms($input instanceof LimitSwitch ? $settings->debounce_s + $input->bounce_s
            : ($input->bounce_s > 0.0 ? $settings->debounce_s + $input->bounce_s : 0.0) + ($input->measures() ? $input->late_s : 0.0));
    }

    private function reading(Sensor|LimitSwitch $input): string
    {
        $i = $this->roster->number('INPUT', $input->id);
        if ($input instanceof LimitSwitch || ! $input->measures()) {
            return "drive_input({$i})";
        }
        if ($input->upper === null) {
            return 'false'; // nothing says from where on it is on
        }
        $level = 'drive_level('.$this->roster->number('LEVEL', $input->id).')';
        $edge = fn (float $at): string => Asked::literal((int) round($at * Roster::READING));

        $k = $this->author->calibrated[$input->id] ?? null;
        [$lower, $upper] = $k === null ? [$edge($input->lower ?? $input->upper), $edge($input->upper)] : ["lower[{$k}]", "upper[{$k}]"];

        return "({$level} >= {$upper}) || (on[{$i}] && ({$level} > {$lower}))";
    }

    /** @return list<Task> how routines end */
    private function ends(): array
    {
        $r = ['r' => Type::Byte];
        $stops = $resumes = [];
        foreach ($this->build->routines as $id => $routine) {
            $is = 'r == '.$this->roster->number('ROUTINE', (string) $id);
            $stops[] = new When($is, $this->stops($routine));
            $main = $this->threads[$id];
            $fails = $this->fails[$id] ?? null;
            $resumes[] = new When($is, $fails === null ? [new Gives("{$main->name}()")]
                : [new When('failing[r]', [new Gives("{$fails->name}()")]), new Gives("{$main->name}()")]);
        }

        return [
            new Task('stop_all', 'Stops what a routine moves', $r, null, $stops),
            new Task('goes_on', 'Lets a routine go on as far as it can', $r, Type::Byte, [...$resumes, new Gives('WAITS')]),
            new Task('end', 'A routine is over', [...$r, 'how' => Type::Byte], null, [
                new Does('board_says(how, r, 0)'), new Set('running[r]', 'false'), new Set('kept', '0'),
                new Each('i', 'turns', [new When('order[i] != r', [new Set('order[kept]', 'order[i]'), new Set('kept', 'kept + 1')])]),
                new Set('turns', 'kept'),
            ]),
            new Task('fail', 'A routine gives up: everything it moves is stopped, then its steps for that case are done, once', $r, null, $this->failLines()),
        ];
    }

    /** @return list<Line> */
    private function failLines(): array
    {
        $lines = [new Does('stop_all(r)')];
        foreach ($this->build->routines as $id => $routine) {
            $is = 'r == '.$this->roster->number('ROUTINE', (string) $id);
            $thread = $this->fails[$id] ?? null;
            $lines[] = new When($is, [
                ...($routine->startsAtPowerOn() ? [new Set('halted', 'true')] : []),
                ...($thread === null ? [] : [new When('!failing[r]', [new Set('failing[r]', 'true'), new Set($thread->where(), '0'),
                    ...$this->untouch($routine),
                    new Gives])]),
            ]);
        }

        return [...array_values(array_filter($lines, fn (Line $line): bool => ! $line instanceof When || $line->then !== [])), new Does('end(r, FAILS)')];
    }

    /** @return list<Line> */
    private function stops(Routine $routine): array
    {
        $stop = fn (string $motion): array => $this->build->motions[$motion]->drive === null ? []
            : [new Does('stop_motion('.$this->roster->number('MOTION', $motion).', BRAKE)')];
        $lines = array_merge(...array_map($stop, $routine->motions()));
        foreach (array_keys($this->author->touched) as $k => $key) {
            [$of, $motion] = explode(' ', $key);
            $lines = [...$lines, ...($of === $routine->id ? [new When("touched[{$k}]", $stop($motion))] : [])];
        }

        return $lines;
    }

    /** @return list<Line> */
    private function untouch(Routine $routine): array
    {
        $lines = [];
        foreach (array_keys($this->author->touched) as $k => $key) {
            $lines = [...$lines, ...(str_starts_with($key, "{$routine->id} ") ? [new Set("touched[{$k}]", 'false')] : [])];
        }

        return $lines;
    }

    /** @return list<Task> what must never be, as far as the controller can know it */
    private function guards(): array
    {
        $lines = [];
        $i = 0;
        foreach ($this->build->rules as $id => $rule) {
            try {
                $never = $rule->never->asked($this->asked);
                $while = $rule->while?->asked($this->asked);
                $lines[] = new When($while === null ? $never : "({$never}) & ({$while})", [new Does("break_off({$i})"), new Gives]);
                $this->guarded[] = (string) $id;
            } catch (CannotBeWritten) {
                // what the controller cannot know it cannot guard
            }
            $i++;
        }

        return $lines === [] ? [] : [
            new Task('break_off', 'A rule is broken: all motors stop, and nothing starts any more until the power has been off', ['rule' => Type::Byte], null, [
                new Does('board_says(BREAKS, rule, 0)'), new Set('halted', 'true'),
                new Each('m', 'MOTIONS', [new Does('stop_motion(m, BRAKE)')]),
                new Each('r', 'ROUTINES', [new When('running[r]', [new Does('end(r, FAILS)')])]),
            ]),
            new Task('guard', 'Rules of the whole machine', [], null, [new When('!halted', $lines)]),
        ];
    }

    /** @return list<Task> */
    private function wakes(): array
    {
        $lines = [];
        foreach ($this->author->wakes as $k => $until) {
            $lines[] = new When("asleep == {$k}", [new Gives($until->asked($this->asked))]);
        }

        return $lines === [] ? [] : [new Task('is_awake', 'Nothing goes on while it sleeps', [], Type::Truth, [...$lines, new Gives('true')])];
    }

    /** @return list<Task> what is called from outside */
    private function scan(bool $isGuarded): array
    {
        $starts = [];
        foreach ($this->build->routines as $id => $routine) {
            $r = $this->roster->number('ROUTINE', (string) $id);
            $starts[] = new When("fire[{$r}]", [new Does("begin_routine({$r})")]);
        }
        $begins = array_map(fn (string|int $id): When => new When('r == '.$this->roster->number('ROUTINE', (string) $id),
            [new Set($this->threads[$id]->where(), '0'), ...$this->untouch($this->build->routines[$id])]), array_keys($this->threads));

        return [
            new Task('begin_routine', 'Starts a routine', ['r' => Type::Byte], null, [
                new When('running[r]', [new Gives]),
                new Set('running[r]', 'true'), new Set('failing[r]', 'false'), ...$begins, new Set('order[turns]', 'r'), new Set('turns', 'turns + 1'),
                new Does('board_says(STARTS, r, 0)'),
            ], isOpen: true),
            new Task('begin', 'When the power comes on: inputs are taken as they are', ['at_ms' => Type::Time], null, [
                new Set('now', 'at_ms'), new Set('fresh', 'true'), ...$this->thresholds(), ...$this->firstLooks(),
                ...array_map(fn (string $id): Set => new Set('count['.$this->roster->number('COUNT', $id).']', $this->build->counters[$id]->kept
                    ? 'board_kept('.$this->roster->number('COUNT', $id).', '.Asked::literal($this->build->counters[$id]->start).')'
                    : Asked::literal($this->build->counters[$id]->start)), $this->roster->all('COUNT')),
            ], isOpen: true),
            new Task('rests_for', 'For so long, in milliseconds, nothing happens unless an input or a motor says something else', [], Type::Time,
                [new Gives('soonest')], isOpen: true),
            new Task('scan', 'One look: call it every SCAN_MS milliseconds', ['at_ms' => Type::Time], null, [
                new Set('now', 'at_ms'), new Set('soonest', 'NEVER'),
                new Each('m', 'MOTIONS', [new Set('told[m]', 'false')]),
                ...($this->roster->all('OUTPUT') === [] ? [] : [new Does('outputs_go_back()')]),
                new Does('look_around()'),
                ...($this->author->sleeps === 0 ? [] : [new When('(asleep != 0) && !is_awake()', [new Gives])]),
                new Does('see_what_starts()'), new Set('fresh', 'false'), ...$starts,
                new Each('i', 'turns', [new Set('turn[i]', 'order[i]')]),
                new Set('due', 'turns'),
                new Each('i', 'due', [
                    new Set('result', 'goes_on(turn[i])'),
                    new When('result == ENDED', [new When('failing[turn[i]]', [new Does('end(turn[i], FAILS)')], [new Does('end(turn[i], ENDS_WELL)')])]),
                    new When('result == FAILED', [new Does('fail(turn[i])')]),
                ]),
                ...($isGuarded ? [new Does('guard()')] : []),
            ], ['due' => Type::Byte], isOpen: true),
        ];
    }

    /** @return list<Line> those that can be set, as they are built */
    private function thresholds(): array
    {
        $lines = [];
        foreach ($this->author->calibrated as $id => $k) {
            $sensor = $this->build->sensors[$id];
            $edge = fn (?float $at): string => Asked::literal((int) round(($at ?? 0.0) * Roster::READING));
            array_push($lines, new Set("upper[{$k}]", $edge($sensor->upper)), new Set("lower[{$k}]", $edge($sensor->lower ?? $sensor->upper)));
        }

        return $lines;
    }

    /** @return list<Line> */
    private function firstLooks(): array
    {
        return array_map(fn (string $id): Set => new Set('on['.$this->roster->number('INPUT', $id).']', $this->reading($this->build->sensors[$id]
            ?? $this->build->switch($id) ?? throw new \LogicException)), $this->roster->all('INPUT'));
    }
}

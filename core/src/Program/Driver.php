<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Line;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\Task;
use Brookstone\Core\Code\Type;
use Brookstone\Core\Code\When;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Stops\RunOn;

/** One motion as its driver and its pins have it. */
final readonly class Driver
{
    private const RESTS_MS = 300; // a motor that nobody computed comes to rest in

    private const SETTLES_MS = 60; // a servo, once it should be there

    private const LOOK_MS = 20;    // over which a speed is told from pulses

    private const LONG_MS = 20000; // where nobody can compute it

    private const FAR = 1000000000;

    /**
     * @param  string  $kind  `bridge`, `servo`, `stepper`, `turns` (told by pulses how fast), `brushless`, `valve`
     * @param  list<Channel>  $channels
     * @param  list<string>  $own  names of its own pins
     */
    private function __construct(private Motion $motion, private string $m, private string $kind, private array $channels, private array $own,
        private ?Actuator $actuator,
        private string $task, private string $back, private int $rests_ms,
        private int $duty, private ?int $ends_ms)
    {
    }

    public static function of(Motion $motion, Composition $of, Pins $pins): self
    {
        $drive = $motion->drive ?? throw new \LogicException("{$motion->name} has no drive.");
        $signal = 'motions.'.(($of->build->motorGroups[$motion->id] ?? null)->members[0] ?? $motion->id); // another may have the motor
        $motor = $drive->motor;
        $kind = match (true) {
            $motor instanceof AirCylinder => $motor->worked_by === 'servo' ? 'turns' : 'valve',
            $motor->kind() === 'servo' => 'servo',
            $motor->kind() === 'stepper' => 'stepper',
            $motor->kind() === 'continuous_servo' => 'turns',
            $motor->kind() === 'brushless' => 'brushless',
            default => 'bridge',
        };
        $channels = [];
        foreach (match ($kind) {
            'bridge', 'stepper' => [$signal], 'valve' => $drive->one_way ? [$signal] : [$signal, "{$signal}.back"], default => [],
        } as $load) {
            $carries = $pins->carries($load);
            $channels = [...$channels, ...($carries === null ? [] : [$carries])];
        }
        $own = match ($kind) {
            'servo', 'turns' => [$pins->of($signal, 'servo')],
            'brushless' => [$pins->of($signal, 'servo'), $pins->of("{$signal}.way", 'out')],
            'stepper' => $channels === [] ? ['0', '0'] : [$pins->of("boards.{$channels[0][0]->id}.{$channels[0][1]}.step", 'out'),
                $pins->of("boards.{$channels[0][0]->id}.{$channels[0][1]}.way-1", 'out')],
            default => [],
        };
        foreach ($motion->positioning->countsPulses() ? ['a', 'b'] : [] as $track) {
            $own[] = $pins->of("encoders.{$motion->id}.{$track}", 'count');
        }

        return new self($motion, $of->roster->number('MOTION', $motion->id), $kind, array_map(fn (array $carried): Channel => new Channel($pins, ...$carried),
            $kind === 'stepper' ? [] : $channels), $own, in_array($kind, ['servo', 'stepper'], true) ? Actuator::of($motion) : null,
            $of->roster->name('told', $motion->id), $of->roster->name('own', $motion->id), self::rests_ms($motion, $of),
            (int) round($drive->duty * Roster::SPEED), self::ends_ms($motion, $of));
    }

    /** How long it takes to come to rest once it is told to stop, ms. */
    private static function rests_ms(Motion $motion, Composition $of): int
    {
        if ($motion->positioning->isSent()) {
            return self::SETTLES_MS;
        }
        [, $high] = $motion->range();
        $runOn = RunOn::of($motion, new LimitSwitch('', '', '', $high, 'high'), $of->build->settings);

        return $runOn?->distance === null || $runOn->speed <= 0.0 ? self::RESTS_MS : min(1000, (int) ceil(2000.0 * $runOn->distance / $runOn->speed) + 20);
    }

    /** How long its drive takes from one of its own ends to the other, ms, and half as long again to be sure; null where it has none. */
    private static function ends_ms(Motion $motion, Composition $of): ?int
    {
        if (! ($motion->drive?->motor->endsItself() ?? false)) {
            return null;
        }
        [$low, $high] = $motion->range();
        $time_ms = (new MoveTimes($of->build))->ms($motion, $low, $high, 1.0) ?? (new MoveTimes($of->build))->ms($motion, $high, $low, 1.0) ?? self::LONG_MS;

        return intdiv($time_ms * 3, 2);
    }

    /** Its motor turns forwards to move it up. */
    private function forwards(string $way): string
    {
        return "{$way} ".($this->motion->train->direction() * (($this->motion->drive->reversed ?? false) ? -1 : 1) > 0 ? '>' : '<').' 0';
    }

    /** @return list<Task> */
    public function tasks(): array
    {
        return $this->actuator === null ? [] : [
            new Task($this->task, "What the driver of {$this->motion->name} is told at a position", ['at' => Type::Number], Type::Number,
                $this->actuator->tells()),
            new Task($this->back, "The position of {$this->motion->name} by what its driver was told", ['at' => Type::Number], Type::Number,
                $this->actuator->stands()),
        ];
    }

    public function feels(): bool
    {
        return $this->motion->positioning->isAbsolute();
    }

    /** @return list<Line> */
    public function begins(): array
    {
        [$low, $high] = $this->motion->range();
        $middle = Asked::literal((int) round(($low + $high) / 2 * Roster::perUnit($this->motion->unit())));

        return $this->kind === 'servo' ? [new Set("stands_at[{$this->m}]", "{$this->task}({$middle})"), new Set("goal[{$this->m}]", "stands_at[{$this->m}]")]
            : array_merge(...array_map(fn (Channel $channel): array => $channel->rests('false'), $this->channels));
    }

    /** @return list<Line> */
    public function pushes(): array
    {
        $way = $this->forwards('way');
        $pace = $this->actuator->per_s ?? 0;

        return match ($this->kind) {
            'bridge' => [...$this->channels === [] ? [] : $this->channels[0]->turns($way), new Set('wanted[m]',
                "scaled(speed, {$this->duty}, ".Roster::SPEED.')'),
                ...(($this->motion->drive->ramp_s ?? 0.0) > 0.0 ? [new Set('share[m]', '0')] : [new Set('share[m]', 'wanted[m]')]), ...$this->gives()],
            'turns' => [new When($way, [new Does("board_servo({$this->own[0]}, 1500 + speed / 20)")],
                [new Does("board_servo({$this->own[0]}, 1500 - speed / 20)")])],
            'brushless' => [new Does("board_write({$this->own[1]}, {$way})"), new Does("board_servo({$this->own[0]}, 1000 + speed / 10)")],
            'valve' => [...$this->channels === [] ? [] : $this->channels[0]->switches('way > 0'), ...(isset($this->channels[1])
                ? $this->channels[1]->switches('way < 0') : [])],
            default => [new Set('pace[m]', "scaled({$pace}, speed, ".Roster::SPEED.')'), new When($this->forwards('way'),
                [new Set('goal[m]', 'stands_at[m] + '.self::FAR)], [new Set('goal[m]', 'stands_at[m] - '.self::FAR)])],
        };
    }

    /** @return list<Line> */
    private function gives(): array
    {
        return $this->channels === [] ? [] : $this->channels[0]->gives("share[{$this->m}]", "wanted[{$this->m}] > 0");
    }

    /** @return list<Line> */
    public function sends(): array
    {
        if ($this->actuator === null) {
            return [];
        }
        $lines = [new Set('goal[m]', "{$this->task}(to".($this->kind === 'stepper' ? ' - zero[m]' : '').')'), new Set('pace[m]',
            "scaled({$this->actuator->per_s}, speed, ".Roster::SPEED.')')];

        return $this->kind === 'servo' ? [...$lines, new When('speed >= '.Roster::SPEED, [new Does("board_servo({$this->own[0]}, goal[m] / 1000)")])] : $lines;
    }

    /** @return list<Line> */
    public function stops(): array
    {
        return match ($this->kind) {
            'servo' => [new When('how == 1', [new Does("board_servo({$this->own[0]}, 0)")], [new Does("board_servo({$this->own[0]}, stands_at[m] / 1000)")]),
                new Set('goal[m]', 'stands_at[m]')],
            'stepper' => [new Set('goal[m]', 'stands_at[m]'), new Set('going[m]', '0')],
            'turns' => [new Does("board_servo({$this->own[0]}, 1500)")],
            'brushless' => [new Does("board_servo({$this->own[0]}, 1000)")],
            'valve' => array_merge(...array_map(fn (Channel $channel): array => $channel->switches('false'), $this->channels)),
            default => [new Set('wanted[m]', '0'), new Set('share[m]', '0'), ...$this->channels === [] ? [] : $this->channels[0]->rests('how != 1')],
        };
    }

    /** @return list<Line> */
    public function still(): array
    {
        return match (true) {
            $this->actuator !== null => [new Gives('(stands_at[m] == goal[m]) && (since(since_ms[m]) >= '.self::SETTLES_MS.')')],
            $this->motion->positioning->countsPulses() => [new Gives('!driven[m] && (speed_of[m] == 0)')],
            default => [new Gives("!driven[m] && (since(since_ms[m]) >= {$this->rests_ms})")],
        };
    }

    /** @return list<Line> */
    public function arrived(): array
    {
        return $this->actuator === null ? [] : [new Gives('sent[m] && (stands_at[m] == goal[m]) && (since(since_ms[m]) >= '.self::SETTLES_MS.')')];
    }

    /** @return list<Line> */
    public function position(): array
    {
        if ($this->actuator !== null) {
            return [new Gives("{$this->back}(stands_at[m])".($this->kind === 'stepper' ? ' + zero[m]' : ''))];
        }
        $pulse = $this->motion->pulseLength();
        if ($pulse === null) {
            return [];
        }
        $way = $this->motion->train->direction() * (($this->motion->drive->reversed ?? false) ? -1 : 1);
        $thousandths = (int) round($pulse * Roster::perUnit($this->motion->unit()) * 1000.0);
        $tracks = array_slice($this->own, -2);

        return [new Gives("zero[m] + scaled(board_count({$tracks[0]}, {$tracks[1]}), ".Asked::literal($way * $thousandths).', 1000)')];
    }

    /** @return list<Line> at every call */
    public function runs(): array
    {
        $m = $this->m;
        if ($this->kind === 'stepper') {
            $way = "goal[{$m}] > stands_at[{$m}]";
            $accel = max(1, (int) round(min(1e6, is_finite($this->motion->ramp()->accel) ? $this->motion->ramp()->accel / max(1e-9,
                $this->motion->ramp()->speed)
                * ($this->actuator->per_s ?? 1) : 1e6) / 1000.0));

            return [new When("goal[{$m}] != stands_at[{$m}]", [
                new When("going[{$m}] < pace[{$m}]", [new Set("going[{$m}]", "going[{$m}] + scaled(passed_us, {$accel}, 1000) + 1")]),
                new When("going[{$m}] > pace[{$m}]", [new Set("going[{$m}]", "pace[{$m}]")]),
                new Set("part[{$m}]", "part[{$m}] + scaled(going[{$m}], passed_us, 1)"),
                new When("part[{$m}] >= 1000000", [
                    new Set("part[{$m}]", "part[{$m}] - 1000000"),
                    new Does("board_write({$this->own[1]}, {$way})"),
                    new Does("board_step({$this->own[0]})"),
                    new When($way, [new Set("stands_at[{$m}]", "stands_at[{$m}] + 1")], [new Set("stands_at[{$m}]", "stands_at[{$m}] - 1")]),
                ]),
                new When("goal[{$m}] == stands_at[{$m}]", [new Set("going[{$m}]", '0'), new Set("since_ms[{$m}]", 'now')]),
            ])];
        }
        if ($this->kind === 'servo') {
            $step = "scaled(pace[{$m}], passed_us, 1000000)";

            return [new When("goal[{$m}] != stands_at[{$m}]", [
                new When("goal[{$m}] > stands_at[{$m}]", [new Set("stands_at[{$m}]", "stands_at[{$m}] + {$step} + 1"),
                    new When("stands_at[{$m}] > goal[{$m}]", [new Set("stands_at[{$m}]", "goal[{$m}]")])],
                    [new Set("stands_at[{$m}]", "stands_at[{$m}] - {$step} - 1"), new When("stands_at[{$m}] < goal[{$m}]", [new Set("stands_at[{$m}]",
                        "goal[{$m}]")])]),
                new When("pace[{$m}] < {$this->actuator?->per_s}", [new Does("board_servo({$this->own[0]}, stands_at[{$m}] / 1000)")]),
                new When("goal[{$m}] == stands_at[{$m}]", [new Set("since_ms[{$m}]", 'now')]),
            ])];
        }
        $ends = $this->ends_ms === null ? [] : [new When(
            "driven[{$m}] && lasted(since_ms[{$m}], scaled({$this->ends_ms}, ".Roster::SPEED.", pushed_at[{$m}]))",
            [new Set("at_end[{$m}]", "pushed[{$m}]")],
        )];
        $ramp_ms = (int) round(($this->motion->drive->ramp_s ?? 0.0) * 1000.0);
        $lines = [...$ends, ...$ramp_ms === 0 || $this->kind !== 'bridge' ? [] : [new When("share[{$m}] < wanted[{$m}]", [
            new Set("share[{$m}]", "share[{$m}] + scaled(passed_us, {$this->duty}, ".($ramp_ms * 1000).') + 1'),
            new When("share[{$m}] > wanted[{$m}]", [new Set("share[{$m}]", "wanted[{$m}]")]),
            ...$this->gives(),
        ])]];

        return $this->motion->positioning->countsPulses() ? [...$lines, new When("since(looked_ms[{$m}]) >= ".self::LOOK_MS, [
            new Set("speed_of[{$m}]", "(drive_position({$m}) - was_at[{$m}]) * ".(1000 / self::LOOK_MS)), new Set("was_at[{$m}]", "drive_position({$m})"),
            new Set("looked_ms[{$m}]", 'now'),
        ])] : $lines;
    }
}

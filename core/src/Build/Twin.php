<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;

/**
 * A motion once more, as it is or as its mirror image in the middle plane of what it stands on, with its switches and, where wanted, its part in the
 * routines: a right wing from a left one.
 *
 * What lies to the right of the plane lies to the left of it then: x and every heading φ become −x and 180° − φ, and what belongs to the motion itself, which
 * is given along its heading, becomes its own image across that. What turns about an upright axis turns the other way; a height, a way or an angle from
 * the horizontal stays what it is.
 */
final class Twin
{
    private const MARKERS = ['yellow', 'coral', 'sky', 'lilac'];

    /** Steps that move one motion: these the twin takes part in. */
    private const MOVES = ['go', 'go_by', 'run', 'home', 'stop', 'pace', 'follow'];

    private const LONGEST_NAME = 80;

    private const LONGEST_ID = 40;

    /** @var array<string, mixed> of the document */
    private array $of;

    private string $id;

    /** @var array<string, string> ids of its own switches, and of the motion, by those of the first */
    private array $instead;

    private int $doubled = 0;

    /** @var list<string> names of routines in which both move */
    private array $routines = [];

    private bool $turnsRound;

    /** @throws InvalidInput where it has no name, or no mirror image */
    private function __construct(private readonly Build $build, Motion $motion, private readonly string $name, private readonly bool $mirrored)
    {
        $this->of = $build->document['motions'][$build->indexOf($motion->id)];
        if (trim($name) === '' || mb_strlen($name) > self::LONGEST_NAME) {
            throw InvalidInput::at('name', trim($name) === '' ? 'Give it a name.' : 'Must be at most '.self::LONGEST_NAME.' characters long.');
        }
        $this->turnsRound = $mirrored && $this->of['mechanism']['kind'] === 'turntable';
        if ($this->turnsRound && ($this->of['task']['keeps_turning'] || $this->of['dial'] !== null)) {
            throw InvalidInput::at('mirrored', 'What turns on and on is its own mirror image: copy it, and turn its drive round.');
        }
        $this->id = $this->free(self::slug($name), array_keys($build->motions));
        $taken = array_keys($build->sensors);
        foreach ($build->motions as $other) {
            $taken = [...$taken, ...array_values(array_map(fn (LimitSwitch $switch): string => $switch->id, $other->stops->switches))];
        }
        $this->instead = [$motion->id => $this->id];
        foreach ($this->of['stops']['switches'] as $switch) {
            $this->instead[$switch['id']] = $taken[] = $this->free(self::slug($this->named($switch['name'])), $taken);
        }
    }

    /**
     * What it changes in the build, and what is worth knowing of it.
     *
     * @param  bool  $together  it takes part in every step of the routines that moves the first
     * @return array{changes: list<Change>, says: list<Sentence>}
     *
     * @throws InvalidInput
     */
    public static function of(Build $build, Motion $motion, string $name, bool $mirrored, bool $together): array
    {
        $twin = new self($build, $motion, $name, $mirrored);
        $changes = [new Change('motions.'.count($build->motions), $twin->motion())];
        foreach ($together ? $build->document['routines'] : [] as $i => $routine) {
            $before = $twin->doubled;
            $steps = ['steps' => $twin->steps($routine['steps']), 'if_fails' => $twin->steps($routine['if_fails'])];
            foreach ($steps as $field => $list) {
                if ($list !== $routine[$field]) {
                    $changes[] = new Change("routines.{$i}.{$field}", $list);
                }
            }
            $twin->routines = $twin->doubled > $before ? [...$twin->routines, $routine['name']] : $twin->routines;
        }

        return ['changes' => $changes, 'says' => $twin->says()];
    }

    /** A name for the image of something called so: left becomes right. */
    public static function imageOf(string $name): string
    {
        $swapped = strtr($name, ['left' => 'right', 'Left' => 'Right', 'LEFT' => 'RIGHT', 'right' => 'left', 'Right' => 'Left', 'RIGHT' => 'LEFT']);

        return $swapped === $name ? self::another($name) : $swapped;
    }

    /** A name for another of the same. */
    public static function another(string $name): string
    {
        $number = preg_match('/^(.*) (\d{1,3})$/u', $name, $found) === 1 ? (int) $found[2] : 1;

        return mb_substr($number > 1 ? $found[1] : $name, 0, self::LONGEST_NAME - 4).' '.($number + 1);
    }

    /** @return array<string, mixed> its record */
    private function motion(): array
    {
        $twin = ['id' => $this->id, 'name' => $this->name, 'marker' => $this->marker(), 'measured' => null, 'level' => null] + $this->of;
        if ($twin['drive'] !== null) {
            $twin['drive'] = ['shares' => null, 'selector' => null, 'reversed' => $this->of['drive']['reversed'] !== $this->mirrored] + $twin['drive'];
        }
        $twin['stops']['switches'] = array_map(fn (array $switch): array => ['id' => $this->instead[$switch['id']], 'name' => $this->named($switch['name'])]
            + $switch, $twin['stops']['switches']);
        if ($this->turnsRound) {
            $twin = self::turnedRound($twin);
        }
        if ($this->mirrored && $twin['mount'] !== null) {
            $mount = $twin['mount'];
            $sides = ['behind' => 'before', 'before' => 'behind', 'none' => 'none'];
            $twin['mount'] = ['x_m' => 0.0 - $mount['x_m'], 'heading_deg' => self::within(180.0 - $mount['heading_deg']),
                'drive_side' => $sides[$mount['drive_side']]]
                + $mount;
        }
        if ($this->mirrored) {
            $twin['bodies'] = array_map(fn (array $body): array => ['y_m' => 0.0 - $body['y_m'], 'heading_deg' => 0.0 - $body['heading_deg']] + $body,
                $twin['bodies']);
        }

        return array_replace($this->of, $twin);
    }

    /**
     * Its positions counted the other way.
     *
     * @param  array<string, mixed>  $motion
     * @return array<string, mixed>
     */
    private static function turnedRound(array $motion): array
    {
        $other = fn (?float $at): ?float => $at === null ? null : 0.0 - $at;
        $motion['places'] = array_map(fn (array $place): array => ['at' => $other($place['at'])] + $place, $motion['places']);
        ['hard_low' => $low, 'hard_high' => $high] = $motion['stops'];
        $motion['stops'] = ['hard_low' => $other($high), 'hard_high' => $other($low)] + $motion['stops'];
        $ends = ['low' => 'high', 'high' => 'low'];
        $motion['stops']['switches'] = array_map(fn (array $switch): array => ['at' => $other($switch['at']), 'end' => $ends[$switch['end']] ?? $switch['end']]
            + $switch, $motion['stops']['switches']);
        $motion['segments'] = array_reverse(array_map(fn (array $segment): array => ['from' => $other($segment['to']), 'to' => $other($segment['from']),
            'load_Nm' => $other($segment['load_Nm'])] + $segment, $motion['segments']));

        return $motion;
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @return list<array<string, mixed>> with those that move the first moving both
     */
    private function steps(array $steps): array
    {
        return array_map(function (array $step): array {
            if ($this->movesFirst($step)) {
                return ['do' => 'together', 'until' => 'all', 'branches' => [[$step], [$this->image($step)]]];
            }
            foreach (['steps', 'then', 'otherwise'] as $key) {
                $step = isset($step[$key]) ? [$key => $this->steps($step[$key])] + $step : $step;
            }

            return isset($step['branches']) ? ['branches' => $this->branches($step['branches'], $step['until'] === 'all')] + $step : $step;
        }, $steps);
    }

    /**
     * @param  list<list<array<string, mixed>>>  $branches
     * @param  bool  $areAwaited  all of them: then one more is as good as one inside of another
     * @return list<list<array<string, mixed>>>
     */
    private function branches(array $branches, bool $areAwaited): array
    {
        $both = $beside = [];
        foreach ($branches as $branch) {
            if ($areAwaited && count($branch) === 1 && $this->movesFirst($branch[0])) {
                $both[] = $branch;
                $beside[] = [$this->image($branch[0])];
            } else {
                $both[] = $this->steps($branch);
            }
        }

        return [...$both, ...$beside];
    }

    /**
     * @param  array<string, mixed>  $step
     * @return array<string, mixed> the same of the twin
     */
    private function image(array $step): array
    {
        $this->doubled++;
        $step = $this->renamed($step);
        if (! $this->turnsRound) {
            return $step;
        }
        $ends = array_map(fn (array $place): float => (float) $place['at'], $this->of['places']) ?: [0.0];

        return match ($step['do']) {
            'run' => ['direction' => $step['direction'] === 'up' ? 'down' : 'up'] + $step,
            'go_by' => ['by' => 0.0 - $step['by']] + $step,
            'follow' => ['at_low' => 0.0 - ($step['at_low'] ?? min($ends)), 'at_high' => 0.0 - ($step['at_high'] ?? max($ends))] + $step,
            default => $step,
        };
    }

    /**
     * @param  array<mixed>  $part  of a step, or of a condition
     * @return array<mixed> the same of the twin
     */
    private function renamed(array $part): array
    {
        $isOwn = ($part['motion'] ?? null) === $this->of['id'];
        if ($isOwn && $this->turnsRound && ($part['test'] ?? null) === 'between') {
            $part = ['from' => 0.0 - $part['to'], 'to' => 0.0 - $part['from']] + $part;
        }
        foreach ($part as $key => $value) {
            $part[$key] = match (true) {
                is_array($value) => $this->renamed($value),
                in_array($key, ['motion', 'switch', 'sensor'], true) && is_string($value) => $this->instead[$value] ?? $value,
                default => $value,
            };
        }

        return $part;
    }

    /** @param  array<string, mixed>  $step */
    private function movesFirst(array $step): bool
    {
        return in_array($step['do'], self::MOVES, true) && $step['motion'] === $this->of['id'];
    }

    /** The same heading, over −180° to 180°. */
    private static function within(float $heading_deg): float
    {
        return $heading_deg - 360.0 * ceil(($heading_deg - 180.0) / 360.0);
    }

    /** @return list<Sentence> */
    private function says(): array
    {
        $says = [];
        $switches = array_map(fn (array $switch): string => Sentence::quote($this->named($switch['name'])), $this->of['stops']['switches']);
        if ($switches !== []) {
            $says[] = new Sentence(count($switches) === 1 ? 'It gets a switch of its own: '.$switches[0].'.'
                : 'It gets switches of its own: '.implode(', ', $switches).'.');
        }
        if ($this->mirrored && $this->of['drive'] !== null) {
            $says[] = new Sentence('Its drive turns the other way.');
        }
        if ($this->turnsRound) {
            $says[] = new Sentence('Its places lie on the other side of 0.');
        }
        if (($this->of['drive']['shares'] ?? null) !== null) {
            $says[] = new Sentence('It gets a motor of its own.');
        }
        if ($this->of['mount'] !== null && ! $this->mirrored) {
            $says[] = new Sentence('It stands where the first one stands: move it on the stage.');
        }
        if ($this->of['level'] !== null) {
            $says[] = new Sentence('It does not stay level with anything.');
        }
        $riding = array_filter($this->build->motions, fn (Motion $other): bool => $other->mount?->on === $this->of['id']);
        if ($riding !== []) {
            $says[] = new Sentence('What stands on the first is not taken along: '
                .implode(', ', array_map(fn (Motion $other): string => Sentence::quote($other->name), $riding)).'.');
        }
        if ($this->routines !== []) {
            $says[] = new Sentence('Both move together in '.($this->doubled === 1 ? 'a step' : "{$this->doubled} steps").' of '
                .implode(', ', array_map(Sentence::quote(...), $this->routines)).'.');
        }

        return $says;
    }

    /** What belongs to the first and bears its name bears that of the twin. */
    private function named(string $name): string
    {
        $named = str_ireplace($this->of['name'], $this->name, $name);
        $named = $named === $name ? ($this->mirrored ? self::imageOf($name) : self::another($name)) : $named;

        return mb_substr($named, 0, self::LONGEST_NAME);
    }

    private function marker(): string
    {
        $used = array_count_values(array_map(fn (array $motion): string => $motion['marker'], $this->build->document['motions']));
        $markers = self::MARKERS;
        usort($markers, fn (string $a, string $b): int => ($used[$a] ?? 0) <=> ($used[$b] ?? 0));

        return $markers[0];
    }

    private static function slug(string $name): string
    {
        $slug = trim((string) preg_replace('/[^a-z0-9]+/', '-', strtolower($name)), '-');

        return rtrim(substr(preg_match('/^[a-z]/', $slug) === 1 ? $slug : "n{$slug}", 0, self::LONGEST_ID - 4), '-');
    }

    /** @param  list<string>  $taken */
    private function free(string $id, array $taken): string
    {
        for ($i = 2, $free = $id; in_array($free, $taken, true); $i++) {
            $free = "{$id}-{$i}";
        }

        return $free;
    }
}

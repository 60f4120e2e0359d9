<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

use Brookstone\Core\Shape\ErrorList;

/**
 * Checks what a document says of the stage: what stands on something stands on something that is there, and not on itself; bodies can be made.
 *
 * @internal
 */
final class StageReferences
{
    private const MOST_BODIES = 240;

    /** @var array<string, string|null> by motion what it stands on */
    private array $on = [];

    public function __construct(private readonly ErrorList $errors)
    {
    }

    /** @param  array<string, mixed>  $document read by its shape */
    public function check(array $document): void
    {
        $names = array_column($document['motions'], 'name', 'id');
        $mounts = array_column($document['motions'], 'mount', 'id');
        $this->on = array_map(fn (?array $mount): ?string => $mount['on'] ?? null, $mounts);
        $all = count($document['things']);
        foreach ($document['motions'] as $i => $motion) {
            $on = $motion['mount']['on'] ?? null;
            match (true) {
                $on === null => null,
                ! array_key_exists($on, $this->on) => $this->errors->add("motions.{$i}.mount.on", "There is no motion {$on} in this build."),
                $mounts[$on] === null => $this->errors->add("motions.{$i}.mount.on", "{$names[$on]} has no place on the stage yet: put it there first."),
                $this->standsOnItself($motion['id']) => $this->errors->add("motions.{$i}.mount.on", $on === $motion['id'] ? 'It cannot stand on itself.'
                    : "{$names[$on]} stands on {$motion['name']} already: nothing can stand on what it carries."),
                default => null,
            };
            $this->bodies($motion['bodies'], "motions.{$i}.bodies");
            $all += count($motion['bodies']);
            if ($all > self::MOST_BODIES) {
                $this->errors->add("motions.{$i}.bodies", 'More than '.self::MOST_BODIES.' bodies in all: join some of them, a few boxes tell what a thing meets.');
                break;
            }
        }
        $this->bodies($document['things'], 'things');
        $places = [];
        foreach ($document['motions'] as $motion) {
            $places[$motion['id']] = [...array_column($motion['places'], 'id'), ...array_column(Dial::places($motion), 'id')];
        }
        $known = [];
        foreach ($document['meetings'] as $i => $meeting) {
            if (isset($known[$meeting['id']])) {
                $this->errors->add("meetings.{$i}.id", "The meeting {$meeting['id']} is there twice.");
            }
            $known[$meeting['id']] = true;
            $this->meeting($meeting, $mounts, $places, "meetings.{$i}");
        }
    }

    /**
     * @param  array<string, mixed>  $meeting
     * @param  array<string, array<string, mixed>|null>  $mounts  by motion
     * @param  array<string, list<string>>  $places  by motion
     */
    private function meeting(array $meeting, array $mounts, array $places, string $path): void
    {
        foreach (['one', 'other'] as $end) {
            $motion = $meeting[$end]['motion'];
            if ($motion !== null && ($mounts[$motion] ?? null) === null) {
                $this->errors->add("{$path}.{$end}.motion", array_key_exists($motion, $mounts) ? "{$motion} has no place on the stage yet: put it there first."
                    : "There is no motion {$motion} in this build.");
            }
        }
        if ($meeting['one']['motion'] === $meeting['other']['motion']) {
            $this->errors->add("{$path}.other.motion", 'Both ends are moved by the same: nothing moves the one against the other.');
        }
        foreach ($meeting['at'] as $i => $at) {
            if (($mounts[$at['motion']] ?? null) === null) {
                $this->errors->add("{$path}.at.{$i}.motion", "There is no motion {$at['motion']} on the stage of this build.");
            } elseif (! in_array($at['place'], $places[$at['motion']], true)) {
                $this->errors->add("{$path}.at.{$i}.place", "There is no place {$at['place']} in this motion.");
            }
        }
    }

    private function standsOnItself(string $motion): bool
    {
        $seen = [];
        for ($on = $this->on[$motion] ?? null; $on !== null && ! isset($seen[$on]); $on = $this->on[$on] ?? null) {
            if ($on === $motion) {
                return true;
            }
            $seen[$on] = true;
        }

        return false;
    }

    /** @param  list<array<string, mixed>>  $bodies */
    private function bodies(array $bodies, string $path): void
    {
        $known = [];
        foreach ($bodies as $i => $body) {
            if (isset($known[$body['id']])) {
                $this->errors->add("{$path}.{$i}.id", "{$body['id']} is there twice.");
            }
            $known[$body['id']] = true;
            if ($body['shape'] === 'rod' && ($body['width_m'] ?? $body['length_m']) > $body['length_m']) {
                $this->errors->add("{$path}.{$i}.width_m", 'A rod with round ends cannot be thicker than it is long.');
            }
            $least = min($body['length_m'], $body['shape'] === 'ball' ? INF : $body['width_m'] ?? INF,
                $body['shape'] === 'box' ? $body['height_m'] ?? INF : INF);
            if ($body['wall_m'] !== null && 2 * $body['wall_m'] >= $least) {
                $this->errors->add("{$path}.{$i}.wall_m", 'Such walls leave nothing hollow: they must be thinner than half of its least size.');
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

/** The motions that one motor moves, and what decides which of them goes when it turns. */
final readonly class MotorGroup
{
    /**
     * @param  non-empty-list<string>  $members  motions; the first is the one that has the motor, the others share it
     * @param  string  $by  as DriveChoice::$shares_by has it, the same for all of them
     * @param  array<string, Selector>  $selectors  of each that shares it
     */
    private function __construct(public array $members, public string $by, private array $selectors)
    {
    }

    /**
     * @param  array<string, Motion>  $motions
     * @return array<string, self> of each motion that has its motor together with others
     */
    public static function all(array $motions): array
    {
        $shares = array_filter(array_map(fn (Motion $motion): ?string => $motion->drive?->shares, $motions), fn (?string $with): bool => $with !== null);
        $followers = [];
        foreach (array_keys($shares) as $id) {
            $followers[self::owner((string) $id, $shares)][] = (string) $id;
        }
        $groups = [];
        foreach ($followers as $owner => $ids) {
            $selectors = [];
            foreach ($ids as $id) {
                $selectors[$id] = $motions[$id]->drive->selector ?? new Selector;
            }
            $group = new self([(string) $owner, ...$ids], $motions[$ids[0]]->drive->shares_by ?? 'selector', $selectors);
            foreach ($group->members as $member) {
                $groups[$member] = $group;
            }
        }

        return $groups;
    }

    /**
     * The motion whose motor it is, where one shares with another that shares itself.
     *
     * @param  array<string, string>  $shares  by motion, that with which it shares
     */
    public static function owner(string $id, array $shares): string
    {
        for ($met = []; isset($shares[$id]) && ! isset($met[$id]); $id = $shares[$id]) {
            $met[$id] = true;
        }

        return $id;
    }

    /** @return list<string> the others on the motor of one */
    public function others(string $id): array
    {
        return array_values(array_diff($this->members, [$id]));
    }

    /** The servo that moves the selector; null where a hand does. */
    public function servo(): ?string
    {
        return array_values($this->selectors)[0]->motion ?? null;
    }

    /** The place of the servo at which the motor moves this one. */
    public function couplesAt(string $id): ?string
    {
        return isset($this->selectors[$id]) ? $this->selectors[$id]->place : array_values($this->selectors)[0]->other ?? null;
    }

    /** @return array<string, string> of each motion that it is told of, the sensor that is on while the selector holds it */
    public function tellers(): array
    {
        return $this->by !== 'selector' ? [] : array_filter(array_map(fn (Selector $selector): ?string => $selector->tells, $this->selectors),
            fn (?string $sensor): bool => $sensor !== null);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

use Brookstone\Core\Parts\MotorGroup;
use Brookstone\Core\Shape\ErrorList;

/**
 * Checks what motions say of a motor that they share: whose it is, in which way they share it, and what selects which of them it moves.
 *
 * @internal
 */
final class MotorReferences
{
    /** @var array<string, array<string, mixed>> by id: of two with one id the first counts */
    private array $motions = [];

    /** @var list<string> sensors that sit on no motion */
    private array $free = [];

    public function __construct(private readonly ErrorList $errors)
    {
    }

    /** @param  array<string, mixed>  $document read by its shape */
    public function check(array $document): void
    {
        foreach ($document['motions'] as $motion) {
            $this->motions[$motion['id']] ??= $motion;
        }
        $this->free = array_column(array_filter($document['sensors'], fn (array $sensor): bool => $sensor['motion'] === null), 'id');
        foreach ($document['motions'] as $i => $motion) {
            $other = $motion['drive']['shares'] ?? null;
            if ($other === $motion['id']) {
                $this->errors->add("motions.{$i}.drive.shares", 'A motion cannot share its motor with itself.');
            } elseif ($other !== null && ! isset($this->motions[$other])) {
                $this->errors->add("motions.{$i}.drive.shares", "There is no motion {$other} in this build.");
            }
        }
        $this->motors($document['motions']);
        foreach ($document['motions'] as $i => $motion) {
            $this->selector($motion, "motions.{$i}.drive.selector");
        }
    }

    /** @param  array<string, mixed>  $motion */
    private function selector(array $motion, string $path): void
    {
        $selector = $motion['drive']['selector'] ?? null;
        if ($selector === null) {
            return;
        }
        if ($selector['tells'] !== null && ! in_array($selector['tells'], $this->free, true)) {
            $this->errors->add("{$path}.tells", "There is no sensor {$selector['tells']} in this build that sits on no motion.");
        }
        if ($selector['motion'] === null) {
            return;
        }
        $moves = $this->motions[$selector['motion']] ?? null;
        if ($moves === null || ($moves['drive']['motor']['kind'] ?? null) !== 'servo'
            || in_array($selector['motion'], [$motion['id'], $motion['drive']['shares']], true)) {
            $this->errors->add("{$path}.motion",
                'Needs another motion of this build, and one with a servo: only that can be sent from one place to the other.');

            return;
        }
        foreach (['place', 'other'] as $field) {
            if ($selector[$field] === null || ! in_array($selector[$field], array_column([...$moves['places'], ...Dial::places($moves)], 'id'), true)) {
                $this->errors->add("{$path}.{$field}", "Needs a place of {$moves['name']} that moves no other.");
            }
        }
        if ($selector['place'] !== null && $selector['place'] === $selector['other']) {
            $this->errors->add("{$path}.other", 'Needs another place than the one at which it moves this motion.');
        }
    }

    /**
     * All motions on one motor share it in one way, and with one selector.
     *
     * @param  list<array<string, mixed>>  $motions
     */
    private function motors(array $motions): void
    {
        $shares = array_filter(array_map(fn (array $motion): ?string => $motion['drive']['shares'] ?? null, array_column($motions, null, 'id')),
            fn (?string $with): bool => $with !== null);
        $first = [];
        foreach ($motions as $i => $motion) {
            if (! isset($shares[$motion['id']]) || $shares[$motion['id']] === $motion['id']) {
                continue;
            }
            $owner = MotorGroup::owner($motion['id'], $shares);
            if (isset($shares[$owner])) {
                $this->errors->add("motions.{$i}.drive.shares", 'The motor is shared in a circle: one of them must have it.');

                continue;
            }
            $drive = $motion['drive'];
            $isFirst = ! isset($first[$owner]);
            $usual = $first[$owner] ??= $drive;
            if ($drive['shares_by'] !== $usual['shares_by']) {
                $this->errors->add("motions.{$i}.drive.shares_by",
                    "Others share this motor by {$usual['shares_by']}, and all on one motor share it in one way.");
            } elseif ($drive['shares_by'] === 'selector' && ! $isFirst) {
                $this->sameSelector($drive['selector'] ?? [], $usual['selector'] ?? [], "motions.{$i}.drive.selector");
            }
        }
    }

    /**
     * @param  array<string, string|null>  $selector
     * @param  array<string, string|null>  $usual  of another motion on its motor
     */
    private function sameSelector(array $selector, array $usual, string $path): void
    {
        foreach (['motion', 'other'] as $field) {
            if (($selector[$field] ?? null) !== ($usual[$field] ?? null)) {
                $this->errors->add("{$path}.{$field}", 'Others on this motor have another here, and there is one selector for all of them.');
            }
        }
        foreach (['place', 'tells'] as $field) {
            if (($selector[$field] ?? null) !== null && $selector[$field] === ($usual[$field] ?? null)) {
                $this->errors->add("{$path}.{$field}", 'Another motion on this motor has the same: each needs its own.');
            }
        }
    }
}

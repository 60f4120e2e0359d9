<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Numeric\Assignment;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\BoardStock;

/**
 * Which driver boards carry the loads of a build: all choices of which none other is better in every respect (fewer boards, less cost, fewer pins).
 * Loads that no board could share are chosen for apart, and all numbers of boards are gone through, from the fewest on; more are looked at only as
 * long as the pins that they save could save as many expanders.
 */
final class DriverChoice
{
    private const PIN = 1000.0; // in a sum of costs

    /**
     * @param  list<Load>  $loads
     * @param  list<array{Board, string}>  $free  channels that are there and free, each as its board and the supply of that
     * @param  int  $fewest  pins of the smallest expander
     * @return list<DriverOption> none where no board of the drawer carries one of them
     */
    public static function all(array $loads, array $free, BoardStock $stock, int $fewest): array
    {
        $options = [DriverOption::none()];
        foreach (self::apart($loads, $stock, $free) as [$group, $types]) {
            $more = self::forGroup($group, $types, $free, $fewest);
            $sums = [];
            foreach ($options as $one) {
                foreach ($more as $other) {
                    $sums[] = $one->and($other);
                }
            }
            $options = self::best($sums);
        }

        return $options;
    }

    /**
     * @param  list<Load>  $loads
     * @param  list<array{Board, string}>  $free
     * @return list<array{list<Load>, list<array{Board, string}>}> loads that could sit on one board, with the boards that could carry any of them
     */
    private static function apart(array $loads, BoardStock $stock, array $free): array
    {
        $types = [];
        foreach ($stock->boards as $board) {
            $on = [];
            foreach ($board->kind->drives() ? $loads : [] as $load) {
                if ($load->fits($board)) {
                    $on[self::feeds($board, $load)] = true;
                }
            }
            foreach (array_keys($on) as $supply) {
                $types[] = [$board, (string) $supply];
            }
        }
        $groups = [];
        foreach ($loads as $load) {
            $mine = array_filter([...$types, ...$free], fn (array $type): bool => self::carries($type, $load));
            $keys = array_map(fn (array $type): string => "{$type[0]->name} {$type[1]}", $mine);
            $joined = ['loads' => [$load], 'keys' => $keys];
            foreach ($groups as $i => $group) {
                if (array_intersect($group['keys'], $keys) !== []) {
                    $joined = ['loads' => [...$group['loads'], ...$joined['loads']], 'keys' => [...$group['keys'], ...$joined['keys']]];
                    unset($groups[$i]);
                }
            }
            $groups[] = $joined;
        }

        return array_values(array_map(fn (array $group): array => [$group['loads'], self::undominated($group['loads'], array_values(array_filter($types,
            fn (array $type): bool => in_array("{$type[0]->name} {$type[1]}", $group['keys'], true))))], $groups));
    }

    /** The supply that a board is on which carries this: the contacts of a relay stand by themselves. */
    private static function feeds(Board $board, Load $load): string
    {
        return $board->kind === BoardKind::Relay ? '' : $load->supply;
    }

    /** @param  array{Board, string}  $type */
    private static function carries(array $type, Load $load): bool
    {
        return $load->fits($type[0]) && ($type[0]->kind === BoardKind::Relay || $type[1] === $load->supply);
    }

    /**
     * Without those that another replaces for no more.
     *
     * @param  list<Load>  $loads
     * @param  list<array{Board, string}>  $types
     * @return list<array{Board, string}>
     */
    private static function undominated(array $loads, array $types): array
    {
        $kept = [];
        foreach ($types as $i => $type) {
            foreach ($types as $j => $other) {
                $alike = false;
                if ($i !== $j && self::replaces($loads, $other, $type, $alike) && (! $alike || $j < $i)) {
                    continue 2;
                }
            }
            $kept[] = $type;
        }

        return $kept;
    }

    /**
     * @param  list<Load>  $loads
     * @param  array{Board, string}  $by
     * @param  array{Board, string}  $type
     * @param  bool  $alike  and the other way round
     */
    private static function replaces(array $loads, array $by, array $type, bool &$alike): bool
    {
        $alike = $by[0]->channels === $type[0]->channels && $by[0]->cost === $type[0]->cost;
        if ($by[0]->channels < $type[0]->channels || $by[0]->cost > $type[0]->cost) {
            return false;
        }
        foreach ($loads as $load) {
            [$can, $could] = [self::carries($by, $load), self::carries($type, $load)];
            if ($could && (! $can || self::pins($by[0], $load) > self::pins($type[0], $load))) {
                return false;
            }
            $alike = $alike && $can === $could && (! $can || self::pins($by[0], $load) === self::pins($type[0], $load));
        }

        return true;
    }

    private static function pins(Board $board, Load $load): int
    {
        return array_sum(Needs::pinsFor($board, $load));
    }

    /**
     * @param  list<Load>  $loads
     * @param  list<array{Board, string}>  $types
     * @param  list<array{Board, string}>  $free
     * @return list<DriverOption>
     */
    private static function forGroup(array $loads, array $types, array $free, int $fewest): array
    {
        $least = array_sum(array_map(fn (Load $load): int => min([PHP_INT_MAX, ...array_map(fn (array $type): int => self::pins($type[0], $load),
            array_filter([...$types, ...$free], fn (array $type): bool => self::carries($type, $load)))]), $loads));
        $found = [];
        $first = null;
        for ($boards = 0; $boards <= count($loads); $boards++) {
            foreach (self::counts($types, $boards) as $counts) {
                $option = self::option($loads, $types, $counts, $free);
                if ($option !== null) {
                    $found[] = $option;
                    $first ??= $boards;
                }
            }
            $saves = $found === [] ? INF : min(array_map(fn (DriverOption $option): int => $option->outs + $option->pulses, $found)) - $least;
            if ($first !== null && $boards + 1 - $first > ceil($saves / $fewest)) {
                break;
            }
        }

        return self::best($found);
    }

    /**
     * All ways to take so many boards of the types.
     *
     * @param  list<array{Board, string}>  $types
     * @return iterable<list<int>> how many of each
     */
    private static function counts(array $types, int $boards, int $from = 0): iterable
    {
        $last = count($types) - 1 - $from;
        if ($last <= 0) {
            if ($last === 0 || $boards === 0) {
                yield $last === 0 ? [$boards] : [];
            }

            return;
        }
        for ($of = $boards; $of >= 0; $of--) {
            foreach (self::counts($types, $boards - $of, $from + 1) as $rest) {
                yield [$of, ...$rest];
            }
        }
    }

    /**
     * @param  list<Load>  $loads
     * @param  list<array{Board, string}>  $types
     * @param  list<int>  $counts
     * @param  list<array{Board, string}>  $free
     */
    private static function option(array $loads, array $types, array $counts, array $free): ?DriverOption
    {
        $taken = [];
        $channels = $free;
        foreach ($types as $i => $type) {
            for ($n = 0; $n < $counts[$i]; $n++) {
                $taken[] = $type;
                array_push($channels, ...array_fill(0, $type[0]->channels, $type));
            }
        }
        if (count($channels) < count($loads)) {
            return null;
        }
        $costs = array_map(fn (Load $load): array => array_map(fn (array $type): float => self::PIN * self::pins($type[0], $load),
            array_filter($channels, fn (array $type): bool => self::carries($type, $load))), $loads);
        $outs = $pulses = 0;
        foreach (Assignment::least($costs, count($channels)) as $i => $channel) {
            if ($channel === null) {
                return null;
            }
            [$out, $pulse] = Needs::pinsFor($channels[$channel][0], $loads[$i]);
            [$outs, $pulses] = [$outs + $out, $pulses + $pulse];
        }
        $supply = $loads[0]->supply;

        return new DriverOption(array_map(fn (array $type): array => [$type[0], $type[1] === '' ? $supply : $type[1]], $taken), $outs, $pulses);
    }

    /**
     * @param  list<DriverOption>  $options
     * @return list<DriverOption> best first
     */
    private static function best(array $options): array
    {
        usort($options, fn (DriverOption $a, DriverOption $b): int => $a->rank() <=> $b->rank());
        $kept = [];
        foreach ($options as $option) {
            foreach ($kept as $better) {
                if ($better->beats($option)) {
                    continue 2;
                }
            }
            $kept[] = $option;
        }

        return $kept;
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Comparison;

use Brookstone\Core\Finding\Sentence;

/** Two variants side by side: what differs first. */
final class Comparison
{
    /** @return array<string, mixed> as Schemas has it */
    public static function of(Variant $one, Variant $other): array
    {
        [$a, $b] = [$one->told(), $other->told()];
        $groups = [];
        $differ = 0;
        foreach ($a + $b as $key => $group) {
            $isOnce = isset($group['alone']) && ! isset($a[$key], $b[$key]);
            $rows = $isOnce ? self::rows(isset($a[$key]) ? ['The motion' => $group['alone']] : [], isset($b[$key]) ? ['The motion' => $group['alone']] : [])
                : self::rows($a[$key]['rows'] ?? [], $b[$key]['rows'] ?? []);
            $differing = count(array_filter($rows, fn (array $row): bool => $row['differs']));
            $differ += $differing;
            if ($rows !== []) {
                $groups[] = ['id' => $key, 'name' => $group['name'], 'differing' => $differing, 'rows' => $rows];
            }
        }
        usort($groups, fn (array $x, array $y): int => [$y['id'] === 'all', $y['differing'] > 0] <=> [$x['id'] === 'all', $x['differing'] > 0]);

        return ['says' => self::says($one, $other, $differ), 'names' => [$one->name, $other->name],
            'rehearsed' => $one->assessment->rehearsed && $other->assessment->rehearsed, 'groups' => $groups];
    }

    /**
     * @param  array<string, Cell>  $a
     * @param  array<string, Cell>  $b
     * @return list<array<string, mixed>> those that differ first
     */
    private static function rows(array $a, array $b): array
    {
        $rows = [];
        foreach (array_keys($a + $b) as $what) {
            [$one, $other] = [$a[$what] ?? null, $b[$what] ?? null];
            $better = $one === null || $other === null ? 0 : $one->betterBy($other);
            $rows[] = ['what' => (string) $what, 'cells' => [$one, $other], 'differs' => $one === null || $other === null || ! $one->isAs($other),
                'better' => $better === 0 ? null : ($better > 0 ? 0 : 1)];
        }
        usort($rows, fn (array $x, array $y): int => $y['differs'] <=> $x['differs']);

        return $rows;
    }

    private static function says(Variant $one, Variant $other, int $differ): Sentence
    {
        $names = Sentence::quote($one->name).' and '.Sentence::quote($other->name);
        $rank = $one->assessment->verdict->rank() <=> $other->assessment->verdict->rank();
        $better = Sentence::quote($rank < 0 ? $one->name : $other->name);

        return new Sentence(match (true) {
            $differ === 0 => "{$names} do not differ in anything that is judged.",
            $rank === 0 => "{$names} differ in ".($differ === 1 ? 'one thing' : "{$differ} things").'; neither is the sounder one.',
            default => "{$names} differ in ".($differ === 1 ? 'one thing' : "{$differ} things").'. The sounder one is '.$better.'.',
        });
    }
}

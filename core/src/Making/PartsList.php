<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\Csv;

/** Everything a build needs, what of it lies in the drawer and what must be got: where, for how much, in how many days. */
final readonly class PartsList
{
    private const LONG_DAYS = 14.0; // that takes long to come: better have one more

    /** @param  list<PartLine>  $lines */
    private function __construct(public array $lines)
    {
    }

    public static function of(Build $build): self
    {
        $lines = [];
        $making = $build->making;
        foreach (Bill::of($build) as $id => $item) {
            $known = $making->parts[$id] ?? null;
            $lines[] = new PartLine($item, $known['have'] ?? false, $known['place'] ?? '', $known['price'] ?? $item->price, $known['days'] ?? null,
                $known['comes_on'] ?? null, $known['note'] ?? '');
        }
        foreach ($making->own_parts as $own) {
            $item = new Item('own/'.$own['id'], 'own', new Sentence(Sentence::quote($own['name'])), $own['count'], 'piece', []);
            $lines[] = new PartLine($item, $own['have'], $own['place'], $own['price'], $own['days'], $own['comes_on'], $own['note']);
        }

        return new self($lines);
    }

    /** @return array<string, mixed> as the page shows it */
    public function written(): array
    {
        $missing = array_filter($this->lines, fn (PartLine $line): bool => ! $line->have);

        return ['says' => $this->says($missing), 'to_get' => count($missing), 'cost' => $this->cost($missing), 'cost_all' => $this->cost($this->lines),
            'groups' => array_map(fn (string $id, string $name): array => ['id' => $id, 'name' => $name], array_keys(Bill::GROUPS), Bill::GROUPS),
            'lines' => array_map(fn (PartLine $line): array => ['id' => $line->item->id, 'group' => $line->item->group, 'name' => $line->item->name,
                'count' => $line->item->count, 'per' => $line->item->per, 'for' => $line->item->for, 'made' => $line->item->made, 'have' => $line->have,
                'place' => $line->place, 'price' => $line->price, 'days' => $line->days, 'comes_on' => $line->comes_on, 'note' => $line->note,
                'cost' => $line->cost(), 'spares' => self::spares($line), 'why' => self::why($line)], $this->lines)];
    }

    /** As a table for a spreadsheet. */
    public function csv(): string
    {
        $rows = [Csv::row(['group', 'part', 'count', 'unit', 'for', 'how', 'in the drawer', 'place', 'price of one', 'cost', 'days', 'comes on', 'spares',
            'why',
            'note'])];
        foreach ($this->lines as $line) {
            $rows[] = Csv::row([Bill::GROUPS[$line->item->group], $line->item->name->text(), self::count($line->item->count), $line->item->per,
                implode('; ', $line->item->for), $line->item->made, $line->have ? 'yes' : 'no', $line->place, $line->price ?? '', $line->cost() ?? '',
                $line->days ?? '', $line->comes_on ?? '', self::spares($line), self::why($line), $line->note]);
        }

        return implode("\n", [...$rows, '']);
    }

    private static function count(float $count): string
    {
        return (string) (floor($count) === $count ? (int) $count : round($count, 2));
    }

    private static function spares(PartLine $line): int
    {
        return max($line->item->spares, ($line->days ?? 0.0) >= self::LONG_DAYS ? 1 : 0);
    }

    private static function why(PartLine $line): string
    {
        return $line->item->why !== '' ? $line->item->why : (($line->days ?? 0.0) >= self::LONG_DAYS ? 'it takes long to come' : '');
    }

    /** @param  array<PartLine>  $lines */
    private function cost(array $lines): float
    {
        return array_sum(array_map(fn (PartLine $line): float => $line->cost() ?? 0.0, $lines));
    }

    /** @param  array<PartLine>  $missing */
    private function says(array $missing): Sentence
    {
        if ($this->lines === []) {
            return new Sentence('Nothing is needed yet: the list follows from what moves and what moves it.');
        }
        if ($missing === []) {
            return new Sentence('Everything is there.');
        }
        $unknown = count(array_filter($missing, fn (PartLine $line): bool => $line->price === null));
        $all = count($this->lines);

        return new Sentence(count($missing)." of {$all} kinds are still to get".match (true) {
            $unknown === count($missing) => '.',
            $unknown === 0 => ', for {cost} in all.',
            default => ". Those with a price cost {cost}; {$unknown} have none yet.",
        }, $unknown === count($missing) ? [] : ['cost' => Quantity::number($this->cost($missing))]);
    }
}

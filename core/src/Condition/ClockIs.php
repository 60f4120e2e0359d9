<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\ClockShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;

/** The time of day lies between two times; past midnight where the first is the later. */
final readonly class ClockIs implements Condition
{
    use Atom;

    public function __construct(public string $from, public string $to)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape(['from' => Field::needed(new ClockShape, 'As 21:30.'), 'to' => Field::needed(new ClockShape)], 'ClockIs');
    }

    public static function make(array $read): self
    {
        return new self($read['from'], $read['to']);
    }

    public static function seconds(string $clock): float
    {
        [$hours, $minutes] = explode(':', $clock);

        return 3600.0 * (int) $hours + 60.0 * (int) $minutes;
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence("it is between {$this->from} and {$this->to}");
    }

    public function holds(Senses $senses): bool
    {
        [$from, $to, $now] = [self::seconds($this->from), self::seconds($this->to), $senses->clock_s()];

        return $from <= $to ? $now >= $from && $now < $to : $now >= $from || $now < $to;
    }

    public function asked(Asking $of): string
    {
        return $of->clock(self::seconds($this->from), self::seconds($this->to));
    }

    public function refersTo(): array
    {
        return [];
    }
}

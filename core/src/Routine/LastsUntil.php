<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Quantity\Quantity;

/** What steps have in common that go on until something is so, or for a time. */
trait LastsUntil
{
    public function inner(): array
    {
        return [];
    }

    public function conditions(): array
    {
        return $this->until === null ? [] : ['until' => $this->until];
    }

    /**
     * What it does, with what ends that.
     *
     * @param  string  $does  without a full stop
     * @param  array<string, Quantity>  $values  of that
     */
    private function lasting(Inventory $build, string $does, array $values = []): Sentence
    {
        if ($this->until !== null) {
            $until = $this->until->says($build)->named('until');
            $does .= " until {$until->template}";
            $values += $until->values;
        }
        if ($this->for_s !== null) {
            $does .= ' for {time}';
            $values['time'] = Quantity::of($this->for_s, 's');
        }

        return GiveUp::add($does, $values, $this->give_up_s);
    }
}

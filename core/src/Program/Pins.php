<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Wiring\PlacedBoard;

/** Which pin of which board serves what, by the wiring of a build. What has none is remembered: a program needs it. */
final class Pins
{
    /** @var array<string, PinUse> by signal */
    public array $used = [];

    /** @var array<string, string> what has no pin, by signal */
    public array $missing = [];

    private readonly Names $names;

    /** @var array<string, string> names for people, by signal */
    private array $says = [];

    public function __construct(private readonly Build $build)
    {
        $this->names = new Names;
        foreach (Needs::of($build)->on($build->wiring) as $key => $signal) {
            $this->says[$key] = $signal->name;
        }
        foreach (Needs::of($build)->loads as $key => $load) {
            $this->says[$key] ??= $load->name;
        }
    }

    /** @return string the name of the number of the pin that a signal is on */
    public function of(string $signal, string $as): string
    {
        $board = $this->build->wiring->at($signal);
        if ($board === null) {
            $this->missing[$signal] = $this->says[$signal] ?? $signal;

            return '0';
        }
        $this->used[$signal] ??= new PinUse($this->names->of('PIN', $this->says[$signal] ?? $signal), count($this->used), $signal,
            $this->says[$signal] ?? $signal,
            $board, $this->build->wiring->bySignal[$signal]->pin, $as);

        return $this->used[$signal]->name;
    }

    public function has(string $signal): bool
    {
        return $this->build->wiring->at($signal) !== null;
    }

    /** @return array{PlacedBoard, string}|null the driver that carries a load, and its channel */
    public function carries(string $load): ?array
    {
        $board = $this->build->wiring->at($load);
        if ($board === null) {
            $this->missing[$load] = $this->says[$load] ?? $load;

            return null;
        }

        return [$board, $this->build->wiring->bySignal[$load]->pin];
    }

    /** @return array<string, int> numbers by name */
    public function numbers(): array
    {
        return array_column(array_values(array_map(fn (PinUse $pin): array => ['name' => $pin->name, 'number' => $pin->number], $this->used)), 'number',
            'name');
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Parts\Output;

/** What takes current of the supplies besides the motors: boards and sensors all the time, outputs while they are on. */
final readonly class OtherLoads
{
    public function __construct(private Build $build)
    {
    }

    /**
     * What takes current whether anything happens or not: each board of the wiring, and the sensors, which the controller’s supply feeds.
     *
     * @return list<array{of: string, says: string, supply: string, awake_A: float, asleep_A: float}>
     */
    public function standing(): array
    {
        $standing = [];
        foreach ($this->build->wiring->boards as $board) {
            $standing[] = ['of' => "boards.{$board->id}", 'says' => $board->name, 'supply' => $board->supply, 'awake_A' => $board->board->awake_A,
                'asleep_A' => $board->board->asleep_A];
        }
        $controller = $this->build->wiring->controller();
        if ($controller === null) {
            return $standing;
        }
        foreach ($this->build->sensors as $sensor) {
            $standing[] = ['of' => "sensors.{$sensor->id}", 'says' => $sensor->name, 'supply' => $controller->supply, 'awake_A' => $sensor->takes_A(),
                'asleep_A' => $sensor->takes_A()];
        }

        return $standing;
    }

    /** What that is together on one supply while the controller is awake, A. */
    public function standing_A(string $supply): float
    {
        return array_sum(array_map(fn (array $each): float => $each['supply'] === $supply ? $each['awake_A'] : 0.0, $this->standing()));
    }

    /**
     * What an output takes while it is on: from what feeds it, and for the coil of its relay.
     *
     * @return list<array{string, float}> supply, A
     */
    public function takenBy(Output $output): array
    {
        $board = $this->build->wiring->at("outputs.{$output->id}") ?? $this->build->wiring->at("outputs.{$output->id}.1");
        $supply = $output->supply ?? $this->build->wiring->controller()?->supply;

        return [
            ...($supply === null || $output->gates !== null ? [] : [[$supply, $output->takes_A()]]), // what a gate lets through is told of what it feeds
            ...($board === null || $board->board->on_A <= 0.0 ? [] : [[$board->supply, $board->board->on_A]]),
        ];
    }
}

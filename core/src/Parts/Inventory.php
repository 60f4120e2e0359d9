<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

/** What a machine has, by id: conditions and steps speak of this. */
abstract readonly class Inventory
{
    /** @var array<string, MotorGroup> of each motion that has its motor together with others */
    public array $motorGroups;

    /**
     * @param  array<string, Supply>  $supplies
     * @param  array<string, Motion>  $motions
     * @param  array<string, Sensor>  $sensors
     * @param  array<string, Output>  $outputs
     * @param  array<string, Counter>  $counters
     */
    public function __construct(
        public Settings $settings,
        public array $supplies,
        public array $motions,
        public array $sensors,
        public array $outputs,
        public array $counters,
    ) {
        $this->motorGroups = MotorGroup::all($motions);
    }

    /** For sentences; its id where there is none of it. */
    abstract public function routineNamed(string $id): string;

    /** The same of what is taken up. */
    abstract public function thingNamed(string $id): string;

    /** Finds a switch of any motion. */
    public function switch(string $id): ?LimitSwitch
    {
        foreach ($this->motions as $motion) {
            $switch = $motion->stops->switch($id);
            if ($switch !== null) {
                return $switch;
            }
        }

        return null;
    }

    /** How a sensor or switch reads in a sentence: `the visitor beam is broken`. */
    public function condition(string $sensor, bool $on): string
    {
        $known = $this->sensors[$sensor] ?? null;

        return $known !== null
            ? "{$known->named()} {$known->word($on)}"
            : ($this->switch($sensor)?->named() ?? $sensor).($on ? ' trips' : ' is free');
    }
}

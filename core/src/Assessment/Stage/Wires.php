<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** Wires that pass a joint: those of the drives that ride on what it moves. */
final readonly class Wires
{
    private const STANDS_RAD = 2 * M_PI; // in all, without a slip ring

    private const OFF_AXIS_M = 0.01; // where wires usually pass a joint that turns

    public function __construct(private Build $build)
    {
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return array_values(array_filter(array_map($this->winds(...), array_values($this->build->stage->motions))));
    }

    /** `Wires of Jaw and Eyes pass it: leave 21 mm of slack`; null where none do, or where they cannot. */
    public function says(Motion $motion): ?Sentence
    {
        $passing = $this->passing($motion);
        if ($passing === [] || $this->winds($motion)?->severity === Severity::Fails) {
            return null;
        }
        $goes = $this->goes($motion);
        $turns = $this->build->stage->goes($motion->id)->turns;

        return new Sentence('Wires of '.Sentence::listed($passing).' pass it: leave {slack} of slack'.($turns ? ', {off} from its axis.' : '.'), [
            'slack' => Quantity::of($turns ? $goes * self::OFF_AXIS_M : $goes, 'm'), 'off' => Quantity::of(self::OFF_AXIS_M, 'm'),
        ]);
    }

    private function winds(Motion $motion): ?Finding
    {
        $passing = $this->passing($motion);
        if ($passing === [] || ! $this->build->stage->goes($motion->id)->turns) {
            return null;
        }
        $path = 'motions.'.$this->build->indexOf($motion->id).'.mount';
        $of = Sentence::listed($passing);
        if ($motion->period() !== null || $motion->turnsAnywhere()) {
            return new Finding('stage.wires_wind', Severity::Fails, $path, new Sentence(
                "{$motion->named()} turns on and on, and the wires of {$of} pass it: they wind up and break. Give them a slip ring, or let it come back."));
        }
        $turn = $this->goes($motion);

        return $turn <= self::STANDS_RAD * (1 + Constants::TIE) ? null : new Finding('stage.wires_wind', Severity::Tight, $path, new Sentence(
            "{$motion->named()} turns {turn} in all, and the wires of {$of} pass it: {stands} is what they stand, coiled with care.",
            ['turn' => Quantity::of($turn / Constants::RAD_PER_DEG, '°'), 'stands' => Quantity::of(self::STANDS_RAD / Constants::RAD_PER_DEG, '°')]));
    }

    /** @return list<string> names of motions whose drives ride on what it moves */
    private function passing(Motion $motion): array
    {
        $stage = $this->build->stage;
        $driven = array_filter($stage->above($motion->id), fn (string $id): bool => $stage->driveOf($id)->mass_kg > 0.0);

        return array_values(array_map(fn (string $id): string => $stage->motions[$id]->named(), $driven));
    }

    /** How far it turns or slides from its one end to the other, rad or m. */
    private function goes(Motion $motion): float
    {
        [$low, $high] = [INF, -INF];
        foreach ($motion->places as $place) {
            $at = $this->build->stage->at($motion->id, [$motion->id => $place->at]);
            [$low, $high] = [min($low, $at), max($high, $at)];
        }

        return $high - $low;
    }
}

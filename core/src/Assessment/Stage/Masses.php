<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Machine\Balance;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;

/** What it weighs: what was typed against what its bodies add up to, whether it stands, and what who wears it carries. */
final readonly class Masses
{
    private const DIFFER = 0.1; // of the larger

    private const SAFE_DEG = 10.0; // of tilting until it tips: somebody leans on it

    private const BODY_KG = 70.0;

    private const WORN_SHARE = 0.1; // of a body, for an hour

    private Balance $balance;

    public function __construct(private Build $build, private bool $proposes)
    {
        $this->balance = new Balance($build->stage);
    }

    public function mass_kg(): float
    {
        return $this->balance->all([])->mass_kg;
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return array_values(array_filter([...array_map($this->differs(...), $this->build->stage->motions), $this->tips(), $this->worn()]));
    }

    /** The masses of its bodies count; what was typed says something else. */
    private function differs(Motion $motion): ?Finding
    {
        $stage = $this->build->stage;
        $typed = $motion->thing()->masses();
        $typed_kg = $stage->goes($motion->id)->told()->mass_kg;
        if (! $stage->isWeighed($motion->id) || $typed_kg <= 0.0) {
            return null;
        }
        $bodies_kg = $stage->moved($motion->id)->mass_kg;
        if (abs($typed_kg - $bodies_kg) <= self::DIFFER * max($typed_kg, $bodies_kg)) {
            return null;
        }
        $path = 'motions.'.$this->build->indexOf($motion->id).'.mechanism';
        $field = count($typed) === 1 ? array_key_first($typed) : (isset($typed['mass_kg']) ? 'mass_kg' : null);
        $others_kg = $field === null ? 0.0 : array_sum(array_diff_key($typed, [$field => true]));

        $can = $field !== null && $this->proposes && $bodies_kg > $others_kg;

        return new Finding('stage.mass_differs', Severity::Tight, $path.($field === null ? '' : ".{$field}"), new Sentence(
            "{$motion->named()} was typed as {typed}; its bodies add up to {bodies}, and those count.",
            ['typed' => Quantity::of($typed_kg, 'kg'), 'bodies' => Quantity::of($bodies_kg, 'kg')],
        ), $can ? [new Fix(new Sentence('Write down {bodies}', ['bodies' => Quantity::of($bodies_kg, 'kg')]),
            [new Change("{$path}.{$field}", round($bodies_kg - $others_kg, 6))])] : []);
    }

    private function tips(): ?Finding
    {
        if (! $this->balance->canTip()) {
            return null;
        }
        $worst = $this->balance->worst();
        $margin = $this->balance->margin_m($worst);
        $braking = [INF, null];
        foreach ($this->build->stage->motions as $id => $motion) {
            foreach ([$motion->task->from, $motion->task->to] as $place) {
                $with = $this->balance->braking_m($id, [$id => $motion->at($place)] + $worst);
                $braking = $with < $braking[0] ? [$with, $motion] : $braking;
            }
        }
        $tilt = $this->balance->tilt_deg($worst);
        $with = $this->with($worst);
        $at = 'things.'.array_search('frame', array_column($this->build->document['things'], 'is'), true);
        if ($margin < 0.0) {
            return new Finding('stage.tips', Severity::Fails, $at, new Sentence("It tips over: its centre is {over} outside of its feet{$with->template}.",
                ['over' => Quantity::of(-$margin, 'm')] + $with->values));
        }
        if ($braking[0] < 0.0 && $braking[1] !== null) {
            return new Finding('stage.tips', Severity::Fails, $at, new Sentence("It tips over while {$braking[1]->named()} starts or brakes: {over} outside of its feet.",
                ['over' => Quantity::of(-$braking[0], 'm')]));
        }

        return $tilt >= self::SAFE_DEG ? null : new Finding('stage.tips', Severity::Tight, $at, new Sentence(
            "Tilted by {tilt} it tips over: its centre is {margin} inside of its feet{$with->template}. {safe} is little enough for a bump.",
            ['tilt' => Quantity::of($tilt, '°'), 'margin' => Quantity::of($margin, 'm'), 'safe' => Quantity::of(self::SAFE_DEG, '°')] + $with->values,
        ));
    }

    /**
     * ` with Neck at 40°`, of what is not at rest.
     *
     * @param  array<string, float>  $pose
     */
    private function with(array $pose): Sentence
    {
        $parts = $values = [];
        foreach ($pose as $id => $at) {
            $motion = $this->build->stage->motions[$id];
            if (abs($at - $motion->at($motion->task->from)) > 1e-6) {
                $name = 'pose'.count($parts);
                $parts[] = "{$motion->named()} at {{$name}}";
                $values[$name] = $motion->unit()->quantity($at);
            }
        }

        return new Sentence($parts === [] ? ', as it rests' : ', with '.Sentence::listed($parts), $values);
    }

    private function worn(): ?Finding
    {
        $mass = $this->mass_kg();
        $bears = self::WORN_SHARE * self::BODY_KG;

        return ! $this->build->around->worn || $mass <= $bears ? null : new Finding('stage.worn_heavy', Severity::Tight, 'around.worn', new Sentence(
            'Worn it weighs {mass}; for an hour a tenth of the body is usual, {usual} for {body}. How it feels decides.',
            ['mass' => Quantity::of($mass, 'kg'), 'usual' => Quantity::of($bears, 'kg'), 'body' => Quantity::of(self::BODY_KG, 'kg')],
        ));
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Train;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Parts\Place;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;

/**
 * Whether something always presses the teeth one way, so that their play does not show at rest: the load itself, where it is stronger than its
 * own friction all the way, or a spring that would do it.
 */
final readonly class PlayTaken
{
    private const STEPS = 120;

    private const IN_HAND = 1.2;

    private const MOST_SEGMENTS = 20;

    /**
     * @param  int  $byItself  −1 or 1: the way in which the load presses by itself all the way; 0 neither
     * @param  float  $spring_Nm  at the load, signed: what would press one way all the way; 0 where none is needed
     * @param  float  $worst_Nm  largest torque to hold, without it
     * @param  float  $then_Nm  with it
     */
    private function __construct(private MotionInBuild $subject, public int $byItself, public float $spring_Nm, public float $worst_Nm, public float $then_Nm)
    {
    }

    public static function of(MotionInBuild $subject): self
    {
        $motion = $subject->motion;
        $move = $motion->move();
        $up = $down = $worst = $highest = 0.0;
        $lowest = INF;
        $highest = -INF;
        $rubs = 0.0;
        for ($i = 0; $i <= self::STEPS; $i++) {
            $position = $move->from + $move->distance() * $i / self::STEPS;
            [$static, $friction] = $motion->mechanism->dynamics($position);
            $up = max($up, $friction - $static);   // what must be added so that it presses up everywhere
            $down = max($down, $friction + $static);
            [$lowest, $highest, $rubs] = [min($lowest, $static), max($highest, $static), max($rubs, $friction)];
        }
        $worst = max(abs($lowest), abs($highest)) + $rubs;
        if ($up <= 0.0 || $down <= 0.0) {
            return new self($subject, $up <= 0.0 ? 1 : -1, 0.0, $worst, $worst);
        }
        $spring = Format::significantNumber(self::IN_HAND * min($up, $down), 2) * ($up <= $down ? 1 : -1);

        return new self($subject, 0, $spring, $worst, max(abs($lowest + $spring), abs($highest + $spring)) + $rubs);
    }

    public function says(): Sentence
    {
        return $this->byItself !== 0 ? new Sentence('its load presses one way all the way: the play does not show at rest') : new Sentence(
            'a spring of {spring} at the load that always pulls one way takes it out; the worst torque goes from {worst} to {then}',
            ['spring' => Quantity::of(abs($this->spring_Nm), 'N·m'), 'worst' => Quantity::of($this->worst_Nm, 'N·m'),
                'then' => Quantity::of($this->then_Nm, 'N·m')],
        );
    }

    /** @return list<Fix> the spring, as something met over the whole travel */
    public function fixes(): array
    {
        $motion = $this->subject->motion;
        $places = array_map(fn (Place $place): float => $place->at, $motion->places);
        $segments = $this->subject->build->document['motions'][$this->subject->build->indexOf($motion->id)]['segments'] ?? [];
        if ($this->byItself !== 0 || count($segments) >= self::MOST_SEGMENTS || $places === [] || $motion->mechanism->isEndless()) {
            return [];
        }
        $slides = $motion->unit() === PositionUnit::Metres;
        $spring = ['name' => 'return spring', 'from' => min($places), 'to' => max($places), 'load_Nm' => $slides ? 0.0 : $this->spring_Nm, 'drag_Nm' => 0.0,
            'load_N' => $slides ? $this->spring_Nm / $motion->mechanism->travelPerRad() : 0.0, 'drag_N' => 0.0];

        return [new Fix(
            new Sentence('Let a spring of {spring} pull it one way all the way: the worst torque is then {then}',
                ['spring' => Quantity::of(abs($this->spring_Nm), 'N·m'), 'then' => Quantity::of($this->then_Nm, 'N·m')]),
            [new Change($this->subject->path.'.segments', [...$segments, $spring])],
        )];
    }
}

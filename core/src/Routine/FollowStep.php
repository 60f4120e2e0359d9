<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/**
 * A motion goes where a stick or knob says, or as fast as it says, until something is so. It stops at the switches of its ends, and gives up when what it
 * reads cannot be: a wire that is off.
 */
final readonly class FollowStep implements Moves
{
    use LastsUntil;
    use MovesAtSpeed;

    /**
     * @param  string  $as  `place` or `speed`: what the reading says
     * @param  float  $low  its reading at one end of the stick, and $high at the other
     * @param  float|null  $at_low  where that sends it, own unit; null is its lowest place, and $at_high its highest
     * @param  float  $dead_band  share of the span: so little of a change, and so much about the middle of a speed, does nothing
     * @param  float  $expo  0 straight to 1 cubed: how gently a speed begins
     * @param  float  $smooth_s  time in which it takes up most of a jump; 0 at once
     */
    public function __construct(public string $motion, public string $sensor, public string $as, public float $low, public float $high, public ?float $at_low,
        public ?float $at_high, public float $dead_band, public float $expo, public float $smooth_s, public float $speed, public ?Condition $until,
        public ?float $for_s, public ?float $give_up_s)
    {
    }

    public static function shape(): RecordShape
    {
        $position = NumberShape::between(-720.0, 720.0)->orNull();

        return new RecordShape([
            'motion' => Field::needed(TextShape::id()),
            'sensor' => Field::needed(TextShape::id(), 'A stick, a knob, or anything else that measures.'),
            'as' => Field::or('place', ChoiceShape::of('place', 'speed'), 'What its reading says: where to, or how fast.'),
            ...Stick::fields(),
            'at_low' => Field::or(null, $position, 'Where that sends it; degrees or metres, empty: its lowest place.'),
            'at_high' => Field::or(null, $position, 'Where this sends it; empty: its highest place.'),
            'dead_band' => Field::or(0.02, NumberShape::between(0.0, 0.5), 'Share of the span in which nothing happens.'),
            'expo' => Field::or(0.0, NumberShape::between(0.0, 1.0), 'How gently a speed begins: 0 evenly, 1 by its cube.'),
            'smooth_s' => Field::or(0.0, NumberShape::between(0.0, 10.0), 'Time in which it takes up most of a jump.'),
            'speed' => Field::or(1.0, NumberShape::between(0.01, 1.0), 'At most this share of its usual speed.'),
            'until' => Field::or(null, Conditions::orNull(), 'What ends it; or a time.'),
            'for_s' => Field::or(null, NumberShape::positive(GiveUp::DAY_S)->orNull(), 'Time that ends it.'),
            'give_up_s' => GiveUp::field(),
        ], 'FollowStep');
    }

    public static function make(array $read): self
    {
        return new self(...['until' => Conditions::maybe($read['until'])] + array_diff_key($read, ['do' => true]));
    }

    public function refersTo(): array
    {
        return ['motion' => ['motion', $this->motion], 'sensor' => ['analog', $this->sensor]];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect(new Movement($this->motion, $this->speed), until: $this->until, for_s: $this->for_s, giveUp_s: $this->give_up_s);
    }

    public function problems(): array
    {
        return GiveUp::timeProblem($this->until !== null, $this->for_s !== null)
            + Stick::problem($this->low, $this->high);
    }

    public function says(Inventory $build): Sentence
    {
        $by = ($build->sensors[$this->sensor] ?? null)?->named() ?? $this->sensor;

        return $this->lasting($build, $this->as === 'place' ? "{$build->motions[$this->motion]->named()} goes where {$by} says"
            : "{$build->motions[$this->motion]->named()} goes as fast as {$by} says");
    }

    public function writes(Script $script): void
    {
        $script->follows($this);
    }

    public function run(Controller $controller): \Generator
    {
        $axis = $controller->axis($this->motion);
        if ($this->as === 'place' && ! $axis->canFollow()) {
            throw new StepFailed("{$axis->motion()->name} cannot be sent to a place: nothing tells where it is");
        }
        $since = $last = $controller->now();
        $smooth = $told = null;
        while (! ($this->for_s !== null && $controller->now() - $since >= $this->for_s - 1e-9)
            && ! ($this->until !== null && $this->until->holds($controller->senses()))) {
            $share = Stick::reads($controller, $axis, $this->sensor, $this->low, $this->high);
            $smooth = $smooth === null || $this->smooth_s <= 0.0 ? $share
                : $smooth + ($share - $smooth) * -expm1(-($controller->now() - $last) / $this->smooth_s * M_LN10);
            $last = $controller->now();
            $told = $this->as === 'place' ? $this->sends($axis, $smooth, $told) : $this->drives($controller, $axis, $smooth, $told);
            $controller->failAfter($since, $this->give_up_s, $this->motion, 'timed out');
            yield;
        }
        if ($this->as === 'speed') {
            yield from $controller->halt($axis);
        }
        $axis->isAt(null);
    }

    /** @return float the share that it was told last */
    private function sends(DrivenMotion $axis, float $share, ?float $told): float
    {
        if ($told !== null && abs($share - $told) <= $this->dead_band && ! ($share !== $told && ($share === 0.0 || $share === 1.0))) {
            return $told;
        }
        [$low, $high] = $axis->motion()->range();
        [$from, $to] = [$this->at_low ?? $low, $this->at_high ?? $high];
        $axis->follow(max($low, min($high, $from + ($to - $from) * $share)), $this->speed);

        return $share;
    }

    /** @return float the speed that it was told last, below 0 downwards */
    private function drives(Controller $controller, DrivenMotion $axis, float $share, ?float $told): float
    {
        $out = 2 * $share - 1;
        $beyond = max(0.0, abs($out) - $this->dead_band) / (1 - $this->dead_band);
        $speed = ($out <=> 0.0) * ((1 - $this->expo) * $beyond + $this->expo * $beyond ** 3) * $this->speed;
        foreach ($axis->motion()->stops->tellers() as $switch) {
            $speed = $speed * $switch->direction() > 0.0 && $axis->motion()->period() === null && $controller->isOn($switch->id) ? 0.0 : $speed;
        }
        $speed = abs($speed) < Stick::STEP ? 0.0 : $speed;
        if ($told !== null && ($speed === 0.0 ? $told === 0.0 : abs($speed - $told) < Stick::STEP && $speed * $told > 0.0)) {
            return $told;
        }
        $speed === 0.0 ? $axis->stop('brake') : $axis->push($speed <=> 0.0, abs($speed));

        return $speed;
    }
}

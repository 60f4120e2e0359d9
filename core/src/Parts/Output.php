<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A lamp, a sound, a relay, a coil: something besides the motions that a routine can switch. */
final readonly class Output
{
    use Named;

    public const KINDS = ['lamp', 'sound', 'relay', 'track', 'points', 'uncoupler', 'valve', 'servo_valve', 'display'];

    /** @var list<string> that are wound on iron: what is switched off gives its current back */
    public const COILS = ['points', 'uncoupler', 'valve'];

    /** @var list<string> that must only be hit shortly */
    public const HIT = ['points', 'uncoupler'];

    private const USUAL_LONGEST_S = 1.0;

    private const TURNS_S = 0.5; // a servo through a quarter turn

    /**
     * @param  string  $kind  `lamp`, `sound`, `relay`, `display`; `track`: a section of rail, both ways; `points`: two coils; `uncoupler`, `valve`: one;
     *     `servo_valve`: a valve that a servo turns
     * @param  float|null  $current_A  while it is on; null is what is usual
     * @param  string|null  $supply  that feeds it; null is the controller's own
     * @param  float|null  $longest_s  that it may be on at a stretch
     * @param  bool  $speed  its voltage is set, and not only switched
     * @param  string|null  $gates  a supply that it switches
     */
    public function __construct(public string $id, public string $name, public string $kind, public ?float $current_A = null, public ?string $supply = null,
        public ?float $longest_s = null, public bool $speed = false, public ?string $gates = null)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'kind' => Field::needed(ChoiceShape::of(...self::KINDS),
                'Track: a section of rail; points: two coils; uncoupler and valve: one; servo_valve: turned by a servo.'),
            'current_A' => Field::or(null, NumberShape::positive(100.0)->orNull(), 'While it is on; empty is what is usual.'),
            'supply' => Field::or(null, TextShape::id()->orNull(), 'What feeds it; empty is the controller’s own.'),
            'longest_s' => Field::or(null, NumberShape::positive(3600.0)->orNull(), 'So long it may be on at a stretch, of a coil.'),
            'speed' => Field::or(false, new BooleanShape, 'Its voltage is set, not only switched on.'),
            'gates' => Field::or(null, TextShape::id()->orNull(), 'A supply that it switches.'),
        ], 'Output');
    }

    /** So long its coil bears to be on at a stretch, s; INF of what may stay on. */
    public function bears_s(): float
    {
        return in_array($this->kind, self::HIT, true) ? $this->longest_s ?? self::USUAL_LONGEST_S : INF;
    }

    /** It lies where its coils threw it, whichever of them was hit last: on is thrown, off is back. */
    public function isThrown(): bool
    {
        return $this->kind === 'points';
    }

    /** It is there to be on for long, and all such may be on together. */
    public function stays(): bool
    {
        return ! in_array($this->kind, [...self::HIT, 'track', 'servo_valve'], true);
    }

    /** So long it takes its current after each change, s; null of what takes it as long as it is on. */
    public function turns_s(): ?float
    {
        return $this->kind === 'servo_valve' ? self::TURNS_S : null;
    }

    /** What it takes while it is on, A. */
    public function takes_A(): float
    {
        return $this->current_A ?? match ($this->kind) {
            'track' => 1.0,
            'points', 'uncoupler' => 3.0,
            'valve' => 0.3,
            'servo_valve' => 0.5, // while its servo turns
            'sound', 'display' => 0.05,
            'relay' => 1.0, // through its contact
            default => 0.02,
        };
    }
}

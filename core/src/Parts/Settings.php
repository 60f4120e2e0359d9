<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/** What counts as tight, and what the bench and its controller are like. Every one can be changed in the build. */
final readonly class Settings
{
    public function __construct(
        public float $peak_margin = 1.5,
        public float $over_time_share = 0.1,
        public float $motor_continuous_share = 0.3,
        public float $servo_continuous_share = 0.25,
        public float $stop_clearance = 1.5,
        public float $hold_margin = 1.5,
        public float $ambient_C = 25.0,
        public float $scan_s = 0.005,
        public float $debounce_s = 0.01,
        public float $driver_s = 0.001,
        public float $battery_days = 1.0,
        public ?float $timer_Hz = null,
        public int $timer_stages = 16,
        public float $clear_m = 0.005,
        public float $hands_m = 0.025,
    ) {
    }

    public static function shape(): RecordShape
    {
        $usual = new self;

        return new RecordShape([
            'peak_margin' => Field::or($usual->peak_margin, NumberShape::between(1.0, 10.0), 'A drive with less is tight.'),
            'over_time_share' => Field::or($usual->over_time_share, NumberShape::between(0.0, 0.9),
                'A move with less left of its target time is tight: 0.1 is a tenth.'),
            'motor_continuous_share' => Field::or($usual->motor_continuous_share, NumberShape::share(),
                'Of its stall torque, where no continuous rating is known.'),
            'servo_continuous_share' => Field::or($usual->servo_continuous_share, NumberShape::share(),
                'Of its stall torque, where no continuous rating is known.'),
            'stop_clearance' => Field::or($usual->stop_clearance, NumberShape::between(1.0, 10.0), 'With less way than this it may hit the hard stop.'),
            'hold_margin' => Field::or($usual->hold_margin, NumberShape::between(1.0, 10.0), 'Gears that hold less let go when something shakes them.'),
            'ambient_C' => Field::or($usual->ambient_C, NumberShape::between(-40.0, 60.0), 'How hot a motor gets is counted from here.'),
            'scan_s' => Field::or($usual->scan_s, NumberShape::between(0.002, 0.1), 'Whatever is shorter than this it can miss.'),
            'debounce_s' => Field::or($usual->debounce_s, NumberShape::between(0.0, 0.5), 'Longer than the switches bounce.'),
            'driver_s' => Field::or($usual->driver_s, NumberShape::between(0.0, 0.1), 'So long it goes on after it was told to stop.'),
            'timer_Hz' => Field::or(null, NumberShape::between(0.01, 1e9)->orNull(), 'That starts routines every so often; empty where it can count any time.'),
            'timer_stages' => Field::or($usual->timer_stages, NumberShape::whole(1, 40),
                'Each divides by two: together they are the longest time it can count.'),
            'battery_days' => Field::or($usual->battery_days, NumberShape::between(0.01, 3650.0), 'One that lasts less is too small.'),
            'clear_m' => Field::or($usual->clear_m, NumberShape::between(0.0, 1.0), 'What moves comes no nearer than that to anything else.'),
            'hands_m' => Field::or($usual->hands_m, NumberShape::between(0.0, 1.0), 'Where hands can be, a gap that closes further than that pinches.'),
        ], 'Settings');
    }
}

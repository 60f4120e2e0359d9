<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

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
    ) {
    }

    public static function shape(): RecordShape
    {
        $usual = new self;

        return new RecordShape([
            'peak_margin' => Field::or($usual->peak_margin, NumberShape::between(1.0, 10.0), 'A margin of torque under this is tight.'),
            'over_time_share' => Field::or($usual->over_time_share, NumberShape::between(0.0, 0.9), 'A move that ends within this share of its target time is tight.'),
            'motor_continuous_share' => Field::or($usual->motor_continuous_share, NumberShape::share(), 'Share of its stall torque that an unrated gear motor bears all day.'),
            'servo_continuous_share' => Field::or($usual->servo_continuous_share, NumberShape::share(), 'Share of its stall torque that an unrated servo bears all day.'),
            'stop_clearance' => Field::or($usual->stop_clearance, NumberShape::between(1.0, 10.0), 'From switch to hard stop at least this many times the run-on.'),
            'hold_margin' => Field::or($usual->hold_margin, NumberShape::between(1.0, 10.0), 'Unpowered gears must hold this many times the load.'),
            'ambient_C' => Field::or($usual->ambient_C, NumberShape::between(-40.0, 60.0), 'Air around the motors.'),
            'scan_s' => Field::or($usual->scan_s, NumberShape::between(0.002, 0.1), 'How often the controller looks.'),
            'debounce_s' => Field::or($usual->debounce_s, NumberShape::between(0.0, 0.5), 'How long a switch must stay before it is believed.'),
            'driver_s' => Field::or($usual->driver_s, NumberShape::between(0.0, 0.1), 'Until the motor driver has acted.'),
            'timer_Hz' => Field::or(null, NumberShape::between(0.01, 1e9)->orNull(), 'Clock of the timer that starts routines every so often; empty where it can count any time.'),
            'timer_stages' => Field::or($usual->timer_stages, NumberShape::whole(1, 40), 'Stages of its counter, each dividing by two.'),
            'battery_days' => Field::or($usual->battery_days, NumberShape::between(0.01, 3650.0), 'A battery shall last so many days.'),
        ], 'Settings');
    }
}

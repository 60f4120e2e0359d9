<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Quantity\Format;

/**
 * The drawer that comes with Brookstone: plausible drives in series of our own. A gear motor family is one bare motor
 * with several gearboxes; what a gearbox gains in torque it loses in speed and in the efficiency of its stages.
 */
final class Drawer
{
    /**
     * Bare motors: volts, rpm, A without load, mN·m and A when held, rotor g·cm²; then the body and the gearboxes.
     * A gearbox is ratio => efficiency.
     */
    private const FAMILIES = [
        'G16' => [
            'motor' => [6.0, 15000.0, 0.06, 5.2, 1.6, 0.6], 'body' => [0.022, 38.0, 16.0, 16.0, '3 mm with a flat', 'brass', 'micro'],
            'worm' => false, 'limit_Nm' => 0.9, 'boxes' => [30 => 0.72, 50 => 0.70, 100 => 0.62, 150 => 0.60, 210 => 0.56, 298 => 0.54],
        ],
        'G25' => [
            'motor' => [12.0, 7600.0, 0.09, 22.0, 1.9, 5.5], 'body' => [0.098, 62.0, 25.0, 25.0, '4 mm with a flat', 'brass', 'small'],
            'worm' => false, 'limit_Nm' => 2.6, 'boxes' => [20 => 0.75, 34 => 0.73, 60 => 0.66, 99 => 0.64, 172 => 0.57, 227 => 0.56],
        ],
        'G37' => [
            'motor' => [12.0, 10000.0, 0.2, 95.0, 8.6, 24.0], 'body' => [0.21, 72.0, 37.0, 37.0, '6 mm with a flat', 'steel', 'medium'],
            'worm' => false, 'limit_Nm' => 9.0, 'boxes' => [19 => 0.76, 30 => 0.73, 50 => 0.70, 70 => 0.67, 100 => 0.63, 131 => 0.60],
        ],
        'W24' => [
            'motor' => [6.0, 9000.0, 0.11, 9.0, 1.5, 1.4], 'body' => [0.072, 54.0, 34.0, 24.0, '4 mm with a flat', 'acetal', 'small'],
            'worm' => true, 'limit_Nm' => 1.4, 'boxes' => [90 => 0.40, 150 => 0.37, 270 => 0.31, 450 => 0.27],
        ],
        'W40' => [
            'motor' => [12.0, 6000.0, 0.12, 34.0, 2.1, 11.0], 'body' => [0.17, 78.0, 46.0, 32.0, '6 mm with a flat', 'bronze and steel', 'medium'],
            'worm' => true, 'limit_Nm' => 4.0, 'boxes' => [60 => 0.42, 100 => 0.39, 160 => 0.36, 260 => 0.31, 400 => 0.27],
        ],
        'W58' => [
            'motor' => [12.0, 5600.0, 0.3, 150.0, 8.0, 60.0], 'body' => [0.46, 118.0, 58.0, 40.0, '8 mm with a key', 'bronze and steel', 'large'],
            'worm' => true, 'limit_Nm' => 12.0, 'boxes' => [75 => 0.41, 130 => 0.37, 220 => 0.32],
        ],
    ];

    /**
     * Servos: code, series, ratings [V, N·m, °/s], A held, A idle, travel, dead band, digital; then mass, size, shaft,
     * gears, unpowered back-drive torque, what its gears survive, size class, rotor at the shaft in kg·m².
     */
    private const SERVOS = [
        ['S4 nylon', 'S4', [[4.8, 0.08, 480.0], [6.0, 0.10, 560.0]], 0.55, 0.006, 120.0, 0.8, false, 0.006, 20.0, 8.5, 21.0, '4 mm, 18 teeth', 'nylon',
            0.012, 0.13, 'micro', 2e-6],
        ['S9 nylon', 'S9', [[4.8, 0.14, 500.0], [6.0, 0.17, 580.0]], 0.75, 0.007, 120.0, 0.8, false, 0.009, 23.0, 12.0, 27.0, '4.8 mm, 21 teeth', 'nylon',
            0.02, 0.22, 'micro', 4e-6],
        ['S9 metal', 'S9', [[4.8, 0.18, 460.0], [6.0, 0.22, 540.0]], 0.9, 0.008, 120.0, 0.8, false, 0.014, 23.0, 12.0, 28.0, '4.8 mm, 21 teeth', 'brass',
            0.025, 0.42, 'micro', 5e-6],
        ['S13 digital', 'S13', [[4.8, 0.27, 500.0], [6.0, 0.33, 600.0], [7.4, 0.39, 690.0]], 1.4, 0.02, 140.0, 0.3, true, 0.021, 29.0, 13.0, 30.0,
            '5 mm, 23 teeth', 'brass', 0.035, 0.7, 'micro', 9e-6],
        ['S20 nylon', 'S20', [[4.8, 0.31, 320.0], [6.0, 0.39, 380.0]], 1.0, 0.009, 120.0, 0.8, false, 0.038, 40.0, 20.0, 37.0, '6 mm, 25 teeth', 'nylon',
            0.045, 0.55, 'small', 1.6e-5],
        ['S20 metal', 'S20', [[4.8, 0.92, 300.0], [6.0, 1.08, 350.0]], 2.0, 0.012, 120.0, 0.7, false, 0.056, 40.5, 20.0, 39.0, '6 mm, 25 teeth', 'brass',
            0.09, 1.9, 'small', 4e-5],
        ['S20 digital', 'S20', [[4.8, 1.35, 350.0], [6.0, 1.62, 420.0], [7.4, 1.9, 480.0]], 2.9, 0.03, 140.0, 0.3, true, 0.062, 40.5, 20.0, 40.0,
            '6 mm, 25 teeth', 'steel', 0.12, 3.2, 'small', 6e-5],
        ['S25 digital', 'S25', [[6.0, 2.2, 340.0], [7.4, 2.6, 400.0], [8.4, 2.9, 440.0]], 4.2, 0.04, 180.0, 0.3, true, 0.072, 40.5, 20.5, 41.0,
            '6 mm, 25 teeth', 'steel', 0.17, 4.4, 'medium', 1.1e-4],
        ['S40 digital', 'S40', [[6.0, 3.4, 280.0], [7.4, 4.1, 330.0]], 5.5, 0.05, 180.0, 0.3, true, 0.108, 54.0, 26.0, 48.0, '8 mm, 15 teeth', 'steel', 0.25,
            6.5, 'medium', 3e-4],
        ['S65 large', 'S65', [[6.0, 5.4, 240.0], [7.4, 6.4, 280.0], [8.4, 7.1, 310.0]], 8.0, 0.06, 180.0, 0.3, true, 0.19, 66.0, 30.0, 58.0,
            '10 mm, 15 teeth', 'steel', 0.4, 11.0, 'large', 9e-4],
    ];

    /** Play of a servo's own gears, degrees. */
    private const SERVO_SLOP_DEG = ['nylon' => 0.6, 'brass' => 0.25, 'steel' => 0.2];

    /** Continuous-rotation servos, as above without travel and dead band: creep in °/s instead. */
    private const CONTINUOUS = [
        ['C9 turning', 'C9', [[4.8, 0.13, 580.0], [6.0, 0.16, 690.0]], 0.7, 0.008, 12.0, 0.011, 23.0, 12.0, 27.0, '4.8 mm, 21 teeth', 'nylon', 0.02, 0.22,
            'micro', 4e-6],
        ['C20 turning', 'C20', [[4.8, 0.42, 290.0], [6.0, 0.5, 350.0]], 1.3, 0.012, 8.0, 0.044, 40.0, 20.0, 38.0, '6 mm, 25 teeth', 'brass', 0.06, 1.1,
            'small', 2.5e-5],
    ];

    /** Steppers: code, holding N·m, steps, phase A, ohm, mH, rotor g·cm², mass, length, width, shaft, detent N·m, size class. */
    private const STEPPERS = [
        ['P28-32', 0.06, 200, 0.67, 5.6, 3.4, 9.0, 0.11, 32.0, 28.0, '5 mm with a flat', 0.004, 'medium'],
        ['P28-51', 0.12, 200, 0.67, 9.2, 7.2, 18.0, 0.2, 51.0, 28.0, '5 mm with a flat', 0.006, 'large'],
        ['P35-28', 0.14, 200, 0.8, 4.9, 6.0, 14.0, 0.18, 28.0, 35.0, '5 mm with a flat', 0.008, 'large'],
        ['P42-34', 0.26, 200, 1.2, 2.4, 2.8, 38.0, 0.22, 34.0, 42.0, '5 mm with a flat', 0.012, 'large'],
        ['P42-40', 0.4, 200, 1.5, 1.8, 3.0, 57.0, 0.29, 40.0, 42.0, '5 mm with a flat', 0.016, 'large'],
        ['P42-48', 0.55, 400, 1.6, 1.9, 4.0, 82.0, 0.37, 48.0, 42.0, '5 mm with a flat', 0.02, 'large'],
        ['P57-56', 1.2, 200, 2.6, 0.7, 2.4, 300.0, 0.7, 56.0, 57.0, '6.35 mm with a flat', 0.04, 'large'],
    ];

    /** Wheel motors with controller: code, V, rpm, A idle, N·m, A, controller A, rotor kg·cm², mass, length, width, size class. */
    private const BRUSHLESS = [
        ['B65-12', 12.0, 420.0, 0.25, 2.4, 9.0, 4.0, 1.6, 0.34, 44.0, 65.0, 'medium'],
        ['B90-24', 24.0, 360.0, 0.35, 7.5, 16.0, 8.0, 6.5, 0.82, 52.0, 90.0, 'large'],
    ];

    /** Linear actuators: code, V, mm/s, N, A idle, A held, stroke m, mass, length, width, holds N, survives N, size class. */
    private const ACTUATORS = [
        ['L30-6', 6.0, 22.0, 45.0, 0.09, 0.65, 0.03, 0.034, 74.0, 18.0, 60.0, 90.0, 'micro'],
        ['L50-12', 12.0, 15.0, 110.0, 0.12, 0.9, 0.05, 0.074, 112.0, 20.0, 170.0, 220.0, 'small'],
        ['L100-12', 12.0, 28.0, 260.0, 0.4, 3.2, 0.1, 0.62, 205.0, 40.0, 600.0, 700.0, 'medium'],
    ];

    /** Cylinders: code, bore, rod, stroke mm, bar, l/min, J at its ends, what their valve does, V, A, mass, length, width. */
    private const CYLINDERS = [
        ['A10-25', 10.0, 4.0, 25.0, 4.0, 5.0, 0.06, 'shuts_in', 12.0, 0.12, 0.04, 96.0, 14.0],
        ['A16-50', 16.0, 5.0, 50.0, 4.0, 14.0, 0.14, 'shuts_in', 12.0, 0.2, 0.09, 138.0, 20.0],
        ['A16-100', 16.0, 5.0, 100.0, 4.0, 14.0, 0.14, 'vents', 12.0, 0.2, 0.12, 188.0, 20.0],
        ['A20-100', 20.0, 8.0, 100.0, 5.0, 24.0, 0.3, 'shuts_in', 12.0, 0.3, 0.21, 215.0, 26.0],
        ['A25-150', 25.0, 10.0, 150.0, 5.0, 37.0, 0.45, 'shuts_in', 12.0, 0.35, 0.38, 280.0, 31.0],
    ];

    private const EYE_BEARS = 4.0; // times its force

    /** Share of its stall torque below which an ordinary gearbox stays put, per square root of ratio, and that of a worm. */
    private const BACK_DRIVE_PER_ROOT_RATIO = 0.012;

    private const ACTUATOR_LEVER_M = 0.04;

    private const WORM_BACK_DRIVE = 1.1; // of its gearbox limit: it holds until its teeth give

    /** @var array<string, Drive>|null */
    private static ?array $all = null;

    /** @return array<string, Drive> by code */
    public static function all(): array
    {
        return self::$all ??= [...self::motors(), ...self::servos(), ...self::continuousServos(), ...self::steppers(), ...self::brushless(),
            ...self::actuators(), ...self::cylinders()];
    }

    public static function get(string $code): Drive
    {
        return self::all()[$code] ?? throw new \OutOfBoundsException('No drive '.$code.' in the drawer.');
    }

    /** @return array<string, Drive> */
    private static function motors(): array
    {
        $drives = [];
        foreach (self::FAMILIES as $series => $family) {
            [$volts, $rpm, $idle, $stall_mNm, $stall, $rotor_gcm2] = $family['motor'];
            [$mass, $length, $width, $height, $shaft, $material, $thermal] = $family['body'];
            foreach ($family['boxes'] as $ratio => $efficiency) {
                $stall_Nm = round($stall_mNm / 1000 * $ratio * $efficiency, 3);
                $drives[$series.'-'.$ratio] = new DcMotor(
                    rated_V: $volts,
                    no_load_rpm: round($rpm / $ratio, 1),
                    no_load_A: $idle,
                    stall_Nm: $stall_Nm,
                    stall_A: $stall,
                    rotor_kgm2: self::tidy($rotor_gcm2 * 1e-7 * $ratio ** 2),
                    worm: $family['worm'],
                    body: new Body(
                        $series.'-'.$ratio, $series, $mass, $length, $width, $height, $shaft, $material,
                        round($family['worm'] ? self::WORM_BACK_DRIVE * $family['limit_Nm']
                            : min(0.15, self::BACK_DRIVE_PER_ROOT_RATIO * sqrt($ratio)) * $stall_Nm, 4),
                        $family['limit_Nm'], ThermalClass::from($thermal),
                    ),
                );
            }
        }

        return $drives;
    }

    /** @return array<string, Drive> */
    private static function servos(): array
    {
        $drives = [];
        foreach (self::SERVOS as [$code, $series, $ratings, $stall, $idle, $travel, $deadband, $digital, $mass, $length, $width, $height, $shaft, $material,
            $backDrive, $limit, $thermal, $rotor]) {
            $drives[$code] = new Servo(
                array_map(fn (array $rating): ServoRating => new ServoRating(...$rating), $ratings),
                $stall, $idle, $travel, $deadband, $digital, $rotor,
                slop_deg: self::SERVO_SLOP_DEG[$material],
                body: new Body($code, $series, $mass, $length, $width, $height, $shaft, $material, $backDrive, $limit, ThermalClass::from($thermal)),
            );
        }

        return $drives;
    }

    /** @return array<string, Drive> */
    private static function continuousServos(): array
    {
        $drives = [];
        foreach (self::CONTINUOUS as [$code, $series, $ratings, $stall, $idle, $creep, $mass, $length, $width, $height, $shaft, $material, $backDrive,
            $limit, $thermal, $rotor]) {
            $drives[$code] = new ContinuousServo(
                array_map(fn (array $rating): ServoRating => new ServoRating(...$rating), $ratings), $stall, $idle, $creep, $rotor,
                new Body($code, $series, $mass, $length, $width, $height, $shaft, $material, $backDrive, $limit, ThermalClass::from($thermal)),
            );
        }

        return $drives;
    }

    /** @return array<string, Drive> */
    private static function steppers(): array
    {
        $drives = [];
        foreach (self::STEPPERS as [$code, $holding, $steps, $phase_A, $ohm, $mH, $rotor_gcm2, $mass, $length, $width, $shaft, $detent, $thermal]) {
            $drives[$code] = new Stepper($holding, $steps, $phase_A, $ohm, $mH, 8, self::tidy($rotor_gcm2 * 1e-7), new Body(
                $code, explode('-', $code)[0], $mass, $length, $width, $width, $shaft, 'none', $detent, self::tidy(8 * $holding), ThermalClass::from($thermal),
            ));
        }

        return $drives;
    }

    /** @return array<string, Drive> */
    private static function brushless(): array
    {
        $drives = [];
        foreach (self::BRUSHLESS as [$code, $volts, $rpm, $idle, $stall_Nm, $stall, $controller, $rotor_kgcm2, $mass, $length, $width, $thermal]) {
            $drives[$code] = new Brushless($volts, $rpm, $idle, $stall_Nm, $stall, $controller, self::tidy($rotor_kgcm2 * 1e-4), new Body(
                $code, explode('-', $code)[0], $mass, $length, $width, $width, 'hub with four bolts', 'none', 0.0, self::tidy(3 * $stall_Nm),
                ThermalClass::from($thermal),
            ));
        }

        return $drives;
    }

    /** @return array<string, Drive> */
    private static function actuators(): array
    {
        $drives = [];
        foreach (self::ACTUATORS as [$code, $volts, $speed, $force, $idle, $stall, $stroke, $mass, $length, $width, $holds_N, $limit_N, $thermal]) {
            $drives[$code] = new LinearActuator($volts, $speed, $force, $idle, $stall, $stroke, self::ACTUATOR_LEVER_M, new Body(
                $code, explode('-', $code)[0], $mass, $length, $width, $width, 'eye of 4 mm', 'steel', self::tidy($holds_N * self::ACTUATOR_LEVER_M),
                self::tidy($limit_N * self::ACTUATOR_LEVER_M), ThermalClass::from($thermal),
            ));
        }

        return $drives;
    }

    /** @return array<string, Drive> */
    private static function cylinders(): array
    {
        $drives = [];
        foreach (self::CYLINDERS as [$code, $bore, $rod, $stroke, $bar, $flow, $cushion, $valve, $volts, $amps, $mass, $length, $width]) {
            $bears = self::tidy(self::EYE_BEARS * $bar * 0.1 * M_PI / 4 * $bore ** 2 * self::ACTUATOR_LEVER_M); // 1 bar is 0.1 N/mm²
            $drives[$code] = new AirCylinder(self::tidy($bore / 1000), self::tidy($rod / 1000), self::tidy($stroke / 1000), self::ACTUATOR_LEVER_M, $bar,
                $flow, $cushion, 0.1, 10.0, $valve, 'coils', $volts, $amps, new Body($code, explode('-', $code)[0], $mass, $length, $width, $width,
                    'eye of 6 mm', 'steel', 0.0, round($bears, 2), ThermalClass::AlwaysOn));
        }

        return $drives;
    }

    /** Twelve figures: what multiplying adds beyond them is noise. */
    private static function tidy(float $number): float
    {
        return Format::significantNumber($number, 12);
    }
}

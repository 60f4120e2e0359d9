<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

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
        ['S4 nylon', 'S4', [[4.8, 0.08, 480.0], [6.0, 0.10, 560.0]], 0.55, 0.006, 120.0, 0.8, false, 0.006, 20.0, 8.5, 21.0, '4 mm, 18 teeth', 'nylon', 0.012, 0.13, 'micro', 2e-6],
        ['S9 nylon', 'S9', [[4.8, 0.14, 500.0], [6.0, 0.17, 580.0]], 0.75, 0.007, 120.0, 0.8, false, 0.009, 23.0, 12.0, 27.0, '4.8 mm, 21 teeth', 'nylon', 0.02, 0.22, 'micro', 4e-6],
        ['S9 metal', 'S9', [[4.8, 0.18, 460.0], [6.0, 0.22, 540.0]], 0.9, 0.008, 120.0, 0.8, false, 0.014, 23.0, 12.0, 28.0, '4.8 mm, 21 teeth', 'brass', 0.025, 0.42, 'micro', 5e-6],
        ['S13 digital', 'S13', [[4.8, 0.27, 500.0], [6.0, 0.33, 600.0], [7.4, 0.39, 690.0]], 1.4, 0.02, 140.0, 0.3, true, 0.021, 29.0, 13.0, 30.0, '5 mm, 23 teeth', 'brass', 0.035, 0.7, 'micro', 9e-6],
        ['S20 nylon', 'S20', [[4.8, 0.31, 320.0], [6.0, 0.39, 380.0]], 1.0, 0.009, 120.0, 0.8, false, 0.038, 40.0, 20.0, 37.0, '6 mm, 25 teeth', 'nylon', 0.045, 0.55, 'small', 1.6e-5],
        ['S20 metal', 'S20', [[4.8, 0.92, 300.0], [6.0, 1.08, 350.0]], 2.0, 0.012, 120.0, 0.7, false, 0.056, 40.5, 20.0, 39.0, '6 mm, 25 teeth', 'brass', 0.09, 1.9, 'small', 4e-5],
        ['S20 digital', 'S20', [[4.8, 1.35, 350.0], [6.0, 1.62, 420.0], [7.4, 1.9, 480.0]], 2.9, 0.03, 140.0, 0.3, true, 0.062, 40.5, 20.0, 40.0, '6 mm, 25 teeth', 'steel', 0.12, 3.2, 'small', 6e-5],
        ['S25 digital', 'S25', [[6.0, 2.2, 340.0], [7.4, 2.6, 400.0], [8.4, 2.9, 440.0]], 4.2, 0.04, 180.0, 0.3, true, 0.072, 40.5, 20.5, 41.0, '6 mm, 25 teeth', 'steel', 0.17, 4.4, 'medium', 1.1e-4],
        ['S40 digital', 'S40', [[6.0, 3.4, 280.0], [7.4, 4.1, 330.0]], 5.5, 0.05, 180.0, 0.3, true, 0.108, 54.0, 26.0, 48.0, '8 mm, 15 teeth', 'steel', 0.25, 6.5, 'medium', 3e-4],
        ['S65 large', 'S65', [[6.0, 5.4, 240.0], [7.4, 6.4, 280.0], [8.4, 7.1, 310.0]], 8.0, 0.06, 180.0, 0.3, true, 0.19, 66.0, 30.0, 58.0, '10 mm, 15 teeth', 'steel', 0.4, 11.0, 'large', 9e-4],
    ];

    /** Share of its stall torque below which an ordinary gearbox stays put, per square root of ratio, and that of a worm. */
    private const BACK_DRIVE_PER_ROOT_RATIO = 0.012;

    private const WORM_BACK_DRIVE = 1.1; // of its gearbox limit: it holds until its teeth give

    /** @var array<string, Drive>|null */
    private static ?array $all = null;

    /** @return array<string, Drive> by code */
    public static function all(): array
    {
        return self::$all ??= [...self::motors(), ...self::servos()];
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
                    rotor_kgm2: $rotor_gcm2 * 1e-7 * $ratio ** 2,
                    worm: $family['worm'],
                    body: new Body(
                        $series.'-'.$ratio, $series, $mass, $length, $width, $height, $shaft, $material,
                        round($family['worm'] ? self::WORM_BACK_DRIVE * $family['limit_Nm'] : min(0.15, self::BACK_DRIVE_PER_ROOT_RATIO * sqrt($ratio)) * $stall_Nm, 4),
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
        foreach (self::SERVOS as [$code, $series, $ratings, $stall, $idle, $travel, $deadband, $digital, $mass, $length, $width, $height, $shaft, $material, $backDrive, $limit, $thermal, $rotor]) {
            $drives[$code] = new Servo(
                array_map(fn (array $rating): ServoRating => new ServoRating(...$rating), $ratings),
                $stall, $idle, $travel, $deadband, $digital, $rotor,
                new Body($code, $series, $mass, $length, $width, $height, $shaft, $material, $backDrive, $limit, ThermalClass::from($thermal)),
            );
        }

        return $drives;
    }
}

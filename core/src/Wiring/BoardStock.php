<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\ListShape;

/** Boards that a choice is made from. */
final readonly class BoardStock
{
    public const MOST = 400;

    /** What all controllers of ours can at each of their pins. */
    private const PLAIN = 'in out pull';

    /** @var array<string, Board> by name */
    public array $boards;

    /** @param  list<array<string, mixed>>  $lines  as shape() reads them, each a board that can be */
    public function __construct(public array $lines)
    {
        $boards = [];
        foreach ($lines as $line) {
            $boards[$line['name']] = new Board(...$line);
        }
        $this->boards = $boards;
    }

    public static function shape(): ListShape
    {
        return new ListShape(Board::shape(), 0, self::MOST, 'boards');
    }

    /** @throws InvalidInput every wrong field; one name twice is one of them */
    public static function read(mixed $lines): self
    {
        $errors = new ErrorList;
        $read = self::shape()->read($lines, 'boards', $errors);
        $seen = [];
        foreach (is_array($read) ? $read : [] as $i => $line) {
            if ($line === null || array_filter($errors->all(), fn (array $error): bool => str_starts_with($error['field'], "boards.{$i}.")) !== []) {
                continue; // what is wrong with it has been told
            }
            if (isset($seen[$line['name']])) {
                $errors->add("boards.{$i}.name", 'The same name stands in line '.($seen[$line['name']] + 1).'.');
            }
            $seen[$line['name']] ??= $i;
            $problem = self::problem($line);
            if ($problem !== null) {
                $errors->add("boards.{$i}.{$problem[0]}", $problem[1]);
            }
        }
        $errors->throwIfAny();
        assert(is_array($read));

        return new self(array_values($read));
    }

    /**
     * @param  array<string, mixed>  $line  as Board::shape() read it
     * @return array{string, string}|null the field, and why a board of it cannot be
     */
    public static function problem(array $line): ?array
    {
        try {
            new Board(...$line);
        } catch (ImpossibleValue $wrong) {
            return [$wrong->field, ucfirst(substr($wrong->getMessage(), strlen($wrong->field) + 1))];
        }

        return null;
    }

    /** @return array<string, Board> by name */
    public function of(BoardKind $kind): array
    {
        return array_filter($this->boards, fn (Board $board): bool => $board->kind === $kind);
    }

    /** What comes with Brookstone: series of our own. */
    public static function shipped(): self
    {
        static $shipped = null;

        return $shipped ??= self::read([...self::controllers(), ...self::drivers(), ...self::expanders()]);
    }

    /** @return list<array<string, mixed>> */
    private static function controllers(): array
    {
        $plain = self::PLAIN;
        $lines = [];
        foreach ([
            // name, pins, logic V, supply V from to, least V, awake A, asleep A, starts s, A of a pin, of all, cost, mm
            ['K6', "p1–p2: {$plain} pulse interrupt wake; p3–p4: {$plain} analogue; p5: {$plain} data pulse; p6: {$plain} clock interrupt wake",
                5.0, 2.7, 5.5, 2.7, 0.008, 8e-6, 0.07, 0.02, 0.1, 3.0, [18.0, 15.0]],
            ['K12', "p1–p4: {$plain} pulse interrupt wake; p5–p6: {$plain}; p7–p10: {$plain} analogue; p11: {$plain} data; p12: {$plain} clock",
                5.0, 2.7, 5.5, 2.7, 0.010, 6e-6, 0.07, 0.02, 0.15, 4.5, [26.0, 18.0]],
            ['K20', "p1–p2: {$plain} interrupt wake; p3–p8: {$plain} pulse; p9–p12: {$plain}; p13–p18: {$plain} analogue; p19: {$plain} data; p20: {$plain} clock",
                5.0, 6.0, 16.0, 5.7, 0.020, 3e-5, 0.4, 0.02, 0.2, 7.0, [44.0, 19.0]],
            ['K20 radio', "p1–p8: {$plain} pulse interrupt; p9–p10: {$plain} interrupt wake; p11–p12: {$plain} analogue; p13: {$plain} data interrupt; "
                ."p14: {$plain} clock interrupt; p15–p20: {$plain} pulse interrupt", 3.3, 4.5, 12.5, 4.0, 0.09, 2e-5, 0.35, 0.012, 0.12, 9.0, [48.0, 26.0]],
            ['K26', "p1–p16: {$plain} pulse interrupt wake; p17–p20: {$plain} pulse interrupt; p21–p23: {$plain} analogue interrupt; p24: {$plain} data interrupt; "
                ."p25: {$plain} clock interrupt; p26: {$plain} pulse interrupt", 3.3, 1.8, 5.5, 1.8, 0.025, 2e-4, 0.1, 0.008, 0.05, 6.0, [51.0, 21.0]],
            ['K34', "p1–p12: {$plain} pulse interrupt; p13–p22: {$plain} interrupt wake; p23–p30: {$plain} analogue interrupt; p31: {$plain} data interrupt; "
                ."p32: {$plain} clock interrupt; p33–p34: {$plain} pulse interrupt", 3.3, 3.6, 12.5, 3.4, 0.04, 3e-5, 0.05, 0.02, 0.15, 12.0, [58.0, 24.0]],
            ['K38 radio', "p1–p20: {$plain} pulse interrupt; p21–p28: {$plain} pulse analogue interrupt wake; p29–p34: in analogue interrupt; "
                ."p35: {$plain} data interrupt; p36: {$plain} clock interrupt; p37–p38: {$plain} send receive", 3.3, 4.5, 9.5, 4.0, 0.11, 1.5e-5, 0.4, 0.02,
                0.2, 14.0, [55.0, 28.0]],
            ['K54', "p1–p12: {$plain} pulse; p13–p18: {$plain} interrupt wake; p19–p36: {$plain}; p37–p52: {$plain} analogue; p53: {$plain} data; p54: {$plain} clock",
                5.0, 6.0, 16.0, 5.7, 0.06, 5e-4, 0.6, 0.02, 0.4, 18.0, [102.0, 53.0]],
        ] as [$name, $pins, $logic, $low, $high, $least, $awake, $asleep, $starts, $pin, $all, $cost, [$width, $height]]) {
            $lines[] = ['kind' => 'controller', 'name' => $name, 'pins' => $pins, 'cost' => $cost, 'logic_V' => $logic, 'low_V' => $low, 'high_V' => $high,
                'least_V' => $least, 'awake_A' => $awake, 'asleep_A' => $asleep, 'starts_s' => $starts, 'pin_A' => $pin, 'pins_A' => $all,
                'regulator_A' => $high > 6.0 ? 0.3 : 0.0, 'width_mm' => $width, 'height_mm' => $height];
        }

        return $lines;
    }

    /** @return list<array<string, mixed>> */
    private static function drivers(): array
    {
        $lines = [];
        foreach ([
            // kind, name, channels, A for good, for a start, V from to, V lost, Ω, pins for the way, speed, diode, A on, s, regulator A, cost, mm
            ['bridge', 'H1 small', 1, 1.2, 2.5, 2.5, 11.0, 0.0, 0.45, 2, 'yes', 'yes', 0.002, 0.0, 0.0, 3.0, [20.0, 15.0]],
            ['bridge', 'H2 small', 2, 1.2, 2.5, 2.5, 13.5, 0.0, 0.5, 2, 'yes', 'yes', 0.003, 0.0, 0.0, 4.0, [25.0, 20.0]],
            ['bridge', 'H2 old', 2, 2.0, 3.0, 6.0, 40.0, 1.8, 0.3, 2, 'yes', 'yes', 0.02, 0.0, 0.2, 4.5, [43.0, 43.0]],
            ['bridge', 'H2 middle', 2, 3.5, 6.0, 5.0, 28.0, 0.0, 0.12, 2, 'yes', 'yes', 0.004, 0.0, 0.0, 8.0, [40.0, 35.0]],
            ['bridge', 'H1 large', 1, 10.0, 25.0, 6.0, 28.0, 0.0, 0.02, 1, 'yes', 'yes', 0.005, 0.0, 0.0, 12.0, [45.0, 40.0]],
            ['single', 'T1 large', 1, 12.0, 25.0, 3.0, 30.0, 0.0, 0.01, 0, 'yes', 'no', 0.001, 0.0, 0.0, 2.5, [25.0, 18.0]],
            ['single', 'T4', 4, 1.0, 2.0, 3.0, 30.0, 0.0, 0.08, 0, 'yes', 'yes', 0.001, 0.0, 0.0, 4.0, [36.0, 25.0]],
            ['single', 'T8', 8, 0.3, 0.5, 3.0, 50.0, 1.0, 0.0, 1, 'no', 'yes', 0.001, 0.0, 0.0, 3.0, [40.0, 20.0]],
            ['relay', 'R1', 1, 8.0, 10.0, 0.5, 30.0, 0.0, 0.02, 1, 'no', 'yes', 0.07, 0.01, 0.0, 2.5, [34.0, 26.0]],
            ['relay', 'R2', 2, 8.0, 10.0, 0.5, 30.0, 0.0, 0.02, 1, 'no', 'yes', 0.07, 0.01, 0.0, 4.0, [50.0, 38.0]],
            ['relay', 'R4', 4, 8.0, 10.0, 0.5, 30.0, 0.0, 0.02, 1, 'no', 'yes', 0.07, 0.01, 0.0, 6.0, [72.0, 55.0]],
            ['relay', 'R16 signal', 16, 0.8, 1.0, 0.5, 30.0, 0.0, 0.06, 1, 'no', 'yes', 0.03, 0.005, 0.0, 22.0, [180.0, 60.0]],
            ['stepper', 'D1 small', 1, 1.0, 1.5, 8.0, 30.0, 0.0, 0.5, 2, 'no', 'yes', 0.01, 0.0, 0.0, 5.0, [20.0, 15.0]],
            ['stepper', 'D1 large', 1, 2.8, 3.0, 8.0, 45.0, 0.0, 0.2, 2, 'no', 'yes', 0.01, 0.0, 0.0, 9.0, [26.0, 20.0]],
        ] as [$kind, $name, $channels, $runs, $peak, $low, $high, $lost, $ohm, $ways, $speed, $diode, $on, $late, $gives, $cost, [$width, $height]]) {
            $lines[] = ['kind' => $kind, 'name' => $name, 'cost' => $cost, 'low_V' => $low, 'high_V' => $high, 'channels' => $channels,
                'continuous_A' => $runs, 'peak_A' => $peak, 'lost_V' => $lost, 'lost_ohm' => $ohm, 'directions' => $ways, 'speed' => $speed,
                'diode' => $diode, 'on_A' => $on, 'delay_s' => $late, 'regulator_A' => $gives, 'width_mm' => $width, 'height_mm' => $height];
        }

        return $lines;
    }

    /** @return list<array<string, mixed>> */
    private static function expanders(): array
    {
        $lines = [];
        foreach ([
            // kind, name, channels, addresses, supply V from to, awake A, A of a pin, of all, cost, mm
            ['pulse_expander', 'X16', 16, 0x40, 0x5F, 3.0, 5.5, 0.006, 0.02, 0.4, 6.0, 62.0, 26.0],
            ['expander', 'E16', 16, 0x20, 0x27, 3.0, 5.5, 0.001, 0.02, 0.12, 5.0, 40.0, 22.0],
            ['expander', 'E8', 8, 0x38, 0x3F, 3.0, 5.5, 0.001, 0.02, 0.1, 3.5, 28.0, 20.0],
            ['shift_out', 'Q8 out', 8, null, null, 2.0, 5.5, 1e-4, 0.006, 0.05, 1.0, 24.0, 18.0],
            ['shift_in', 'Q8 in', 8, null, null, 2.0, 5.5, 1e-4, 0.006, 0.05, 1.0, 24.0, 18.0],
            ['selector', 'N8', 8, null, null, 2.0, 5.5, 1e-4, 0.006, 0.05, 1.5, 24.0, 18.0],
        ] as [$kind, $name, $channels, $first, $last, $low, $high, $awake, $pin, $all, $cost, $width, $height]) {
            $lines[] = ['kind' => $kind, 'name' => $name, 'cost' => $cost, 'low_V' => $low, 'high_V' => $high, 'channels' => $channels, 'awake_A' => $awake,
                'pin_A' => $pin, 'pins_A' => $all, 'address_low' => $first, 'address_high' => $last, 'width_mm' => $width, 'height_mm' => $height];
        }

        return $lines;
    }
}

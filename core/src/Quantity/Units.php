<?php

declare(strict_types=1);

namespace Brookstone\Core\Quantity;

/** Every unit that is understood, the unit that each key suffix stands for, and what each unit system prefers. */
final class Units
{
    /** Longest suffix first, so that `_Nm_per_deg` is not read as `_deg`. */
    private const SUFFIXES = [
        '_Nm_per_deg' => 'N·m/°', '_N_per_m' => 'N/m', '_pF_per_m' => 'pF/m', '_C_per_W' => 'K/W', '_per_deg' => '', '_ohm' => 'Ω', '_mH' => 'mH',
        '_uF' => 'µF', '_nF' => 'nF', '_pF' => 'pF', '_mm2' => 'mm²', '_us' => 'µs', '_deg_s' => '°/s', '_mm_s' => 'mm/s', '_m_s' => 'm/s',
        '_kgm2' => 'kg·m²', '_rpm' => 'rpm', '_l_min' => 'l/min', '_bar' => 'bar', '_l' => 'l',
        '_MPa' => 'MPa', '_deg' => '°', '_Nm' => 'N·m', '_Ah' => 'Ah', '_hz' => 'Hz', '_Hz' => 'Hz', '_kg' => 'kg', '_mm' => 'mm', '_ms' => 'ms',
        '_g' => 'g', '_m' => 'm', '_s' => 's', '_N' => 'N', '_V' => 'V', '_A' => 'A', '_W' => 'W', '_J' => 'J', '_C' => '°C',
    ];

    /** Units that fields and sentences use first, by system; where two stand, the second from 1 of it up. */
    public const SYSTEMS = [
        'metric' => [
            'length' => ['mm'], 'mass' => ['g', 'kg'], 'torque' => ['N·m'], 'force' => ['N'], 'angular_speed' => ['°/s'], 'speed' => ['mm/s'],
            'inertia' => ['kg·cm²'], 'torque_per_angle' => ['N·m/°'],
        ],
        'bench' => [
            'length' => ['mm'], 'mass' => ['g', 'kg'], 'torque' => ['kg·cm'], 'force' => ['kgf'], 'angular_speed' => ['s/60°'], 'speed' => ['mm/s'],
            'inertia' => ['kg·cm²'], 'torque_per_angle' => ['kg·cm/°'],
        ],
        'inch' => [
            'length' => ['in'], 'air_pressure' => ['psi'],
            'mass' => ['oz', 'lb'], 'torque' => ['oz·in'], 'force' => ['lbf'], 'angular_speed' => ['rpm'], 'speed' => ['in/s'],
            'inertia' => ['oz·in²'], 'torque_per_angle' => ['oz·in/°'],
        ],
    ];

    /** The same in every system. */
    public const COMMON = [
        'time' => ['s'], 'angle' => ['°'], 'voltage' => ['V'], 'current' => ['A'], 'charge' => ['mAh', 'Ah'], 'power' => ['W'], 'energy' => ['J'],
        'frequency' => ['Hz', 'kHz'], 'temperature' => ['°C'], 'pressure' => ['MPa'],
        'air_pressure' => ['bar'], 'volume' => ['l'], 'flow' => ['l/min'], 'share' => ['%'], 'number' => [''],
        'stiffness' => ['N/m'], 'resistance' => ['Ω', 'kΩ', 'MΩ'], 'inductance' => ['mH'], 'capacitance' => ['nF', 'µF'], 'capacitance_per_length' => ['pF/m'],
        'thermal_resistance' => ['K/W'], 'area' => ['mm²'],
    ];

    /** @var array<string, Unit>|null */
    private static ?array $all = null;

    /** @return array<string, Unit> by symbol */
    public static function all(): array
    {
        return self::$all ??= self::make();
    }

    public static function get(string $symbol): Unit
    {
        return self::all()[$symbol] ?? throw new \OutOfBoundsException('No unit '.$symbol);
    }

    /** The unit that a key such as `cg_m` carries, or null for a plain number. Path segments before the last do not count. */
    public static function symbolOfKey(string $key): ?string
    {
        $dot = strrpos($key, '.');
        $last = '_'.($dot === false ? $key : substr($key, $dot + 1));
        foreach (self::SUFFIXES as $suffix => $symbol) {
            if (str_ends_with($last, $suffix)) {
                return $symbol;
            }
        }

        return null;
    }

    /** @return list<string> the symbols that a system prefers for a dimension */
    public static function preferred(Dimension $dimension, string $system = 'metric'): array
    {
        return self::SYSTEMS[$system][$dimension->value] ?? self::COMMON[$dimension->value] ?? [''];
    }

    /**
     * Everything a page needs to show numbers: the units, the unit of each key suffix (longest first), and what each system prefers.
     *
     * @return array<string, mixed> as Schemas has it
     */
    public static function table(): array
    {
        $systems = [];
        foreach (self::SYSTEMS as $name => $preferred) {
            $systems[] = ['name' => $name, 'preferred' => [...self::COMMON, ...$preferred]];
        }

        return [
            'units' => array_values(array_map(fn (Unit $unit): array => [
                'symbol' => $unit->symbol, 'dimension' => $unit->dimension->value, 'factor' => $unit->factor, 'inverse' => $unit->inverse,
            ], self::all())),
            'suffixes' => array_map(fn (string $suffix, string $symbol): array => ['suffix' => $suffix, 'symbol' => $symbol], array_keys(self::SUFFIXES),
                self::SUFFIXES),
            'systems' => $systems,
        ];
    }

    /** @return array<string, Unit> in the order in which they are offered */
    private static function make(): array
    {
        $units = [...self::ofBodies(), ...self::ofMovement(), ...self::ofForces(), ...self::ofElectricity(), ...self::ofNumbers()];

        return array_combine(array_map(fn (Unit $unit): string => $unit->symbol, $units), $units);
    }

    /** @return list<Unit> lengths, masses and times */
    private static function ofBodies(): array
    {
        $in = Constants::INCH_M;
        $lb = Constants::POUND_KG;
        $oz = Constants::OUNCE_KG;

        return [
            new Unit('m', Dimension::Length, 1.0, ['metre', 'meter', 'metres', 'meters']),
            new Unit('cm', Dimension::Length, 0.01),
            new Unit('mm', Dimension::Length, 0.001),
            new Unit('in', Dimension::Length, $in, ['inch', 'inches', '"', '”', '″']),
            new Unit('ft', Dimension::Length, 12 * $in, ['foot', 'feet']),
            new Unit('mm²', Dimension::Area, 1e-6, ['mm2', 'sqmm']),
            new Unit('kg', Dimension::Mass, 1.0, ['kilo', 'kilos']),
            new Unit('g', Dimension::Mass, 0.001, ['gram', 'grams']),
            new Unit('oz', Dimension::Mass, $oz, ['ounce', 'ounces']),
            new Unit('lb', Dimension::Mass, $lb, ['lbs', 'pound', 'pounds']),
            new Unit('s', Dimension::Time, 1.0, ['sec', 'second', 'seconds']),
            new Unit('ms', Dimension::Time, 0.001),
            new Unit('µs', Dimension::Time, 1e-6, ['us', 'μs']),
            new Unit('min', Dimension::Time, 60.0, ['minute', 'minutes']),
            new Unit('h', Dimension::Time, 3600.0, ['hour', 'hours']),
        ];
    }

    /** @return list<Unit> angles, speeds and frequencies */
    private static function ofMovement(): array
    {
        $in = Constants::INCH_M;
        $deg = Constants::RAD_PER_DEG;
        $turn = 2 * M_PI;

        return [
            new Unit('°', Dimension::Angle, $deg, ['deg', 'degree', 'degrees']),
            new Unit('rad', Dimension::Angle, 1.0, ['radian', 'radians']),
            new Unit('turn', Dimension::Angle, $turn, ['turns', 'rev']),
            new Unit('°/s', Dimension::AngularSpeed, $deg, ['deg/s', '°/sec', 'deg/sec']),
            new Unit('rpm', Dimension::AngularSpeed, Constants::RAD_S_PER_RPM, ['rev/min', 'r/min', 'turns/min', '1/min']),
            new Unit('rad/s', Dimension::AngularSpeed, 1.0, ['rad/sec']),
            new Unit('turn/s', Dimension::AngularSpeed, $turn, ['rps', 'rev/s', 'turns/s']),
            new Unit('s/60°', Dimension::AngularSpeed, 60 * $deg, ['s/60', 's/60deg', 'sec/60', 'sec/60°', 'sec/60deg', 's/60degrees'], inverse: true),
            new Unit('m/s', Dimension::Speed, 1.0, ['m/sec']),
            new Unit('km/h', Dimension::Speed, 1 / 3.6, ['kph', 'kmh']),
            new Unit('cm/s', Dimension::Speed, 0.01, ['cm/sec']),
            new Unit('mm/s', Dimension::Speed, 0.001, ['mm/sec']),
            new Unit('in/s', Dimension::Speed, $in, ['in/sec', 'ips']),
            new Unit('m/min', Dimension::Speed, 1 / 60),
            new Unit('Hz', Dimension::Frequency, 1.0),
            new Unit('kHz', Dimension::Frequency, 1000.0),
        ];
    }

    /** @return list<Unit> torques, forces and what comes of them */
    private static function ofForces(): array
    {
        $g = Constants::GRAVITY_M_S2;
        $in = Constants::INCH_M;
        $lb = Constants::POUND_KG;
        $oz = Constants::OUNCE_KG;
        $deg = Constants::RAD_PER_DEG;

        return [
            new Unit('N·m', Dimension::Torque, 1.0, ['nm']),
            new Unit('N·cm', Dimension::Torque, 0.01, ['ncm']),
            new Unit('N·mm', Dimension::Torque, 0.001, ['nmm']),
            new Unit('mN·m', Dimension::Torque, 0.001, ['mnm']),
            new Unit('kg·cm', Dimension::Torque, $g * 0.01, ['kgcm', 'kgfcm', 'cmkg']),
            new Unit('kg·m', Dimension::Torque, $g, ['kgm', 'kgfm']),
            new Unit('g·cm', Dimension::Torque, $g * 1e-5, ['gcm', 'gfcm']),
            new Unit('oz·in', Dimension::Torque, $oz * $g * $in, ['ozin', 'ozfin', 'inoz']),
            new Unit('lb·in', Dimension::Torque, $lb * $g * $in, ['lbin', 'lbfin', 'inlb', 'inlbs']),
            new Unit('lb·ft', Dimension::Torque, $lb * $g * 12 * $in, ['lbft', 'lbfft', 'ftlb', 'ftlbs']),
            new Unit('N', Dimension::Force, 1.0, ['newton', 'newtons']),
            new Unit('mN', Dimension::Force, 0.001),
            new Unit('kN', Dimension::Force, 1000.0),
            new Unit('kgf', Dimension::Force, $g, ['kp']),
            new Unit('gf', Dimension::Force, $g * 0.001),
            new Unit('ozf', Dimension::Force, $oz * $g),
            new Unit('lbf', Dimension::Force, $lb * $g),
            new Unit('W', Dimension::Power, 1.0, ['watt', 'watts']),
            new Unit('mW', Dimension::Power, 0.001),
            new Unit('J', Dimension::Energy, 1.0, ['joule', 'joules']),
            new Unit('mJ', Dimension::Energy, 0.001),
            new Unit('MPa', Dimension::Pressure, 1e6, ['n/mm²', 'n/mm2']),
            new Unit('kPa', Dimension::Pressure, 1e3),
            new Unit('bar', Dimension::AirPressure, Constants::BAR_PA),
            new Unit('psi', Dimension::AirPressure, $lb * $g / ($in * $in)),
            new Unit('l', Dimension::Volume, 1e-3, ['litre', 'litres', 'liter', 'liters']),
            new Unit('ml', Dimension::Volume, 1e-6),
            new Unit('l/min', Dimension::Flow, 1e-3 / 60, ['lpm']),
            new Unit('kg·m²', Dimension::Inertia, 1.0, ['kgm2', 'kgm²']),
            new Unit('kg·cm²', Dimension::Inertia, 1e-4, ['kgcm2', 'kgcm²']),
            new Unit('g·cm²', Dimension::Inertia, 1e-7, ['gcm2', 'gcm²']),
            new Unit('oz·in²', Dimension::Inertia, $oz * $in * $in, ['ozin2', 'ozin²']),
            new Unit('N·m/°', Dimension::TorquePerAngle, 1 / $deg, ['nm/°', 'nm/deg']),
            new Unit('N·m/rad', Dimension::TorquePerAngle, 1.0, ['nm/rad']),
            new Unit('kg·cm/°', Dimension::TorquePerAngle, $g * 0.01 / $deg, ['kgcm/°', 'kgcm/deg']),
            new Unit('oz·in/°', Dimension::TorquePerAngle, $oz * $g * $in / $deg, ['ozin/°', 'ozin/deg']),
            new Unit('N/m', Dimension::Stiffness, 1.0),
            new Unit('N/mm', Dimension::Stiffness, 1000.0),
            new Unit('lbf/in', Dimension::Stiffness, $lb * $g / $in, ['lb/in']),
        ];
    }

    /** @return list<Unit> electricity and heat */
    private static function ofElectricity(): array
    {
        return [
            new Unit('V', Dimension::Voltage, 1.0, ['volt', 'volts']),
            new Unit('mV', Dimension::Voltage, 0.001),
            new Unit('A', Dimension::Current, 1.0, ['amp', 'amps', 'ampere']),
            new Unit('mA', Dimension::Current, 0.001),
            new Unit('Ah', Dimension::Charge, 3600.0),
            new Unit('mAh', Dimension::Charge, 3.6),
            new Unit('°C', Dimension::Temperature, 1.0, ['c', 'degc', 'celsius']),
            new Unit('Ω', Dimension::Resistance, 1.0, ['ohm', 'ohms']),
            new Unit('kΩ', Dimension::Resistance, 1e3, ['kohm', 'kohms']),
            new Unit('MΩ', Dimension::Resistance, 1e6, ['megohm']),
            new Unit('µF', Dimension::Capacitance, 1e-6, ['uf', 'μf']),
            new Unit('nF', Dimension::Capacitance, 1e-9),
            new Unit('pF', Dimension::Capacitance, 1e-12),
            new Unit('F', Dimension::Capacitance, 1.0, ['farad']),
            new Unit('pF/m', Dimension::CapacitancePerLength, 1e-12),
            new Unit('K/W', Dimension::ThermalResistance, 1.0, ['°c/w']),
            new Unit('mH', Dimension::Inductance, 1e-3),
            new Unit('H', Dimension::Inductance, 1.0, ['henry']),
        ];
    }

    /** @return list<Unit> shares and numbers */
    private static function ofNumbers(): array
    {
        return [
            new Unit('%', Dimension::Share, 0.01, ['percent']),
            new Unit('', Dimension::Number, 1.0),
        ];
    }
}

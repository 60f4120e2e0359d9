<?php

declare(strict_types=1);

namespace Brookstone\Core\Quantity;

/** What kind of thing a number measures. */
enum Dimension: string
{
    case Length = 'length';
    case Mass = 'mass';
    case Time = 'time';
    case Angle = 'angle';
    case AngularSpeed = 'angular_speed';
    case Speed = 'speed';
    case Torque = 'torque';
    case Force = 'force';
    case Voltage = 'voltage';
    case Current = 'current';
    case Charge = 'charge';
    case Power = 'power';
    case Energy = 'energy';
    case Frequency = 'frequency';
    case Temperature = 'temperature';
    case Pressure = 'pressure';
    case AirPressure = 'air_pressure';
    case Volume = 'volume';
    case Flow = 'flow';
    case Inertia = 'inertia';
    case TorquePerAngle = 'torque_per_angle';
    case Stiffness = 'stiffness';
    case Resistance = 'resistance';
    case Inductance = 'inductance';
    case Capacitance = 'capacitance';
    case CapacitancePerLength = 'capacitance_per_length';
    case ThermalResistance = 'thermal_resistance';
    case Area = 'area';
    case Share = 'share';
    case Number = 'number';

    /** Its name with the article, for sentences. */
    public function a(): string
    {
        return match ($this) {
            self::Angle => 'an angle',
            self::AngularSpeed => 'a turning speed',
            self::Energy => 'an energy',
            self::Inertia => 'an inertia',
            self::Inductance => 'an inductance',
            self::CapacitancePerLength => 'a capacitance per length',
            self::ThermalResistance => 'a thermal resistance (kelvin per watt)',
            self::Area => 'an area',
            self::Stiffness => 'a spring rate (force per length)',
            self::TorquePerAngle => 'a spring rate (torque per angle)',
            self::AirPressure => 'a pressure of air',
            self::Share => 'a share',
            self::Number => 'a plain number',
            default => 'a '.$this->value,
        };
    }
}

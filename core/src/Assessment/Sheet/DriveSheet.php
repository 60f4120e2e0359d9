<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Sheet;

use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Quantity;

/** What is worth knowing of the drive that is chosen, whether anything is wrong or not: heat, holding, current, knocks. */
final class DriveSheet
{
    private const POINTS = 60;

    private const TIME_CONSTANTS = 4.0; // after which a winding is as warm as it gets

    /** @return array{stall_Nm: float, rows: list<array{name: string, says: Sentence}>, heat: array<string, mixed>|null}|null torque behind the train with the motor stalled, as its supply feeds it; null without a drive */
    public static function of(MotionInBuild $subject): ?array
    {
        if ($subject->motion->drive === null) {
            return null;
        }
        $f = DriveFigures::of($subject);

        $rows = $f->drive->motor instanceof AirCylinder ? self::air($f, $f->drive->motor) : self::rows($subject, $f);

        return ['stall_Nm' => $f->on->most_Nm * $f->ratio * $f->efficiency,
            'rows' => array_map(fn (string $name, Sentence $says): array => ['name' => $name, 'says' => $says], array_keys($rows), $rows),
            'heat' => $f->drive->motor instanceof AirCylinder ? null : self::heat($subject, $f)];
    }

    /** @return array<string, Sentence> by name, of what air pushes */
    private static function air(DriveFigures $f, AirCylinder $cylinder): array
    {
        $stroke_m = deg2rad($f->turn_deg) * $cylinder->lever_m;

        return [
            'Pushes with' => new Sentence('{force} at {bar}; the load needs {least}', ['force' => Quantity::of($cylinder->force_N(), 'N'),
                'bar' => Quantity::of($cylinder->pressure_bar, 'bar'),
                'least' => Quantity::of($cylinder->needs_bar($f->peak_Nm / $f->ratio / $f->efficiency / $cylinder->lever_m), 'bar')]),
            'Its stroke' => new Sentence('{goes} of {has}', ['goes' => Quantity::of($stroke_m, 'm'), 'has' => Quantity::of($cylinder->stroke_m, 'm')]),
            'Air there and back' => new Sentence('{air}', ['air' => Quantity::of(2 * $stroke_m * $cylinder->air_l_m(), 'l')]),
            'Comes to its end' => new Sentence('with {energy}; its ends take up {bears}', [
                'energy' => Quantity::of(0.5 * $f->inertia_kgm2 * $f->fastest_rad_s ** 2, 'J'), 'bears' => Quantity::of($cylinder->cushion_J, 'J')]),
            'Told nothing' => $cylinder->locks() ? new Sentence('its valve shuts the air in: it stays, and gives a little')
                : new Sentence('its valve lets the air out: the load pulls {needs}', ['needs' => Quantity::of($f->hold_Nm, 'N·m')]),
            'In a day' => new Sentence('{day} for {times} times there and back', ['day' => Quantity::of($f->charge_Ah_day(), 'Ah'),
                'times' => Quantity::number($f->task->per_day)]),
        ];
    }

    /** @return array<string, Sentence> by name */
    private static function rows(MotionInBuild $subject, DriveFigures $f): array
    {
        $motor = $f->drive->motor;
        $supply = $f->drive->supply;
        $ambient = $subject->build->settings->ambient_C;
        $stall_W = $f->drive->heldHeat_W();
        $seconds = $f->thermal->secondsToLimit($stall_W, $ambient);
        $hold_A = $motor->holdCurrent_A($f->hold_motor_Nm, $supply->volts_V);
        $rows = [
            'Over the day' => new Sentence('its winding settles at {settles} of {limit}',
                ['settles' => Quantity::of($f->thermal->settles_C($f->cycle_heat_W, $ambient), '°C'), 'limit' => Quantity::of($f->thermal->limit_C(), '°C')]),
            'Stalled' => $seconds === null ? new Sentence('it stays under {limit} forever', ['limit' => Quantity::of($f->thermal->limit_C(), '°C')])
                : new Sentence('overheats after {time}', ['time' => Quantity::of($seconds, 's')]),
            'At rest, powered' => $f->drive->gated ? new Sentence('no current: its power is cut') : new Sentence('{current} from the supply',
                ['current' => Quantity::of($hold_A, 'A')]),
            'At rest, unpowered' => is_finite($f->holds_unpowered_Nm)
                ? new Sentence('holds {holds}, the load pulls {needs}', ['holds' => Quantity::of($f->holds_unpowered_Nm, 'N·m'),
                    'needs' => Quantity::of($f->hold_Nm, 'N·m')])
                : new Sentence('nothing turns it back'),
            'In a day' => $f->positional && ! $f->drive->gated
                ? new Sentence('{day}; {gated} with its power cut between moves', ['day' => Quantity::of($f->charge_Ah_day(), 'Ah'),
                    'gated' => Quantity::of($f->gated()->charge_Ah_day(), 'Ah')])
                : new Sentence('{day} for {times} times there and back', ['day' => Quantity::of($f->charge_Ah_day(), 'Ah'),
                    'times' => Quantity::number($f->task->per_day)]),
        ];
        if ($supply->capacity_Ah !== null && $f->charge_Ah_day() > 0.0 && ! $subject->build->isRehearsed($subject->motion->id)) {
            $rows['The battery'] = new Sentence('lasts {days} days for this motion', ['days' => Quantity::number($supply->usable_Ah() / $f->charge_Ah_day())]);
        }
        $rows['Stopped dead'] = new Sentence('{energy} put {knock} through gears that survive {limit}', [
            'energy' => Quantity::of(0.5 * $f->inertia_kgm2 * $f->fastest_rad_s ** 2, 'J'), 'knock' => Quantity::of($f->knock_motor_Nm, 'N·m'),
            'limit' => Quantity::of($f->gear_limit_motor_Nm, 'N·m'),
        ]);

        return $rows;
    }

    /** @return array<string, mixed> the winding from cold: with the mean heat of the day, and held fast */
    private static function heat(MotionInBuild $subject, DriveFigures $f): array
    {
        $ambient = $subject->build->settings->ambient_C;
        $tau = $f->thermal->time_constant_s();
        $stall_W = $f->drive->heldHeat_W();
        $times = $running = $held = [];
        for ($i = 0; $i <= self::POINTS; $i++) {
            $times[] = $time = self::TIME_CONSTANTS * $tau * ($i / self::POINTS) ** 2; // close together where it changes
            $running[] = round($f->thermal->reached_C($f->cycle_heat_W, $ambient, $time), 2);
            $held[] = round($f->thermal->reached_C($stall_W, $ambient, $time), 2);
        }

        return ['times_s' => $times, 'running_C' => $running, 'held_C' => $held, 'limit_C' => $f->thermal->limit_C()];
    }
}

<?php

declare(strict_types=1);

namespace Tests\Support;

/**
 * motion.run written down a second time, straight from its equations: small steps of Heun's method instead of closed forms, and nothing of the
 * core. Inputs as the calculator has them.
 */
final class ByHand
{
    private const G = 9.80665;

    /**
     * @param  array<string, mixed>  $in
     * @return array{reached: bool, time_s: ?float, end_speed: ?float, stopped_at: float, account: array<string, float>} speed in rad/s or m/s, and where the energy went
     */
    public static function run(array $in, float $step = 2e-4): array
    {
        static $known = []; // it is slow, and asked the same twice

        return $known[serialize([$in, $step])] ??= self::steps($in, $step);
    }

    /**
     * @param  array<string, mixed>  $in
     * @return array{reached: bool, time_s: ?float, end_speed: ?float, stopped_at: float, account: array<string, float>}
     */
    private static function steps(array $in, float $step): array
    {
        $m = $in['motor'] + ['rotor_kgm2' => 0.0];
        $thing = $in['mechanism'] + ['friction_N' => 0.0, 'counterweight_kg' => 0.0, 'friction_Nm' => 0.0];
        [$r, $eta] = [$in['ratio'], $in['efficiency'] ?? 1.0];
        $back = $in['back_efficiency'] ?? max(0.0, 2 - 1 / $eta);
        $n0 = $m['no_load_rpm'] * 2 * M_PI / 60;
        $u = $in['supply_V'] * ($in['duty'] ?? 1.0) / $m['rated_V'];
        $s = max(0.0, ($u * $m['stall_A'] - $m['no_load_A']) / ($m['stall_A'] - $m['no_load_A']));
        $g = min(1.0, $m['stall_Nm'] * $m['stall_A'] * $n0 / ($m['rated_V'] * ($m['stall_A'] - $m['no_load_A']) ** 2));
        $arm = $thing['kind'] === 'arm';
        $lever = $arm ? 1.0 : $thing['drum_radius_m'];
        $own = $arm ? $thing['mass_kg'] * $thing['cg_m'] ** 2 : ($thing['mass_kg'] + $thing['counterweight_kg']) * $lever ** 2;
        $rub = $arm ? $thing['friction_Nm'] : $thing['friction_N'] * $lever;
        $static = fn (float $at): float => $arm
            ? $thing['mass_kg'] * self::G * $thing['cg_m'] * cos($at)
            : ($thing['mass_kg'] - $thing['counterweight_kg']) * self::G * $lever;
        $from = $arm ? deg2rad($in['from']) : $in['from'] / $lever;
        $to = $arm ? deg2rad($in['to']) : $in['to'] / $lever;
        $way = $to > $from ? 1.0 : -1.0;
        $jr = $m['rotor_kgm2'];

        // Along the command: y is how far it has come, w how fast.
        $motor = fn (float $w): float => $w <= $s * $n0 / $r ? $s * $m['stall_Nm'] - $m['stall_Nm'] / $n0 * $r * $w
            : -$m['stall_Nm'] / $n0 * ($r * $w - $s * $n0) / $g ** 2;
        $amps = fn (float $w): float => $u * $m['stall_A'] - ($m['stall_A'] - $m['no_load_A']) / $n0 * $r * $w;
        $accel = function (float $y, float $w) use ($motor, $own, $jr, $r, $eta, $back, $rub, $static, $from, $way): array {
            $load = $way * $static($from + $way * $y);
            $t = $motor($w);
            $against = $load + ($w >= 0.0 ? $rub : -$rub);
            $enters = $t * $own + $r * $jr * $against;
            $drives = $enters * ($w >= 0.0 ? 1 : -1) >= 0.0;
            if (! $drives && $back <= 0.0) {
                return [$t / ($jr * $r), 0.0];
            }
            $e = $drives ? $eta : 1 / $back;

            return [($r * $t * $e - $against) / ($own + $e * $r * $r * $jr), $e];
        };
        [$y, $w, $time] = [0.0, 0.0, 0.0];
        $length = abs($to - $from);
        $resistance = $m['rated_V'] / $m['stall_A'];
        $volts = $u * $m['rated_V'];
        $account = ['in' => 0.0, 'copper' => 0.0, 'motor' => 0.0, 'train' => 0.0, 'friction' => 0.0, 'locked' => 0.0];
        for ($rested = 0.0; $time < ($in['give_up_s'] ?? 20.0); $time += $step) {
            if ($w === 0.0) {
                $load = $way * $static($from + $way * $y);
                $full = $r * $s * $m['stall_Nm'];
                $starts = $full * $eta - ($back <= 0.0 ? max(0.0, $load) : $load) > $rub ? 1 : ($back > 0.0 && $full / $back - $load < -$rub ? -1 : 0);
                if ($starts === 0) {
                    if (($rested += $step) >= 0.25) {
                        break;
                    }

                    continue;
                }
                $w = $starts * 1e-12;
            }
            $rested = 0.0;
            [$a, $e] = $accel($y, $w);
            [$b] = $accel($y + $w * $step, $w + $a * $step);
            $next = $w + ($a + $b) / 2 * $step;
            if ($next * $w < 0.0) {
                $next = 0.0;
            }
            $middle = ($w + $next) / 2;
            $current = $amps($middle);
            $made = $motor($middle) * $r * $middle;
            $account['in'] += $volts * $current * $step;
            $account['copper'] += $resistance * $current ** 2 * $step;
            $account['motor'] += (($volts - $resistance * $current) * $current - $made) * $step;
            $entered = $made * $step - $jr * $r * $r * ($next ** 2 - $w ** 2) / 2;
            $load = $way * $static($from + $way * ($y + $middle * $step / 2));
            $out = $own * ($next ** 2 - $w ** 2) / 2 + ($load + ($w >= 0.0 ? $rub : -$rub)) * $middle * $step;
            $account['friction'] += $rub * abs($middle) * $step;
            $account[$e === 0.0 ? 'locked' : 'train'] += $e === 0.0 ? -$out : $entered - $out;
            if ($y + $middle * $step >= $length) {
                $part = ($length - $y) / $middle;

                return ['reached' => true, 'time_s' => $time + $part, 'end_speed' => $way * ($w + ($next - $w) * $part / $step) * $lever,
                    'stopped_at' => $in['to'], 'account' => $account];
            }
            $y += $middle * $step;
            $w = $next;
            if ($y < -0.01 * $length) {
                break;
            }
        }
        $at = $from + $way * $y;

        return ['reached' => false, 'time_s' => null, 'end_speed' => null, 'stopped_at' => $arm ? rad2deg($at) : $at * $lever, 'account' => $account];
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

use Brookstone\Core\Shape\Csv;

/**
 * What a run writes down, for other programs: every signal under a name with its unit, against time.
 *
 * Value change dump: IEEE 1364-2005, §18.
 */
final readonly class TraceFile
{
    private const TICK_S = 0.001;

    private const FIRST_CODE = 33; // the printable characters of ASCII are its digits

    private const CODES = 94;

    /** @var array<string, list<float>> sampled signals, by name with unit */
    private array $sampled;

    /** @var array<string, list<array{at_s: float, on: bool}>> what is on or off, by name */
    private array $switched;

    private float $sample_s;

    /** @param  array<string, mixed>  $trace  as TraceSchema has it */
    public function __construct(private array $trace)
    {
        $this->sample_s = (float) $trace['sample_s'];
        $sampled = $switched = [];
        foreach ($trace['motions'] as $motion) {
            $unit = $motion['position_unit'];
            $sampled["{$motion['motion']}.at_{$unit}"] = $motion['position'];
            $sampled["{$motion['motion']}.speed_{$unit}_s"] = $motion['speed'];
            $sampled["{$motion['motion']}.current_A"] = $motion['current_A'];
        }
        foreach ($trace['supplies'] as $supply) {
            $sampled["{$supply['supply']}.supply_A"] = $supply['current_A'];
        }
        foreach ($trace['tanks'] as $tank) {
            $sampled["{$tank['tank']}.pressure_bar"] = $tank['pressure_bar'];
        }
        foreach (['inputs' => 'in', 'outputs' => 'out'] as $list => $kind) {
            foreach ($trace[$list] as $each) {
                $switched["{$each['id']}.{$kind}"] = $each['changes'];
            }
        }
        [$this->sampled, $this->switched] = [$sampled, $switched];
    }

    /** A row for each sample: time, every signal, and the steps that run then. */
    public function csv(): string
    {
        $rows = [Csv::row(['time_s', ...array_keys($this->sampled), ...array_keys($this->switched), 'steps'])];
        for ($i = 0; $i < $this->count(); $i++) {
            $time = $i * $this->sample_s;
            $rows[] = Csv::row([self::figure($time),
                ...array_map(fn (array $values): string => self::figure($values[$i] ?? end($values)), array_values($this->sampled)),
                ...array_values(array_map(fn (string $name): int => (int) $this->isOn($name, $time), array_keys($this->switched))), $this->steps($time)]);
        }

        return implode("\n", [...$rows, '']);
    }

    public function vcd(): string
    {
        $codes = [];
        foreach ([...array_keys($this->sampled), ...array_keys($this->switched)] as $i => $name) {
            $codes[$name] = self::code($i);
        }
        $lines = ['$comment '.$this->trace['routine'].' $end', '$timescale 1 ms $end', '$scope module run $end'];
        foreach ($codes as $name => $code) {
            $lines[] = isset($this->sampled[$name]) ? "\$var real 64 {$code} {$name} \$end" : "\$var wire 1 {$code} {$name} \$end";
        }
        array_push($lines, '$upscope $end', '$enddefinitions $end');
        $told = [];
        $all = $this->changes($codes);
        foreach ($all as $tick => $changes) {
            $new = array_diff_assoc($changes, $told); // said again only where it is another
            $told = $changes + $told;
            if ($new !== []) {
                array_push($lines, "#{$tick}", ...array_map(fn (string $code, string $value): string => str_replace('?', $code, $value), array_map(strval(...),
                    array_keys($new)), $new));
            }
        }

        return implode("\n", [...$lines, '#'.max(self::tick($this->trace['ran_s']), (int) array_key_last($all)), '']);
    }

    /**
     * @param  array<string, string>  $codes
     * @return array<int, array<string, string>> by tick, in order, the values by code, with a question mark where that stands
     */
    private function changes(array $codes): array
    {
        $at = [];
        foreach ($this->sampled as $name => $values) {
            foreach ($values as $i => $value) {
                $at[self::tick($i * $this->sample_s)][$codes[$name]] = 'r'.self::figure($value).' ?';
            }
        }
        foreach ($this->switched as $name => $changes) {
            $at[0][$codes[$name]] ??= '0?';
            foreach ($changes as $change) {
                $at[self::tick($change['at_s'])][$codes[$name]] = ($change['on'] ? '1' : '0').'?';
            }
        }
        ksort($at);

        return $at;
    }

    private function count(): int
    {
        return max(1, ...array_map(count(...), array_values($this->sampled)), ...[(int) floor($this->trace['ran_s'] / $this->sample_s)]);
    }

    private function isOn(string $name, float $time): bool
    {
        $on = false;
        foreach ($this->switched[$name] as $change) {
            $on = $change['at_s'] <= $time + 1e-9 ? $change['on'] : $on;
        }

        return $on;
    }

    private function steps(float $time): string
    {
        $running = array_filter($this->trace['steps'], fn (array $step): bool => $step['start_s'] <= $time + 1e-9 && $time < ($step['end_s'] ?? INF)
            && ! in_array($step['do'], ['repeat', 'together'], true));

        return implode(' ', array_map(fn (array $step): string => $step['says']->text(), $running));
    }

    private static function tick(float $time): int
    {
        return (int) round($time / self::TICK_S);
    }

    private static function figure(float $value): string
    {
        return sprintf('%.6g', $value + 0.0);
    }

    private static function code(int $i): string
    {
        return ($i >= self::CODES ? self::code(intdiv($i, self::CODES) - 1) : '').chr(self::FIRST_CODE + $i % self::CODES);
    }
}

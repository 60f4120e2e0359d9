<?php

declare(strict_types=1);

use Brookstone\Core\Export\TraceFile;
use Brookstone\Core\Shape\Csv;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

beforeEach(function () {
    $build = Builds::sound();
    $this->trace = RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
});

/**
 * What a dump says of each signal at a time, by a reader that knows nothing of its writer.
 *
 * @return Closure(string, float): (float|null)
 */
function dumped(string $vcd): Closure
{
    $names = $values = [];
    $tick = 0;
    foreach (explode("\n", trim($vcd)) as $line) {
        if (preg_match('/^\$var (real 64|wire 1) (\S+) (\S+) \$end$/', $line, $var) === 1) {
            expect($names)->not->toContain($var[3])->not->toHaveKey($var[2]);
            $names[$var[2]] = $var[3];
        } elseif (preg_match('/^#(\d+)$/', $line, $time) === 1) {
            expect((int) $time[1])->toBeGreaterThanOrEqual($tick);
            $tick = (int) $time[1];
        } elseif (preg_match('/^(?:r(\S+) (\S+)|([01])(\S+))$/', $line, $change) === 1) {
            $values[$names[$change[2] !== '' ? $change[2] : $change[4]]][$tick] = (float) ($change[1] !== '' ? $change[1] : $change[3]);
        } else {
            expect($line)->toStartWith('$');
        }
    }

    return function (string $name, float $time) use ($values): ?float {
        $before = array_filter($values[$name] ?? [], fn (int $tick): bool => $tick <= round($time * 1000), ARRAY_FILTER_USE_KEY);

        return $before === [] ? null : end($before);
    };
}

it('writes a table that reads back as the run', function () {
    $rows = Csv::rows((new TraceFile($this->trace))->csv());
    $head = array_flip($rows[0]['cells']);
    $lift = array_column($this->trace['motions'], null, 'motion')['lift'];

    expect($head)->toHaveKeys(['time_s', 'lid.at_deg', 'lift.at_m', 'lift.speed_m_s', 'lift.current_A', 'main.supply_A', 'button.in', 'lift-high.in', 'lamp.out', 'steps'])
        ->and(count($rows) - 1)->toBe(count($lift['position']));
    foreach ([0, 300, count($lift['position']) - 1] as $i) {
        $cells = $rows[$i + 1]['cells'];
        expect((float) $cells[0])->toBeAbout($i * $this->trace['sample_s'], 1e-4)->and((float) $cells[$head['lift.at_m']])->toBeAbout($lift['position'][$i], 1e-4);
    }
    $pressed = array_values(array_filter($rows, fn (array $row): bool => $row['cells'][$head['button.in']] === '1'));
    expect((float) $pressed[0]['cells'][0])->toBeAbout(8.0, 0.02)->and((float) end($pressed)['cells'][0])->toBeAbout(8.2, 0.02)
        ->and(array_column(array_column($rows, 'cells'), $head['steps']))->toContain('Take Lid to Open; give up after 4 s.');
});

it('writes a dump of changes that says the same at any time', function () {
    $vcd = (new TraceFile($this->trace))->vcd();
    $says = dumped($vcd);
    $lid = array_column($this->trace['motions'], null, 'motion')['lid'];

    foreach ([0, 100, 400, count($lid['position']) - 1] as $i) {
        expect($says('lid.at_deg', $i * $this->trace['sample_s']))->toBeAbout($lid['position'][$i], 1e-5)
            ->and($says('lid.current_A', $i * $this->trace['sample_s']))->toBeAbout($lid['current_A'][$i], 1e-5);
    }
    expect($says('button.in', 7.9))->toBe(0.0)->and($says('button.in', 8.1))->toBe(1.0)->and($says('button.in', 8.3))->toBe(0.0)->and($says('lamp.out', 0.0))->toBe(0.0)
        ->and(substr_count($vcd, '$scope'))->toBe(1)->and($vcd)->toContain('$timescale 1 ms $end');
});

it('finds a code for each signal, however many there are', function () {
    $trace = $this->trace;
    $trace['motions'] = array_map(fn (int $i): array => ['motion' => "m{$i}"] + $trace['motions'][0], range(0, 80));
    preg_match_all('/^\$var \S+ \d+ (\S+) /m', (new TraceFile($trace))->vcd(), $codes);

    expect(count($codes[1]))->toBeGreaterThan(240)->and(array_unique($codes[1]))->toHaveCount(count($codes[1]));
});

<?php

declare(strict_types=1);

// A small controller outside: takes the lift up until its upper switch, waits, and brings it down. It speaks to a rig in lines of JSON:
//   php tests/Support/rig-client.php 'php artisan brookstone:rig FILE --outside'

[$rig, $pipes] = [null, []];
$rig = proc_open($argv[1], [['pipe', 'r'], ['pipe', 'w'], STDERR], $pipes) ?: exit(1);
$say = function (array $line) use ($pipes): array {
    fwrite($pipes[0], json_encode($line)."\n");

    return json_decode((string) fgets($pipes[1]), true);
};
$until = function (string $switch) use ($say): float {
    do {
        $state = $say(['do' => 'step', 'seconds' => 0.02])['state'];
    } while (! $state['inputs'][$switch] && $state['now_s'] < 30);

    return $state['now_s'];
};
$say(['do' => 'set', 'motion' => 'lift', 'run' => 'up']);
$up = $until('lift-high');
$say(['do' => 'set', 'motion' => 'lift', 'run' => 'stop']);
$say(['do' => 'step', 'seconds' => 0.5, 'quiet' => true]);
$say(['do' => 'set', 'motion' => 'lift', 'run' => 'down']);
$down = $until('lift-low');
$say(['do' => 'set', 'motion' => 'lift', 'run' => 'stop']);
$state = $say(['do' => 'step', 'seconds' => 0.5])['state'];
fclose($pipes[0]);
proc_close($rig);
echo json_encode(['up_s' => $up, 'down_s' => $down, 'position' => $state['motions'][2]['position']]), "\n";

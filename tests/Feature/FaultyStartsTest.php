<?php

declare(strict_types=1);

use Illuminate\Support\Facades\File;
use Tests\Support\Checkout;
use Tests\Support\FaultyStarts;

const MINE = 'A build that nobody else has';

/** BROOKSTONE_STARTS says how many of them, `bin/trial --starts` all; a few of each kind in every test run. */
it('says in one sentence what is wrong with a start and what to do, or mends it, and loses nothing', function () {
    $faults = FaultyStarts::all();
    $every = getenv('BROOKSTONE_STARTS') === 'all' ? 1 : 6;
    $checkout = new Checkout;
    expect($checkout->start('--setup-only')[0])->toBe(0)->and(count($faults))->toBeGreaterThanOrEqual(60);
    (new PDO("sqlite:{$checkout->at}/storage/brookstone/brookstone.sqlite"))->exec("UPDATE builds SET name = '".MINE."' WHERE id = (SELECT min(id) FROM builds)");
    $sound = "{$checkout->at} sound";
    rename($checkout->at, $sound);
    $wrong = [];
    foreach (array_keys($faults) as $i => $name) {
        if ($i % $every !== 0) {
            continue;
        }
        [$command, $ends, $says, $arguments] = $faults[$name];
        Illuminate\Support\Facades\Process::run(['cp', '-a', $sound, $checkout->at]);
        $checkout->shell($command);
        $had = $checkout->shell('grep -rlaF '.escapeshellarg(MINE).' . --include="*sqlite*" | head -1') !== '';
        [$code, $said] = $checkout->start($arguments);
        $sentences = array_values(array_filter(explode("\n", preg_replace('/^· (Bringing|All is|Made|Building|Installing).*$/mu', '', $said)),
            fn (string $line): bool => trim($line) !== '' && $line !== '✗ Brookstone was not started.'));
        $lost = $had && $checkout->shell('grep -rlaF '.escapeshellarg(MINE).' . --include="*sqlite*" | head -1') === '';
        $isSaid = $says === null ? $sentences === [] : count($sentences) === 1 && str_contains($sentences[0], $says);
        if ($code !== $ends || ! $isSaid || $lost) {
            $wrong[] = "{$name}: ended with {$code}, said “".mb_strimwidth(implode(' / ', $sentences), 0, 400, '…').'”'.($lost ? ', and lost a build' : '');
        }
        File::deleteDirectory($checkout->at);
    }
    File::deleteDirectory($sound);

    expect($wrong)->toBe([]);
});

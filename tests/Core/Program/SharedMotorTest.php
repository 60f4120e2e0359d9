<?php

declare(strict_types=1);

use Brookstone\Core\Bench\Trial;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Language;
use Brookstone\Core\Routine\Scenario;
use Tests\Support\Builds;
use Tests\Support\Programs;

/** The lid and the lift of the planted build on one motor, as its first routine moves them. @param  list<array<string, mixed>>  $steps */
function onOneMotor(string $by, array $steps, array $planted = []): Build
{
    return Builds::planted(['motions.2.drive.shares' => 'lid', 'motions.2.drive.shares_by' => $by, 'routines.0.steps' => $steps,
        'routines.0.if_fails' => [['do' => 'wait', 'for_s' => 0.3]], ...$planted]);
}

$run = fn (string $motion, string $direction, float $for_s): array => ['do' => 'run', 'motion' => $motion, 'direction' => $direction, 'for_s' => $for_s];
$stop = fn (string $motion): array => ['do' => 'stop', 'motion' => $motion];
$over = fn (string $motion): array => ['do' => 'change_over', 'motion' => $motion, 'takes_s' => 0.2];
$rest = ['do' => 'wait', 'for_s' => 0.5];
$servo = ['motions.2.drive.selector' => ['motion' => 'jaw', 'place' => 'wide', 'other' => 'closed', 'tells' => null]];

it('is the same in a program: who has the motor, whom the selector holds', function (string $by, array $steps, array $planted = []) {
    $build = onOneMotor($by, $steps, $planted);
    $of = Composer::of($build);
    $trial = new Trial('scenario', 'power', new Scenario('s', 'S', 8.0, [], []), null, null, 8.0);

    expect(Programs::differs($of, Programs::bench()->start($of, Language::C), [$trial]))->toBeNull();
})->with([
    'one after the other' => ['selector', [$run('lid', 'up', 0.4), $stop('lid'), $rest, $run('lift', 'up', 0.4), $stop('lift'), $rest]],
    'changed over' => ['selector', [$over('lift'), $run('lift', 'up', 0.5), $stop('lift'), $rest, $over('lid'), $run('lid', 'up', 0.3), $stop('lid')]],
    'changed over under way' => ['selector', [$run('lid', 'up', 0.2), $over('lift'), $stop('lid')]],
    'asked for by two at once' => ['selector', [$run('lid', 'up', 0.2), $run('lift', 'up', 0.2)]],
    'stopped by the other' => ['selector', [$run('lid', 'up', 0.2), $stop('lift'), $rest, $stop('lid')]],
    'by a servo' => ['selector', [$over('lift'), $run('lift', 'up', 0.4), $stop('lift'), $over('lid'), $run('lid', 'up', 0.3), $stop('lid'), $rest], $servo],
    'each by its pawl' => ['direction', [$run('lid', 'up', 0.4), $stop('lid'), $rest, $run('lift', 'up', 0.4), $stop('lift')]],
    'the lighter first' => ['in_turn', [$run('lid', 'up', 0.6), $stop('lid'), $rest, $run('lift', 'up', 0.3), $stop('lift')]],
    'both' => ['rectifier', [$run('lid', 'up', 0.4), $stop('lid'), $rest]],
    'without its power' => ['selector', [$run('lid', 'up', 0.2), ['do' => 'power', 'motion' => 'lid', 'state' => 'off', 'settle_s' => 0.2], $run('lift', 'up', 0.2), $stop('lift')]],
]);

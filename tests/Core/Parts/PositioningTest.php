<?php

declare(strict_types=1);

use Brookstone\Core\Drive\PositionSource;
use Tests\Support\Builds;

it('knows where it is by what its drive tells, or its encoder', function (?string $motor, ?int $pulses, ?PositionSource $source, array $is) {
    $build = Builds::planted(['motions.2.stops.encoder_pulses' => $pulses] + ($motor === null ? ['motions.2.drive' => null] : ['motions.2.drive.motor' => Builds::motor($motor)]));
    $how = $build->motions['lift']->positioning;
    $says = array_filter(['absolute' => $how->isAbsolute(), 'steps' => $how->countsSteps(), 'pulses' => $how->countsPulses(), 'timed' => $how->isTimed(), 'counts' => $how->counts(), 'sent' => $how->isSent(), 'switched' => $how->isSwitched()]);

    expect($how->source)->toBe($source)->and(array_keys($says))->toBe($is)
        ->and($how->switchEnding('high')?->id)->toBe($source === PositionSource::Feedback ? null : 'lift-high')->and($how->switchEnding('nowhere'))->toBeNull()->and($how->homesOnto()?->id)->toBe('lift-low');
})->with([
    'a bare motor' => ['G25-227', null, PositionSource::Time, ['timed', 'switched']], 'with an encoder' => ['G25-227', 12, PositionSource::Pulses, ['pulses', 'counts', 'switched']],
    'a servo' => ['S20 metal', null, PositionSource::Feedback, ['absolute', 'sent']], 'a servo with an encoder' => ['S20 metal', 12, PositionSource::Feedback, ['absolute', 'sent']],
    'a stepper' => ['P42-40', null, PositionSource::Steps, ['steps', 'counts', 'sent']], 'a stepper with an encoder' => ['P42-40', 12, PositionSource::Steps, ['steps', 'counts', 'sent']],
    'a servo that turns on' => ['C20 turning', null, PositionSource::Time, ['timed', 'switched']], 'none' => [null, 12, null, []],
]);

it('is homed onto what tells where its task starts, else onto the first that tells anything', function () {
    $at = fn (array $changes): ?string => Builds::planted($changes)->motions['lift']->positioning->homesOnto()?->id;

    expect($at([]))->toBe('lift-low')->and($at(['motions.2.task' => ['from' => 'high', 'to' => 'low', 'move_s' => 4]]))->toBe('lift-high')
        ->and($at(['motions.2.stops.switches' => [['id' => 'lift-high', 'name' => 'High', 'place' => 'high', 'at' => 0.1, 'end' => 'high']], 'routines' => []]))->toBe('lift-high')
        ->and($at(['motions.2.stops.switches' => [], 'routines' => []]))->toBeNull();
});

<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Trainer\Faults;
use Brookstone\Core\Trainer\Practice;
use Tests\Support\Builds;

/** @return list<string> */
function toldInWords(array $sentences): array
{
    return array_map(fn (Sentence $each): string => $each->text(), $sentences);
}

it('takes a routine that comes to its end, and sees nothing unusual in it', function () {
    $practice = Practice::of(Builds::sound());

    expect($practice->routine->id)->toBe('show')->and($practice->scenario)->toBeNull()->and($practice->usual->isDone())->toBeTrue()
        ->and($practice->usual->story())->toBe(['Lid stayed at Shut.', 'Lift stayed at Low.', 'Lid went and stood at Open.', 'Lift went and stood at High.', 'Jaw went and stood at Wide.', 'Jaw went and stood at Closed.',
            'Lift went and stood at Low.', 'Lid went and stood at Shut.', 'Then it was done.']);
});

it('finds nothing to practise on where no routine comes to its end', function () {
    expect(Practice::of(Editor::apply(Builds::sound(), [['path' => 'routines', 'value' => []], ['path' => 'scenarios', 'value' => []]])))->toBeNull();
});

it('has more than thirty faults over the shipped builds that show before anything is measured', function () {
    $shown = 0;
    foreach (['heron-wharf', 'quarry-tram', 'star-dial', 'moth-lantern'] as $demo) {
        $practice = Practice::of(Builds::demo($demo));
        $shown += count(array_filter($practice->faults, $practice->shows(...)));
    }

    expect($shown)->toBeGreaterThan(30);
});

it('shows each kind of fault at the bench as it is', function (string $fault, string $seen, string $measure, string $says) {
    $practice = Practice::of(Builds::sound());
    $of = $practice->with($practice->faults[$fault]);

    expect($of->story())->toContain($seen)->and($of->measured()[$measure]['says']->text())->toMatch($says)
        ->and($practice->usual->measured()[$measure]['says']->text())->not->toMatch($says)->and($of->differing($practice->usual))->toContain($measure);
})->with([
    'jams' => ['jams lid', 'Then the controller gave up, and nothing more moved.', 'hand lid', '/^It sticks half way/'],
    'stuck off' => ['off lid-open', 'Lid knocked against its stop.', 'reads lid-open', '/^It reads off, pressed or not\.$/'],
    'stuck on' => ['on lift-high', 'Lift stayed at Low.', 'reads lift-high', '/^It reads on, pressed or not\.$/'],
    'slipped' => ['slipped lid-open', 'Lid went and stood between its places.', 'trips lid-open', '/^It trips at 49°\.$/'],
    'late' => ['late lid-open', 'Lid knocked against its stop.', 'reads lid-open', '/^It reads on half a second after/'],
    'swapped' => ['swapped lid', 'Lid went slowly and stood at Open.', 'reads lid-open', '/^Another input reads on/'],
    'weak' => ['weak main', 'Lift went slowly and stood at High.', 'volts main', '/^It gives 8\.4 V\.$/'],
    'slow' => ['slow 0', 'Lid went and was stopped between its places.', 'program 0', '/at 30% speed/'],
    'soon' => ['soon 6', 'Lift went and was stopped between its places.', 'program 6', '/give up after 2\.1 s/'],
]);

it('tells by hand and by the meter what does not show from afar', function () {
    $practice = Practice::of(Builds::sound());
    $says = fn (string $fault, string $measure): string => $practice->with($practice->faults[$fault])->measured()[$measure]['says']->text();

    expect($says('drags lid', 'hand lid'))->toStartWith('It goes stiffly')->and($says('heavy lid', 'hand lid'))->toContain('much heavier')
        ->and($practice->with($practice->faults['heavy lift'])->differing($practice->usual))->toContain('current lift', 'hand lift')
        ->not->toContain('reads lift-low', 'volts main', 'current jaw');
});

it('hides the same for the same seed, what shows, and what was hard before first', function () {
    $practice = Practice::of(Builds::sound());
    $hidden = array_map(fn (int $seed): string => $practice->hide($seed)->id, range(1, 12));

    expect($practice->hide(1)->id)->toBe($hidden[0])->and(count(array_unique($hidden)))->toBeGreaterThan(4);
    foreach ($hidden as $id) {
        expect($practice->shows($practice->faults[$id]))->toBeTrue();
    }
    expect($practice->hide(1, ['weak'])->kind())->toBe('weak')->and($practice->hide(2, ['no such kind'])->id)->toBe($practice->hide(2)->id);
});

it('judges a name, and says what speaks for it or against it', function () {
    $practice = Practice::of(Builds::sound());
    $faults = $practice->faults;
    $right = $practice->judge($faults['off lid-open'], $faults['off lid-open']);
    $wrong = $practice->judge($faults['off lid-open'], $faults['weak main']);

    expect($right['right'])->toBeTrue()->and($right['says']->text())->toBe('Found.')
        ->and(toldInWords($right['why']))->toContain('Press Lid open switch and see what the controller reads: It reads off, pressed or not. Usually: It reads on when it is pressed, and off when it is let go.')
        ->and($wrong['right'])->toBeFalse()->and($wrong['why'][0]->text())->toStartWith('Then one would see: ');
});

it('lists a fault once, and only of what the routine moves and asks', function (string $demo) {
    $practice = Practice::of(Builds::demo($demo));
    $says = array_map(fn ($fault): string => $fault->says->text(), $practice->faults);
    foreach ($practice->faults as $fault) {
        expect($fault->in($practice->build))->toBeInstanceOf(Build::class);
    }

    expect(array_unique($says))->toHaveCount(count($says))->and(array_keys(Faults::of($practice->build, $practice->routine)))->toBe(array_keys($practice->faults));
})->with(['heron-wharf', 'quarry-tram', 'signal-garden', 'star-dial', 'moth-lantern']);

<?php

declare(strict_types=1);

use Brookstone\Core\Finding\DocumentPath;

it('names its keys, what it lies in and where in that', function () {
    $path = DocumentPath::of('routines.1.steps.12');

    expect((string) $path)->toBe('routines.1.steps.12')->and($path->key(0))->toBe('routines')->and($path->key(3))->toBe('12')->and($path->key(4))->toBeNull()
        ->and($path->index())->toBe(12)->and($path->parent())->toBe('routines.1.steps')->and(DocumentPath::of('rules')->parent())->toBe('');
});

it('finds what stands there, and says what does not', function () {
    $document = ['routines' => [['steps' => ['a', 'b', 'c', 'd']]]];

    expect(DocumentPath::of('routines.0.steps.2')->in($document))->toBe('c')->and(DocumentPath::of('routines.0')->in($document))->toBe(['steps' => ['a', 'b', 'c', 'd']])
        ->and(fn () => DocumentPath::of('routines.0.steps.4')->in($document))->toThrow(OutOfBoundsException::class, 'There is no routines.0.steps.4.')
        ->and(fn () => DocumentPath::of('routines.0.steps.0.motion')->in($document))->toThrow(OutOfBoundsException::class);
});

it('puts something else in its place: more, fewer, none', function (array $instead, int $of, array $list) {
    $change = DocumentPath::of('routines.0.steps.1')->replaced(['routines' => [['steps' => ['a', 'b', 'c', 'd']]]], $instead, $of);

    expect($change->path)->toBe('routines.0.steps')->and($change->value)->toBe($list);
})->with([[['x', 'y'], 1, ['a', 'x', 'y', 'c', 'd']], [[], 1, ['a', 'c', 'd']], [['x'], 0, ['a', 'x', 'b', 'c', 'd']], [['x'], 2, ['a', 'x', 'd']]]);

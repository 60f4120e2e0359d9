<?php

declare(strict_types=1);

use Brookstone\Core\Error\Describe;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\MapShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\Shape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Shape\UnionShape;
use Opis\JsonSchema\Validator;

/** @return array{mixed, list<array{field: string, message: string}>} what was read, and what was wrong */
function readBy(Shape $shape, mixed $value, string $path = 'x_mm'): array
{
    $errors = new ErrorList;
    $read = $shape->read($value, $path, $errors);
    try {
        $errors->throwIfAny();
    } catch (InvalidInput $invalid) {
        return [$read, $invalid->errors];
    }

    return [$read, []];
}

dataset('numbers', [
    'any' => [NumberShape::any(), [0, -5, 1.5, 1e12, -1e12], ['1', null, true, [], INF, NAN]],
    'positive' => [NumberShape::positive(), [1e-15, 1, 1e12], [0, -0.0, -1, '1']],
    'positive and bounded' => [NumberShape::positive(10.0), [1e-6, 10], [0, 1e-12, 10.0001]],
    'not negative' => [NumberShape::notNegative(), [0, -0.0, 3], [-1.1e-15, '0']],
    'between' => [NumberShape::between(-2.0, 2.0), [-2, 0, 2], [-2.0000001, 2.1]],
    'a share' => [NumberShape::share(), [1e-9, 1], [0, 1.0000001]],
    'whole' => [NumberShape::whole(1, 5), [1, 5, 3.0], [0, 6, 2.5]],
    'or null' => [NumberShape::positive()->orNull(), [null, 2], [0, '']],
]);

it('takes what it should and refuses the rest with a sentence', function (NumberShape $shape, array $good, array $bad) {
    foreach ($good as $value) {
        expect(readBy($shape, $value)[1])->toBe([], var_export($value, true));
    }
    foreach ($bad as $value) {
        $errors = readBy($shape, $value)[1];
        expect($errors)->toHaveCount(1, var_export($value, true))
            ->and($errors[0]['field'])->toBe('x_mm')
            ->and($errors[0]['message'])->toStartWith('Must be ')->toEndWith('.');
    }
})->with('numbers');

it('agrees with the schema that it writes', function (NumberShape $shape, array $good, array $bad) {
    $schema = (string) json_encode($shape->schema());
    $valid = fn (mixed $value): bool => (new Validator)->validate($value, $schema)->isValid();
    $inJson = fn (mixed $value): bool => ! is_float($value) || is_finite($value);

    expect(array_filter(array_filter($good, $inJson), fn ($value) => ! $valid($value)))->toBe([])
        ->and(array_filter(array_filter($bad, $inJson), fn ($value) => $valid(is_array($value) ? (object) $value : $value)))->toBe([]);
})->with('numbers');

it('turns minus nothing into nothing and whole numbers into floats', function () {
    expect(1 / (1 + readBy(NumberShape::any(), -0.0)[0]))->toBe(1.0)
        ->and(json_encode(readBy(NumberShape::any(), -0.0)[0]))->toBe('0')
        ->and(readBy(NumberShape::any(), 3)[0])->toBe(3.0)
        ->and(readBy(NumberShape::whole(1), 3.0)[0])->toBe(3);
});

it('says the unit of the key and the range', function () {
    expect(readBy(NumberShape::between(0.0, 5.0), 7, 'motions.0.task.move_s')[1][0]['message'])->toBe('Must be a number from 0 s to 5 s, but is 7.')
        ->and(readBy(NumberShape::positive(10.0), 0, 'mass_kg')[1][0]['message'])->toBe('Must be a number over 0 kg to 10 kg, but is 0.')
        ->and(readBy(NumberShape::whole(1), 'many', 'lines')[1][0]['message'])->toBe('Must be a whole number of at least 1, but is the text “many”.');
});

it('reads texts of a length, and short names', function () {
    expect(readBy(TextShape::name(), 'Tide')[0])->toBe('Tide')
        ->and(readBy(TextShape::name(), "  \n")[1][0]['message'])->toBe('Must not be empty.')
        ->and(readBy(TextShape::name(), str_repeat('é', 80))[1])->toBe([])
        ->and(readBy(TextShape::name(), str_repeat('é', 81))[1][0]['message'])->toContain('at most 80 characters long, but has 81')
        ->and(readBy(TextShape::id(), 'heron-neck')[1])->toBe([])
        ->and(readBy(TextShape::id(), 'Heron neck')[1])->toHaveCount(1)
        ->and(readBy(TextShape::id(), "a\n")[1])->toHaveCount(1)
        ->and(readBy(TextShape::id()->orNull(), null)[1])->toBe([])
        ->and(readBy(new TextShape, "\xff")[1][0]['message'])->toContain('UTF-8')
        ->and(readBy(new TextShape, 5)[1])->toHaveCount(1);
});

it('reads choices and yes or no by their exact word', function () {
    expect(readBy(ChoiceShape::of('spur', 'worm'), 'worm')[0])->toBe('worm')
        ->and(readBy(ChoiceShape::of('spur', 'worm'), 'Worm')[1][0]['message'])->toBe('Must be one of spur, worm, but is the text “Worm”.')
        ->and(readBy(ChoiceShape::of(1), '1')[1])->toHaveCount(1)
        ->and(readBy(ChoiceShape::of('a')->orNull(), null)[1])->toBe([])
        ->and(readBy(new BooleanShape, false)[0])->toBeFalse()
        ->and(readBy(new BooleanShape, 0)[1])->toHaveCount(1);
});

it('reads records in the order of the shape, with defaults, and knows its fields', function () {
    $shape = new RecordShape([
        'mass_kg' => Field::needed(NumberShape::positive()),
        'lines' => Field::or(1, NumberShape::whole(1)),
        'inner' => Field::or([], new RecordShape(['a' => Field::or(2.0, NumberShape::any())])),
    ]);

    expect(readBy($shape, ['lines' => 2, 'mass_kg' => 1], '')[0])->toBe(['mass_kg' => 1.0, 'lines' => 2, 'inner' => ['a' => 2.0]])
        ->and(array_column(readBy($shape, [], '')[1], 'field'))->toBe(['mass_kg'])
        ->and(readBy($shape, ['mass_kg' => 1, 'mass_Kg' => 2],
            '')[1])->toBe([['field' => 'mass_Kg', 'message' => 'There is no such field here. Did you mean mass_kg?']])
        ->and(readBy($shape, ['mass_kg' => 1, 'inner' => ['b' => 1]], 'top')[1][0]['field'])->toBe('top.inner.b')
        ->and(readBy($shape, [1, 2], 'top')[1][0]['field'])->toBe('top')
        ->and(readBy($shape->orNull(), null)[1])->toBe([]);
});

it('reads lists and maps with paths into them', function () {
    $list = new ListShape(NumberShape::positive(), 1, 3, 'ratings');

    expect(readBy($list, [1, 0, -1], 'r')[1])->toHaveCount(2)
        ->and(array_column(readBy($list, [1, 0, -1], 'r')[1], 'field'))->toBe(['r.1', 'r.2'])
        ->and(readBy($list, [], 'r')[1][0]['message'])->toBe('Needs at least 1 ratings, but has 0.')
        ->and(readBy($list, [1, 2, 3, 4], 'r')[1][0]['message'])->toBe('May have at most 3 ratings, but has 4.')
        ->and(readBy($list, ['a' => 1], 'r')[1][0]['message'])->toBe('Must be a list, but is a group of fields.')
        ->and(array_keys((array) readBy(new MapShape(NumberShape::any()), ['b' => 1, 'a' => 2])[0]))->toBe(['a', 'b'])
        ->and(readBy(new MapShape(NumberShape::any(), 1), ['b' => 1, 'a' => 2])[1])->toHaveCount(1);
});

it('tells the variants of a union apart by their word', function () {
    $shape = new UnionShape('kind', ['arm' => new RecordShape(['cg_m' => Field::needed(NumberShape::positive())]), 'none' => new RecordShape([])]);

    expect(readBy($shape, ['cg_m' => 1, 'kind' => 'arm'])[0])->toBe(['kind' => 'arm', 'cg_m' => 1.0])
        ->and(readBy($shape, ['kind' => 'none'])[0])->toBe(['kind' => 'none'])
        ->and(readBy($shape, ['kind' => 'none', 'cg_m' => 1], 'm')[1][0]['field'])->toBe('m.cg_m')
        ->and(readBy($shape, ['cg_m' => 1], 'm')[1][0])->toBe(['field' => 'm.kind', 'message' => 'Must be one of arm, none, but is nothing.'])
        ->and(readBy($shape, 'arm', 'm')[1][0]['field'])->toBe('m')
        ->and(readBy($shape->orNull(), null)[1])->toBe([]);
});

it('stops counting what is wrong before it fills the memory', function () {
    expect(readBy(new ListShape(NumberShape::positive(), 0, 100000), array_fill(0, 100000, -1))[1])->toHaveCount(50);
});

it('shows what was given, short and clean', function (mixed $value, string $says) {
    expect(Describe::value($value))->toBe($says);
})->with([[null, 'nothing'], [true, 'true'], [[], 'a list'], [['a' => 1], 'a group of fields'], [INF, 'endless'], [NAN, 'not a number'],
    ["a\x00b\nc", 'the text “a b c”'], [str_repeat('long ', 100), 'the text “'.mb_substr(str_repeat('long ', 100), 0, 40).'…”']]);

it('reads no number that cannot be reckoned with', function (NumberShape $shape, float|int $value, string $says) {
    expect(readBy($shape, $value)[1])->toBe([['field' => 'x_mm', 'message' => $says]]);
})->with([
    [NumberShape::any(), 1.01e12, 'Must be a number, but is 1010000000000: that is more than can be reckoned with.'],
    [NumberShape::any(), -1e300, 'Must be a number, but is -1.0e+300: that is more than can be reckoned with.'],
    [NumberShape::positive(), 9e-16, 'Must be a number over 0 mm, but is 0.'],
    [NumberShape::whole(1), 1_000_000_001, 'Must be a whole number of at least 1 mm, but is 1000000001: that is more than can be reckoned with.'],
]);

<?php

declare(strict_types=1);

use Brookstone\Core\Shape\EitherShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NothingShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

it('reads as the first that fits, and says what is wrong with the first where none does', function (mixed $value, mixed $read, array $wrong) {
    $shape = new EitherShape([new RecordShape(['at' => Field::needed(NumberShape::any())]), NumberShape::positive(), new NothingShape]);
    $errors = new ErrorList;

    expect($shape->read($value, 'x', $errors))->toBe($read)->and(array_column($errors->all(), 'field'))->toBe($wrong)
        ->and(array_column($shape->schema()['anyOf'], 'type'))->toBe(['object', 'number', 'null']);
})->with([[['at' => 2.0], ['at' => 2.0], []], [3.0, 3.0, []], [null, null, []], [-1.0, null, ['x']], [['off' => 1], null, ['x.off', 'x.at']]]);

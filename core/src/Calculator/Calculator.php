<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\RecordShape;

/** A named computation with typed inputs and results: a thin face of the classes that do the work. */
interface Calculator
{
    /** `load.arm` */
    public function name(): string;

    /** One line on what it is for. */
    public function says(): string;

    public function inputs(): RecordShape;

    public function results(): RecordShape;

    /**
     * Checks what the fields must be to each other. Fields that are wrong by themselves have been reported and are null.
     *
     * @param  array<string, mixed>  $inputs
     */
    public function check(array $inputs, ErrorList $errors): void;

    /**
     * @param  array<string, mixed>  $inputs  as read by inputs(), and checked
     * @return array{inputs: array<string, mixed>, results: array<string, mixed>, findings: list<Finding>} inputs with every default filled in
     */
    public function compute(array $inputs): array;
}

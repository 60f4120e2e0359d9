<?php

declare(strict_types=1);

/** What is said at a field that is not right. */
return [
    'array' => 'Must be a group of values, with none but those that belong there.',
    'boolean' => 'Must be true or false.',
    'enum' => 'There is no such choice here.',
    'gt' => ['numeric' => 'Must be more than :value.'],
    'in' => 'There is no such choice here.',
    'integer' => 'Must be a whole number.',
    'list' => 'Must be a list.',
    'max' => ['numeric' => 'At most :max.', 'string' => 'At most :max characters.', 'array' => 'At most :max of them.'],
    'min' => ['numeric' => 'At least :min.', 'string' => 'At least :min characters.', 'array' => 'At least :min of them.'],
    'numeric' => 'Must be a number.',
    'present' => 'This is missing.',
    'required' => 'This is missing.',
    'required_if' => 'This is missing.',
    'required_with' => 'This is missing, as :values is given.',
    'required_without' => 'This is missing, as :values is not given.',
    'string' => 'Must be a text.',
];

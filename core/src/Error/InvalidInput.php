<?php

declare(strict_types=1);

namespace Brookstone\Core\Error;

/** Input from outside that cannot be understood or lies outside its range: every wrong field at once. */
final class InvalidInput extends \RuntimeException implements CoreException
{
    /** @param  non-empty-list<array{field: string, message: string}>  $errors */
    public function __construct(public readonly array $errors)
    {
        parent::__construct(trim($errors[0]['field'].': '.$errors[0]['message'], ': '));
    }

    public static function at(string $field, string $message): self
    {
        return new self([['field' => $field, 'message' => $message]]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http;

use Brookstone\Core\Error\InvalidInput;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Every refusal in one form: a message, and what is wrong at which field. */
final class Problem
{
    /** @param  list<array{field: string, message: string}>  $errors */
    public static function response(int $status, string $message, array $errors = []): JsonResponse
    {
        return new JsonResponse(['message' => $message, 'errors' => $errors === [] ? [['field' => '', 'message' => $message]] : $errors], $status);
    }

    public static function render(\Throwable $problem, Request $request): ?JsonResponse
    {
        if (! $request->is('api/*')) {
            return null;
        }

        return match (true) {
            $problem instanceof InvalidInput => self::response(422, $problem->getMessage(), $problem->errors),
            $problem instanceof ValidationException => self::response(422, $problem->getMessage(), self::listed($problem)),
            $problem instanceof PostTooLargeException => self::response(422, 'This is too large: at most 2 MB are read.'),
            $problem instanceof NotFoundHttpException => self::response(404, 'There is nothing of that name.'),
            default => null,
        };
    }

    /** @return list<array{field: string, message: string}> */
    private static function listed(ValidationException $problem): array
    {
        $errors = [];
        foreach ($problem->errors() as $field => $messages) {
            foreach ($messages as $message) {
                $errors[] = ['field' => (string) $field, 'message' => $message];
            }
        }

        return $errors;
    }
}

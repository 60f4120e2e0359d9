<?php

declare(strict_types=1);

namespace App\Http;

use Brookstone\Core\Error\InvalidInput;
use Illuminate\Database\QueryException;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Symfony\Component\HttpKernel\Exception\MethodNotAllowedHttpException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Every refusal in one form: a message, and what is wrong at which field. */
final class Problem
{
    /** Of SQLite: https://www.sqlite.org/rescode.html */
    private const FULL = 13;

    private const NOT_NOW = [self::FULL, 8, 10]; // full, read-only, the disk does not answer

    private const CONSTRAINT = 19;

    private const OURS = 'Something went wrong in Brookstone itself: what was saved is as it was. What happened stands in storage/logs.';

    /** @param  list<array{field: string, message: string}>  $errors */
    public static function response(int $status, string $message, array $errors = []): JsonResponse
    {
        return new JsonResponse(['message' => $message, 'errors' => $errors === [] ? [['field' => '', 'message' => $message]] : $errors], $status);
    }

    public static function render(\Throwable $problem, Request $request): ?JsonResponse
    {
        if (preg_match('#^/*api(/|$)#', rawurldecode($request->getPathInfo())) !== 1) {
            return null;
        }

        return match (true) {
            $problem instanceof InvalidInput => self::response(422, $problem->getMessage(), $problem->errors),
            $problem instanceof ValidationException => self::response(422, $problem->getMessage(), self::listed($problem)),
            $problem instanceof PostTooLargeException => self::response(422, 'This is too large: at most 2 MB are read.'),
            $problem instanceof NotFoundHttpException => self::response(404, 'There is nothing of that name.'),
            $problem instanceof MethodNotAllowedHttpException => self::response(405, 'That cannot be done here.'),
            $problem instanceof QueryException && ($problem->errorInfo[1] ?? null) === self::CONSTRAINT && str_contains($problem->getMessage(),
                'FOREIGN KEY') => self::response(404, 'What this belongs to has been deleted in the meantime.'),
            $problem instanceof QueryException && in_array($problem->errorInfo[1] ?? null, self::NOT_NOW, true) => self::response(507,
                ($problem->errorInfo[1] ?? null) === self::FULL
                ? 'The disk is full: this could not be saved. It is tried again until there is room.'
                    : 'The database cannot be written to: this could not be saved. It is tried again until it can.'),
            $problem instanceof HttpExceptionInterface => self::response($problem->getStatusCode(), $problem->getStatusCode() < 500 ? 'This cannot be read.'
                : self::OURS),
            default => self::response(500, self::OURS),
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

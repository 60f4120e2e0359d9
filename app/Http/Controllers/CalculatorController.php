<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JudgeBuild;
use App\Http\Requests\JsonBody;
use App\Http\Requests\QuantityRequest;
use Brookstone\Core\Build\Build as CoreBuild;
use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Calculator\Sweep;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Quantity\QuantityParser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The named calculators, the judge and the reading of quantities, for scripts as for the pages. */
final class CalculatorController
{
    private const SWEEPS_FOR_S = 1.0;

    public function index(): JsonResponse
    {
        return new JsonResponse(array_values(array_map(fn (Calculator $calculator): array => ['name' => $calculator->name(), 'says' => $calculator->says()],
            Calculators::all())));
    }

    public function schema(string $name): JsonResponse
    {
        return new JsonResponse(Calculators::schema($this->find($name)));
    }

    public function run(Request $request, string $name): JsonResponse
    {
        return new JsonResponse(Calculators::run($this->find($name), JsonBody::of($request)));
    }

    /** One result while one input changes; as much of it as can be worked out at one go. */
    public function sweep(Request $request, string $name): JsonResponse
    {
        $body = JsonBody::of($request);
        $until = microtime(true) + self::SWEEPS_FOR_S;
        $key = fn (string $field): ?string => match (true) {
            ! is_array($body) || ! isset($body[$field]) => null,
            is_string($body[$field]) => $body[$field],
            default => throw InvalidInput::at($field, 'Must be the name of a field, or empty.'),
        };

        return new JsonResponse(Sweep::of($this->find($name), is_array($body) ? $body['inputs'] ?? [] : $body, $key('over'), $key('of'),
            fn (): bool => microtime(true) < $until));
    }

    /** With what mends it, as far as that can be tried at one go; `tried` says whether that was all, and asked again it goes on. */
    public function assess(Request $request, JudgeBuild $judge): JsonResponse
    {
        return new JsonResponse($judge->mended(CoreBuild::read(JsonBody::of($request)))[0]);
    }

    public function quantity(QuantityRequest $request): JsonResponse
    {
        try {
            ['quantity' => $quantity, 'unit' => $unit] = QuantityParser::parse($request->string('text')->toString(), $request->string('unit')->toString());
        } catch (NotUnderstood $notUnderstood) {
            throw InvalidInput::at('text', $notUnderstood->getMessage());
        }

        return new JsonResponse(['si' => $quantity->si, 'dimension' => $quantity->dimension->value, 'unit' => $unit, 'text' => $quantity->text()]);
    }

    private function find(string $name): Calculator
    {
        return Calculators::all()[$name] ?? throw new NotFoundHttpException;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JudgeBuild;
use App\Http\Requests\JsonBody;
use App\Http\Requests\QuantityRequest;
use Brookstone\Core\Build\Build as CoreBuild;
use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Quantity\QuantityParser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The named calculators, the judge and the reading of quantities, for scripts as for the pages. */
final class CalculatorController
{
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

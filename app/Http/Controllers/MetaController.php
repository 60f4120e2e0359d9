<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Brookstone\Core\Build\BuildShape;
use Brookstone\Core\Quantity\Units;
use Illuminate\Http\JsonResponse;

/** What the page needs to know before it shows anything: the units, and which key carries which. */
final class MetaController
{
    public function units(): JsonResponse
    {
        return (new JsonResponse(Units::table()))->header('Cache-Control', 'max-age=60');
    }

    public function buildSchema(): JsonResponse
    {
        return new JsonResponse(BuildShape::schema());
    }
}

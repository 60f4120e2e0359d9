<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\RigBench;
use App\Http\Requests\JsonBody;
use App\Models\Build;
use App\Models\RigSession;
use Brookstone\Core\Error\InvalidInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A build live on simulated hardware. */
final class RigController
{
    public function __construct(private readonly RigBench $bench)
    {
    }

    public function open(Request $request, Build $build): JsonResponse
    {
        $body = JsonBody::of($request);
        $begins = is_array($body) ? $body['scenario'] ?? null : null;
        if ($begins !== null && (! is_string($begins) || ! isset($build->core()->scenarios[$begins]))) {
            throw InvalidInput::at('scenario', 'There is no such scenario in this build.');
        }
        $session = RigSession::query()->create(['build_id' => $build->id, 'document' => $build->document, 'begins' => $begins, 'lines' => []]);

        return new JsonResponse(['id' => $session->id, 'answers' => $this->bench->say($session, ['{"do":"get"}'])], 201);
    }

    /** Says some lines to it, one after the other; each is answered. */
    public function say(Request $request, RigSession $session): JsonResponse
    {
        $body = JsonBody::of($request);
        $lines = is_array($body) ? $body['lines'] ?? null : null;
        if (! is_array($lines) || ! array_is_list($lines) || count($lines) > 50) {
            throw InvalidInput::at('lines', 'Must be a list of at most 50 lines.');
        }

        return new JsonResponse(['answers' => $this->bench->say($session, array_map(fn (mixed $line): string => (string) json_encode($line), $lines))]);
    }
}

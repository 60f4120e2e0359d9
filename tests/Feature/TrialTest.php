<?php

declare(strict_types=1);

use App\Models\Build;
use App\Models\RigSession;
use Tests\Support\Builds;
use Tests\Support\Hostile;

/** BROOKSTONE_TRIAL says how many requests, BROOKSTONE_SEED which: `bin/trial`. */
it('answers whatever it is sent: never with a fault of its own, and every refusal says at which field', function () {
    [$many, $seed] = [(int) (getenv('BROOKSTONE_TRIAL') ?: 1500), (int) (getenv('BROOKSTONE_SEED') ?: 1)];
    ini_set('memory_limit', '512M');
    foreach ([Builds::sound(), Builds::demo('heron-wharf')] as $build) {
        Build::query()->create(App\Actions\KeepBuild::columns($build));
    }
    $hostile = new Hostile($seed);
    $wrong = $slow = $answers = [];
    for ($i = 0; $i < $many; $i++) {
        if ($i % 50 === 0) { // what the others left, one build of them can be judged for long
            Build::query()->orderByDesc('id')->skip(6)->take(100)->get()->each(fn (Build $build) => $build->delete());
        }
        [$method, $path, $body] = $hostile->next();
        $began = microtime(true);
        $response = $this->call($method, $path, server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], content: $body);
        $took = microtime(true) - $began;
        $status = $response->getStatusCode();
        $answers[$status] = ($answers[$status] ?? 0) + 1;
        $asked = "{$i}: {$method} {$path} ".mb_strimwidth($body, 0, 400, '…');
        if ($status >= 500) {
            $wrong[] = "{$asked} → {$status} ".($response->exception ?? null)?->getMessage().' at '.basename((string) ($response->exception
                ?? null)?->getFile()).':'.($response->exception ?? null)?->getLine();
        } elseif ($status === 422 && (! is_array($response->json('errors')) || array_filter($response->json('errors'),
            fn (array $error): bool => $error['message'] === '' || preg_match('/^The( \S+)+ (field|may not|must be a)|^The selected|^validation\./',
                $error['message']) === 1 || ($error['field'] === '' && json_decode($body) instanceof stdClass)) !== [])) {
            $wrong[] = "{$asked} → 422 ".mb_strimwidth((string) $response->getContent(), 0, 300, '…');
        }
        if ($took > 2.0) {
            $slow[] = sprintf('%s took %.1f s', $asked, $took);
        }
    }
    RigSession::query()->pluck('id')->each(fn (string $id) => @unlink(storage_path("brookstone/rig-{$id}.sock")));
    if (getenv('BROOKSTONE_TRIAL') !== false) {
        fwrite(STDERR, sprintf("%d requests (%s), %d answered wrongly, %d slower than 2 s\n%s\n", $many, json_encode($answers), count($wrong), count($slow),
            implode("\n", [...$wrong, ...$slow])));
    }

    expect($wrong)->toBe([]);
});

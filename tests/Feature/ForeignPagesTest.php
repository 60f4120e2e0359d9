<?php

declare(strict_types=1);

use App\Models\Build;
use App\Models\Study;
use Illuminate\Support\Facades\DB;
use Tests\Support\Builds;

/** @param  array<string, string>  $headers */
function posted(mixed $test, string $path, array $headers, string $body = '{"name":"Mine"}'): Illuminate\Testing\TestResponse
{
    $server = ['HTTP_ACCEPT' => 'application/json'];
    foreach ($headers + ['Content-Type' => 'application/json'] as $name => $value) {
        $server[($name === 'Content-Type' ? '' : 'HTTP_').strtoupper(str_replace('-', '_', $name))] = $value;
    }

    return $test->call('POST', $path, server: $server, content: $body);
}

it('takes what changes something as JSON alone, and not as what calls itself something like it', function (string $type, int $status) {
    posted($this, '/api/builds', ['Content-Type' => $type])->assertStatus($status)->assertJsonStructure($status === 201 ? ['id']
        : ['message', 'errors' => [['field', 'message']]]);
})->with([
    ['application/json', 201], ['application/json; charset=utf-8', 201],
    ['text/plain', 415], ['text/plain; x=/json', 415], ['text/plain;+json', 415], ['application/x-www-form-urlencoded', 415],
    ['multipart/form-data; boundary=application/json', 415], ['application/jsonp', 415], ['', 415],
]);

it('answers to its own pages, and to what is no browser', function (array $headers, int $status) {
    posted($this, '/api/builds', $headers)->assertStatus($status);
    $this->getJson('/api/builds', $headers)->assertStatus($status === 201 ? 200 : $status);
})->with([
    'no browser' => [[], 201],
    'its own page' => [['Origin' => 'http://127.0.0.1:8000', 'Sec-Fetch-Site' => 'same-origin'], 201],
    'typed into the address bar' => [['Sec-Fetch-Site' => 'none'], 201],
    'a page from elsewhere' => [['Origin' => 'https://elsewhere.example', 'Sec-Fetch-Site' => 'cross-site'], 403],
    'a page from elsewhere, of which only the one is said' => [['Origin' => 'https://elsewhere.example'], 403],
    'and only the other' => [['Sec-Fetch-Site' => 'cross-site'], 403],
    'another port of this machine' => [['Origin' => 'http://127.0.0.1:5000', 'Sec-Fetch-Site' => 'same-site'], 403],
    'a page from nowhere' => [['Origin' => 'null'], 403],
    'its own page, asked for safely by another' => [['Origin' => 'https://127.0.0.1:8000'], 403],
]);

it('does what a request says in its first line, and nothing that it says it would rather do', function (string $query, array $headers, string $body) {
    $build = Build::query()->create(App\Actions\KeepBuild::columns(Builds::sound()));
    posted($this, "/api/builds/{$build->id}{$query}", $headers, $body)->assertStatus(405)->assertJsonPath('errors.0.message', 'That cannot be done here.');

    expect(Build::query()->whereKey($build->id)->exists())->toBeTrue();
})->with([
    ['?_method=DELETE', [], '{}'], ['?_method=delete', [], '{}'], ['', [], '{"_method":"DELETE"}'], ['', ['X-HTTP-Method-Override' => 'DELETE'], '{}'],
]);

it('gives its page to nobody who calls it by another name, in no frame, and with no cookie', function () {
    $page = $this->get('/', ['Sec-Fetch-Site' => 'cross-site'])->assertOk(); // a link from elsewhere may lead to it

    expect($page->headers->get('Content-Security-Policy'))->toContain("default-src 'self'", "frame-ancestors 'none'", "object-src 'none'")
        ->not->toContain("script-src 'unsafe")
        ->and($page->headers->get('X-Content-Type-Options'))->toBe('nosniff')->and($page->headers->getCookies())->toBe([])
        ->and($page->headers->has('X-Powered-By'))->toBeFalse();
    $this->get('http://elsewhere.example/')->assertForbidden();
});

it('says in JSON and in its own words what it cannot do', function (string $method, string $path, int $status) {
    $response = $this->call($method, $path, server: ['CONTENT_TYPE' => 'application/json'], content: '{}');

    $response->assertStatus($status)->assertJsonStructure(['message', 'errors' => [['field', 'message']]]);
    expect($response->json('message'))->not->toMatch('/route|method|supported|malformed|exception/i');
})->with([['DELETE', '/api/units', 405], ['GET', '/api/calc/%ff', 400], ['GET', '/api/builds/%C3%28', 400], ['PATCH', '/api/builds', 405],
    ['GET', '/api/nothing', 404], ['POST', '/api', 405]]);

it('has a study with all its parts, or not at all', function () {
    config(['queue.default' => 'database']);
    $build = Build::query()->create(App\Actions\KeepBuild::columns(Builds::sound()));
    DB::statement("CREATE TRIGGER ended BEFORE INSERT ON jobs WHEN (SELECT count(*) FROM jobs) >= 2 BEGIN SELECT RAISE(ABORT, 'ended'); END");
    $this->postJson("/api/builds/{$build->id}/studies",
        ['kind' => 'faults', 'routine' => 'show', 'scenario' => 'pressed'])->assertStatus(500)->assertJsonStructure(['errors' => [['field', 'message']]]);

    expect(Study::query()->count())->toBe(0)->and(DB::table('jobs')->count())->toBe(0);
    DB::statement('DROP TRIGGER ended');
    $this->postJson("/api/builds/{$build->id}/studies", ['kind' => 'faults', 'routine' => 'show', 'scenario' => 'pressed'])->assertCreated();
    expect(DB::table('jobs')->count())->toBe(Study::query()->sole()->parts);
});

it('reads what it has checked: the address of what only asks, the body of what changes something', function () {
    $build = Build::query()->create(App\Actions\KeepBuild::columns(Builds::sound()));
    $at = "/api/builds/{$build->id}";
    posted($this, "{$at}/undo?version=1", [], '{}')->assertStatus(422)->assertJsonPath('errors', [['field' => 'version', 'message' => 'This is missing.']]);
    posted($this, "{$at}/edits?version=1&changes[0][path]=name&changes[0][value]=X", [], '{}')->assertStatus(422);
    posted($this, '/api/drawer/import?csv=code', [], '[]')->assertStatus(422)->assertJsonPath('errors.0.field', 'csv');
    $asked = fn (string $query, string $body) => $this->call('GET', "{$at}/motions/lift/drives{$query}", server: ['CONTENT_TYPE' => 'application/json',
        'HTTP_ACCEPT' => 'application/json'], content: $body);
    $asked('?rows=1', '{"rows":"many"}')->assertOk();
    $asked('?rows=many', '{"rows":1}')->assertStatus(422)->assertJsonPath('errors.0', ['field' => 'rows', 'message' => 'Must be a whole number.']);
});

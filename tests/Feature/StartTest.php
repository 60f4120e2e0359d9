<?php

declare(strict_types=1);

use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Process;
use Tests\Support\Checkout;

beforeEach(function () {
    $this->checkout = new Checkout;
    $this->at = $this->checkout->at;
    do { // below what the system hands out by itself
        $this->port = random_int(12000, 32000);
    } while (answers($this->port) || answers($this->port + 1));
    $this->environment = Checkout::ENVIRONMENT;
});

afterEach(function () {
    Process::run(['pkill', '-KILL', '-f', "bin/start --port {$this->port}"]);
    usleep(700_000);
    array_map(fn (int $pid): bool => posix_kill($pid, SIGKILL), array_keys(processesOf($this))); // what a test that failed left
    $this->checkout->delete();
});

/** @return array{int, string} how a start ended, and what it said */
function started(object $test, string $arguments): array
{
    return $test->checkout->start($arguments);
}

/** Starts it, and waits until it answers. */
function running(object $test): Illuminate\Contracts\Process\InvokedProcess
{
    $process = Process::path($test->at)->env($test->environment)->timeout(900)->start("exec bin/start --port {$test->port}");
    waitFor(fn (): bool => serves($test->port));

    return $process;
}

function answers(int $port): bool
{
    $socket = @fsockopen('127.0.0.1', $port, timeout: 0.5);

    return $socket !== false && fclose($socket);
}

function serves(int $port): bool
{
    return str_contains((string) @file_get_contents("http://127.0.0.1:{$port}/", context: stream_context_create(['http' => ['timeout' => 20]])),
        '<div id="app">');
}

/** Waits for what must come to be: nothing that is right depends on how busy the machine is. */
function waitFor(Closure $so): void
{
    for ($until = microtime(true) + 300.0; ! $so() && microtime(true) < $until;) {
        usleep(100_000);
    }
    expect($so())->toBeTrue();
}

/** @return list<string> processes of the server on that port, and of what works beside it */
function processesOf(object $test): array
{
    $found = [];
    foreach (array_filter(explode("\n", Process::run(['ps', '-eo', 'pid=,args='])->output())) as $line) {
        [$pid, $command] = explode(' ', trim($line), 2);
        if (@readlink("/proc/{$pid}/cwd") === $test->at || @readlink("/proc/{$pid}/cwd") === "{$test->at}/public"
            || str_contains($command, "127.0.0.1:{$test->port}")) {
            $found[$pid] = $command;
        }
    }

    return $found;
}

it('says in a sentence what is wrong with what it was told', function (string $arguments, int $code, string $says) {
    expect(started($this, $arguments))->toBe([$code, $says."\n"]);
})->with([
    ['--port', 2, 'The port must be a number from 1 to 65535.'], ['--port harbour', 2, 'The port must be a number from 1 to 65535.'],
    ['--port=70000', 2, 'The port must be a number from 1 to 65535.'],
    ['--prot 8000', 2, 'bin/start [--port N] [--setup-only]'],
]);

it('starts in spite of settings and caches that cannot be read, and of a damaged database, and says so', function () {
    file_put_contents("{$this->at}/.env", "APP_KEY=x y z\n<html>\n");
    file_put_contents("{$this->at}/bootstrap/cache/packages.php", "<?php return array (\n  'nes");
    mkdir("{$this->at}/storage/brookstone");
    file_put_contents("{$this->at}/storage/brookstone/brookstone.sqlite", str_repeat('not a database ', 1000));
    [$code, $said] = started($this, '--setup-only');

    expect($code)->toBe(0)->and($said)->toContain('The settings in .env cannot be read.', 'The database could not be read. It is kept as ', 'All is set up.')
        ->not->toContain('Exception', 'Stack trace', 'Fatal')
        ->and(glob("{$this->at}/.env.broken-*"))->toHaveCount(1)->and(glob("{$this->at}/storage/brookstone/brookstone-damaged-*.sqlite"))->toHaveCount(1)
        ->and(fileperms("{$this->at}/.env") & 0777)->toBe(0600)->and(fileperms("{$this->at}/storage/brookstone") & 0777)->toBe(0700);
});

it('does not start on the database of another program, and says why', function () {
    mkdir("{$this->at}/storage/brookstone");
    (new PDO("sqlite:{$this->at}/storage/brookstone/brookstone.sqlite"))->exec('CREATE TABLE songs (title text)');
    [$code, $said] = started($this, "--port {$this->port}");

    expect($code)->toBe(1)->and($said)->toContain('is the database of another program: move it away and start again.', 'Brookstone was not started.')
        ->not->toContain('Exception');
});

it('does not start on a port that is taken', function () {
    $taken = stream_socket_server("tcp://127.0.0.1:{$this->port}");
    [$code, $said] = started($this, "--port {$this->port}");
    fclose($taken);

    expect($code)->toBe(1)->and($said)->toContain("Port {$this->port} is taken already.");
});

it('ends with all that it began, however it is ended', function (int $signal) {
    $process = running($this);
    expect(count(processesOf($this)))->toBeGreaterThan(6);
    [$code, $said] = started($this, '--port '.($this->port + 1));
    expect($code)->toBe(1)->and($said)->toContain("Brookstone runs already, at http://127.0.0.1:{$this->port}");
    posix_kill((int) $process->id(), $signal);
    waitFor(fn (): bool => processesOf($this) === [] && ! answers($this->port));
})->with(['TERM' => [SIGTERM], 'HUP' => [SIGHUP], 'INT' => [SIGINT], 'by force' => [SIGKILL]]);

it('begins again what ended by force, with all that it had begun, and ends when its keeper does', function () {
    running($this);
    $masters = ['php-fpm: master', 'nginx: master', 'php artisan queue:work'];
    $of = fn (string $what): array => array_keys(array_filter(processesOf($this), fn (string $command): bool => str_starts_with($command, $what)));
    $before = array_keys(processesOf($this));
    foreach ($masters as $master) {
        posix_kill(min($of($master)), SIGKILL);
    }
    waitFor(fn (): bool => count($of('php-fpm: pool')) === 4 && count($of('nginx: worker')) === 1 && count($of('php artisan queue:work')) === 2
        && serves($this->port));
    expect(array_intersect([...$of('php-fpm'), ...$of('nginx')], $before))->toBe([])
        ->and(array_intersect($of('php artisan queue:work'), $before))->toHaveCount(1)
        ->and((string) file_get_contents("{$this->at}/storage/framework/served/{$this->port}/log"))->toContain('program ended; it begins again in 0 s',
            'pages ended', 'worker-1 ended');
    posix_kill(min($of('php-fpm: master')), SIGKILL);
    waitFor(fn (): bool => str_contains((string) file_get_contents("{$this->at}/storage/framework/served/{$this->port}/log"),
        'program ended; it begins again in 1 s'));
    posix_kill(min($of('bash bin/support/keeper')), SIGKILL);
    waitFor(fn (): bool => processesOf($this) === [] && ! answers($this->port));
})->skip(fn (): bool => trim(Process::path(base_path())->run(['bash', '-c',
    'source bin/setup.sh && source bin/serve.sh && serving_packages'])->output()) !== '', 'nginx and php-fpm are not installed.');

it('is served by one process where there is no other, and gives out no source', function () {
    started($this, '--setup-only');
    $keeper = Process::path($this->at)->env($this->environment)->timeout(900)->start(['bash', '-c',
        'exec setsid bin/support/keeper $PPID '.$this->port.' "" "" none']);
    waitFor(fn (): bool => serves($this->port));
    // A session of its own may be led by a child of what was started: the leader is who keeps.
    $leader = (int) array_key_first(array_filter(processesOf($this), fn (string $command): bool => str_contains($command, 'bin/support/keeper')));
    expect($leader)->toBeGreaterThan(0)->and($keeper->id())->not->toBeNull();
    posix_kill($leader, SIGTERM);
    Process::run(['pkill', '-KILL', '-s', (string) $leader]);
    waitFor(fn (): bool => ! answers($this->port));
});

it('gives out what is made to be given out, and nothing else that lies beside it', function () {
    running($this);
    file_put_contents("{$this->at}/public/.secret", 'hidden');
    $get = fn (string $path): Illuminate\Http\Client\Response => Http::timeout(60)->get("http://127.0.0.1:{$this->port}{$path}");
    $asset = '/build/'.json_decode((string) file_get_contents("{$this->at}/public/build/manifest.json"), true)['resources/js/main.tsx']['file'];

    expect($get($asset)->header('Content-Type'))->toBe('text/javascript; charset=utf-8')->and($get($asset)->header('Cache-Control'))->toContain('max-age=')
        ->and($get('/api/builds')->json())->toHaveCount(7)->and($get('/build/assets/none.js')->status())->toBe(404)
        ->and($get('/.secret')->body())->not->toContain('hidden')->and($get('/index.php')->body())->not->toContain('<?php')
        ->and($get('/')->headers()['X-Content-Type-Options'])->toBe(['nosniff'])
        ->and(Http::withBody(str_repeat('x', 9_000_000),
            'application/json')->post("http://127.0.0.1:{$this->port}/api/builds")->header('Content-Type'))->toContain('json');
});

it('keeps what a command was compiled to, for nobody else, and never takes what is old or damaged', function () {
    copy("{$this->at}/.env.example", "{$this->at}/.env");
    $assess = fn (): string => Process::path($this->at)->env($this->environment)->timeout(300)
        ->run(['php', '-d', 'memory_limit=300M', 'artisan', 'brookstone:assess', 'database/demo/heron-wharf.brookstone.json', '--untried'])->output();
    $program = "{$this->at}/bootstrap/app.php";
    touch($program, time() - 60); // what was written in this very moment is not kept
    $first = $assess();
    $kept = collect(File::allFiles("{$this->at}/storage/framework/compiled"))->map->getPathname()->first(fn (string $file): bool => str_ends_with($file,
        "{$program}.bin"));
    $anybody = fileperms($kept) & 0077;
    file_put_contents($kept, substr((string) file_get_contents($kept), 0, 1000));
    $damaged = $assess();
    file_put_contents($program, str_replace('return Application::', 'echo "changed"; return Application::', (string) file_get_contents($program)));
    $changed = $assess();
    File::deleteDirectory("{$this->at}/storage/framework/compiled");
    touch("{$this->at}/storage/framework/compiled"); // nothing can be kept there

    expect(json_decode($first, true)['verdict'])->toBe('fails')->and($anybody)->toBe(0)->and($damaged === $first)->toBeTrue()
        ->and($changed === "changed{$first}")->toBeTrue()->and($assess() === $changed)->toBeTrue();
});

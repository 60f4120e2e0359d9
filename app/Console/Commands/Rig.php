<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Rig\Protocol;
use Illuminate\Console\Command;

/** A build live on simulated hardware, spoken to in lines of JSON: on standard input, or over a local socket. */
final class Rig extends Command
{
    private const IDLE_S = 120.0; // nobody is there any more

    private const LOOKS_S = 2.0;

    protected $signature = 'brookstone:rig {file : a build file} {--socket= : path of a local socket; standard input and output without} {--scenario= : begins with a scenario of the build} {--outside : the routines of the build do not run; a controller outside drives it}';

    protected $description = 'Runs a build live on simulated hardware, in lines of JSON';

    public function handle(): int
    {
        try {
            $file = $this->argument('file');
            $build = Build::fromJson((string) @file_get_contents(is_string($file) ? $file : ''));
            $scenario = $this->option('scenario');
            $begins = ! is_string($scenario) ? null : $build->scenarios[$scenario] ?? throw InvalidInput::at('scenario',
                "There is no scenario {$scenario} in this build.");
        } catch (InvalidInput $refused) {
            $this->output->writeln((string) json_encode(['ok' => false, 'errors' => $refused->errors], JSON_UNESCAPED_UNICODE));

            return 2;
        }
        $protocol = new Protocol($build, $begins, ! $this->option('outside'));
        $socket = $this->option('socket');
        is_string($socket) && $socket !== '' ? $this->overSocket($protocol, $socket) : $this->overInput($protocol);

        return 0;
    }

    private function overInput(Protocol $protocol): void
    {
        while (($line = fgets(STDIN)) !== false) {
            if (trim($line) !== '') {
                fwrite(STDOUT, $protocol->answer(trim($line))."\n");
                fflush(STDOUT);
            }
        }
    }

    private function overSocket(Protocol $protocol, string $path): void
    {
        @unlink($path);
        $server = stream_socket_server("unix://{$path}") ?: throw new \RuntimeException("No socket can be opened at {$path}.");
        try {
            for ($idle = 0.0; $idle < self::IDLE_S; $idle += self::LOOKS_S) {
                $client = @stream_socket_accept($server, self::LOOKS_S);
                clearstatcache();
                if ($client === false && ! file_exists($path)) {
                    return; // it is to make room for another
                }
                if ($client === false) {
                    continue;
                }
                $idle = 0.0;
                while (($line = fgets($client)) !== false) {
                    if (trim($line) !== '') {
                        fwrite($client, $protocol->answer(trim($line))."\n");
                    }
                }
                fclose($client);
            }
        } finally {
            @unlink($path);
        }
    }
}

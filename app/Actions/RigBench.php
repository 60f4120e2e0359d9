<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\RigSession;
use Illuminate\Support\Facades\DB;

use function Illuminate\Support\php_binary;

/**
 * Keeps live sessions: each is a process of its own that speaks the line protocol over a local socket. What was said to it is stored before it
 * is said; a process that is gone is started anew and told everything again, which gives the same state to the last digit.
 */
final class RigBench
{
    private const WAIT_S = 5.0;

    private const MOST = 8; // processes at once

    private const LONGEST_STEP_S = 600.0;

    /**
     * @param  list<string>  $lines
     * @return list<mixed> an answer each
     */
    public function say(RigSession $session, array $lines): array
    {
        $before = $this->keep($session, $lines);
        $socket = $this->socket($session, $before);
        $answers = [];
        foreach ($lines as $line) {
            fwrite($socket, $line."\n");
            $answers[] = json_decode((string) fgets($socket), true);
        }
        fclose($socket);

        return $answers;
    }

    /**
     * Writes down what changes something, before it is said.
     *
     * @param  list<string>  $lines
     * @return list<string> what was said before
     */
    private function keep(RigSession $session, array $lines): array
    {
        $changing = array_values(array_filter($lines, fn (string $line): bool => ! str_contains($line, '"do":"get"') && ! str_contains($line, '"do":"save"')));

        return DB::transaction(function () use ($session, $changing): array {
            $fresh = RigSession::query()->findOrFail($session->id); // one writer at a time: every transaction here locks at once
            $before = $fresh->lines;
            if ($changing !== []) {
                $fresh->update(['lines' => self::shortened(array_values([...$before, ...$changing]))]);
            }

            return $before;
        }, 20);
    }

    /**
     * Steps that follow one another are one.
     *
     * @param  list<string>  $lines
     * @return list<string>
     */
    private static function shortened(array $lines): array
    {
        $short = [];
        foreach ($lines as $line) {
            $step = json_decode($line, true);
            $top = array_pop($short);
            $last = $top === null ? null : json_decode($top, true);
            $seconds = ($step['do'] ?? null) === 'step' && ($last['do'] ?? null) === 'step' ? self::together_s($step['seconds'] ?? null, $last['seconds']
                ?? null) : null;
            if ($seconds !== null) {
                $short[] = (string) json_encode(['do' => 'step', 'seconds' => $seconds, 'quiet' => true]);
            } else {
                array_push($short, ...($top === null ? [] : [$top]), ...[$line]);
            }
        }

        return $short;
    }

    /** Of two steps; null where one says something else than a time, which is for the rig to refuse, or both are too long for one. */
    private static function together_s(mixed $one, mixed $other): ?float
    {
        $isTime = fn (mixed $seconds): bool => (is_int($seconds) || is_float($seconds)) && $seconds >= 0 && $seconds <= self::LONGEST_STEP_S;

        return $isTime($one) && $isTime($other) && $one + $other <= self::LONGEST_STEP_S ? round($one + $other, 6) : null;
    }

    /** Those that nobody has spoken to for longest end; what was said to them is stored, and they go on when they are asked again. */
    private function makeRoom(): void
    {
        $open = glob(storage_path('brookstone/rig-*.sock')) ?: [];
        rsort($open); // of those of the same second the one that was opened first ends
        clearstatcache();
        usort($open, fn (string $a, string $b): int => (int) @filemtime($b) <=> (int) @filemtime($a));
        foreach (array_slice($open, self::MOST - 1) as $path) {
            @unlink($path); // a process whose socket is gone ends
        }
    }

    /**
     * @param  list<string>  $before
     * @return resource
     */
    private function socket(RigSession $session, array $before)
    {
        $path = storage_path("brookstone/rig-{$session->id}.sock");
        $socket = @stream_socket_client("unix://{$path}", timeout: 1.0);
        if ($socket !== false) {
            touch($path);

            return $this->ready($socket);
        }
        $this->makeRoom();
        $file = storage_path("brookstone/rig-{$session->id}.json");
        file_put_contents($file, $session->document);
        $command = implode(' ', array_map(escapeshellarg(...), [php_binary(), base_path('artisan'), 'brookstone:rig', $file, "--socket={$path}",
            ...($session->begins === null ? [] : ["--scenario={$session->begins}"])]));
        // Its own session, with nothing of the server's left open: it must not hold up whoever waits for the server to end.
        $free = 'for fd in /proc/self/fd/*; do n=${fd##*/}; [ "$n" -gt 2 ] && eval "exec $n>&-"; done; ';
        proc_close(proc_open(['bash', '-c', "({$free} exec setsid {$command}) > /dev/null 2>&1 < /dev/null &"], [],
            $pipes) ?: throw new \RuntimeException('The rig could not be started.'));
        for ($waited = 0.0; $waited < self::WAIT_S; $waited += 0.02) {
            usleep(20_000);
            $socket = @stream_socket_client("unix://{$path}", timeout: 1.0);
            if ($socket !== false) {
                $this->ready($socket);
                foreach ($before as $line) {
                    fwrite($socket, $line."\n");
                    fgets($socket);
                }
                unlink($file);

                return $socket;
            }
        }
        throw new \RuntimeException('The rig does not answer.');
    }

    /**
     * @param  resource  $socket
     * @return resource
     */
    private function ready($socket)
    {
        stream_set_timeout($socket, 30);

        return $socket;
    }
}

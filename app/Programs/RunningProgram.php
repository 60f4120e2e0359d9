<?php

declare(strict_types=1);

namespace App\Programs;

use Brookstone\Core\Bench\ProgramEnded;
use Brookstone\Core\Bench\Talks;

/** A program that runs in a process of its own; a line goes in, lines come out, the last of them a dot. */
final class RunningProgram implements Talks
{
    private const PATIENCE_S = 20;

    /** @var resource|null */
    private $process = null;

    /** @var array<int, resource> */
    private array $pipes = [];

    private int $rests_ms = 0;

    private bool $hangsOnMotions = false;

    /**
     * @param  list<string>  $command
     * @param  bool  $isAnew  it begins anew by being told so; otherwise by being started again
     */
    public function __construct(private readonly array $command, private readonly bool $isAnew)
    {
    }

    public function ask(string $line): array
    {
        if ($this->process === null) {
            $this->start();
        }
        fwrite($this->pipes[0], "{$line}\n");
        $answer = [];
        while (($said = fgets($this->pipes[1])) !== false) {
            if ($said[0] === '.') {
                $words = explode(' ', rtrim($said));
                $this->rests_ms = (int) ($words[1] ?? 0);
                $this->hangsOnMotions = ($words[2] ?? '1') === '1';

                return $answer;
            }
            $answer[] = rtrim($said);
        }

        throw new ProgramEnded('The program has ended by itself'.$this->because().'.');
    }

    public function rests_ms(): int
    {
        return $this->rests_ms;
    }

    public function hangsOnMotions(): bool
    {
        return $this->hangsOnMotions;
    }

    public function restart(): void
    {
        if ($this->isAnew) {
            $this->ask('restart');

            return;
        }
        $this->end();
        $this->start();
    }

    public function __destruct()
    {
        $this->end();
    }

    private function start(): void
    {
        $process = proc_open($this->command, [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $this->pipes);
        if ($process === false) {
            throw new CannotRun("{$this->command[0]} cannot be started.");
        }
        $this->process = $process;
        stream_set_timeout($this->pipes[1], self::PATIENCE_S);
        stream_set_blocking($this->pipes[2], false);
    }

    /** What it complained of last. */
    private function because(): string
    {
        $lines = array_values(array_filter(array_map(trim(...), explode("\n", substr((string) stream_get_contents($this->pipes[2]), -2000)))));
        $says = array_values(array_filter($lines, fn (string $line): bool => preg_match('/Error\b/', $line) === 1 && mb_strlen($line) < 200));

        return $says === [] ? '' : ': '.rtrim($says[0], '.');
    }

    private function end(): void
    {
        if ($this->process !== null) {
            array_map(fclose(...), $this->pipes);
            proc_terminate($this->process);
            proc_close($this->process);
            $this->process = null;
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Programs;

/** Both ends of a line to a board that is simulated: a pseudo-terminal where the system gives one, else standard input and output. */
final class Terminal
{
    private const READ_WRITE = 2;

    private const NOT_MINE = 0o400; // of the terminal of this process

    /** @var resource */
    private $in;

    /** @var resource */
    private $out;

    private string $rest = '';

    /** @param  string|null  $name  where others find it; null is standard input and output */
    private function __construct(public readonly ?string $name, mixed $in, mixed $out)
    {
        [$this->in, $this->out] = [$in, $out];
        stream_set_blocking($in, false);
    }

    public static function standard(): self
    {
        return new self(null, STDIN, STDOUT);
    }

    /** @throws CannotRun where the system gives none */
    public static function pseudo(): self
    {
        if (! class_exists(\FFI::class)) {
            throw new CannotRun('A pseudo-terminal needs the PHP extension ffi: install it, or leave out --terminal.');
        }
        $c = \FFI::cdef('int posix_openpt(int); int grantpt(int); int unlockpt(int); char *ptsname(int);');
        /** @phpstan-ignore method.notFound */
        $master = $c->posix_openpt(self::READ_WRITE | self::NOT_MINE);
        /** @phpstan-ignore method.notFound, method.notFound */
        if ($master < 0 || $c->grantpt($master) !== 0 || $c->unlockpt($master) !== 0) {
            throw new CannotRun('This system gives no pseudo-terminal.');
        }
        /** @phpstan-ignore method.notFound */
        $name = \FFI::string($c->ptsname($master));
        $end = fopen("php://fd/{$master}", 'r+');
        if ($end === false) {
            throw new CannotRun('The pseudo-terminal cannot be opened.');
        }
        exec('stty -F '.escapeshellarg($name).' raw -echo 2>/dev/null');

        return new self($name, $end, $end);
    }

    /** @return list<string> whole lines that came */
    public function lines(): array
    {
        $this->rest .= (string) @fread($this->in, 8192);
        $lines = preg_split('/\r\n|\n|\r/', $this->rest) ?: [''];
        $this->rest = (string) array_pop($lines);

        return array_values(array_filter(array_map(trim(...), $lines), fn (string $line): bool => $line !== ''));
    }

    public function says(string $line): void
    {
        @fwrite($this->out, "{$line}\n");
    }

    public function isOver(): bool
    {
        return $this->name === null && feof($this->in);
    }
}

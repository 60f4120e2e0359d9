<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Symfony\Component\Console\Output\OutputInterface;

/** Commands that read a file and print one JSON object; what is wrong with the input ends with exit code 2. */
trait Reads
{
    private function readBuild(string $file): Build
    {
        $json = is_file($file) && is_readable($file) ? file_get_contents($file) : false;
        if ($json === false) {
            throw InvalidInput::at('file', 'There is no file '.$file.' to be read.');
        }

        return Build::fromJson($json);
    }

    private function word(string $argument): string
    {
        $value = $this->argument($argument);

        return is_string($value) ? $value : '';
    }

    private function named(string $option): ?string
    {
        $value = $this->option($option);

        return is_string($value) ? $value : null;
    }

    private function printJson(mixed $value): void
    {
        $this->output->writeln((string) json_encode($value, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
            OutputInterface::OUTPUT_RAW);
    }

    private function refuse(InvalidInput $invalid): int
    {
        $this->printJson(['errors' => $invalid->errors]);

        return 2;
    }
}

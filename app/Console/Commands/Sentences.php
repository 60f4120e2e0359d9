<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;
use PhpToken;
use Symfony\Component\Finder\SplFileInfo;

/** Reads the core's own text: every sentence that it can say, where, and how it reads with names and numbers in it. */
final class Sentences extends Command
{
    protected $signature = 'brookstone:sentences';

    protected $description = 'List every sentence of the core with an example, as Markdown';

    private const SHORTEST = 12; // letters: less is a word that is put between others

    private const NAMES = ['motion' => 'Lid', 'other' => 'Jaw', 'first' => 'Jaw', 'second' => 'Lid', 'name' => 'Lid', 'place' => 'Open',
        'switch' => 'Open switch', 'home' => 'Shut switch', 'routine' => 'Show', 'sensor' => 'Beam', 'supply' => 'Main', 'lamp' => 'Lamp',
        'rule' => 'Clear of the lid', 'scenario' => 'Visitor', 'worst' => 'Lid', 'least' => 'Lid', 'names' => 'Lid and Jaw',
        'wheel' => 'The wheel of 24 teeth of stage 1', 'body' => 'G25-60'];

    private const NUMBERS = ['' => '12', 'N·m' => '0.34 N·m', 's' => '2.5 s', 'A' => '1.2 A', 'V' => '6 V', 'Ah' => '0.8 Ah', 'J' => '0.2 J', 'N' => '3.4 N',
        'm' => '12 mm', 'kg' => '340 g', '°' => '4.4°', '°C' => '61 °C', 'MPa' => '30 MPa', '°/s' => '90°/s', 'g' => '340 g', 'mm' => '12 mm',
        'deg' => '4.4°', 'share' => '75 %'];

    public function handle(): int
    {
        $this->output->writeln(['# Sentences', '',
            'Every sentence that the core can say, by the file that says it: {numbers} follow the reader’s units, ‹names› come out as they were typed. Made by', '`php artisan brookstone:sentences`; read them as a maker would.', '']);
        $files = array_map(fn (SplFileInfo $file): string => $file->getRelativePathname(), File::allFiles(base_path('core/src')));
        sort($files);
        foreach ($files as $file) {
            $code = File::get(base_path("core/src/{$file}"));
            $says = str_contains($code, 'Sentence') || str_contains($code, 'StepFailed') ? $this->sentences($code) : [];
            if ($says !== []) {
                $this->output->writeln(["## {$file}", '']);
                foreach ($says as $sentence) {
                    $example = self::example($sentence, self::units($code));
                    $this->output->writeln("- {$sentence}".($example === $sentence ? '' : "  \n  *".trim($example).'*'));
                }
                $this->output->writeln('');
            }
        }

        return self::SUCCESS;
    }

    /** @return list<string> what stands between quotes and reads like words */
    private function sentences(string $code): array
    {
        $found = [];
        $open = null;
        foreach (PhpToken::tokenize($code) as $token) {
            if ($token->text === '"') {
                $found[] = $open ?? '';
                $open = $open === null ? '' : null;
            } elseif ($open !== null) {
                $open .= $token->text;
            } elseif ($token->is(T_CONSTANT_ENCAPSED_STRING)) {
                $found[] = stripslashes(substr($token->text, 1, -1));
            }
        }
        $found = array_map(self::named(...), $found);

        return array_values(array_unique(array_filter($found, fn (string $text): bool => strlen($text) >= self::SHORTEST && preg_match('/[a-z] [a-z{‹]/u',
            $text) === 1 && ! str_contains($text, '%'))));
    }

    /** `{$motion->named()}` is ‹motion›. */
    private static function named(string $text): string
    {
        $text = (string) preg_replace('/\{\$[^}]*?(\w+)(?:\[[^\]]*\])?(?:\([^)]*\))?\??->named\(\)\}/', '‹$1›', $text);

        return (string) preg_replace(['/\{\$[^}]*?(\w+)(?:\([^)]*\)|\[[^\]]*\])*\}/', '/\$(\w+)/'], '‹$1›', $text);
    }

    /** @return array<string, string> the unit of each number, as the file makes it */
    private static function units(string $code): array
    {
        preg_match_all('/\'(\w+)\' => (?:Quantity::of\(.*?, \'([^\']*)\'\)|Quantity::(share|number)\()/', $code, $found, PREG_SET_ORDER);

        return array_column(array_map(fn (array $each): array => [$each[1], ($each[2] ?? '') !== '' ? $each[2]
            : (($each[3] ?? '') === 'share' ? 'share' : '')], $found), 1, 0);
    }

    /** @param  array<string, string>  $units */
    private static function example(string $sentence, array $units): string
    {
        $with = preg_replace_callback('/\{(\w+)\}/', fn (array $mark): string => self::NUMBERS[$units[$mark[1]] ?? ''] ?? '12', $sentence);

        return (string) preg_replace_callback('/‹(\w+)›/u', fn (array $mark): string => self::NAMES[$mark[1]] ?? self::NAMES[rtrim($mark[1], 's')]
            ?? $mark[1], (string) $with);
    }
}

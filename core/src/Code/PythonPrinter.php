<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** Python, no more of it than small controllers know. */
final class PythonPrinter implements Printer
{
    /** @var array<string, true> single values that last, by name */
    private array $single = [];

    /** @param  array<string, list<string>>  $imports  names by module */
    public function __construct(private readonly array $imports)
    {
    }

    public function text(Program $program): string
    {
        $this->single = array_fill_keys(array_column(array_filter($program->stores, fn (Store $store): bool => $store->count === null), 'name'), true);
        $used = implode(' ', array_map(fn (Task $task): string => implode(' ', Program::expressionsOf($task->lines)), $program->tasks));
        $out = array_map(fn (string $line): string => rtrim('# '.Note::clean($line)), $program->head);
        $out[] = '';
        foreach ($this->imports as $module => $names) {
            $names = array_filter($names, fn (string $name): bool => preg_match("/\\b{$name}\\b/", $used) === 1);
            array_push($out, ...($names === [] ? [] : ["from {$module} import ".implode(', ', $names)]));
        }
        $out[] = '';
        foreach ($program->numbers as $name => $number) {
            $out[] = "{$name} = {$number}";
        }
        $out[] = '';
        foreach ($program->stores as $store) {
            $first = $store->type === Type::Truth ? 'False' : '0';
            $out[] = "{$store->name} = ".($store->count === null ? $first : "[{$first}] * {$store->count}").'  # '.Note::clean($store->note);
        }
        foreach ($program->tasks as $task) {
            array_push($out, '', '', '# '.Note::clean($task->note), "def {$task->name}(".implode(', ', array_keys($task->takes)).'):', ...$this->body($task));
        }

        return implode("\n", $out)."\n";
    }

    /** @return list<string> */
    private function body(Task $task): array
    {
        $set = array_keys(array_intersect_key($this->single, array_fill_keys(self::sets($task->lines), true)));
        $out = $set === [] ? [] : ['    global '.implode(', ', $set)];
        foreach ($task->holds as $name => $type) {
            $out[] = "    {$name} = ".($type === Type::Truth ? 'False' : '0');
        }

        return [...$out, ...$this->lines($task->lines, 1)];
    }

    /**
     * @param  list<Line>  $lines
     * @return list<string> names that are set in them
     */
    private static function sets(array $lines): array
    {
        return array_merge(...array_map(fn (Line $line): array => match (true) {
            $line instanceof Set => [$line->what],
            $line instanceof When => self::sets([...$line->then, ...$line->otherwise]),
            $line instanceof Each => self::sets($line->lines),
            $line instanceof States => array_merge(...array_map(self::sets(...), $line->states)),
            default => [],
        }, $lines));
    }

    /** An expression in its words. */
    private static function says(string $expression): string
    {
        return trim((string) preg_replace_callback('~&&|\|\||!(?!=)|(?<!/)/(?!/)|\b(?:true|false)\b~', fn (array $sign): string => match ($sign[0]) {
            '&&' => 'and', '||' => 'or', '!' => 'not ', '/' => '//', 'true' => 'True', default => 'False',
        }, $expression));
    }

    /**
     * @param  list<Line>  $lines
     * @return list<string>
     */
    private function lines(array $lines, int $deep): array
    {
        $out = array_merge(...array_map(fn (Line $line): array => $this->line($line, str_repeat('    ', $deep), $deep), $lines));

        return array_filter($lines, fn (Line $line): bool => ! $line instanceof Note) === [] ? [...$out, str_repeat('    ', $deep).'pass'] : $out;
    }

    /** @return list<string> */
    private function line(Line $line, string $in, int $deep): array
    {
        return match (true) {
            $line instanceof Note => ["{$in}# {$line->text}"],
            $line instanceof Set => [$in.self::says($line->what).' = '.self::says($line->to)],
            $line instanceof Does => [$in.self::says($line->call)],
            $line instanceof Gives => ["{$in}return".($line->value === null ? '' : ' '.self::says($line->value))],
            $line instanceof Go => [$in.self::says($line->where)." = {$line->state}", $line->gives === null ? "{$in}continue"
                : "{$in}return ".self::says($line->gives)],
            $line instanceof When => ["{$in}if ".self::says($line->if).':', ...$this->lines($line->then, $deep + 1),
                ...($line->otherwise === [] ? [] : ["{$in}else:", ...$this->lines($line->otherwise, $deep + 1)])],
            $line instanceof Each => ["{$in}for {$line->number} in range(".self::says($line->count).'):', ...$this->lines($line->lines, $deep + 1)],
            $line instanceof States => $this->states($line, $in, $deep),
            default => throw new \LogicException($line::class.' has no words in Python.'),
        };
    }

    /** @return list<string> */
    private function states(States $states, string $in, int $deep): array
    {
        $out = ["{$in}while True:", "{$in}    state = {$states->where}"];
        foreach ($states->states as $number => $lines) {
            $isLast = $number === array_key_last($states->states);
            array_push($out, ...($isLast ? [] : ["{$in}    if state == {$number}:"]), ...$this->lines($lines, $deep + ($isLast ? 1 : 2)));
        }

        return $out;
    }
}

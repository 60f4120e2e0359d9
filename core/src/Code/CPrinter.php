<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** C as of 1999, which C++ understands too (ISO/IEC 9899:1999). */
final class CPrinter implements Printer
{
    private const TYPES = ['Truth' => 'bool', 'Byte' => 'uint8_t', 'Word' => 'uint16_t', 'Time' => 'uint32_t', 'Number' => 'int32_t'];

    /** @param  list<string>  $includes  headers */
    public function __construct(private readonly array $includes)
    {
    }

    public function text(Program $program): string
    {
        $out = array_map(fn (string $line): string => rtrim('// '.Note::clean($line)), $program->head);
        array_push($out, '', ...array_map(fn (string $header): string => "#include {$header}", $this->includes));
        if ($program->numbers !== []) {
            $out[] = '';
            foreach ($program->numbers as $name => $number) {
                $out[] = "#define {$name} ".($number < 0 ? "({$number})" : $number.($number > 0x7FFFFFFF ? 'u' : ''));
            }
        }
        $out[] = '';
        foreach ($program->stores as $store) {
            $out[] = 'static '.self::TYPES[$store->type->name]." {$store->name}".($store->count === null ? ''
                : "[{$store->count}]").'; // '.Note::clean($store->note);
        }
        foreach ($program->tasks as $task) {
            array_push($out, '', '// '.Note::clean($task->note), $this->head($task), '{');
            foreach ($task->holds as $name => $type) {
                $out[] = '    '.self::TYPES[$type->name]." {$name}".($type === Type::Truth ? ' = false;' : ' = 0;');
            }
            $body = Program::namesIn($task->lines);
            foreach (array_diff(array_keys($task->takes), $body) as $unused) {
                $out[] = "    (void){$unused};";
            }
            array_push($out, ...$this->lines($task->lines, 1), ...['}']);
        }

        return implode("\n", $out)."\n";
    }

    private function head(Task $task): string
    {
        $takes = implode(', ', array_map(fn (string $name, Type $type): string => self::TYPES[$type->name]." {$name}", array_keys($task->takes), $task->takes));

        return ($task->isOpen ? '' : 'static ').($task->gives === null ? 'void' : self::TYPES[$task->gives->name])." {$task->name}(".($takes === ''
            ? 'void' : $takes).')';
    }

    /**
     * @param  list<Line>  $lines
     * @return list<string>
     */
    private function lines(array $lines, int $deep): array
    {
        return array_merge(...array_map(fn (Line $line): array => $this->line($line, str_repeat('    ', $deep), $deep), $lines));
    }

    /** @return list<string> */
    private function line(Line $line, string $in, int $deep): array
    {
        return match (true) {
            $line instanceof Note => ["{$in}// {$line->text}"],
            $line instanceof Set => ["{$in}{$line->what} = {$line->to};"],
            $line instanceof Does => ["{$in}{$line->call};"],
            $line instanceof Gives => ["{$in}return".($line->value === null ? '' : " {$line->value}").';'],
            $line instanceof Go => ["{$in}{$line->where} = {$line->state};", $line->gives === null ? "{$in}continue;" : "{$in}return {$line->gives};"],
            $line instanceof When => ["{$in}if ({$line->if}) {", ...$this->lines($line->then, $deep + 1),
                ...($line->otherwise === [] ? [] : ["{$in}} else {", ...$this->lines($line->otherwise, $deep + 1)]), "{$in}}"],
            $line instanceof Each => ["{$in}for (uint8_t {$line->number} = 0; {$line->number} < {$line->count}; {$line->number}++) {",
                ...$this->lines($line->lines, $deep + 1), "{$in}}"],
            $line instanceof States => $this->states($line, $in, $deep),
            default => throw new \LogicException($line::class.' has no words in C.'),
        };
    }

    /** @return list<string> */
    private function states(States $states, string $in, int $deep): array
    {
        $out = ["{$in}for (;;) {", "{$in}    switch ({$states->where}) {"];
        foreach ($states->states as $number => $lines) {
            array_push($out, "{$in}    ".($number === array_key_last($states->states) ? 'default:' : "case {$number}:"), ...$this->lines($lines, $deep + 2));
        }

        return [...$out, "{$in}    }", "{$in}}"];
    }
}

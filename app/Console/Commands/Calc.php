<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Error\InvalidInput;
use Illuminate\Console\Command;

final class Calc extends Command
{
    use Reads;

    protected $signature = 'brookstone:calc {name? : Name of the calculator} {--list : List the calculators} {--schema : Print the JSON Schema of its inputs and results}';

    protected $description = 'Run a named calculator on the JSON object from standard input';

    public function handle(): int
    {
        if ($this->option('list')) {
            foreach (Calculators::all() as $calculator) {
                $this->line(str_pad($calculator->name(), 20).$calculator->says());
            }

            return self::SUCCESS;
        }
        try {
            $name = $this->word('name');
            $calculator = Calculators::all()[$name] ?? throw InvalidInput::at('name', $name === '' ? 'Name a calculator; --list shows them.'
                : 'There is no calculator '.$name.'; --list shows them.');
            if ($this->option('schema')) {
                $this->printJson(Calculators::schema($calculator));

                return self::SUCCESS;
            }
            $inputs = json_decode((string) stream_get_contents(STDIN), true, 64);
            if (json_last_error() !== JSON_ERROR_NONE) {
                throw InvalidInput::at('', 'The input is not JSON: '.json_last_error_msg().'.');
            }
            $this->printJson(Calculators::run($calculator, $inputs));
        } catch (InvalidInput $invalid) {
            return $this->refuse($invalid);
        }

        return self::SUCCESS;
    }
}

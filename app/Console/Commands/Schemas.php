<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Schemas as CoreSchemas;
use Illuminate\Console\Command;

final class Schemas extends Command
{
    use Reads;

    protected $signature = 'brookstone:schemas {name? : Only this one}';

    protected $description = 'Print the JSON Schemas of everything that crosses between core, page and scripts';

    public function handle(): int
    {
        $name = $this->word('name');
        if ($name !== '' && ! isset(CoreSchemas::all()[$name])) {
            return $this->refuse(InvalidInput::at('name', 'There is no schema '.$name.'.'));
        }
        $this->printJson($name === '' ? CoreSchemas::all() : CoreSchemas::all()[$name]);

        return self::SUCCESS;
    }
}

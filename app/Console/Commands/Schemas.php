<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Brookstone\Core\Schemas as CoreSchemas;
use Illuminate\Console\Command;

final class Schemas extends Command
{
    use Reads;

    protected $signature = 'brookstone:schemas {name? : Only this one}';

    protected $description = 'Print the JSON Schemas of everything that crosses between core, page and scripts';

    public function handle(): int
    {
        $name = $this->argument('name');
        $this->printJson($name === null ? CoreSchemas::all() : CoreSchemas::all()[$name]);

        return self::SUCCESS;
    }
}

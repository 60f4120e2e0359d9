<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\Answers;
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
        if ($name !== '' && ! isset(self::everything()[$name])) {
            return $this->refuse(InvalidInput::at('name', 'There is no schema '.$name.'.'));
        }
        $this->printJson($name === '' ? self::everything() : self::everything()[$name]);

        return self::SUCCESS;
    }

    /** @return array<string, array<string, mixed>> of the core, and of what is answered over HTTP */
    private static function everything(): array
    {
        return [...CoreSchemas::all(), ...Answers::schemas()];
    }
}

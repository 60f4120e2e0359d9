<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\CannotStart;
use App\Actions\RestoreDatabase;
use Illuminate\Console\Command;

final class Restore extends Command
{
    protected $signature = 'brookstone:restore {copy? : The name of a copy; without, they are listed}';

    protected $description = 'Put back a copy of the database that was kept when its form was changed';

    public function handle(RestoreDatabase $restore): int
    {
        $path = (string) config('database.connections.sqlite.database');
        $copy = $this->argument('copy');
        if (! is_string($copy)) {
            $copies = $restore->copies($path);
            $this->line($copies === [] ? 'There are no copies yet: one is kept whenever the form of the database is changed.'
                : implode("\n", ['Copies, the newest first:', ...$copies]));

            return self::SUCCESS;
        }
        try {
            foreach ($restore->put($path, $copy) as $said) {
                $this->line($said);
            }
        } catch (CannotStart $cannot) {
            $this->output->getErrorStyle()->writeln($cannot->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}

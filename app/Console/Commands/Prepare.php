<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\CannotStart;
use App\Actions\PrepareDatabase;
use Illuminate\Console\Command;

final class Prepare extends Command
{
    protected $signature = 'brookstone:prepare';

    protected $description = 'Make the database ready: made, mended or brought up to date, with the demo builds in it';

    public function handle(PrepareDatabase $prepare): int
    {
        try {
            foreach ($prepare->at((string) config('database.connections.sqlite.database')) as $said) {
                $this->output->writeln($said);
            }
            $this->callSilently('db:seed', ['--force' => true]);
        } catch (CannotStart $cannot) {
            $this->output->getErrorStyle()->writeln($cannot->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }
}

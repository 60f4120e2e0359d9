<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\CannotStart;
use App\Actions\PrepareDatabase;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Log;
use Throwable;

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
            return $this->refuse($cannot->getMessage());
        } catch (Throwable $fault) {
            Log::error($fault);

            return $this->refuse('The database cannot be made ready ('.strtok($fault->getMessage(),
                "\n").'): move away what is in its way, or put back a copy from before with php artisan brookstone:restore.');
        }

        return self::SUCCESS;
    }

    private function refuse(string $says): int
    {
        $this->output->getErrorStyle()->writeln($says);

        return self::FAILURE;
    }
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\KeepDemos;
use Illuminate\Console\Command;

final class ResetDemo extends Command
{
    protected $signature = 'brookstone:reset-demo';

    protected $description = 'Put the demo builds back on the shelf, beside what is there';

    public function handle(KeepDemos $demos): int
    {
        $this->info($demos->putBack().' demo builds are on the shelf as they shipped. Nothing of yours was changed.');

        return self::SUCCESS;
    }
}

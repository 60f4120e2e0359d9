<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Brookstone\Core\Assessment\Assessor;
use Brookstone\Core\Error\InvalidInput;
use Illuminate\Console\Command;

final class Assess extends Command
{
    use Reads;

    protected $signature = 'brookstone:assess {file : A build file, *.brookstone.json}';

    protected $description = 'Judge a build file and print what was found as JSON';

    public function handle(): int
    {
        try {
            $this->printJson(Assessor::assess($this->readBuild($this->word('file'))));
        } catch (InvalidInput $invalid) {
            return $this->refuse($invalid);
        }

        return self::SUCCESS;
    }
}

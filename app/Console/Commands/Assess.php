<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessor;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Rehearsal\Rehearsal;
use Illuminate\Console\Command;

final class Assess extends Command
{
    use Reads;

    protected $signature = 'brookstone:assess
        {file : A build file, *.brookstone.json}
        {--untried : Judge and rehearse it, but try nothing that may mend it: much quicker where much is wrong}';

    protected $description = 'Judge a build file and print what was found as JSON';

    public function handle(): int
    {
        try {
            $build = $this->readBuild($this->word('file'));
            $this->printJson($this->option('untried') === true ? BuildJudge::atOnce($build, null, Rehearsal::of($build)) : Assessor::assess($build));
        } catch (InvalidInput $invalid) {
            return $this->refuse($invalid);
        }

        return self::SUCCESS;
    }
}

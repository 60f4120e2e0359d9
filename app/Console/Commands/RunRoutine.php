<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Simulation\RoutineRun;
use Illuminate\Console\Command;

final class RunRoutine extends Command
{
    use Reads;

    protected $signature = 'brookstone:run {file : A build file, *.brookstone.json} {--routine= : Id of the routine} {--scenario= : Id of the scenario; without one the routine is started by hand}';

    protected $description = 'Run a routine of a build file on simulated hardware and print its trace as JSON';

    public function handle(): int
    {
        try {
            $build = $this->readBuild($this->word('file'));
            $id = $this->named('routine') ?? '';
            $routine = $build->routines[$id] ?? throw InvalidInput::at('routine', "There is no routine {$id} in this build. There are: ".implode(', ',
                array_keys($build->routines)).'.');
            $named = $this->named('scenario');
            $scenario = $named === null ? null : $build->scenarios[$named] ?? throw InvalidInput::at('scenario',
                "There is no scenario {$named} in this build. There are: ".implode(', ', array_keys($build->scenarios)).'.');
            $this->printJson(RoutineRun::of($build, $routine, $scenario));
        } catch (InvalidInput $invalid) {
            return $this->refuse($invalid);
        }

        return self::SUCCESS;
    }
}

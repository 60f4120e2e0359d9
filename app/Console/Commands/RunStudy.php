<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\StudyWork;
use App\Http\Requests\StudyRequest;
use Brookstone\Core\Error\InvalidInput;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Validator;

final class RunStudy extends Command
{
    use Reads;

    protected $signature = 'brookstone:study {file : A build file, *.brookstone.json} {--kind=faults : faults, drift or states} {--routine= : Id of the routine} {--scenario= : Id of the scenario; without one the routine is started by hand}
        {--motion= : Of drift: id of the motion} {--cycles= : Of drift: how many, one after the other}
        {--home-every= : Of drift: homed after so many cycles} {--seed= : Of drift}';

    protected $description = 'Try every fault at every step of a routine, let a motion drift over many cycles, or search all states; print what came of it as JSON';

    public function handle(StudyWork $work): int
    {
        try {
            $build = $this->readBuild($this->word('file'));
            $asked = $this->asked();
            $kind = (string) $asked['kind'];
            $work->check($build, $asked);
            [$parts, $frame] = $work->plan($build, $kind, $asked);
            $done = [];
            for ($part = 0; $part < $parts; $part++) {
                $done[] = $work->part($build, $kind, $asked, $part);
                if ($this->output->isVerbose()) {
                    fwrite(STDERR, ($part + 1)." of {$parts}\n");
                }
            }
            $this->printJson($work->together($kind, $frame, $done));
        } catch (InvalidInput $invalid) {
            return $this->refuse($invalid);
        }

        return self::SUCCESS;
    }

    /**
     * @return array<string, mixed> by the same rules as over HTTP
     *
     * @throws InvalidInput
     */
    private function asked(): array
    {
        $given = array_filter(array_combine(
            ['kind', 'routine', 'scenario', 'motion', 'cycles', 'home_every', 'seed'],
            array_map($this->named(...), ['kind', 'routine', 'scenario', 'motion', 'cycles', 'home-every', 'seed']),
        ), fn (?string $value): bool => $value !== null);
        $rules = new StudyRequest;
        $validator = Validator::make($given, $rules->rules(), $rules->messages());
        foreach ($validator->errors()->messages() as $field => [$message]) {
            throw InvalidInput::at($field, $message);
        }

        return $validator->validated();
    }
}

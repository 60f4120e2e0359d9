<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Programs\CannotRun;
use App\Programs\Prover;
use Brookstone\Core\Bench\Trials;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Program\CannotBeWritten;
use Illuminate\Console\Command;

final class ProveProgram extends Command
{
    use NamesLanguage;
    use Reads;

    protected $signature = 'brookstone:prove {file : A build file, *.brookstone.json} {--language=c : c, sketch or python} {--chance=200 : Runs by chance besides scenarios and faults}';

    protected $description = 'Run the program of a build against its routines, over scenarios, faults and chance; ends with 1 where they differ';

    public function handle(Prover $prover): int
    {
        try {
            $build = $this->readBuild($this->word('file'));
            $language = $this->language();
            $chance = $this->named('chance') ?? '';
            if (! ctype_digit($chance) || (int) $chance > 5000) {
                throw InvalidInput::at('chance', 'Must be a whole number up to 5000.');
            }
            $tried = 0;
            $differences = [];
            foreach ($prover->prove($build, $language, Trials::all($build, (int) $chance)) as $result) {
                $tried++;
                if ($result['differs'] !== null) {
                    $differences[] = $result;
                }
            }
        } catch (InvalidInput $invalid) {
            return $this->refuse($invalid);
        } catch (CannotBeWritten $why) {
            return $this->refuse($why->asInput());
        } catch (CannotRun $why) {
            return $this->refuse(InvalidInput::at('language', $why->getMessage()));
        }
        $this->printJson(['language' => $language->value, 'tried' => $tried, 'differ' => count($differences), 'first' => $differences[0] ?? null]);

        return $differences === [] ? self::SUCCESS : self::FAILURE;
    }
}

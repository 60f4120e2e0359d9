<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Programs\CannotRun;
use App\Programs\Terminal;
use Brookstone\Core\Bench\SimulatedBoard;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Program\CannotBeWritten;
use Brookstone\Core\Program\Composer;
use Illuminate\Console\Command;

final class Board extends Command
{
    use Reads;

    protected $signature = 'brookstone:board {file : A build file, *.brookstone.json} {--scenario= : Begins as that scenario does} {--seconds= : Ends after so many; without, it goes on} {--terminal : On a pseudo-terminal, whose name is printed} {--quick : As fast as it can instead of as time goes}';

    protected $description = 'Stand in for a board with the written program on it: it speaks as the real one does, and obeys the words that are told by hand';

    public function handle(): int
    {
        try {
            $build = $this->readBuild($this->word('file'));
            $named = $this->named('scenario');
            $scenario = $named === null ? null : $build->scenarios[$named] ?? throw InvalidInput::at('scenario',
                "There is no scenario {$named} in this build. There are: ".implode(', ', array_keys($build->scenarios)).'.');
            $seconds = $this->named('seconds');
            if ($seconds !== null && ! (is_numeric($seconds) && (float) $seconds > 0.0 && (float) $seconds <= 86400.0)) {
                throw InvalidInput::at('seconds', 'Must be more than 0 and at most 86400.');
            }
            $board = new SimulatedBoard(Composer::of($build), $scenario);
            $terminal = $this->option('terminal') === true ? Terminal::pseudo() : Terminal::standard();
        } catch (InvalidInput $invalid) {
            return $this->refuse($invalid);
        } catch (CannotBeWritten $why) {
            return $this->refuse($why->asInput());
        } catch (CannotRun $why) {
            return $this->refuse(InvalidInput::at('terminal', $why->getMessage()));
        }
        if ($terminal->name !== null) {
            $this->line($terminal->name);
        }
        $this->goes($board, $terminal, $build->settings->scan_s, $seconds === null ? INF : (float) $seconds);

        return self::SUCCESS;
    }

    private function goes(SimulatedBoard $board, Terminal $terminal, float $scan_s, float $seconds): void
    {
        $began = microtime(true);
        for ($scan = 0; $scan * $scan_s < $seconds && ! ($terminal->isOver() && is_infinite($seconds)); $scan++) {
            foreach ($terminal->lines() as $words) {
                array_map($terminal->says(...), $board->hears($words));
            }
            array_map($terminal->says(...), $board->goesOn());
            $ahead = $began + ($scan + 1) * $scan_s - microtime(true);
            if ($ahead > 0.0 && $this->option('quick') !== true) {
                usleep((int) ($ahead * 1e6));
            }
        }
    }
}

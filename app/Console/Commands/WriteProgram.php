<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Programs\Texts;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Program\CannotBeWritten;
use Brookstone\Core\Program\Package;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;

final class WriteProgram extends Command
{
    use NamesLanguage;
    use Reads;

    protected $signature = 'brookstone:program {file : A build file, *.brookstone.json} {--language=c : c, sketch or python} {--into= : A folder; by default one named after the build}';

    protected $description = 'Write the program of its controller as a folder of files';

    public function handle(): int
    {
        try {
            $build = $this->readBuild($this->word('file'));
            $language = $this->language();
            $package = Package::of($build);
            $files = $package->files($language, Texts::all());
        } catch (InvalidInput $invalid) {
            return $this->refuse($invalid);
        } catch (CannotBeWritten $why) {
            return $this->refuse($why->asInput());
        }
        $into = $this->named('into') ?? $package->name();
        File::ensureDirectoryExists($into);
        foreach ($files as $name => $text) {
            File::put("{$into}/{$name}", $text);
        }
        $this->printJson(['folder' => $into, 'files' => array_keys($files)]);

        return self::SUCCESS;
    }
}

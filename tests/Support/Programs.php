<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Programs\Texts;
use App\Programs\Workbench;
use Brookstone\Core\Allotment\Allotter;
use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Assessment\Wiring\WiringContext;
use Brookstone\Core\Bench\Comparison;
use Brookstone\Core\Bench\Talks;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Composition;
use Brookstone\Core\Program\Language;
use Brookstone\Core\Program\Package;
use Brookstone\Core\Wiring\BoardStock;
use Symfony\Component\Process\Process;

/** Written programs in tests: compiled, run, looked at. */
final class Programs
{
    public static function bench(): Workbench
    {
        return new Workbench(self::folder('programs'));
    }

    public static function folder(string $name): string
    {
        $folder = sys_get_temp_dir().'/brookstone-tests-'.getmyuid()."/{$name}";
        is_dir($folder) || mkdir($folder, 0o755, true) || is_dir($folder);

        return $folder;
    }

    public static function shipped(string $name): Build
    {
        foreach (['demo', 'examples'] as $shelf) {
            $file = dirname(__DIR__, 2)."/database/{$shelf}/{$name}.brookstone.json";
            if (is_file($file)) {
                return Build::fromJson((string) file_get_contents($file));
            }
        }
        throw new \InvalidArgumentException($name);
    }

    /**
     * The first of some trials in which they differ, in words; null where they are the same.
     *
     * @param  list<\Brookstone\Core\Bench\Trial>  $trials
     */
    public static function differs(Composition $of, Talks $program, array $trials): ?string
    {
        foreach ($trials as $trial) {
            $comparison = $trial->of($of, $program);
            if (! $comparison->isSame()) {
                return "{$trial->says}: ".self::told($of->build, $comparison);
            }
        }

        return null;
    }

    private static function told(Build $build, Comparison $comparison): string
    {
        $words = fn (array $all): string => implode(' | ', array_map(fn ($each): string => sprintf('%.3f %s', $each->at_s, $each->says($build)->text()), $all));

        return "wanted {$words($comparison->wanted)} but came {$words($comparison->came)}";
    }

    /**
     * Writes a whole program into a folder of its own.
     *
     * @return string that folder
     */
    public static function written(Build $build, Language $language): string
    {
        $folder = self::folder('written-'.hash('crc32b', $build->toJson()).'-'.$language->value.'-'.getmypid());
        foreach (Package::of($build)->files($language, Texts::all()) as $name => $text) {
            file_put_contents("{$folder}/{$name}", $text);
        }

        return $folder;
    }

    /**
     * @param  list<string>  $command
     * @return string what it complains of; nothing where all is well
     */
    public static function complaint(array $command, string $folder): string
    {
        $process = new Process($command, $folder, timeout: 120);

        return $process->run() === 0 ? '' : $process->getErrorOutput().$process->getOutput();
    }

    /** The same build with everything on a pin. */
    public static function wired(Build $build): Build
    {
        $document = $build->document;
        foreach (WiringContext::changes([], [], Allotter::of(Needs::of($build), $build->wiring, BoardStock::shipped())) as $change) {
            data_set($document, $change->path, $change->value);
        }

        return Build::read($document);
    }

    public static function composed(string $name): Composition
    {
        return Composer::of(self::shipped($name));
    }
}

<?php

declare(strict_types=1);

namespace App\Programs;

use Brookstone\Core\Bench\Happened;
use Brookstone\Core\Bench\ProgramEnded;
use Brookstone\Core\Bench\Talks;
use Brookstone\Core\Bench\Trial;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Program\CannotBeWritten;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Composition;
use Brookstone\Core\Program\Language;

/** Tries a written program: the same world for it and for the routines that it was written from. */
final readonly class Prover
{
    public function __construct(private Workbench $bench)
    {
    }

    /**
     * @param  list<Trial>  $trials
     * @return iterable<array{kind: string, says: string, same: int, most_s: float, differs: array<string, mixed>|null}>
     *
     * @throws CannotBeWritten
     * @throws CannotRun
     */
    public function prove(Build $build, Language $language, array $trials): iterable
    {
        $composition = Composer::of($build);
        $program = $this->bench->start($composition, $language);
        foreach ($trials as $trial) {
            yield self::tried($composition, $program, $trial);
        }
    }

    /** @return array{kind: string, says: string, same: int, most_s: float, differs: array<string, mixed>|null} */
    public static function tried(Composition $composition, Talks $program, Trial $trial): array
    {
        $result = ['kind' => $trial->kind, 'says' => $trial->says, 'same' => 0, 'most_s' => 0.0, 'differs' => null];
        try {
            $comparison = $trial->of($composition, $program);
        } catch (ProgramEnded $ended) {
            return ['differs' => ['because' => $ended->getMessage(), 'wanted' => [], 'came' => []]] + $result;
        }

        return ['same' => $comparison->same, 'most_s' => round($comparison->most_s, 6), 'differs' => $comparison->isSame() ? null : [
            'because' => null, 'wanted' => self::told($composition->build, $comparison->wanted),
            'came' => self::told($composition->build, $comparison->came),
        ]] + $result;
    }

    /**
     * @param  list<Happened>  $happened
     * @return list<array{at_s: float, says: Sentence}>
     */
    private static function told(Build $build, array $happened): array
    {
        return array_map(fn (Happened $each): array => ['at_s' => round($each->at_s, 6), 'says' => $each->says($build)], $happened);
    }
}

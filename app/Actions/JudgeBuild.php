<?php

declare(strict_types=1);

namespace App\Actions;

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Assessment\Assessor;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Rehearsed;
use Illuminate\Support\Facades\Cache;

/** Judges builds. What was rehearsed is kept by what it hangs on, so that it need not be run again. */
final class JudgeBuild
{
    private const KEPT_S = 86400;

    /** Of a document, what no run hangs on. */
    private const ASIDE = ['name', 'note', 'log', 'pictures'];

    public function __construct(private readonly OpenDrawer $drawer)
    {
    }

    /** The whole judgement where its rehearsals are kept; otherwise the first answer. */
    public function atOnce(Build $build): Assessment
    {
        $kept = Cache::get(self::key($build));

        return $kept instanceof Rehearsed ? Assessor::assess($build, $this->drawer->stock(), $kept) : Assessor::atOnce($build, $this->drawer->stock());
    }

    public function whole(Build $build): Assessment
    {
        return Assessor::assess($build, $this->drawer->stock(), $this->rehearsed($build));
    }

    public function rehearsed(Build $build): Rehearsed
    {
        return Cache::remember(self::key($build), self::KEPT_S, fn (): Rehearsed => Rehearsal::of($build));
    }

    private static function key(Build $build): string
    {
        return 'rehearsed:'.hash('sha256', json_encode(array_diff_key($build->document, array_flip(self::ASIDE)), JSON_THROW_ON_ERROR));
    }
}

<?php

declare(strict_types=1);

namespace App\Actions;

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Assessment\Assessor;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Mend\Mender;
use Brookstone\Core\Mend\Tried;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Rehearsed;
use Illuminate\Support\Facades\Cache;

/** Judges builds. What was rehearsed and tried is kept by what it hangs on, so that it need not be done again. */
final class JudgeBuild
{
    private const KEPT_S = 86400;

    private const TRIES_FOR_S = 0.8; // at one go: then what is known is told, and the next go tries on

    /** Of a document, what no run hangs on. */
    private const ASIDE = ['name', 'note', 'log', 'pictures'];

    public function __construct(private readonly OpenDrawer $drawer)
    {
    }

    /** The whole judgement where its rehearsals are kept, with what mends it where that has been tried; otherwise the first answer. */
    public function atOnce(Build $build): Assessment
    {
        $kept = Cache::get(self::key($build));
        if (! $kept instanceof Rehearsed) {
            return Assessor::atOnce($build, $this->drawer->stock());
        }
        $tried = Cache::get($this->triedKey($build));

        return is_array($tried) ? (new Mender($build, $this->drawer->stock(), $kept))->offering($tried) : Assessor::atOnce($build, $this->drawer->stock(), $kept);
    }

    public function whole(Build $build): Assessment
    {
        $this->rehearsed($build);

        return $this->atOnce($build);
    }

    /**
     * The whole judgement, and what mends it: as much as can be tried at one go.
     *
     * @return array{Assessment, int, int} and how many mends have been tried, of how many
     */
    public function mended(Build $build): array
    {
        $mender = new Mender($build, $this->drawer->stock(), $this->rehearsed($build));
        $key = $this->triedKey($build);
        /** @var array<string, Tried> $tried */
        $tried = Cache::get($key, []);
        $until = microtime(true) + self::TRIES_FOR_S;
        while (microtime(true) < $until && ($next = $mender->next($tried)) !== null) {
            $tried[$next] = $mender->tried($next);
            Cache::put($key, $tried, self::KEPT_S);
        }

        return [$mender->offering($tried), count($tried), count($mender->proposals())];
    }

    public function rehearsed(Build $build): Rehearsed
    {
        return Cache::remember(self::key($build), self::KEPT_S, fn (): Rehearsed => Rehearsal::of($build));
    }

    private static function key(Build $build): string
    {
        return 'rehearsed:'.hash('sha256', json_encode(array_diff_key($build->document, array_flip(self::ASIDE)), JSON_THROW_ON_ERROR));
    }

    /** What is tried hangs on the drawer too, and on all that is judged. */
    private function triedKey(Build $build): string
    {
        return 'tried:'.hash('sha256', json_encode([$build->document, $this->drawer->fingerprint()], JSON_THROW_ON_ERROR));
    }
}

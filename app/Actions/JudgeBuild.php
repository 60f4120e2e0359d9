<?php

declare(strict_types=1);

namespace App\Actions;

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Known;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Mend\Memory;
use Brookstone\Core\Mend\MendAll;
use Brookstone\Core\Mend\Mender;
use Brookstone\Core\Mend\Step;
use Brookstone\Core\Mend\Tried;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Rehearsed;
use Illuminate\Support\Facades\Cache;

/** Judges builds. What was rehearsed and tried is kept by what it hangs on, so that it need not be done again. */
final class JudgeBuild implements Known, Memory
{
    private const KEPT_S = 86400;

    private const TRIES_FOR_S = 0.8; // at one go: then what is known is told, and the next go tries on

    /** Of a document, what no run hangs on. */
    private const ASIDE = ['name', 'note', 'log', 'endurance', 'making', 'upkeep', 'pictures'];

    private ?string $drawerIs = null;

    public function __construct(private readonly OpenDrawer $drawer)
    {
    }

    /** The whole judgement where its rehearsals are kept, with what mends it where that has been tried; otherwise the first answer. */
    public function atOnce(Build $build): Assessment
    {
        $kept = Cache::get(self::key($build));
        if (! $kept instanceof Rehearsed) {
            return BuildJudge::atOnce($build, $this->drawer->stock(), null, $this);
        }
        $tried = Cache::get($this->triedKey($build));

        return $tried !== null ? (new Mender($build, $this->drawer->stock(), $kept))->offering($tried) : BuildJudge::atOnce($build, $this->drawer->stock(),
            $kept, $this);
    }

    public function whole(Build $build): Assessment
    {
        $this->rehearsed($build);

        return $this->atOnce($build);
    }

    /**
     * The whole judgement, and what mends it: as much as can be tried at one go.
     *
     * @param  (\Closure(): bool)|null  $isWanted  asked before each try: nobody waits for what mends a build that has been changed meanwhile
     * @return array{Assessment, int, int} and how many mends have been tried, of how many
     */
    public function mended(Build $build, ?\Closure $isWanted = null): array
    {
        $mender = new Mender($build, $this->drawer->stock(), $this->rehearsed($build));
        $tried = $this->tried($build);
        $until = microtime(true) + self::TRIES_FOR_S;
        while (microtime(true) < $until && ($isWanted === null || $isWanted()) && ($next = $mender->next($tried)) !== null) {
            $tried[$next] = $mender->tried($next);
            $this->keepTried($build, $tried);
        }

        return [$mender->offering($tried), count($tried), count($mender->proposals())];
    }

    /**
     * Mend after mend until it holds: as far as that can be tried at one go.
     *
     * @param  list<string>  $dropped  marks of steps that are not wanted
     * @return array{list<Step>, ?Assessment} the steps so far; and how the build is then left, when there is no more to try
     */
    public function mendAll(Build $build, array $dropped): array
    {
        $steps = [];
        $until = microtime(true) + self::TRIES_FOR_S;
        $plan = MendAll::of($build, $this->drawer->stock(), $this, $dropped);
        foreach ($plan as $step) {
            if ($step !== null) {
                $steps[] = $step;
            } elseif (microtime(true) >= $until) {
                return [$steps, null];
            }
        }
        $last = $plan->getReturn();

        return [$steps, $last->offering($this->tried($last->build))];
    }

    /** A choice with what it needs besides. */
    public function completed(Build $build, Fix $choice): Tried
    {
        return (new Mender($build, $this->drawer->stock(), $this->rehearsed($build)))->completed($choice);
    }

    public function rehearsed(Build $build): Rehearsed
    {
        return Cache::remember(self::key($build), self::KEPT_S, function () use ($build): Rehearsed {
            $before = Cache::get((string) Cache::get(self::lastKey($build)));
            Cache::put(self::lastKey($build), self::key($build), self::KEPT_S);

            return Rehearsal::of($build, $before instanceof Rehearsed ? $before : null);
        });
    }

    public function keepRehearsed(Build $build, Rehearsed $rehearsed): void
    {
        Cache::put(self::key($build), $rehearsed, self::KEPT_S);
    }

    public function tried(Build $build): array
    {
        return Cache::get($this->triedKey($build), []);
    }

    public function keepTried(Build $build, array $tried): void
    {
        Cache::put($this->triedKey($build), $tried, self::KEPT_S);
    }

    public function recall(string $footing): ?object
    {
        return Cache::get($this->knownKey($footing));
    }

    public function keep(string $footing, object $of): void
    {
        Cache::put($this->knownKey($footing), $of, self::KEPT_S);
    }

    private function knownKey(string $footing): string
    {
        $this->drawerIs ??= $this->drawer->fingerprint();

        return "known:{$footing}:{$this->drawerIs}";
    }

    private static function key(Build $build): string
    {
        return 'rehearsed:'.hash('sha256', json_encode(array_diff_key($build->document, array_flip(self::ASIDE)), JSON_THROW_ON_ERROR));
    }

    /** Of a build that has the same motions and routines: what was rehearsed last, of which an edit leaves much as it was. */
    private static function lastKey(Build $build): string
    {
        return 'rehearsed-last:'.hash('sha256', json_encode([$build->document['name'], array_keys($build->motions), array_keys($build->routines)],
            JSON_THROW_ON_ERROR));
    }

    /** What is tried hangs on the drawer too, and on all that is judged. */
    private function triedKey(Build $build): string
    {
        return 'tried:'.hash('xxh128', json_encode([$build->document, $this->drawer->fingerprint()], JSON_THROW_ON_ERROR));
    }
}

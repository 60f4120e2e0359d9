<?php

declare(strict_types=1);

namespace Tests\Support;

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;

/** What each finding says where it is planted, with its numbers, where it points and what it offers: read through, and kept in `said.json`. */
final class Said
{
    /** @return array{at: string, says: string, offers: list<string>} */
    public static function by(Finding $finding): array
    {
        return ['at' => $finding->place, 'says' => $finding->says->text(), 'offers' => array_map(fn (Fix $fix): string => $fix->does->text(), $finding->fixes)];
    }

    /**
     * What the judge says at once of the sound build with something planted in it, of codes that begin so: how bad, what, where, and in which words.
     *
     * @param  array<string, mixed>  $planted
     * @return list<string>
     */
    public static function atOnce(string $codes, array $planted): array
    {
        return self::lines($codes, BuildJudge::atOnce(Builds::planted($planted)));
    }

    /**
     * The same once all is rehearsed.
     *
     * @param  array<string, mixed>  $planted
     * @return list<string>
     */
    public static function whole(string $codes, array $planted): array
    {
        return self::lines($codes, Builds::assessed(Builds::planted($planted)));
    }

    /**
     * What the first finding of a code offers once all is rehearsed; of what leaves it as it is, that too.
     *
     * @param  array<string, mixed>  $planted
     * @return list<string>
     */
    public static function offers(string $code, array $planted): array
    {
        $build = Builds::planted($planted);
        $mends = fn (Fix $fix): bool => Builds::stillSaid($build, $fix, $code) === [];

        return array_map(fn (Fix $fix): string => $fix->does->text().($mends($fix) ? '' : ', which does not mend it'),
            Builds::found($build, $code)[0]->fixes);
    }

    /** @return list<string> */
    private static function lines(string $codes, Assessment $assessment): array
    {
        $found = array_filter($assessment->findings(), fn (Finding $finding): bool => preg_match("/^(?:{$codes})/", $finding->code) === 1);

        return array_values(array_unique(array_map(
            fn (Finding $finding): string => "{$finding->severity->value} {$finding->code} at {$finding->place}: {$finding->says->text()}", $found)));
    }

    /** @return array{at: string, says: string, offers: list<string>}|null as it was read through */
    public static function of(string $code): ?array
    {
        static $all = null;
        $all ??= json_decode((string) file_get_contents(__DIR__.'/said.json'), true, flags: JSON_THROW_ON_ERROR);

        return $all[$code] ?? null;
    }
}

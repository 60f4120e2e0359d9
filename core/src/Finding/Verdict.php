<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

/** What is said of a link, a chain or a build. */
enum Verdict: string
{
    case Holds = 'holds';
    case Tight = 'tight';
    case Fails = 'fails';
    case NotSaid = 'not_said';

    /** Larger is worse; what is not said is worse than what holds. */
    public function rank(): int
    {
        return match ($this) {
            self::Fails => 3,
            self::Tight => 2,
            self::NotSaid => 1,
            self::Holds => 0,
        };
    }

    /** @param  list<Finding>  $findings */
    public static function ofFindings(array $findings): self
    {
        $worst = 0;
        foreach ($findings as $finding) {
            $worst = max($worst, $finding->severity->rank());
        }

        return [self::Holds, self::Tight, self::Fails][$worst];
    }
}

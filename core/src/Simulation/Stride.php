<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Between;
use Brookstone\Core\Condition\Conditions;

/** How far time can go on at once: as long as nobody wants to look, and what moves meets nothing that would be seen. */
final readonly class Stride
{
    private const HAIR = 1e-6; // of a scan

    private const LONGEST = 100_000; // scans

    /** @var array<string, true> motions of which a rule asks between which positions they really are */
    private array $judgedWhere;

    /** @param  array<string, SupplyState>  $feeds */
    public function __construct(private Build $build, private Inputs $inputs, private array $feeds)
    {
        $where = [];
        foreach ($build->rules as $rule) {
            foreach ([...Conditions::all($rule->never), ...Conditions::all($rule->while)] as $part) {
                $where += $part instanceof Between ? [$part->motion => true] : [];
            }
        }
        $this->judgedWhere = $where;
    }

    /**
     * @param  list<Axis>  $awake  all that moves, or may
     * @param  float  $until  when somebody wants to look, or something happens, s
     * @return int scans; 1 where it must be looked at each, 0 where that is only because somebody wants to look so soon
     */
    public function scans(array $awake, float $now, float $until): int
    {
        $scan_s = $this->build->settings->scan_s;
        $scans = ($until - $now) / $scan_s + self::HAIR;
        if ($scans < 2.0) {
            return $until === -INF ? 1 : 0;
        }
        if (! $this->inputs->isQuiet()) {
            return 1;
        }
        $angles = [];
        foreach ($awake as $axis) {
            $id = $axis->motion->id;
            $scans = isset($this->judgedWhere[$id]) ? 1.0 : min($scans, $axis->leftAlone_s(...$this->inputs->saysTheSameBetween($id)) / $scan_s);
            if ($scans < 2.0) {
                return 1;
            }
            $angles[$id] = $axis->angle();
        }
        foreach ($angles === [] ? [] : $this->feeds as $feed) {
            if (! $feed->bears($angles)) {
                return 1;
            }
        }

        return (int) min($scans, self::LONGEST);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Machine\Stage;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rolling\MagnetHead;
use Brookstone\Core\Solid\Vector;

/** What magnets hold on what it stands on: whether they keep it there while that tilts and speeds up, with all that rides on it. */
final readonly class Magnets
{
    private const TIGHT = 1.5; // magnets differ, and it bumps

    private const MOST_PLACES = 8;

    private const MOST_POSES = 200;

    private const THINNEST_M = 0.0005;

    private Stage $stage;

    public function __construct(private Build $build)
    {
        $this->stage = $build->stage;
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return array_values(array_filter(array_map($this->holds(...), array_values($this->stage->motions))));
    }

    private function holds(Motion $motion): ?Finding
    {
        $magnets = $motion->mount?->magnets;
        if ($magnets === null) {
            return null;
        }
        $worst = [-INF, 0.0, 0.0, 0.0];
        foreach ($this->poses($motion->id) as $pose) {
            $kg = $this->stage->carried($motion->id, $pose)->mass_kg + $this->stage->driveOf($motion->id)->mass_kg;
            if ($kg <= 0.0) {
                return null;
            }
            $tilt = rad2deg(acos(max(-1.0, min(1.0, $this->stage->stands($motion->id, $pose)->way(new Vector(0.0, 0.0, 1.0))->z))));
            $accel = $this->accel_m_s2($motion->id, $pose);
            $needed = (new MagnetHead($kg, ...$magnets))->needed_N($tilt, $accel);
            $worst = $needed > $worst[0] ? [$needed, $kg, $tilt, $accel] : $worst;
        }
        [$needed, $kg, $tilt, $accel] = $worst;
        $head = new MagnetHead($kg, ...$magnets);
        if ($head->pull_N() >= self::TIGHT * $needed * (1 - Constants::TIE)) {
            return null;
        }
        $path = 'motions.'.$this->build->indexOf($motion->id).'.mount.magnets';
        $fails = $head->pull_N() < $needed;
        $stronger = ceil($magnets['contact_N'] * self::TIGHT * $needed / $head->pull_N());
        $thinner = floor($head->thickest_m(self::TIGHT * $needed) * 1e4) / 1e4;

        return new Finding('stage.magnets_let_go', $fails ? Severity::Fails : Severity::Tight, "{$path}.gap_m", new Sentence(
            "Tilted by {tilt} and moved off with {accel} of its weight, {$motion->named()} and what rides on it, {mass}, take {needed} to hold; across their gap the magnets pull {pull}".($fails ? ': it comes off.'
                : ', less than {wanted} × that.'), ['tilt' => Quantity::of($tilt, '°'), 'accel' => Quantity::share($accel / Constants::GRAVITY_M_S2),
                    'mass' => Quantity::of($kg, 'kg'), 'needed' => Quantity::of($needed, 'N'), 'pull' => Quantity::of($head->pull_N(), 'N'),
                    'wanted' => Quantity::number(self::TIGHT)],
        ), [...($thinner >= self::THINNEST_M && $thinner < $magnets['gap_m'] ? [new Fix(new Sentence('Bring the magnets to {gap} from each other',
            ['gap' => Quantity::of($thinner, 'm')]), [new Change("{$path}.gap_m", $thinner)])] : []),
            new Fix(new Sentence('Take magnets that pull {pull} in contact', ['pull' => Quantity::of($stronger, 'N')]),
                [new Change("{$path}.contact_N", $stronger)])]);
    }

    /**
     * What speeding up and braking of all that it stands on does to it at the most, one after another, m/s².
     *
     * @param  array<string, float>  $pose
     */
    private function accel_m_s2(string $motion, array $pose): float
    {
        $at = $this->stage->stands($motion, $pose)->point($this->stage->carried($motion, $pose)->centre);
        $most = 0.0;
        foreach ($this->stage->under($motion) as $id) {
            $under = $this->stage->motions[$id];
            $goes = $this->stage->goes($id);
            $turn = $under->turn_rad();
            $ways = abs($this->stage->at($id, [$id => $under->at($under->task->to)]) - $this->stage->at($id, [$id => $under->at($under->task->from)]));
            $accel = $under->ramp()->accel * ($turn > 0.0 ? $ways / $turn : 1.0);
            $stands = $this->stage->stands($id, $pose);
            $arm = $at->minus($stands->at);
            $off = $goes->turns ? $stands->way($goes->along)->cross($arm)->length() : 1.0;
            $most = max($most, is_finite($accel) ? $accel * $off : 0.0);
        }

        return $most;
    }

    /** @return list<array<string, float>> with all that it stands on at each of its places */
    private function poses(string $motion): array
    {
        $poses = [[]];
        foreach ($this->stage->under($motion) as $id) {
            $with = [];
            foreach ($poses as $pose) {
                foreach (array_slice($this->stage->motions[$id]->places, 0, self::MOST_PLACES) as $place) {
                    $with[] = [$id => $place->at] + $pose;
                }
            }
            $poses = count($with) <= self::MOST_POSES ? $with : $poses;
        }

        return $poses;
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Train;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Bars;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\PushrodLever;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\Train;
use Brookstone\Core\Winding\Cord;
use Brookstone\Core\Winding\Fleet;
use Brookstone\Core\Winding\TwoInTurn;

/** Cords on their drums, and two things on one of them. */
final class CordRules
{
    private const CLUTCH_SHARE = 0.8; // of what the cord bears

    private const CLUTCH_WORKS = 1.25; // times what the move needs

    /** @return list<Finding> */
    public static function findings(MotionInBuild $subject): array
    {
        $thing = $subject->motion->thing();

        return array_values(array_filter([
            ...($thing instanceof Hoist ? [self::strength($subject, $thing), self::snaps($subject, $thing), self::fleet($subject, $thing)] : []),
            self::inTurn($subject),
        ]));
    }

    private static function strength(MotionInBuild $subject, Hoist $hoist): ?Finding
    {
        if ($hoist->breaking_N === null) {
            return null;
        }
        $cord = new Cord($hoist->breaking_N, $hoist->knot_share);
        $load = max($hoist->lineHoldN(), $hoist->lineRaiseN());
        $safety = $cord->safety($load);
        if ($safety >= Cord::SAFE * (1 - Constants::TIE)) {
            return null;
        }
        $wanted = Cord::wanted_N($load, $hoist->knot_share);
        $stronger = $subject->stock()->lines()->cordOf($wanted);
        $path = $subject->path.'.mechanism';

        return new Finding('load.cord_weak', $safety < 1.0 ? Severity::Fails : Severity::Tight, "{$path}.breaking_N", new Sentence(
            'With its knot the cord holds {bears}; a start pulls it with {pull}. Five times that leaves room for wear: take one that breaks at {wanted} or more.',
            ['bears' => Quantity::of($cord->bears_N, 'N'), 'pull' => Quantity::of($load * Cord::USUAL_SHOCK, 'N'), 'wanted' => Quantity::of($wanted, 'N')],
        ), $stronger === null ? [] : [new Fix(
            new Sentence("Take {$stronger['name']} from the drawer: it breaks at {breaks}", ['breaks' => Quantity::of($stronger['breaking_N'], 'N')]),
            [new Change("{$path}.breaking_N", $stronger['breaking_N']),
                ...($hoist->cord_m === null ? [] : [new Change("{$path}.cord_m", $stronger['size_mm'] / 1000)])],
        )]);
    }

    /** Jammed, or pulled against its upper stop: what gives first, the cord or the motor. */
    private static function snaps(MotionInBuild $subject, Hoist $hoist): ?Finding
    {
        $drive = $subject->motion->drive;
        if ($drive === null || $hoist->breaking_N === null) {
            return null;
        }
        $pull = min($subject->facts->stallAtLoad_Nm(), $drive->clutch_Nm ?? INF) / $hoist->leverM();
        if ($pull <= $hoist->bearsN() * (1 + Constants::TIE)) {
            return null;
        }
        $path = $subject->path;
        $stronger = $subject->stock()->lines()->cordOf($pull / $hoist->lines / $hoist->knot_share);
        $clutch = Format::significantNumber(self::CLUTCH_SHARE * $hoist->bearsN() * $hoist->leverM(), 2);

        return new Finding('load.cord_snaps', Severity::Tight, "{$path}.mechanism.breaking_N", new Sentence(
            'Jammed, or drawn against its upper stop, it pulls with {pull}, but with its knot the cord holds {bears}: it breaks before the motor stalls.',
            ['pull' => Quantity::of($pull, 'N'), 'bears' => Quantity::of($hoist->bearsN(), 'N')],
        ), array_values(array_filter([
            $clutch >= self::CLUTCH_WORKS * $subject->facts->peak_Nm() ? new Fix(
                new Sentence('Put a clutch between train and drum that slips at {clutch}: the move needs {needs}',
                    ['clutch' => Quantity::of($clutch, 'N·m'), 'needs' => Quantity::of($subject->facts->peak_Nm(), 'N·m')]),
                [new Change("{$path}.drive.clutch_Nm", $clutch)],
            ) : null,
            $stronger === null ? null : new Fix(
                new Sentence("Take {$stronger['name']} from the drawer: it breaks at {breaks}", ['breaks' => Quantity::of($stronger['breaking_N'], 'N')]),
                [new Change("{$path}.mechanism.breaking_N", $stronger['breaking_N']),
                    ...($hoist->cord_m === null ? [] : [new Change("{$path}.mechanism.cord_m", $stronger['size_mm'] / 1000)])],
            ),
        ])));
    }

    private static function fleet(MotionInBuild $subject, Hoist $hoist): ?Finding
    {
        if ($hoist->lead_m === null || $hoist->drum_width_m === null || $hoist->travelling) {
            return null;
        }
        $fleet = new Fleet($hoist->drum_width_m, $hoist->lead_m);
        if ($fleet->angle_deg <= Fleet::EVEN_DEG * (1 + Constants::TIE)) {
            return null;
        }
        $path = $subject->path.'.mechanism';
        $lead = ceil($fleet->lead_even_m * 100) / 100;

        return new Finding('load.fleet', $fleet->angle_deg > Fleet::CLIMBS_DEG ? Severity::Fails : Severity::Tight, "{$path}.lead_m", new Sentence(
            'At its flanges the cord runs on {angle} slantwise: over about {even} it climbs on itself.', ['angle' => Quantity::of($fleet->angle_deg, '°'),
                'even' => Quantity::of(Fleet::EVEN_DEG, '°')],
        ), [
            new Fix(new Sentence('Lead it from {lead} away', ['lead' => Quantity::of($lead, 'm')]), [new Change("{$path}.lead_m", $lead)]),
            new Fix(new Sentence('Let the drum travel on a thread of the cord’s pitch'), [new Change("{$path}.travelling", true)]),
        ]);
    }

    /** Motions that one shaft moves, the lightest first: this one and that before it in the group whose order is least sure. */
    private static function inTurn(MotionInBuild $subject): ?Finding
    {
        $group = $subject->motion->drive?->shares === null ? null : $subject->build->motorGroups[$subject->motion->id] ?? null;
        $pairs = [];
        foreach ($group?->by === 'in_turn' ? $group->members : [] as $id) {
            if ($id === $subject->motion->id) {
                break; // those that come after it say it themselves
            }
            $other = $subject->build->motions[$id];
            [$one, $two] = [self::asks($subject), self::asks($subject->with($other))];
            $pairs[] = [new TwoInTurn($one['most'], $one['starts'], $two['most'], $two['starts']), $other, $one, $two];
        }
        if ($pairs === []) {
            return null;
        }
        usort($pairs, fn (array $a, array $b): int => $a[0]->margin <=> $b[0]->margin);
        [$pair, $other, $one, $two] = $pairs[0];
        [$first, $second] = $pair->first === 'other' ? [$other, $subject->motion] : [$subject->motion, $other];
        $values = ['margin' => Quantity::number($pair->margin), 'one' => Quantity::of($one['most'], 'N·m'), 'two' => Quantity::of($two['most'], 'N·m')];
        $at = $subject->path.'.drive.shares_by';
        if ($pair->margin >= TwoInTurn::CLEARLY * (1 - Constants::TIE)) {
            return new Finding('train.in_turn', Severity::Note, $at,
                new Sentence("{$first->named()} goes first, {$second->named()} once it has met its stop: to start, the second needs {margin} times what the first needs at its hardest.", $values));
        }
        $selector = new Fix(new Sentence('Let a selector decide instead'), [new Change($at, 'selector')]);

        return new Finding('train.order_unsure', $pair->first === 'neither' ? Severity::Fails : Severity::Tight, $at, new Sentence(
            $pair->first === 'neither' ? "Neither goes surely first: at their hardest {$subject->motion->named()} needs {one} of the motor and {$other->named()} {two}, and each needs less to start. Weigh one of them down."
                : "{$first->named()} goes first, but only just: {$second->named()} needs {margin} times that to start, and {sure} times is sure. A little rub turns the order round.",
            $values + ['sure' => Quantity::number(TwoInTurn::CLEARLY)],
        ), [$selector]);
    }

    /**
     * What a motion asks of the motor's shaft, N·m, going its way slowly.
     *
     * @return array{most: float, starts: float} at its hardest, and where it stands at first: what waits waits there
     */
    private static function asks(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        $move = $motion->move();
        $train = new Train($motion->train->stages);
        $asks = array_map(function (int $i) use ($motion, $move): float {
            $position = $move->from + $move->distance() * $i / 60;

            return $move->direction() * $motion->mechanism->staticTorqueNm($position) + $motion->mechanism->frictionNm($position);
        }, range(0, 60));
        $through = $train->ratio() * $train->efficiency();

        return ['most' => max(1e-9, max($asks)) / $through, 'starts' => max(0.0, $asks[0]) / $through];
    }

    /** What of the drawer does for a rod, in words; null where there is no rod. */
    public static function rod(MotionInBuild $subject): ?Sentence
    {
        $thing = $subject->motion->thing();
        $length = $thing instanceof PushrodLever ? Bars::of($thing)?->lengths_mm()['rod'] ?? null : null;
        if ($length === null) {
            return null;
        }
        $rod = $subject->stock()->lines()->rodOf($length + 2 * self::BEND_MM);
        $values = ['long' => Quantity::of($length / 1000, 'm')];

        return $rod === null ? new Sentence('{long} between its ends; no rod in the drawer is long enough', $values)
            : new Sentence("{long} between its ends: cut it from {$rod['name']}", $values);
    }

    private const BEND_MM = 8.0; // at each end, to hook it in
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Machine\Balance;
use Brookstone\Core\Machine\Cable;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\Nearest;
use Brookstone\Core\Machine\Piece;
use Brookstone\Core\Machine\WorstPose;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Solid\Vector;

/** The machine as it is drawn: what stands on what, and how each goes; what is nearest to touching, what it all weighs, and whether it stands. */
final readonly class StageReport
{
    private const SAME = 0.01; // of its range: as good as at rest

    private const SAMPLES = 48; // of a linkage’s travel

    public function __construct(private Build $build)
    {
    }

    /** @return array<string, mixed> as Schemas has it */
    public function written(): array
    {
        $stage = $this->build->stage;
        $balance = new Balance($stage);
        $bodies = [];
        foreach ($stage->motions as $id => $motion) {
            foreach ($motion->bodies as $i => $body) {
                $bodies[] = self::body($body, $id, $i);
            }
        }
        foreach ($stage->things as $i => $thing) {
            $bodies[] = self::body($thing, null, $i);
        }

        return [
            'motions' => array_map($this->motion(...), array_values($stage->motions)),
            'bodies' => $bodies,
            'drives' => array_values(array_map(self::drive(...), array_filter(Clearance::of($stage)->pieces,
                fn (Piece $piece): bool => $piece->driveOf !== null))),
            'feet' => array_map(fn (Vector $corner): array => [$corner->x, $corner->y], $balance->feet),
            'masses' => $this->masses(),
            'meetings' => $this->meetings(),
            'pose' => $this->pose([]),
        ];
    }

    /**
     * What is so in one pose.
     *
     * @param  array<string, float>  $pose  where each motion is, in its own unit; at rest where it is left out
     * @return array<string, mixed> as Schemas has it
     */
    public function pose(array $pose): array
    {
        $stage = $this->build->stage;
        $balance = new Balance($stage);
        $all = $balance->all($pose);
        $nearest = Clearance::of($stage)->nearest($pose);

        return [
            'nearest' => $nearest === null ? null : self::nearest($nearest),
            'centre_m' => $all->mass_kg > 0.0 ? [$all->centre->x, $all->centre->y, $all->centre->z] : [],
            'stands' => ! $balance->canTip() ? null : ($balance->margin_m($pose) < 0.0
                ? new Sentence('It tips over: its centre is {over} outside of its feet.', ['over' => Quantity::of(-$balance->margin_m($pose), 'm')])
                : new Sentence('It stands: its centre is {margin} inside of its feet, and it can be tilted by {tilt}.',
                    ['margin' => Quantity::of($balance->margin_m($pose), 'm'), 'tilt' => Quantity::of($balance->tilt_deg($pose), '°')])),
        ];
    }

    /** @return array<string, mixed> */
    private function motion(Motion $motion): array
    {
        $stage = $this->build->stage;
        $goes = $stage->goes($motion->id);
        [$low, $high] = $motion->range();
        $steps = $motion->mechanism->follower(0.0) === null ? 1 : self::SAMPLES;
        $positions = array_map(fn (int $i): float => $low + ($high - $low) * $i / $steps, range(0, $steps));
        $ride = $motion->mount === null ? null : $this->build->motions[$motion->id]->ride();
        $worst = $ride instanceof WorstPose ? $ride->pose() : [];

        return [
            'id' => $motion->id, 'on' => $motion->mount?->on, 'mount' => $stage->mount($motion->id)->columns(), 'turns' => $goes->turns,
            'along' => [$goes->along->x, $goes->along->y, $goes->along->z], 'position_unit' => $motion->unit()->value, 'low' => $low, 'high' => $high,
            'rest' => $motion->at($motion->task->from),
            'follows' => array_map(fn (float $at): array => [$at, $stage->at($motion->id, [$motion->id => $at])], $positions),
            'carries' => $this->carries($motion, $worst),
            'wires' => (new Wires($this->build))->says($motion), 'cable' => $this->cable($motion->id),
            'worst' => array_map(fn (string $id, float $at): array => ['motion' => $id, 'at' => $at], array_keys($worst), array_values($worst)),
        ];
    }

    /** `Its cord or cable from the base passes Neck, and is 210 mm to 254 mm long on the straight way: 44 mm that must come from somewhere`. */
    private function cable(string $motion): ?Sentence
    {
        $cable = Cable::of($this->build->stage, $motion);
        $names = array_map(fn (string $id): string => $this->build->motions[$id]->named(), $cable->passes ?? []);

        return $cable === null ? null : new Sentence('Its cord or cable from the base passes '.Sentence::listed($names).': on the straight way it is {shortest} to {longest} long, {changes} more or less as '.(count($names) === 1
            ? 'that moves.' : 'these move.').' Lead it through their axes, or in a sheath.', ['shortest' => Quantity::of($cable->shortest_m, 'm'),
                'longest' => Quantity::of($cable->longest_m, 'm'), 'changes' => Quantity::of($cable->changes_m(), 'm')]);
    }

    /**
     * `Carries 500 g besides its own 120 g; heaviest with Jaw at 0°.`
     *
     * @param  array<string, float>  $worst
     */
    private function carries(Motion $motion, array $worst): Sentence
    {
        $stage = $this->build->stage;
        $own_kg = $stage->moved($motion->id)->mass_kg;
        $more_kg = $stage->carried($motion->id, [])->mass_kg - $own_kg;
        $values = ['own' => Quantity::of($own_kg, 'kg'), 'more' => Quantity::of($more_kg, 'kg')];
        $parts = [];
        foreach ($worst as $id => $at) {
            $its = $stage->motions[$id];
            if (abs($at - $its->at($its->task->from)) < self::SAME * ($its->range()[1] - $its->range()[0])) {
                continue;
            }
            $name = 'at'.count($parts);
            $parts[] = "{$its->named()} at {{$name}}";
            $values[$name] = $its->unit()->quantity($at);
        }
        $with = $parts === [] ? '' : '; asked most of with '.Sentence::listed($parts);

        return new Sentence(($more_kg > 1e-9 ? 'Moves {own} of its own and carries {more}' : 'Moves {own}')."{$with}.", $values);
    }

    /** @return list<array<string, mixed>> as Schemas has it */
    private function meetings(): array
    {
        $subjects = array_map(fn (Motion $motion): MotionInBuild => new MotionInBuild($this->build, $motion, new MotionFigures($motion)),
            $this->build->motions);
        $encounters = new Encounters($this->build, $subjects);
        $written = [];
        foreach ($encounters->stacks() as $id => $stack) {
            $forgives = $this->build->meetings[$id]->forgives_m;
            $written[] = ['id' => $id, 'verdict' => ($stack->holds($forgives) ? Verdict::Holds : ($stack->usuallyHolds($forgives) ? Verdict::Tight
                : Verdict::Fails))->value,
                'says' => new Sentence('Off by up to {worst}, {usual} as a rule; {forgives} is forgiven.', ['worst' => Quantity::of($stack->worst_m, 'm'),
                    'usual' => Quantity::of($stack->usual_m, 'm'), 'forgives' => Quantity::of($forgives, 'm')]),
                'off_m' => $stack->off_m,
                'parts' => array_map(fn (array $part): array => ['says' => new Sentence(ucfirst($encounters->says($part))), 'm' => $part[2]], $stack->parts),
                'at_m' => [$stack->at->x, $stack->at->y, $stack->at->z], 'to_m' => [$stack->to->x, $stack->to->y, $stack->to->z]];
        }

        return $written;
    }

    /** @return list<array{name: Sentence, kg: float}> the heaviest first */
    private function masses(): array
    {
        $stage = $this->build->stage;
        $masses = [];
        foreach ($stage->motions as $id => $motion) {
            foreach ($stage->isWeighed($id) ? $motion->bodies : [] as $body) {
                $masses[] = [(new Piece($body, $motion, []))->named(), $body->mass_kg ?? 0.0];
            }
            if (! $stage->isWeighed($id)) {
                $masses[] = ["{$motion->named()}, as typed", $stage->goes($id)->told()->mass_kg];
            }
            $masses[] = ["Drive of {$motion->named()}", $stage->driveOf($id)->mass_kg];
        }
        foreach ($stage->things as $thing) {
            $masses[] = [$thing->named(), $thing->is === 'frame' ? $thing->mass_kg ?? 0.0 : 0.0];
        }
        $masses = array_filter($masses, fn (array $mass): bool => $mass[1] > 0.0);
        usort($masses, fn (array $a, array $b): int => $b[1] <=> $a[1]);

        return array_map(fn (array $mass): array => ['name' => new Sentence($mass[0]), 'kg' => $mass[1]], $masses);
    }

    /** @return array<string, mixed> */
    private static function body(Body $body, ?string $motion, int $index): array
    {
        $half = $body->solid->half;

        return ['id' => $body->id, 'motion' => $motion, 'index' => $index, 'half_m' => [$half->x, $half->y, $half->z], 'skin_m' => $body->solid->skin_m,
            'at' => $body->placement->columns(), 'mass_kg' => $body->mass_kg];
    }

    /** @return array<string, mixed> */
    private static function drive(Piece $drive): array
    {
        $half = $drive->body->solid->half;

        return ['id' => $drive->body->id, 'motion' => $drive->of?->id, 'index' => -1, 'half_m' => [$half->x, $half->y, $half->z], 'skin_m' => 0.0,
            'at' => $drive->at->columns(), 'mass_kg' => null];
    }

    /** @return array<string, mixed> */
    private static function nearest(Nearest $nearest): array
    {
        $says = $nearest->gap_m <= 0.0 ? "{$nearest->one->named()} touches {$nearest->other->named()}"
            : "{gap} between {$nearest->one->named()} and {$nearest->other->named()}";

        return ['gap_m' => max(0.0, $nearest->gap_m), 'says' => new Sentence($says, ['gap' => Quantity::of(max(0.0, $nearest->gap_m), 'm')]),
            'at_m' => [$nearest->at->x, $nearest->at->y, $nearest->at->z], 'to_m' => [$nearest->to->x, $nearest->to->y, $nearest->to->z]];
    }
}

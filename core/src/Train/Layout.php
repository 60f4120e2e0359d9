<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/**
 * Where the shafts of a train stand on its plate and on which plane each stage runs. Millimetres, from the lower left corner
 * of the plate; planes are counted from the plate upwards. Shafts run through all planes; that of the drive ends at its
 * first wheel.
 */
final readonly class Layout
{
    private const CLEARANCE_MM = 0.2; // wheels nearer to each other than this touch once anything is out of round

    /**
     * @param  list<array{float, float}>  $shafts  one more than stages, from the drive to the load
     * @param  list<int>  $planes  of each stage
     * @param  list<Obstacle>  $obstacles
     */
    public function __construct(
        public Plate $plate,
        public array $shafts,
        public array $planes,
        public array $obstacles = [],
    ) {
    }

    /** It was laid out for as many stages as the train has. */
    public function fits(Train $train): bool
    {
        return count($this->shafts) === count($train->stages) + 1 && count($this->planes) === count($train->stages);
    }

    /** Between the shafts of a stage, mm. */
    public function apart_mm(int $stage): float
    {
        return hypot($this->shafts[$stage + 1][0] - $this->shafts[$stage][0], $this->shafts[$stage + 1][1] - $this->shafts[$stage][1]);
    }

    /** @return list<Meeting> how the wheels of each stage meet at the distance that they stand at */
    public function meetings(Train $train): array
    {
        return array_map(fn (int $i): Meeting => Meeting::of($train->stages[$i], $this->apart_mm($i)), array_keys($train->stages));
    }

    /** @return list<Wheel> every wheel once: an idler belongs to two stages */
    public function wheels(Train $train): array
    {
        $wheels = [];
        foreach ($train->stages as $i => $stage) {
            if (! $stage->idler || $i === 0) {
                $wheels[] = new Wheel($i, true, $i, $this->planes[$i], $stage->outside_mm(true), $stage->driver, $this->shafts[$i]);
            }
            $wheels[] = new Wheel($i, false, $i + 1, $this->planes[$i], $stage->outside_mm(false), $stage->driven, $this->shafts[$i + 1]);
        }

        return $wheels;
    }

    /** @return array{float, float, float, float} left, bottom, right, top of all its wheels; all 0 without any */
    public function bounds(Train $train): array
    {
        $bounds = [INF, INF, -INF, -INF];
        foreach ($this->wheels($train) as $wheel) {
            [$x, $y] = $wheel->at;
            $bounds = [min($bounds[0], $x - $wheel->outside_mm), min($bounds[1], $y - $wheel->outside_mm), max($bounds[2], $x + $wheel->outside_mm), max($bounds[3], $y + $wheel->outside_mm)];
        }

        return $train->stages === [] ? [0.0, 0.0, 0.0, 0.0] : $bounds;
    }

    /** @return list<Clash> what is in the way of what */
    public function clashes(Train $train): array
    {
        $wheels = $this->wheels($train);
        $lowest = $this->planes === [] ? 0 : min($this->planes);
        $clashes = [];
        foreach ($wheels as $i => $wheel) {
            foreach (array_slice($wheels, $i + 1) as $other) {
                if ($wheel->plane !== $other->plane || $this->areTogether($train, $wheel, $other)) {
                    continue;
                }
                $room = $wheel->shaft === $other->shaft ? -min($wheel->outside_mm, $other->outside_mm) : $wheel->awayFrom_mm($other->at) - $wheel->outside_mm - $other->outside_mm;
                if ($room < self::CLEARANCE_MM) {
                    $clashes[] = new Clash(Clash::WHEELS, $wheel, $other->shaft, self::CLEARANCE_MM - $room, $other);
                }
            }
            foreach ($this->shafts as $shaft => $at) {
                $passes = $shaft > 0 || $wheel->plane <= ($this->planes[0] ?? $lowest);
                if (! $passes || $shaft === $wheel->shaft || $this->isPartner($train, $wheel, $shaft)) {
                    continue;
                }
                $room = $wheel->awayFrom_mm($at) - $wheel->outside_mm - $this->plate->shaft_mm / 2;
                if ($room < self::CLEARANCE_MM) {
                    $clashes[] = new Clash(Clash::SHAFT, $wheel, $shaft, self::CLEARANCE_MM - $room);
                }
            }
            foreach ($this->obstacles as $obstacle) {
                $room = $wheel->awayFrom_mm([$obstacle->x_mm, $obstacle->y_mm]) - $wheel->outside_mm - $obstacle->radius_mm;
                if (($obstacle->plane === null || $obstacle->plane === $wheel->plane) && $room < self::CLEARANCE_MM) {
                    $clashes[] = new Clash(Clash::OBSTACLE, $wheel, $wheel->shaft, self::CLEARANCE_MM - $room, obstacle: $obstacle);
                }
            }
            $over = $this->plate->overhang_mm($wheel);
            if ($over > 0.0) {
                $clashes[] = new Clash(Clash::ROOM, $wheel, $wheel->shaft, $over);
            }
        }
        foreach ($train->stages as $i => $stage) {
            if ($stage->face_mm > $this->plate->plane_mm) {
                $clashes[] = new Clash(Clash::FACE, new Wheel($i, false, $i + 1, $this->planes[$i], $stage->outside_mm(false), $stage->driven, $this->shafts[$i + 1]), $i + 1, $stage->face_mm - $this->plate->plane_mm);
            }
        }

        return $clashes;
    }

    /** The play that the distances of the shafts add to each stage, mm at the pitch circle. */
    public function train(Train $train): Train
    {
        return new Train(array_map(
            fn (Stage $stage, Meeting $meeting): Stage => $meeting->play_mm === null ? $stage : new Stage(...['backlash_mm' => max(0.0, $meeting->play_mm)] + get_object_vars($stage)),
            $train->stages, $this->meetings($train),
        ));
    }

    /** Two wheels that run in one another, or are one. */
    private function areTogether(Train $train, Wheel $a, Wheel $b): bool
    {
        if ($a->stage === $b->stage) {
            return true;
        }

        // Of an idler: the wheel that one stage drives drives the next.
        return abs($a->stage - $b->stage) === 1 && $train->stages[max($a->stage, $b->stage)]->idler && abs($a->shaft - $b->shaft) === 1;
    }

    private function isPartner(Train $train, Wheel $wheel, int $shaft): bool
    {
        return ($wheel->driver ? $wheel->stage + 1 : $wheel->stage) === $shaft
            || (! $wheel->driver && ($train->stages[$wheel->stage + 1]->idler ?? false) && $wheel->stage + 2 === $shaft);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/**
 * Where the shafts of a train stand on its plate and on which plane each stage runs. Millimetres, from the lower left corner
 * of the plate; planes are counted from the plate upwards. Shafts run through all planes or end in the plate above their
 * wheels; that of the drive ends at its first wheel.
 */
final readonly class Layout
{
    public const SHOWS_MM = 0.005; // nearer than that to the limit is on it: nobody reads “0 mm too near”

    private const CLEARANCE_MM = 0.2; // wheels nearer to each other than this touch once anything is out of round

    /**
     * @param  list<array{float, float}>  $shafts  one more than stages, from the drive to the load
     * @param  list<int>  $planes  of each stage
     * @param  list<Obstacle>  $obstacles
     * @param  list<UpperPlate>  $plates  besides the one that carries it all
     */
    public function __construct(
        public Plate $plate,
        public array $shafts,
        public array $planes,
        public array $obstacles = [],
        public array $plates = [],
        public ?LinkageAt $linkage = null,
    ) {
    }

    /** It was laid out for as many stages as the train has. */
    public function fits(Train $train): bool
    {
        return count($this->shafts) === count($train->stages) + 1 && count($this->planes) === count($train->stages);
    }

    /** Laid out anew, with the plates and the linkage of another; the linkage goes where the shaft of the load went. */
    public function like(?self $other): self
    {
        if ($other === null) {
            return $this;
        }
        [$was, $is] = [$other->shafts[count($other->shafts) - 1], $this->shafts[count($this->shafts) - 1]];
        $linkage = $other->linkage;

        return new self($this->plate, $this->shafts, $this->planes, $this->obstacles, $other->plates, $linkage === null ? null
            : new LinkageAt($linkage->plane, $linkage->x_mm + $is[0] - $was[0], $linkage->y_mm + $is[1] - $was[1], $linkage->bar_mm));
    }

    /** The last plane that a shaft runs through: of the load all, as it must come out somewhere. */
    public function topOf(Train $train, int $shaft): float
    {
        $own = [];
        foreach ($train->stages as $i => $stage) {
            if ($shaft === $i || $shaft === $i + 1) {
                $own[] = $this->planes[$i];
            }
        }
        if ($own === [] || $shaft === count($this->shafts) - 1) {
            return INF;
        }
        $ends = array_map(fn (UpperPlate $plate): float => $plate->above_plane,
            array_filter($this->plates, fn (UpperPlate $plate): bool => $plate->above_plane >= max($own) && $plate->covers($this->shafts[$shaft])));

        return $shaft === 0 ? $this->planes[0] : ($ends === [] ? INF : min($ends));
    }

    /** How far the uppermost wheel of a shaft is from the only plate that holds it, mm; 0 where two hold it, or none is needed. */
    public function overhangs_mm(Train $train, int $shaft): float
    {
        $own = array_map(fn (Wheel $wheel): int => $wheel->plane, array_filter($this->wheels($train), fn (Wheel $wheel): bool => $wheel->shaft === $shaft));
        $held = array_filter($this->plates, fn (UpperPlate $plate): bool => $plate->covers($this->shafts[$shaft]));

        return $shaft === 0 || $own === [] || $held !== [] ? 0.0 : (max($own) + 0.5) * $this->plate->plane_mm;
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
            if (! $stage->type->isOneToOne()) {
                $wheels[] = new Wheel($i, false, $i + 1, $this->planes[$i], $stage->outside_mm(false), $stage->driven, $this->shafts[$i + 1]);
            }
        }

        return $wheels;
    }

    /** @return list<int> of each shaft the first that stands on its axis: a pawl and what follows it turn on one */
    public static function axes(Train $train): array
    {
        $axes = [0];
        foreach ($train->stages as $i => $stage) {
            $axes[] = $stage->type->isOneToOne() ? $axes[$i] : $i + 1;
        }

        return $axes;
    }

    /** @return array{float, float, float, float} left, bottom, right, top of all its wheels; all 0 without any */
    public function bounds(Train $train): array
    {
        $bounds = [INF, INF, -INF, -INF];
        foreach ($this->wheels($train) as $wheel) {
            [$x, $y] = $wheel->at;
            $bounds = [min($bounds[0], $x - $wheel->outside_mm), min($bounds[1], $y - $wheel->outside_mm), max($bounds[2], $x + $wheel->outside_mm),
                max($bounds[3], $y + $wheel->outside_mm)];
        }

        return $train->stages === [] ? [0.0, 0.0, 0.0, 0.0] : $bounds;
    }

    /** @return list<Clash> what is in the way of what */
    public function clashes(Train $train): array
    {
        $wheels = $this->wheels($train);
        $clashes = [];
        $axes = self::axes($train);
        $tops = array_map(fn (int $shaft): float => $this->topOf($train, $shaft), array_keys($this->shafts));
        foreach ($wheels as $i => $wheel) {
            foreach (array_slice($wheels, $i + 1) as $other) {
                if ($wheel->plane !== $other->plane || $this->areTogether($train, $wheel, $other)) {
                    continue;
                }
                $room = $axes[$wheel->shaft] === $axes[$other->shaft] ? -min($wheel->outside_mm, $other->outside_mm) : $wheel->awayFrom_mm($other->at)
                    - $wheel->outside_mm - $other->outside_mm;
                if ($room < self::CLEARANCE_MM - self::SHOWS_MM) {
                    $clashes[] = new Clash(Clash::WHEELS, $wheel, $other->shaft, self::CLEARANCE_MM - $room, $other);
                }
            }
            foreach ($this->shafts as $shaft => $at) {
                if ($wheel->plane > $tops[$shaft] || $axes[$shaft] === $axes[$wheel->shaft] || $this->isPartner($train, $wheel, $shaft)) {
                    continue;
                }
                $room = $wheel->awayFrom_mm($at) - $wheel->outside_mm - $this->plate->shaft_mm / 2;
                if ($room < self::CLEARANCE_MM - self::SHOWS_MM) {
                    $clashes[] = new Clash(Clash::SHAFT, $wheel, $shaft, self::CLEARANCE_MM - $room);
                }
            }
            foreach ($this->obstacles as $obstacle) {
                $room = $obstacle->span()->awayFrom_mm($wheel->at) - $wheel->outside_mm - $obstacle->radius_mm;
                if ($obstacle->isOn($wheel->plane) && $room < self::CLEARANCE_MM - self::SHOWS_MM) {
                    $clashes[] = new Clash(Clash::OBSTACLE, $wheel, $wheel->shaft, self::CLEARANCE_MM - $room, obstacle: $obstacle);
                }
            }
            $over = $this->plate->overhang_mm($wheel);
            if ($over > self::SHOWS_MM) {
                $clashes[] = new Clash(Clash::ROOM, $wheel, $wheel->shaft, $over);
            }
        }
        foreach ($train->stages as $i => $stage) {
            if ($stage->face_mm > $this->plate->plane_mm + self::SHOWS_MM) {
                $clashes[] = new Clash(Clash::FACE, new Wheel($i, false, $i + 1, $this->planes[$i], $stage->outside_mm(false), $stage->driven,
                    $this->shafts[$i + 1]), $i + 1, $stage->face_mm - $this->plate->plane_mm);
            }
        }

        return $clashes;
    }

    /** The play that the distances of the shafts add to each stage, mm at the pitch circle. */
    public function train(Train $train): Train
    {
        return new Train(array_map(
            fn (Stage $stage, Meeting $meeting): Stage => $meeting->play_mm === null ? $stage : new Stage(...['backlash_mm' => max(0.0, $meeting->play_mm)]
                + get_object_vars($stage)),
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

<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Assessment\Wiring\Shopping;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Brushless;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Export\WiringSheet;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\BeltDrive;
use Brookstone\Core\Train\GearMaterial;
use Brookstone\Core\Train\Layout;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\StageType;

/** Everything a build needs: drives, what is between them and the load, cords, what tells and is switched, what feeds and controls, screws. */
final class Bill
{
    public const GROUPS = ['drives' => 'Drives', 'train' => 'Gears, shafts, belts', 'parts' => 'Printed and cut parts', 'winding' => 'Cord and drums',
        'sensors' => 'Switches and sensors', 'outputs' => 'Lamps, sounds, valves', 'wiring' => 'Boards, wire, supply', 'screws' => 'Screws',
        'own' => 'Besides'];

    /** Of a drive, by how it is fixed. */
    private const SERVO_SCREWS = 4;

    private const MOTOR_SCREWS = 2;

    private const SWITCH_SCREWS = 2;

    private const BOARD_SCREWS = 4;

    private const BEARINGS = 2; // of a shaft

    private const PLATE_MM = 10.0; // that a shaft stands in, and out of

    private const PLANE_GAP_MM = 1.0;

    private const KNOTS_M = 0.15; // of a cord, for a knot at each end

    private const DEAD_TURNS = 3; // that stay on the drum

    /** Of drives, by their kind. */
    private const WORDS = ['dc_motor' => 'gear motor', 'continuous_servo' => 'servo that turns on'];

    /** What a mechanism needs besides what is told of it. */
    private const HARDWARE = [
        'arm' => ['pivot with two bushes' => 1], 'turntable' => ['bearing of a turntable' => 1], 'slide' => ['rail with its carriage' => 1,
            'pulley of the carriage’s cord or belt' => 2], 'wheels' => ['wheel with its tyre' => 4, 'axle' => 2],
        'crank' => ['crank' => 1, 'connecting rod with two pins' => 1], 'crank_rocker' => ['crank' => 1, 'rod with two pins' => 1,
            'pivot with two bushes' => 1],
        'pushed' => ['pushrod with two joints' => 1, 'pivot with two bushes' => 1], 'spring_lever' => ['spring of the lever' => 1],
        'ball' => ['hollow ball in two halves' => 1], 'feeder' => ['belt or drum that feeds' => 1],
    ];

    private const NYLON = ['nylon', 'acetal'];

    /** @var array<string, Item> */
    private array $items = [];

    private function __construct(private readonly Build $build)
    {
    }

    /** @return array<string, Item> by id, in the order of the groups */
    public static function of(Build $build): array
    {
        $bill = new self($build);
        foreach ($build->motions as $motion) {
            $bill->drive($motion);
            $bill->train($motion);
            $bill->cord($motion);
            foreach (self::HARDWARE[$motion->thing()->kind()] ?? [] as $what => $count) {
                $bill->add("parts/{$what}", 'parts', new Sentence($what), $count, $motion->name);
            }
            foreach ($motion->bodies as $body) {
                $bill->body($body, $motion->name);
            }
        }
        foreach ($build->stage->things as $thing) {
            if ($thing->is === 'frame') {
                $bill->body($thing, 'the frame');
            }
        }
        $bill->sensors();
        $bill->outputs();
        $bill->wiring();
        $order = array_flip(array_keys(self::GROUPS));
        uasort($bill->items, fn (Item $a, Item $b): int => $order[$a->group] <=> $order[$b->group]);

        return $bill->items;
    }

    private function add(string $id, string $group, Sentence $name, float $count, string $for, string $per = 'piece', string $made = 'bought',
        ?float $price = null, int $spares = 0, string $why = ''): void
    {
        $id = self::key($id);
        $this->items[$id] = isset($this->items[$id]) ? $this->items[$id]->and($count, $for)
            : new Item($id, $group, $name, $count, $per, [$for], $made, $price, $spares, $why);
    }

    /** What a document can hold: the rest would only tell it apart from its own twin. */
    private static function key(string $id): string
    {
        return mb_strlen($id) <= 160 ? $id : mb_substr($id, 0, 120).' '.hash('xxh64', $id);
    }

    private function screws(string $size, int $count, string $for): void
    {
        $this->add("screws/{$size}", 'screws', new Sentence(str_starts_with($size, 'grub') ? strtr($size,
            ['grub ' => 'grub screw ']) : "screw {$size} with its nut"), $count, $for);
    }

    private function drive(Motion $motion): void
    {
        $drive = $motion->drive;
        if ($drive === null || ($drive->shares !== null && isset($this->build->motions[$drive->shares]))) {
            return;
        }
        $body = $drive->one->body();
        $breaks = in_array($body->gear_material, self::NYLON, true);
        $this->add("drives/{$body->code}", 'drives', new Sentence(self::kindOf($motion).' '.Sentence::quote($body->code).': {mass}',
            ['mass' => Quantity::of($body->mass_kg, 'kg')]), $drive->motors, $motion->name, spares: $breaks ? 1 : 0,
            why: $breaks ? "its {$body->gear_material} gears strip first" : '');
        $this->screws($drive->one instanceof Servo ? 'M2 × 8' : 'M3 × 8', $drive->motors * ($drive->one instanceof Servo ? self::SERVO_SCREWS
            : self::MOTOR_SCREWS), "to fix the drive of {$motion->name}");
        if ($drive->clutch_Nm !== null) {
            $this->add("train/clutch {$drive->clutch_Nm}", 'train', new Sentence('clutch that slips at {torque}',
                ['torque' => Quantity::of($drive->clutch_Nm, 'N·m')]), 1, $motion->name);
        }
    }

    private static function kindOf(Motion $motion): string
    {
        $motor = $motion->drive?->one;

        return match (true) {
            $motor === null => 'drive',
            $motor instanceof Servo => 'servo',
            $motor instanceof Brushless => 'brushless motor',
            default => self::WORDS[$motor->kind()] ?? strtr($motor->kind(), '_', ' '),
        };
    }

    private function train(Motion $motion): void
    {
        foreach ($motion->train->stages as $i => $stage) {
            foreach ([true, false] as $driver) {
                if (! $driver || ! $stage->idler) {
                    $this->wheel($motion, $stage, $driver);
                }
            }
            $this->runner($motion, $i, $stage);
        }
        $axes = Layout::axes($motion->train);
        foreach (array_slice(array_values(array_unique($axes)), 1) as $axis) {
            $this->shaft($motion, (int) array_search($axis, $axes, true));
        }
    }

    private function wheel(Motion $motion, Stage $stage, bool $driver): void
    {
        $teeth = $driver ? $stage->driver : $stage->driven;
        $what = $stage->type->wheel($driver);
        $counts = ! in_array($what, ['rack', 'nut', 'pawl'], true);
        $starts = in_array($what, ['worm', 'lead screw'], true);
        $printed = in_array($stage->material, [GearMaterial::PrintedPla, GearMaterial::PrintedNylon], true);
        $plastic = ! in_array($stage->material, [GearMaterial::Brass, GearMaterial::Steel], true);
        $this->add("train/{$what} ".($counts ? "{$teeth} " : '')."{$stage->module_mm} {$stage->face_mm} {$stage->material->value}", 'train',
            new Sentence($what.($counts ? ($starts ? " of {$teeth} ".($teeth === 1 ? 'start' : 'starts') : " of {$teeth} teeth") : '')
                ."{$this->sized($stage)}, {$stage->material->inWords()}", ['module' => Quantity::of($stage->module_mm, 'mm'),
                    'pitch' => Quantity::of(M_PI * $stage->module_mm, 'mm'), 'face' => Quantity::of($stage->face_mm, 'mm')]), 1, $motion->name,
            made: $printed ? 'printed' : 'bought',
            spares: $plastic ? 1 : 0, why: $plastic ? 'plastic teeth wear' : '');
    }

    private function sized(Stage $stage): string
    {
        return $stage->type === StageType::Belt || $stage->type === StageType::Chain ? ', pitch {pitch}, {face} wide'
            : ', module {module}, {face} wide';
    }

    /** What runs over two wheels: its length where the layout says how far they stand apart. */
    private function runner(Motion $motion, int $i, Stage $stage): void
    {
        if (! $stage->type->runsOver()) {
            return;
        }
        $apart = $motion->layout !== null && $motion->layout->fits($motion->train) ? $motion->layout->apart_mm($i) : null;
        $pitch = $stage->module_mm * M_PI;
        $length = $apart === null || $apart <= 0.0 ? null : (new BeltDrive($pitch, $stage->driver, $stage->driven, $apart))->length_mm;
        $this->add('train/'.$stage->type->value." {$stage->module_mm} ".($length === null ? $motion->id.$i : round($length, 1)), 'train',
            new Sentence($stage->type->inWords().($length === null ? ', as long as its wheels stand apart' : ' of {length}'),
                $length === null ? [] : ['length' => Quantity::of($length, 'mm')]), 1, $motion->name, spares: 1, why: 'it stretches and wears');
    }

    private function shaft(Motion $motion, int $axis): void
    {
        $layout = $motion->layout;
        $length = null;
        if ($layout !== null && $layout->fits($motion->train)) {
            $face = array_reduce($motion->train->stages, fn (float $most, Stage $stage): float => max($most, $stage->face_mm), 0.0);
            $top = $layout->topOf($motion->train, $axis);
            $planes = is_infinite($top) ? count(array_unique($layout->planes)) + 1 : $top + 1;
            $length = self::PLATE_MM + $planes * ($face + self::PLANE_GAP_MM);
        }
        $bore = $layout->plate->shaft_mm ?? 3.0;
        $this->add("train/shaft {$bore} ".($length === null ? 'any' : round($length)), 'train', new Sentence('shaft of {across}'
            .($length === null ? ', as long as its wheels need' : ', {length} long'), ['across' => Quantity::of($bore, 'mm')]
            + ($length === null ? [] : ['length' => Quantity::of(round($length), 'mm')])), 1, $motion->name, made: 'cut');
        $this->add("train/bearing {$bore}", 'train', new Sentence('bearing or bush of {across}', ['across' => Quantity::of($bore, 'mm')]), self::BEARINGS,
            $motion->name, spares: 1, why: 'bushes wear');
        $this->screws('grub M3', 1, "to hold the wheels of {$motion->name}");
    }

    private function cord(Motion $motion): void
    {
        $thing = $motion->thing();
        if (! $thing instanceof Hoist) {
            return;
        }
        [$low, $high] = $motion->range();
        $winds = ($high - $low) * $thing->lines;
        $around = 2 * M_PI * $thing->drum_radius_m;
        $length = ceil(10 * ($winds + self::DEAD_TURNS * $around + $thing->lines * max($thing->lift_m, $high) + 2 * self::KNOTS_M)) / 10;
        $this->add('winding/cord '.($thing->cord_m ?? 'any').' '.($thing->breaking_N ?? ''), 'winding', new Sentence('cord'
            .($thing->cord_m === null ? '' : ' of {across}').($thing->breaking_N === null ? '' : ' that breaks at {breaks}')
            .', with what stays on the drum and two knots', ($thing->cord_m === null ? [] : ['across' => Quantity::of($thing->cord_m, 'm')])
            + ($thing->breaking_N === null ? [] : ['breaks' => Quantity::of($thing->breaking_N, 'N')])), $length, $motion->name, 'm', spares: 1,
            why: 'it frays where it leaves the drum');
        $this->add("winding/drum {$thing->drum_radius_m} ".($thing->drum_width_m ?? ''), 'winding', new Sentence('drum of {across} to the middle of the cord'
            .($thing->drum_width_m === null ? '' : ', {wide} wide'), ['across' => Quantity::of(2 * $thing->drum_radius_m, 'm')]
            + ($thing->drum_width_m === null ? [] : ['wide' => Quantity::of($thing->drum_width_m, 'm')])), 1, $motion->name, made: 'printed');
        if ($thing->counterweight_kg > 0.0) {
            $this->add("winding/weight {$thing->counterweight_kg}", 'winding', new Sentence('counterweight of {mass}',
                ['mass' => Quantity::of($thing->counterweight_kg, 'kg')]), 1, $motion->name, made: 'cut');
        }
    }

    private function body(Body $body, string $for): void
    {
        $printed = $body->material === 'printed' || $body->material === null;
        $sizes = array_map(fn (?float $metres): string => $metres === null ? '' : (string) round($metres * 1000, 1), [$body->length_m, $body->width_m,
            $body->height_m]);
        $values = ['length' => Quantity::of($body->length_m, 'm')] + ($body->width_m === null ? [] : ['width' => Quantity::of($body->width_m, 'm')])
            + ($body->height_m === null ? [] : ['height' => Quantity::of($body->height_m, 'm')]);
        $this->add('parts/'.$body->id.' '.implode(' ', $sizes), 'parts', new Sentence($body->named().': '.($body->shape === 'box' ? 'box' : $body->shape)
            .' of {'
            .implode('} × {', array_keys($values)).'}'.($body->material === null ? '' : ", {$body->material}"), $values), 1, $for,
            made: $printed ? 'printed' : 'cut');
    }

    private function sensors(): void
    {
        foreach ($this->build->motions as $motion) {
            foreach ($motion->stops->switches as $switch) {
                $this->add('sensors/limit switch', 'sensors', new Sentence('limit switch'), 1, $switch->name, spares: 1, why: 'a lever bends');
                $this->screws('M2 × 10', self::SWITCH_SCREWS, 'to fix limit switches');
            }
            if ($motion->stops->encoder_pulses !== null) {
                $this->add("sensors/encoder {$motion->stops->encoder_pulses}", 'sensors',
                    new Sentence("encoder with {$motion->stops->encoder_pulses} pulses a turn"),
                    1, $motion->name);
            }
        }
        foreach ($this->build->sensors as $sensor) {
            $word = Sensor::WORDS[$sensor->kind].match ($sensor->kind) {
                'message' => " ({$sensor->over})",
                'magnet' => ' with its magnet',
                'wheel' => ' with its light barrier',
                default => '',
            };
            $this->add("sensors/{$word}", 'sensors', new Sentence($word), 1, $sensor->name);
        }
    }

    private function outputs(): void
    {
        $words = ['lamp' => 'lamp', 'sound' => 'sound player with its speaker', 'relay' => 'relay', 'track' => 'section of track',
            'points' => 'points with two coils',
            'uncoupler' => 'uncoupler', 'valve' => 'valve with its coil', 'servo_valve' => 'valve that a servo turns', 'display' => 'display'];
        foreach ($this->build->outputs as $output) {
            $this->add("outputs/{$output->kind}", 'outputs', new Sentence($words[$output->kind]), 1, $output->name, spares: $output->kind === 'lamp' ? 1 : 0,
                why: $output->kind === 'lamp' ? 'lamps fail' : '');
        }
        foreach ($this->build->tanks as $tank) {
            $this->add("outputs/tank {$tank->tank_l}", 'outputs', new Sentence('air tank of {volume} litres'.($tank->compressor_l_min > 0.0
                ? ' with its compressor' : ''),
                ['volume' => Quantity::number($tank->tank_l)]), 1, $tank->name);
        }
    }

    private function wiring(): void
    {
        foreach (Shopping::of($this->build) as $line) {
            $text = $line['says']->text();
            if (str_starts_with($text, 'wire of ')) {
                continue; // by colour, below
            }
            $this->add("wiring/{$text}", 'wiring', $line['says'], $line['count'], 'wiring',
                price: $line['cost'] === null ? null : $line['cost'] / $line['count'],
                spares: str_starts_with($text, 'fuse') ? 2 : 0, why: str_starts_with($text, 'fuse') ? 'they blow' : '');
        }
        if ($this->build->wiring->boards === []) {
            foreach ($this->build->supplies as $supply) {
                $this->add("wiring/supply {$supply->id}", 'wiring', new Sentence("{$supply->named()}: {volts}, {amps}",
                    ['volts' => Quantity::of($supply->volts_V, 'V'),
                        'amps' => Quantity::of($supply->max_A, 'A')]), 1, 'all');
            }
        }
        foreach ((new WiringSheet($this->build))->rows() as $row) {
            $this->add("wiring/wire {$row['area_mm2']} {$row['colour']}", 'wiring', new Sentence("wire, {$row['colour']}, {area}",
                ['area' => Quantity::of($row['area_mm2'], 'mm²')]), $row['length_m'], 'wiring', 'm');
        }
        $boards = count($this->build->wiring->boards);
        if ($boards > 0) {
            $this->screws('M2.5 × 8', self::BOARD_SCREWS * $boards, 'to fix boards');
        }
    }
}

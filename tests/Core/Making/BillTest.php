<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Making\Bill;
use Brookstone\Core\Making\Item;
use Tests\Support\Builds;

/**
 * What is on the bill of the sound build with something changed, and was not before, or in another number.
 *
 * @param  array<string, mixed>  $changes  by path
 * @return array<string, string> how many of what, for what, made or bought, and spares with why
 */
function billedAnew(array $changes, ?Build $build = null): array
{
    $sound = Bill::of($build ?? Builds::sound());
    $changed = Bill::of(Editor::apply($build ?? Builds::sound(), array_map(fn (string $path, mixed $value): array => ['path' => $path, 'value' => $value],
        array_keys($changes), $changes)));
    $new = array_filter($changed, fn (Item $item): bool => ($sound[$item->id]->count ?? 0.0) !== $item->count);

    return array_map(fn (Item $item): string => "{$item->count} ".($item->per === 'piece' ? '' : "{$item->per} ")."{$item->name->text()} | ".implode(', ', $item->for)
        ." | {$item->made}".($item->spares === 0 ? '' : ", {$item->spares} more: {$item->why}"), $new);
}

/** @return array<string, mixed> */
function stageOf(string $type, int $driver, int $driven, string $material = 'steel', array $more = []): array
{
    return $more + ['type' => $type, 'driver' => $driver, 'driven' => $driven, 'module_mm' => 1, 'face_mm' => 6, 'material' => $material];
}

const TURNS_ON = ['train/shaft 3 any' => '1 shaft of 3 mm, as long as its wheels need | Lift | cut',
    'train/bearing 3' => '2 bearing or bush of 3 mm | Lift | bought, 1 more: bushes wear',
    'screws/grub M3' => '1 grub screw M3 | to hold the wheels of Lift | bought'];

it('names the wheels of each kind of stage, as they are bought or printed, plastic ones with a spare', function (array $stage, array $wheels) {
    expect(array_diff_key(billedAnew(['motions.2.train' => [$stage]]), TURNS_ON))->toBe($wheels)
        ->and(array_intersect_key(billedAnew(['motions.2.train' => [$stage]]), TURNS_ON))->toBe($stage['type'] === 'pawl' ? [] : TURNS_ON);
})->with([
    'bevel, printed' => [stageOf('bevel', 12, 36, 'printed_pla'), [
        'train/bevel gear 12 1 6 printed_pla' => '1 bevel gear of 12 teeth, module 1 mm, 6 mm wide, printed PLA | Lift | printed, 1 more: plastic teeth wear',
        'train/bevel gear 36 1 6 printed_pla' => '1 bevel gear of 36 teeth, module 1 mm, 6 mm wide, printed PLA | Lift | printed, 1 more: plastic teeth wear']],
    'crown, acetal: bought, and wears' => [stageOf('crown', 12, 36, 'acetal'), [
        'train/spur gear 12 1 6 acetal' => '1 spur gear of 12 teeth, module 1 mm, 6 mm wide, acetal | Lift | bought, 1 more: plastic teeth wear',
        'train/crown wheel 36 1 6 acetal' => '1 crown wheel of 36 teeth, module 1 mm, 6 mm wide, acetal | Lift | bought, 1 more: plastic teeth wear']],
    'round belt' => [stageOf('round', 12, 36), [
        'train/grooved pulley 12 1 6 steel' => '1 grooved pulley of 12 teeth, module 1 mm, 6 mm wide, mild steel | Lift | bought',
        'train/grooved pulley 36 1 6 steel' => '1 grooved pulley of 36 teeth, module 1 mm, 6 mm wide, mild steel | Lift | bought',
        'train/round 1 lift0' => '1 round belt, as long as its wheels stand apart | Lift | bought, 1 more: it stretches and wears']],
    'chain' => [stageOf('chain', 12, 36, 'brass'), [
        'train/sprocket 12 1 6 brass' => '1 sprocket of 12 teeth, pitch 3.14 mm, 6 mm wide, brass | Lift | bought',
        'train/sprocket 36 1 6 brass' => '1 sprocket of 36 teeth, pitch 3.14 mm, 6 mm wide, brass | Lift | bought',
        'train/chain 1 lift0' => '1 chain, as long as its wheels stand apart | Lift | bought, 1 more: it stretches and wears']],
    'worm of two starts' => [stageOf('worm', 2, 36), [
        'train/worm 2 1 6 steel' => '1 worm of 2 starts, module 1 mm, 6 mm wide, mild steel | Lift | bought',
        'train/worm wheel 36 1 6 steel' => '1 worm wheel of 36 teeth, module 1 mm, 6 mm wide, mild steel | Lift | bought']],
    'worm of one' => [stageOf('worm', 1, 36), [
        'train/worm 1 1 6 steel' => '1 worm of 1 start, module 1 mm, 6 mm wide, mild steel | Lift | bought',
        'train/worm wheel 36 1 6 steel' => '1 worm wheel of 36 teeth, module 1 mm, 6 mm wide, mild steel | Lift | bought']],
    'ratchet' => [stageOf('pawl', 12, 12), [
        'train/pawl 1 6 steel' => '1 pawl, module 1 mm, 6 mm wide, mild steel | Lift | bought',
        'train/ratchet wheel 12 1 6 steel' => '1 ratchet wheel of 12 teeth, module 1 mm, 6 mm wide, mild steel | Lift | bought']],
]);

it('cuts shafts and belts to what the layout says, and a wheel between two stages is one', function (array $changes, array $items) {
    expect(array_intersect_key(billedAnew($changes), $items))->toBe($items);
})->with([
    // 2·50 + (20 + 30)/2·π + (10·π/2π)²/50
    'a belt' => [['motions.0.train' => [stageOf('belt', 20, 30)], 'motions.0.layout' => ['grid_mm' => null, 'shafts' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 50, 'y_mm' => 0]],
        'planes' => [0]]], ['train/belt 1 179' => '1 belt of 179 mm | Lid | bought, 1 more: it stretches and wears']],
    // 10 mm to stand in and out of, and three planes of 6 + 1 mm
    'two stages, one above the other' => [['motions.0.train' => [stageOf('spur', 20, 30), stageOf('spur', 20, 40)], 'motions.0.layout' => ['grid_mm' => null,
        'shafts' => [['x_mm' => 0, 'y_mm' => 0], ['x_mm' => 25, 'y_mm' => 0], ['x_mm' => 55, 'y_mm' => 0]], 'planes' => [0, 1]]], [
            'train/spur gear 20 1 6 steel' => '2 spur gear of 20 teeth, module 1 mm, 6 mm wide, mild steel | Lid | bought',
            'train/shaft 3 31' => '2 shaft of 3 mm, 31 mm long | Lid | cut', 'train/bearing 3' => '4 bearing or bush of 3 mm | Lid | bought, 1 more: bushes wear',
            'screws/grub M3' => '2 grub screw M3 | to hold the wheels of Lid | bought']],
    'an idler is the driven wheel of one stage and the driving one of the next' => [['motions.0.train' => [stageOf('spur', 20, 30), stageOf('spur', 30, 40, 'steel', ['idler' => true])]], [
        'train/spur gear 20 1 6 steel' => '1 spur gear of 20 teeth, module 1 mm, 6 mm wide, mild steel | Lid | bought',
        'train/spur gear 30 1 6 steel' => '1 spur gear of 30 teeth, module 1 mm, 6 mm wide, mild steel | Lid | bought']],
]);

it('lists a rack and a lead screw by what they are, not by teeth', function (array $stage, array $names) {
    $drawbridge = Builds::demo('heron-wharf');
    $ferry = array_search('ferry', array_keys($drawbridge->motions), true);

    expect(array_keys(array_filter(billedAnew(["motions.{$ferry}.train" => [$stage]], $drawbridge), fn (string $says): bool => str_contains($says, 'steel'))))->toBe($names);
})->with([
    [stageOf('rack', 14, 1), ['train/spur gear 14 1 6 steel', 'train/rack 1 6 steel']],
    [stageOf('screw', 2, 1), ['train/lead screw 2 1 6 steel', 'train/nut 1 6 steel']],
]);

it('lists what else a motion is made of', function (array $changes, array $items) {
    expect(billedAnew($changes))->toBe($items);
})->with([
    'a clutch' => [['motions.0.drive.clutch_Nm' => 0.5], ['train/clutch 0.5' => '1 clutch that slips at 0.5 N·m | Lid | bought']],
    'a servo that turns on is fixed like a motor' => [['motions.0.drive.motor' => Builds::motor('C20 turning')],
        ['drives/C20 turning' => '1 servo that turns on C20 turning: 44 g | Lid | bought']],
    'bodies, by their sizes and of what' => [['motions.0.bodies' => [['id' => 'deck', 'name' => 'Deck', 'length_m' => 0.2, 'width_m' => 0.1, 'height_m' => 0.005, 'material' => 'plywood'],
        ['id' => 'knob', 'name' => 'Knob', 'shape' => 'ball', 'length_m' => 0.02], ['id' => 'cap', 'name' => 'Cap', 'length_m' => 0.01, 'width_m' => 0.01, 'height_m' => 0.0204,
            'material' => 'printed']]], [
                'parts/deck 200 100 5' => '1 Deck: box of 200 mm × 100 mm × 5 mm, plywood | Lid | cut', 'parts/knob 20  ' => '1 Knob: ball of 20 mm | Lid | printed',
                'parts/cap 10 10 20.4' => '1 Cap: box of 10 mm × 10 mm × 20.4 mm, printed | Lid | printed']],
    'of the frame too' => [['things.0' => ['id' => 'base', 'name' => 'Base', 'is' => 'frame', 'length_m' => 0.3, 'width_m' => 0.2, 'height_m' => 0.01]],
        ['parts/base 300 200 10' => '1 Base: box of 300 mm × 200 mm × 10 mm | the frame | printed']],
    'not what only stands in the way' => [['things.0' => ['id' => 'wall', 'name' => 'Wall', 'length_m' => 0.3, 'width_m' => 0.2, 'height_m' => 0.01]], []],
    // 0.1 m twice, three dead turns of 63 mm, twice 1 m to the drum, and two knots: 2.69 m
    'a cord over two lines, on a drum of its width, with a counterweight' => [['motions.2.mechanism.counterweight_kg' => 0.2, 'motions.2.mechanism.cord_m' => 0.001,
        'motions.2.mechanism.breaking_N' => 200, 'motions.2.mechanism.drum_width_m' => 0.03, 'motions.2.mechanism.lines' => 2], [
            'winding/cord 0.001 200' => '2.7 m cord of 1 mm that breaks at 200 N, with what stays on the drum and two knots | Lift | bought, 1 more: it frays where it leaves the drum',
            'winding/drum 0.01 0.03' => '1 drum of 20 mm to the middle of the cord, 30 mm wide | Lift | printed', 'winding/weight 0.2' => '1 counterweight of 200 g | Lift | cut']],
    'an encoder' => [['motions.0.stops.encoder_pulses' => 12], ['sensors/encoder 12' => '1 encoder with 12 pulses a turn | Lid | bought']],
    'another mechanism' => [['motions.0.mechanism' => ['kind' => 'turntable', 'disc_mass_kg' => 0.3, 'disc_radius_m' => 0.1]], [
        'parts/bearing of a turntable' => '1 bearing of a turntable | Lid | bought', 'parts/pivot with two bushes' => '1 pivot with two bushes | Jaw | bought']],
]);

it('lists sensors and outputs by what they are, with what belongs to them, equal ones together', function () {
    expect(billedAnew(['sensors.2' => ['id' => 'm', 'name' => 'M', 'kind' => 'message', 'over' => 'radio'], 'sensors.3' => ['id' => 'g', 'name' => 'G', 'kind' => 'magnet'],
        'sensors.4' => ['id' => 'w', 'name' => 'W', 'kind' => 'wheel'], 'sensors.5' => ['id' => 'b', 'name' => 'B', 'kind' => 'press'], 'outputs.1' => ['id' => 'v', 'name' => 'V',
            'kind' => 'valve'], 'outputs.2' => ['id' => 'l', 'name' => 'L', 'kind' => 'lamp'], 'outputs.3' => ['id' => 's', 'name' => 'S', 'kind' => 'sound'],
        'tanks' => [['id' => 't', 'name' => 'T', 'tank_l' => 1.5, 'high_bar' => 6, 'low_bar' => 4], ['id' => 'u', 'name' => 'U', 'tank_l' => 2, 'high_bar' => 6, 'low_bar' => 4,
            'compressor_l_min' => 20]]]))->toBe([
                'sensors/button' => '2 button | Button, B | bought', 'sensors/receiver (radio)' => '1 receiver (radio) | M | bought',
                'sensors/magnetic switch with its magnet' => '1 magnetic switch with its magnet | G | bought',
                'sensors/slotted wheel with its light barrier' => '1 slotted wheel with its light barrier | W | bought', 'outputs/lamp' => '2 lamp | Lamp, L | bought, 1 more: lamps fail',
                'outputs/valve' => '1 valve with its coil | V | bought', 'outputs/sound' => '1 sound player with its speaker | S | bought',
                'outputs/tank 1.5' => '1 air tank of 1.5 litres | T | bought', 'outputs/tank 2' => '1 air tank of 2 litres with its compressor | U | bought']);
});

it('lists supplies by themselves as long as nothing is wired, and boards with four screws each, fuses with two spares, then', function () {
    $wired = Bill::of(Builds::planted(Builds::wired()));
    $fuses = array_filter($wired, fn (Item $item): bool => str_starts_with($item->id, 'wiring/fuse'));

    expect(Bill::of(Builds::sound()))->toHaveKeys(['wiring/supply main', 'wiring/supply servos'])->not->toHaveKey('screws/M2.5 × 8')
        ->and(Bill::of(Builds::sound())['wiring/supply main']->name->text())->toBe('Main: 12 V, 5 A')
        ->and($wired)->not->toHaveKey('wiring/supply main')->and($wired['screws/M2.5 × 8']->count)->toBe(4.0 * count(Builds::planted(Builds::wired())->wiring->boards))
        ->and($fuses)->not->toBe([])->and(array_unique(array_column($fuses, 'spares')))->toBe([2])->and(array_unique(array_column($fuses, 'why')))->toBe(['they blow']);
});

it('keeps the groups in their order, and ids that a document can hold apart', function () {
    $items = Bill::of(Editor::apply(Builds::sound(), [['path' => 'motions.0.bodies', 'value' => [['id' => str_repeat('a', 40), 'name' => 'Deck', 'length_m' => 0.2]]],
        ['path' => 'sensors.2', 'value' => ['id' => 'm', 'name' => 'M', 'kind' => 'message', 'over' => 'radio']]]));
    $groups = array_values(array_unique(array_map(fn (Item $item): string => $item->group, $items)));

    expect($groups)->toBe(array_values(array_intersect(array_keys(Bill::GROUPS), $groups)))
        ->and(max(array_map(fn (Item $item): int => mb_strlen($item->id), $items)))->toBeLessThanOrEqual(160);
});

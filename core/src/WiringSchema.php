<?php

declare(strict_types=1);

namespace Brookstone\Core;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Wiring\Board;

/** The shape of what is said of the wiring of a build. */
final class WiringSchema
{
    /** What the page of the wiring shows. */
    public static function report(): RecordShape
    {
        $number = Schemas::number();
        $text = new TextShape;
        $sheet = Schemas::record('WiringSheet', ['x_mm' => $number, 'y_mm' => $number, 'width_mm' => $number, 'height_mm' => $number,
            'boards' => Schemas::list(Schemas::record('SheetBoard', ['id' => $text, 'name' => $text, 'series' => $text, 'kind' => $text, 'x_mm' => $number,
                'y_mm' => $number,
                'width_mm' => $number, 'height_mm' => $number, 'supply' => $text, 'fed' => $text, 'address' => $text->orNull(),
                'pins' => Schemas::list(Schemas::record('SheetPin', ['pin' => $text, 'label' => $text, 'x_mm' => $number, 'y_mm' => $number,
                    'side' => $number,
                    'number' => $number->orNull(), 'twice' => new BooleanShape]))])),
            'wires' => Schemas::list(Schemas::record('SheetWire', ['number' => $number, 'signal' => $text, 'name' => $text, 'board' => $text, 'pin' => $text,
                'fixed' => new BooleanShape, 'colour' => $text, 'drawn' => $text, 'paths' => Schemas::list($text), 'name_x_mm' => $number->orNull(),
                'name_y_mm' => $number->orNull(), 'side' => $number->orNull(),
                'others' => Schemas::list(Schemas::record('OtherPin', ['board' => $text, 'pin' => $text, 'says' => $text]))])),
            'rows' => Schemas::list(Schemas::record('WireRow', ['number' => $text, 'from' => $text, 'to' => $text, 'colour' => $text, 'area_mm2' => $number,
                'length_m' => $number, 'plug' => $text])),
            'pins' => Schemas::list(Schemas::record('PinRow', ['board' => $text, 'pin' => $text, 'can' => $text, 'number' => $number->orNull(),
                'says' => $text])),
        ]);

        return Schemas::record('WiringReport', ['version' => $number, 'sheet' => $sheet,
            'plan' => Schemas::record('WiringPlan', ['fix' => Schemas::fix()->orNull(), 'short' => Schemas::list(Schemas::sentence())]),
            'anew' => Schemas::fix()->orNull(),
            'room' => Schemas::list(Schemas::record('BoardRoom', ['board' => $text, 'name' => $text, 'used' => $number, 'of' => $number])),
            'supplies' => Schemas::list(Schemas::record('SupplyRow', ['id' => $text, 'name' => $text, 'volts_V' => $number, 'max_A' => $number,
                'from' => $text->orNull(),
                'converter' => $text->orNull(), 'capacity_Ah' => $number->orNull(), 'fuse_A' => $number->orNull(), 'feeds' => Schemas::list($text),
                'day_Ah' => $number,
                'lasts_days' => $number->orNull(), 'takes' => Schemas::list(Schemas::record('DayTake', ['of' => $text, 'says' => $text,
                    'charge_Ah' => $number])),
                'gives_Ah_day' => $number->orNull(), 'balance_Ah_day' => $number->orNull(), 'through_cut_h' => $number->orNull(),
                'curve' => Schemas::record('BatteryCurve', ['most_A' => $number, 'taken_Ah' => Schemas::list($number), 'rest_V' => Schemas::list($number),
                    'most_V' => Schemas::list($number), 'cutoff_V' => $number->orNull(), 'needs_V' => $number->orNull(),
                    'says' => Schemas::sentence()->orNull()])->orNull()])),
            'steps' => Schemas::list(Schemas::record('AssemblyStep', ['id' => $text, 'stage' => $text, 'says' => Schemas::sentence(),
                'bands' => Schemas::list($text),
                'wires' => Schemas::list($number), 'picture' => ChoiceShape::of('striped', 'banded', 'flat', 'board', 'meter')->orNull(),
                'part' => Schemas::sentence()->orNull(), 'done' => new BooleanShape])),
            'shopping' => Schemas::list(Schemas::record('ShoppingLine', ['count' => $number, 'says' => Schemas::sentence(), 'cost' => $number->orNull()])),
            'cautions' => Schemas::list(Schemas::record('Caution', ['code' => $text, 'says' => $text])),
            'stock' => Schemas::list(Schemas::record('StockBoard', ['name' => $text, 'kind' => $text, 'word' => $text, 'cost' => $number,
                'board' => Board::shape()])),
        ]);
    }
}

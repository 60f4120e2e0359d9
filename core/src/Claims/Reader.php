<?php

declare(strict_types=1);

namespace Brookstone\Core\Claims;

use Brookstone\Core\Quantity\Dimension;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Quantity\QuantityParser;
use Brookstone\Core\Quantity\Units;

/** Finds the figures in a text copied from a page: `Size: 40.5 x 20 x 38 mm (1.59 x 0.79 x 1.50 in)`. */
final class Reader
{
    private const LONGEST = 20_000;

    private const MOST_FIGURES = 400;

    private const NUMBER = '\d+(?:[.,]\d+)?';

    /** Spellings that stand in pages and in no field. */
    private const PAGE_SPELLINGS = ['kg.cm' => 'kg·cm', 'kg cm' => 'kg·cm', 'kgf cm' => 'kg·cm', 'oz in' => 'oz·in', 'n m' => 'N·m', 'n cm' => 'N·cm',
        'mn m' => 'mN·m', 'kg-cm' => 'kg·cm', 'kgf.cm' => 'kg·cm', 'kgf-cm' => 'kg·cm', 'oz-in' => 'oz·in', 'oz.in' => 'oz·in', 'n.m' => 'N·m',
        'n·cm' => 'N·cm', 'n.cm' => 'N·cm', 'sec/60' => 's/60°', 's/60' => 's/60°'];

    /** @return list<Figure> in the order of the text; what is not understood is passed over */
    public static function figures(string $text): array
    {
        $units = self::unitPattern();
        $figures = [];
        foreach (explode("\n", mb_substr(mb_scrub($text), 0, self::LONGEST)) as $number => $line) {
            $line = trim($line);
            $folded = mb_strtolower($line);
            // Sizes share the unit that ends their row: each number of `40.5 x 20 x 38 mm` is one in mm.
            $found = preg_match_all('~(?<numbers>'.self::NUMBER.'(?:\s*[x×*]\s*'.self::NUMBER.')*)\s*(?<unit>'.$units.')(?![a-z°²])~iu', $line, $matches,
                PREG_SET_ORDER);
            foreach ($found === false ? [] : $matches as $match) {
                $unit = self::PAGE_SPELLINGS[mb_strtolower($match['unit'])] ?? $match['unit'];
                foreach (preg_split('~\s*[x×*]\s*~u', $match['numbers']) ?: [] as $each) {
                    if (count($figures) >= self::MOST_FIGURES) {
                        return $figures;
                    }
                    $quantity = self::quantity(str_replace(',', '.', $each), $unit);
                    if ($quantity !== null) {
                        $figures[] = new Figure($quantity[0], $quantity[1], "{$each} {$match['unit']}", $folded, $number);
                    }
                }
            }
            if (preg_match('~(?<count>'.self::NUMBER.')\s*(?:counts?|pulses|ticks|cpr|ppr|lines)\b~u', $folded, $match) === 1) {
                $figures[] = new Figure(Quantity::number((float) str_replace(',', '.', $match['count'])), 'counts', $match[0], $folded, $number);
            }
        }

        return $figures;
    }

    /** @return array{Quantity, string}|null */
    private static function quantity(string $number, string $unit): ?array
    {
        foreach (Units::all() as $symbol => $known) {
            if ($symbol === '' || (QuantityParser::fold($symbol) !== QuantityParser::fold($unit) && ! in_array(QuantityParser::fold($unit),
                array_map(QuantityParser::fold(...), $known->aliases), true))) {
                continue;
            }
            try {
                ['quantity' => $quantity, 'unit' => $used] = QuantityParser::parse("{$number} {$symbol}", $symbol);
            } catch (NotUnderstood) {
                return null;
            }

            return in_array($quantity->dimension, [Dimension::Temperature, Dimension::Share], true) ? null : [$quantity, $used];
        }

        return null;
    }

    /** Longest spelling first. */
    private static function unitPattern(): string
    {
        static $pattern = null;
        if ($pattern === null) {
            $spellings = array_keys(self::PAGE_SPELLINGS);
            foreach (Units::all() as $unit) {
                array_push($spellings, mb_strtolower($unit->symbol), ...array_map(mb_strtolower(...), $unit->aliases));
            }
            $spellings = array_filter(array_unique($spellings), fn (string $spelling): bool => $spelling !== ''
                && ! in_array($spelling, ['h', 'c', '%', 'm'], true));
            usort($spellings, fn (string $a, string $b): int => mb_strlen($b) <=> mb_strlen($a));
            $pattern = implode('|', array_map(fn (string $spelling): string => preg_quote($spelling, '~'), $spellings));
        }

        return $pattern;
    }
}

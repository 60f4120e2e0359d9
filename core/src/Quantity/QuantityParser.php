<?php

declare(strict_types=1);

namespace Brookstone\Core\Quantity;

use Brookstone\Core\Error\Describe;
use IntlChar;

/**
 * Reads what people type: `3.5 kg cm`, `1/2 in`, `48 oz-in`, `0,16 s/60°`, or a bare number in the unit the field shows.
 * Whatever could be meant in two ways is refused with a sentence that says what would be understood.
 */
final class QuantityParser
{
    private const LONGEST = 60;

    private const NUMBER = '(?:\d+(?:[.,]\d+)*(?:[eE][+-]?\d+)?|[.,]\d+(?:[eE][+-]?\d+)?)';

    private const FRACTIONS = ['½' => '1/2', '¼' => '1/4', '¾' => '3/4', '⅓' => '1/3', '⅔' => '2/3', '⅛' => '1/8', '⅜' => '3/8', '⅝' => '5/8', '⅞' => '7/8'];

    /** @var array<string, Unit>|null */
    private static ?array $spellings = null;

    /**
     * @param  string  $bareUnit  symbol of the unit of a number typed alone, which also says what kind of thing is wanted
     * @return array{quantity: Quantity, unit: string} the quantity in SI and the symbol of the unit that was used
     *
     * @throws NotUnderstood
     */
    public static function parse(string $text, string $bareUnit): array
    {
        $wanted = Units::get($bareUnit);
        $example = self::example($wanted);
        $clean = self::clean($text);
        if ($clean === '') {
            throw new NotUnderstood('Nothing is entered. Type '.$wanted->dimension->a().', for example '.$example.'.');
        }
        if (mb_strlen($clean) > self::LONGEST) {
            throw new NotUnderstood('That is too long for one number ('.mb_strlen($clean).' characters). Type '.$wanted->dimension->a().', for example '.$example.'.');
        }
        $number = '(?<whole>'.self::NUMBER.')(?:(?:\s+|-)(?<over>\d+)\s*/\s*(?<under>\d+)|\s*/\s*(?<denominator>\d+)(?![\d.,]))?';
        if (preg_match('~^(?<sign>[+-]?)\s*'.$number.'\s*(?<unit>.*)$~uD', $clean, $part, PREG_UNMATCHED_AS_NULL) !== 1) {
            throw new NotUnderstood('“'.Describe::cut($text).'” is not a number. Type '.$wanted->dimension->a().', for example '.$example.'.');
        }
        $value = self::decimal((string) $part['whole']);
        if (($part['over'] ?? null) !== null) {
            $value += self::divide((float) $part['over'], (float) $part['under']);
        } elseif (($part['denominator'] ?? null) !== null) {
            $value = self::divide($value, (float) $part['denominator']);
        }
        $value *= $part['sign'] === '-' ? -1.0 : 1.0;
        $unit = trim((string) $part['unit']) === '' ? $wanted : self::unit(trim((string) $part['unit']), $value, $wanted);
        if ($unit->inverse && $value <= 0.0) {
            throw new NotUnderstood('A time per angle must be more than 0 s.');
        }
        $si = $unit->toSi($value);
        if (! is_finite($si)) {
            throw new NotUnderstood('That number is too large to compute with. Type '.$wanted->dimension->a().', for example '.$example.'.');
        }

        return ['quantity' => new Quantity($si + 0.0, $unit->dimension), 'unit' => $unit->symbol];
    }

    /** Spellings compare without spaces, dots, dashes and times signs, in small letters. */
    public static function fold(string $unit): string
    {
        $folded = mb_strtolower(str_replace([' per ', ' PER '], '/', $unit));

        return str_replace([' ', '·', '*', '⋅', '×', '-', '‐', '.', '_'], '', $folded);
    }

    private static function clean(string $text): string
    {
        $text = strtr(mb_scrub($text), self::spaced(self::FRACTIONS));
        $text = str_replace(['−', '–', "\u{00A0}", "\u{2009}", "\u{202F}", "\t", "\n", "\r", 'º', "''"], ['-', '-', ' ', ' ', ' ', ' ', ' ', ' ', '°',
            '"'], $text);

        return trim((string) preg_replace('/ +/', ' ', self::figures($text)));
    }

    /** Figures of any script, and the points and commas that go with them, as 0 to 9: `１２`, `٣٫٥`. */
    private static function figures(string $text): string
    {
        $text = strtr($text, ['٫' => '.', '．' => '.', '٬' => ',', '，' => ',']);

        return (string) preg_replace_callback('/(?![0-9])\p{Nd}/u', fn (array $figure): string => (string) IntlChar::charDigitValue($figure[0]), $text);
    }

    /**
     * @param  array<string, string>  $fractions
     * @return array<string, string>
     */
    private static function spaced(array $fractions): array
    {
        return array_map(fn (string $fraction): string => ' '.$fraction, $fractions);
    }

    private static function decimal(string $typed): float
    {
        $commas = substr_count($typed, ',');
        $points = substr_count($typed, '.');
        if ($commas === 1 && $points === 0) {
            [$before, $after] = explode(',', $typed);
            if (preg_match('/^[1-9]\d{0,2}$/', $before) === 1 && preg_match('/^\d{3}$/', $after) === 1) {
                throw new NotUnderstood("“{$typed}” can be read two ways. Type {$before}{$after} for the large number or {$before}.{$after} for the small one.");
            }
            $typed = str_replace(',', '.', $typed);
        } elseif ($commas > 0 || $points > 1) {
            if ($points <= 1 && preg_match('/^\d{1,3}(,\d{3})+(\.\d+)?$/', $typed) === 1) {
                $typed = str_replace(',', '', $typed);
            } else {
                throw new NotUnderstood("“{$typed}” has too many points or commas. Type one number, for example 1234.5.");
            }
        }

        return (float) $typed;
    }

    private static function divide(float $over, float $under): float
    {
        if ($under === 0.0) {
            throw new NotUnderstood('Nothing can be divided by 0.');
        }

        return $over / $under;
    }

    private static function unit(string $typed, float $value, Unit $wanted): Unit
    {
        $exact = Units::all()[$typed] ?? null;
        $unit = $exact ?? self::spellings()[self::fold($typed)] ?? null;
        $say = Format::significant($value, 6);
        if ($unit === null) {
            throw new NotUnderstood(self::unknown($typed, $say, $wanted));
        }
        if ($exact === null && str_starts_with($typed, 'M') && preg_match('/^m[NVAWJ]/', $unit->symbol) === 1 && strtoupper($typed) !== $typed) {
            throw new NotUnderstood("“{$typed}” with a capital M would be a million. Type {$say} {$unit->symbol} if you mean thousandths.");
        }
        if ($unit->dimension === $wanted->dimension || ($unit->dimension === Dimension::Share && $wanted->dimension === Dimension::Number)) {
            return $unit;
        }
        $near = self::near($typed, $wanted);
        $tail = $near === null || ($near->inverse && $value <= 0.0)
            ? 'Type '.$wanted->dimension->a().', for example '.self::example($wanted).'.'
            : "Understood would be {$say} {$near->symbol} (".(new Quantity($near->toSi($value), $near->dimension))->text().').';

        throw new NotUnderstood("{$unit->symbol} is ".$unit->dimension->a().', but '.$wanted->dimension->a()." is wanted here. {$tail}");
    }

    private static function unknown(string $typed, string $say, Unit $wanted): string
    {
        $units = [];
        foreach (Units::all() as $unit) {
            if ($unit->dimension === $wanted->dimension && $unit->symbol !== '') {
                $units[] = $unit->symbol;
            }
        }
        if (preg_match('~^(kg|g|oz|lb)f?\s*/\s*(cm|in|m)$~i', $typed, $part) === 1 && $wanted->dimension === Dimension::Torque) {
            return "“{$typed}” would be a mass divided by a length. For a torque type {$say} {$part[1]}·{$part[2]}.";
        }
        $known = $units === [] ? 'Type the number alone.' : 'Understood: '.implode(', ', $units).'.';

        return 'The unit “'.Describe::cut($typed)."” is not known here. {$known}";
    }

    /** The unit of the wanted kind that starts with what was typed: kg for a torque is most likely kg·cm. */
    private static function near(string $typed, Unit $wanted): ?Unit
    {
        $folded = self::fold($typed);
        foreach (Units::all() as $unit) {
            if ($unit->dimension === $wanted->dimension && $unit->symbol !== '' && str_starts_with(self::fold($unit->symbol), $folded)) {
                return $unit;
            }
        }

        return null;
    }

    private static function example(Unit $wanted): string
    {
        return '12'.Format::gap($wanted->symbol).$wanted->symbol;
    }

    /** @return array<string, Unit> */
    private static function spellings(): array
    {
        if (self::$spellings === null) {
            self::$spellings = [];
            foreach (Units::all() as $unit) {
                foreach ([$unit->symbol, ...$unit->aliases] as $spelling) {
                    self::$spellings[self::fold($spelling)] ??= $unit;
                }
            }
        }

        return self::$spellings;
    }
}

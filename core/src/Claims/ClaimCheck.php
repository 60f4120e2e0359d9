<?php

declare(strict_types=1);

namespace Brookstone\Core\Claims;

use Brookstone\Core\Drive\ContinuousServo;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Dimension;
use Brookstone\Core\Quantity\Quantity;

/**
 * Compares figures that must agree: the same thing told in two units, power against torque and speed, currents against
 * each other, counts against resolution. It says what is odd, not which of the two is right.
 */
final class ClaimCheck
{
    private const AGREES = 0.03;       // pages round to two figures

    private const PAGE_AGREES = 0.1;   // what was typed in, against what the page says

    private const POWER_AGREES = 0.15;

    private const LIGHTEST_G_CM3 = 0.35;

    private const HEAVIEST_G_CM3 = 9.0; // solid brass

    /** @return list<Contradiction> of a drive: its ratings among themselves, its page, and the one against the other */
    public static function of(Drive $drive): array
    {
        $odd = [...self::ratings($drive), ...self::density($drive)];
        if ($drive->body()->page !== '') {
            $figures = Reader::figures($drive->body()->page);
            $odd = [...$odd, ...self::among($figures), ...self::against($drive, $figures)];
        }

        return $odd;
    }

    /** @return list<Contradiction> of a text copied from somewhere */
    public static function ofText(string $text): array
    {
        return self::among(Reader::figures($text));
    }

    /**
     * @param  list<Figure>  $figures
     * @return list<Contradiction>
     */
    private static function among(array $figures): array
    {
        return [...self::sameTwice($figures), ...self::currents($figures), ...self::power($figures), ...self::counts($figures), ...self::rolls($figures)];
    }

    /**
     * In one line the same kind of figure in two units must agree, one by one; over two lines where each says the same
     * thing (torque, speed, size, weight) once.
     *
     * @param  list<Figure>  $figures
     * @return list<Contradiction>
     */
    private static function sameTwice(array $figures): array
    {
        $odd = [];
        $lines = $whole = [];
        foreach ($figures as $figure) {
            if ($figure->quantity->dimension === Dimension::Number) {
                continue;
            }
            $lines[$figure->number][$figure->quantity->dimension->value][$figure->unit][] = $figure;
            foreach (['stall', 'no.?load', 'speed', 'weight|mass', 'size|dimension', 'height|tall', 'length|long', 'width|wide', 'diameter|wheel',
                'stroke'] as $topic) {
                if ($figure->mentions($topic)) {
                    $whole[$topic.$figure->quantity->dimension->value][$figure->unit][$figure->number][] = $figure;
                }
            }
        }
        foreach ($lines as $line) {
            foreach ($line as $units) {
                $groups = array_values($units);
                for ($i = 1; $i < count($groups); $i++) {
                    $odd = [...$odd, ...(count($groups[$i]) === count($groups[0]) ? self::pairs($groups[0], $groups[$i]) : [])];
                }
            }
        }
        foreach ($whole as $units) {
            $single = array_values(array_filter($units, fn (array $byLine): bool => count($byLine) === 1));
            for ($i = 1; $i < count($single); $i++) {
                [$a, $b] = [array_values($single[0])[0], array_values($single[$i])[0]];
                if ($a[0]->number !== $b[0]->number && count($a) === count($b)) {
                    $odd = [...$odd, ...self::pairs($a, $b)];
                }
            }
        }
        $seen = [];

        return array_values(array_filter($odd, function (Contradiction $each) use (&$seen): bool {
            $new = ! isset($seen[$each->says->template]);
            $seen[$each->says->template] = true;

            return $new;
        }));
    }

    /**
     * @param  list<Figure>  $these
     * @param  list<Figure>  $those
     * @return list<Contradiction>
     */
    private static function pairs(array $these, array $those): array
    {
        $odd = [];
        foreach ($these as $i => $a) {
            $b = $those[$i];
            $off = abs($a->quantity->si - $b->quantity->si) / max(abs($a->quantity->si), abs($b->quantity->si), 1e-12);
            if ($off > max(self::AGREES, self::rounding($a) + self::rounding($b))) {
                $odd[] = new Contradiction('same_twice', new Sentence("{$a->written} and {$b->written} should be the same and differ by {off}.",
                    ['off' => Quantity::share($off)]));
            }
        }

        return $odd;
    }

    /** Half of the last place that was written, as a share. */
    private static function rounding(Figure $figure): float
    {
        preg_match('/^\d+(?:[.,](\d+))?/', $figure->written, $match);
        $number = (float) str_replace(',', '.', $match[0] ?? '1');

        return $number > 0.0 ? 0.5 * 10 ** -strlen($match[1] ?? '') / $number : 0.0;
    }

    /**
     * @param  list<Figure>  $figures
     * @return list<Contradiction>
     */
    private static function currents(array $figures): array
    {
        $idle = self::first($figures, Dimension::Current, 'no.?load', 'idle');
        $stall = self::first($figures, Dimension::Current, 'stall', 'locked');

        return $idle !== null && $stall !== null && $idle->quantity->si >= $stall->quantity->si
            ? [new Contradiction('idle_over_stall', new Sentence("It cannot draw {$idle->written} without load and {$stall->written} when held."))] : [];
    }

    /**
     * A speed over the ground against a speed of turning and the wheel: v = π·d·n.
     *
     * @param  list<Figure>  $figures
     * @return list<Contradiction>
     */
    private static function rolls(array $figures): array
    {
        $speed = self::first($figures, Dimension::Speed, 'speed', 'fast', 'km/h', 'm/s');
        $turns = self::first($figures, Dimension::AngularSpeed, 'rpm', 'speed', 'turn');
        $wheel = self::first($figures, Dimension::Length, 'wheel', 'diameter', 'tyre|tire');
        if ($speed === null || $turns === null || $wheel === null) {
            return [];
        }
        $across = $wheel->mentions('radius') ? 2 * $wheel->quantity->si : $wheel->quantity->si;
        $rolls = $across / 2 * $turns->quantity->si;
        $off = abs($rolls - $speed->quantity->si) / max($rolls, $speed->quantity->si, 1e-12);

        return $off > self::POWER_AGREES ? [new Contradiction('rolls', new Sentence(
            "A wheel of {$wheel->written} at {$turns->written} rolls {rolls}, not {$speed->written}.", ['rolls' => Quantity::of($rolls, 'm/s')],
        ))] : [];
    }

    /**
     * @param  list<Figure>  $figures
     * @return list<Contradiction>
     */
    private static function power(array $figures): array
    {
        $power = self::first($figures, Dimension::Power, 'power', 'rated', 'output', 'watt');
        if ($power === null) {
            return [];
        }
        $torque = self::first($figures, Dimension::Torque, 'rated');
        $speed = self::first($figures, Dimension::AngularSpeed, 'rated');
        if ($torque !== null && $speed !== null) {
            $product = $torque->quantity->si * $speed->quantity->si;

            return abs($product - $power->quantity->si) > self::POWER_AGREES * max($product, $power->quantity->si) ? [new Contradiction('power', new Sentence(
                "{$torque->written} at {$speed->written} are {product}, not {$power->written}.", ['product' => Quantity::of($product, 'W')],
            ))] : [];
        }
        $torque = self::first($figures, Dimension::Torque, 'stall', 'torque');
        $speed = self::first($figures, Dimension::AngularSpeed, 'no.?load', 'speed');
        if ($torque === null || $speed === null) {
            return [];
        }
        $most = $torque->quantity->si * $speed->quantity->si / 4;

        return $power->quantity->si > $most * (1 + self::AGREES) ? [new Contradiction('power', new Sentence(
            "{$power->written} are more than {$torque->written} held and {$speed->written} free can give: {most} at half of both.",
            ['most' => Quantity::of($most, 'W')],
        ))] : [];
    }

    /**
     * @param  list<Figure>  $figures
     * @return list<Contradiction>
     */
    private static function counts(array $figures): array
    {
        $angle = self::first($figures, Dimension::Angle, 'resolution', 'count', 'step');
        foreach ($figures as $figure) {
            if ($angle === null || $figure->unit !== 'counts' || $figure->quantity->si <= 0.0) {
                continue;
            }
            $each = 2 * M_PI / $figure->quantity->si;
            foreach ([1, 2, 4] as $edges) {
                if (abs($each / $edges - $angle->quantity->si) <= max(self::AGREES, self::rounding($angle)) * $angle->quantity->si) {
                    return [];
                }
            }

            return [new Contradiction('counts', new Sentence("{$figure->written} for a turn are {each} each, not {$angle->written}.",
                ['each' => Quantity::of($each / Constants::RAD_PER_DEG, '°')]))];
        }

        return [];
    }

    /** @return list<Contradiction> */
    private static function ratings(Drive $drive): array
    {
        $odd = [];
        $ratings = [];
        if ($drive instanceof Servo || $drive instanceof ContinuousServo) {
            foreach ($drive->write()['ratings'] as $rating) {
                $last = end($ratings);
                if ($last !== false && ($rating['stall_Nm'] < $last['stall_Nm'] || $rating['speed_deg_s'] < $last['speed_deg_s'])) {
                    $odd[] = new Contradiction('ratings', new Sentence('At {more} it is said to be weaker or slower than at {less}.',
                        ['more' => Quantity::of($rating['volts_V'], 'V'), 'less' => Quantity::of($last['volts_V'], 'V')]));
                }
                $ratings[] = $rating;
            }
            $top = $ratings[count($ratings) - 1];
            $given = $top['stall_Nm'] * $top['speed_deg_s'] * Constants::RAD_PER_DEG / 4;
            $taken = $top['volts_V'] * ($drive->stall_A + $drive->idle_A) / 2;
        } elseif ($drive instanceof DcMotor) {
            $given = self::peakPower_W($drive);
            $taken = $drive->rated_V * ($drive->stall_A + $drive->no_load_A) / 2;
        } else {
            return [];
        }
        if ($given > $taken * (1 + self::AGREES)) {
            $odd[] = new Contradiction('power',
                new Sentence('At half its stall torque it would give {given} and take only {taken}: torque, speed and current do not belong together.',
                    ['given' => Quantity::of($given, 'W'), 'taken' => Quantity::of($taken, 'W')]));
        }

        return $odd;
    }

    /** Most mechanical power of a straight line, at half stall and half speed. */
    public static function peakPower_W(DcMotor $motor): float
    {
        return $motor->stall_Nm * $motor->no_load_rpm * Constants::RAD_S_PER_RPM / 4;
    }

    /** @return list<Contradiction> */
    private static function density(Drive $drive): array
    {
        $body = $drive->body();
        $density = $body->mass_kg * 1e6 / ($body->length_mm * $body->width_mm * $body->height_mm);

        return $density < self::LIGHTEST_G_CM3 || $density > self::HEAVIEST_G_CM3 ? [new Contradiction('density', new Sentence(
            '{mass} in that size are {density} g/cm³, which no motor is: mass or size is wrong.', ['mass' => Quantity::of($body->mass_kg, 'kg'),
                'density' => Quantity::number($density)],
        ))] : [];
    }

    /**
     * What was typed in against what the page says: any of its figures may be meant, so only what matches none is odd.
     *
     * @param  list<Figure>  $figures
     * @return list<Contradiction>
     */
    private static function against(Drive $drive, array $figures): array
    {
        $torques = $drive instanceof Servo || $drive instanceof ContinuousServo ? array_column($drive->write()['ratings'], 'stall_Nm')
            : ($drive instanceof DcMotor ? [$drive->stall_Nm] : []);
        $odd = [];
        foreach ([[Dimension::Torque, $torques, 'stall|torque'], [Dimension::Mass, [$drive->body()->mass_kg], 'weight|mass']] as [$dimension, $typed, $word]) {
            $said = array_values(array_filter($figures, fn (Figure $figure): bool => $figure->quantity->dimension === $dimension && $figure->mentions($word)));
            if ($said === [] || $typed === []) {
                continue;
            }
            $agree = array_filter($said, fn (Figure $figure): bool => array_filter($typed,
                fn (float $each): bool => abs($each - $figure->quantity->si) <= self::PAGE_AGREES * max($each, $figure->quantity->si)) !== []);
            if ($agree === []) {
                $odd[] = new Contradiction('same_twice', new Sentence("The page says {$said[0]->written}, but {typed} was typed in.",
                    ['typed' => new Quantity($typed[count($typed) - 1], $dimension)]));
            }
        }

        return $odd;
    }

    /** @param  list<Figure>  $figures */
    private static function first(array $figures, Dimension $dimension, string ...$words): ?Figure
    {
        foreach ($figures as $figure) {
            if ($figure->quantity->dimension === $dimension && $figure->mentions(...$words)) {
                return $figure;
            }
        }

        return null;
    }
}

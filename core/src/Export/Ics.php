<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

/** Whole days as a calendar file: RFC 5545, §3.1 (lines, folded at 75 octets), §3.3.11 (text), §3.6.1 (events). */
final class Ics
{
    private const FOLD = 75;

    /**
     * @param  string  $name  of the calendar
     * @param  list<array{id: string, from: string, until: string, says: string, note: string}>  $events  days, the last one too; ids unique and lasting
     * @param  string  $stamp  day on which that was so, as 2026-05-31: a file of the same plan is the same file
     */
    public static function write(string $name, array $events, string $stamp): string
    {
        $lines = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Brookstone//Plan and service//EN', 'CALSCALE:GREGORIAN', 'X-WR-CALNAME:'.self::text($name)];
        foreach ($events as $event) {
            $note = $event['note'] === '' ? [] : ['DESCRIPTION:'.self::text($event['note'])];
            $lines = [...$lines, 'BEGIN:VEVENT', 'UID:'.self::text($event['id']), 'DTSTAMP:'.strtr($stamp, ['-' => '']).'T000000Z',
                'DTSTART;VALUE=DATE:'.strtr($event['from'], ['-' => '']), 'DTEND;VALUE=DATE:'.self::after($event['until']),
                'SUMMARY:'.self::text($event['says']), ...$note, 'TRANSP:TRANSPARENT', 'END:VEVENT'];
        }
        $lines[] = 'END:VCALENDAR';

        return implode('', array_map(self::folded(...), $lines));
    }

    /** The day after, which is no longer part of it. */
    private static function after(string $day): string
    {
        return gmdate('Ymd', (int) gmmktime(0, 0, 0, (int) substr($day, 5, 2), (int) substr($day, 8, 2) + 1, (int) substr($day, 0, 4)));
    }

    private static function text(string $text): string
    {
        return strtr($text, ['\\' => '\\\\', ';' => '\\;', ',' => '\\,', "\r\n" => '\\n', "\n" => '\\n', "\r" => '\\n']);
    }

    /** A line in pieces of 75 octets, none of which cuts a letter apart. */
    private static function folded(string $line): string
    {
        $folded = '';
        for ($room = self::FOLD; strlen($line) > $room; $room = self::FOLD - 1) {
            $piece = mb_strcut($line, 0, $room);
            [$folded, $line] = [$folded.$piece."\r\n ", substr($line, strlen($piece))];
        }

        return $folded.$line."\r\n";
    }
}

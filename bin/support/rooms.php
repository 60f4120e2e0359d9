<?php

declare(strict_types=1);

/*
 * The rooms of the core and what each of them uses, read from the code: `php bin/support/rooms.php` draws them into docs/rooms.svg. The architecture test
 * holds that no room uses one that uses it, by whatever way, and that the picture is of the code as it is.
 */

/** @return array<string, array<string, list<string>>> by room and the room that it uses: the files that do */
function roomsOf(string $core): array
{
    // what stands at the top is one
    $room = fn (string $folder): string => preg_match('~^(Assessment/\w+|\w+)~', $folder, $match) === 1 ? $match[1] : 'Assessor';
    $uses = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($core, FilesystemIterator::SKIP_DOTS)) as $file) {
        $path = substr($file->getPathname(), strlen($core) + 1);
        $own = $room(str_contains($path, '/') ? dirname($path) : '');
        $uses[$own] ??= [];
        preg_match_all('/^use Brookstone\\\\Core\\\\([\w\\\\]+)(?: as \w+)?;$/m', (string) file_get_contents($file->getPathname()), $found);
        foreach ($found[1] as $class) {
            $folder = str_replace('\\', '/', $class);
            $other = $room(str_contains($folder, '/') ? dirname($folder) : '');
            if ($other !== $own) {
                $uses[$own][$other][] = $path;
            }
        }
    }
    ksort($uses);

    return $uses;
}

/**
 * @param  array<string, array<string, list<string>>>  $uses
 * @return list<string> rooms that use each other in a ring, in its order; none where there is an order
 */
function ringOf(array $uses): array
{
    $state = [];
    $walk = function (string $room, array $way) use (&$walk, &$state, $uses): array {
        if (in_array($room, $way, true)) {
            return array_slice($way, (int) array_search($room, $way, true));
        }
        if (isset($state[$room])) {
            return [];
        }
        foreach (array_keys($uses[$room] ?? []) as $other) {
            $ring = $walk($other, [...$way, $room]);
            if ($ring !== []) {
                return $ring;
            }
        }
        $state[$room] = true;

        return [];
    };
    foreach (array_keys($uses) as $room) {
        $ring = $walk($room, []);
        if ($ring !== []) {
            return $ring;
        }
    }

    return [];
}

/**
 * @param  array<string, array<string, list<string>>>  $uses  without a ring
 * @return array<string, int> on which floor each stands: above all that it uses
 */
function floorsOf(array $uses): array
{
    $floors = [];
    $floor = function (string $room) use (&$floor, &$floors, $uses): int {
        return $floors[$room] ??= 1 + max([-1, ...array_map($floor, array_keys($uses[$room] ?? []))]);
    };
    array_map($floor, array_keys($uses));

    return $floors;
}

/** @param  array<string, array<string, list<string>>>  $uses */
function pictureOf(array $uses): string
{
    $floors = floorsOf($uses);
    $byFloor = [];
    foreach ($floors as $room => $floor) {
        $byFloor[$floor][] = $room;
    }
    ksort($byFloor);
    [$wide, $high, $gap, $across] = [124, 30, 58, 980];
    $place = [];
    foreach ($byFloor as $floor => $rooms) {
        foreach ($rooms as $i => $room) {
            $place[$room] = [$across * ($i + 0.5) / count($rooms), (count($byFloor) - 1 - $floor) * $gap + 20];
        }
    }
    $lines = $boxes = '';
    foreach ($uses as $room => $others) {
        foreach (array_keys($others) as $other) {
            // What a room below uses in turn is not drawn again.
            $further = array_filter(array_keys($others), fn (string $between): bool => $between !== $other && isset(reachedFrom($uses, $between)[$other]));
            if ($further === []) {
                $lines .= sprintf("<path d=\"M%.0f %.0f C%.0f %.0f %.0f %.0f %.0f %.0f\"/>\n", $place[$room][0], $place[$room][1] + $high, $place[$room][0],
                    $place[$room][1] + $high + 24, $place[$other][0], $place[$other][1] - 24, $place[$other][0], $place[$other][1]);
            }
        }
        $boxes .= sprintf("<rect x=\"%.0f\" y=\"%.0f\" width=\"%d\" height=\"%d\" rx=\"4\"/><text x=\"%.0f\" y=\"%.0f\">%s</text>\n",
            $place[$room][0] - $wide / 2, $place[$room][1], $wide, $high, $place[$room][0], $place[$room][1] + 19,
            str_replace('Assessment/', 'Assessment · ', $room));
    }
    $height = count($byFloor) * $gap + 20;

    return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 {$across} {$height}\" font-family=\"sans-serif\" font-size=\"10.5\" text-anchor=\"middle\">\n"
        ."<title>The rooms of the core: each uses those below it that its lines lead to, and what these use.</title>\n"
        ."<rect width=\"{$across}\" height=\"{$height}\" fill=\"#fff\"/>\n<g fill=\"none\" stroke=\"#8a94a6\">\n{$lines}</g>\n<g fill=\"#f4f1ea\" stroke=\"#4a5568\">\n"
        .preg_replace('~<text~', '<text fill="#1f2937" stroke="none"', $boxes)."</g>\n</svg>\n";
}

/**
 * @param  array<string, array<string, list<string>>>  $uses
 * @return array<string, true>
 */
function reachedFrom(array $uses, string $room): array
{
    $reached = [];
    foreach (array_keys($uses[$room] ?? []) as $other) {
        $reached += [$other => true] + reachedFrom($uses, $other);
    }

    return $reached;
}

if (realpath($_SERVER['SCRIPT_FILENAME'] ?? '') === __FILE__) {
    $root = dirname(__DIR__, 2);
    $uses = roomsOf("{$root}/core/src");
    $ring = ringOf($uses);
    if ($ring !== []) {
        fwrite(STDERR, 'These use each other in a ring: '.implode(' → ', [...$ring, $ring[0]])."\n");
        exit(1);
    }
    file_put_contents("{$root}/docs/rooms.svg", pictureOf($uses));
    echo "docs/rooms.svg\n";
}

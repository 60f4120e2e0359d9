<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

/** A wheel as a solid, binary STL in millimetres: closed, every triangle counter-clockwise seen from outside. */
final class Stl
{
    /**
     * @param  list<array{float, float}>  $outline  counter-clockwise around the centre, and seen whole from it
     * @param  list<array{float, float}>  $hole  the same, inside
     */
    public static function write(string $title, array $outline, array $hole, float $height_mm): string
    {
        $triangles = [];
        foreach (self::ring($outline, $hole) as [$a, $b, $c]) {
            $triangles[] = [[...$a, $height_mm], [...$b, $height_mm], [...$c, $height_mm]];
            $triangles[] = [[...$a, 0.0], [...$c, 0.0], [...$b, 0.0]];
        }
        foreach ([[$outline, false], [$hole, true]] as [$line, $inside]) {
            foreach ($line as $i => $from) {
                $to = $line[($i + 1) % count($line)];
                [$a, $b] = $inside ? [$to, $from] : [$from, $to];
                $triangles[] = [[...$a, 0.0], [...$b, 0.0], [...$b, $height_mm]];
                $triangles[] = [[...$a, 0.0], [...$b, $height_mm], [...$a, $height_mm]];
            }
        }
        $solid = str_pad(substr($title, 0, 80), 80, ' ').pack('V', count($triangles));
        foreach ($triangles as [$a, $b, $c]) {
            $solid .= pack('g12v', ...self::normal($a, $b, $c), ...$a, ...$b, ...$c, ...[0]);
        }

        return $solid;
    }

    /**
     * The flat ring between two lines around one centre: going round, the line that is behind steps on.
     *
     * @param  list<array{float, float}>  $outline
     * @param  list<array{float, float}>  $hole
     * @return list<array{array{float, float}, array{float, float}, array{float, float}}> counter-clockwise
     */
    private static function ring(array $outline, array $hole): array
    {
        [$outer, $inner] = [self::fromRight($outline), self::fromRight($hole)];
        [$n, $m] = [count($outer), count($inner)];
        $triangles = [];
        for ($i = 0, $j = 0; $i < $n || $j < $m;) {
            $nextOuter = $i < $n ? $outer[($i + 1) % $n][0] + ($i + 1 === $n ? 2 * M_PI : 0.0) : INF;
            $nextInner = $j < $m ? $inner[($j + 1) % $m][0] + ($j + 1 === $m ? 2 * M_PI : 0.0) : INF;
            if ($nextOuter <= $nextInner) {
                $triangles[] = [$outer[$i % $n][1], $outer[($i + 1) % $n][1], $inner[$j % $m][1]];
                $i++;
            } else {
                $triangles[] = [$outer[$i % $n][1], $inner[($j + 1) % $m][1], $inner[$j % $m][1]];
                $j++;
            }
        }

        return $triangles;
    }

    /**
     * @param  list<array{float, float}>  $line
     * @return list<array{float, array{float, float}}> by rising angle from 0
     */
    private static function fromRight(array $line): array
    {
        $seen = array_map(fn (array $point): array => [fmod(atan2($point[1], $point[0]) + 2 * M_PI, 2 * M_PI), $point], $line);
        $first = 0;
        foreach ($seen as $i => [$angle]) {
            $first = $angle < $seen[$first][0] ? $i : $first;
        }

        return [...array_slice($seen, $first), ...array_slice($seen, 0, $first)];
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     * @return array{float, float, float}
     */
    private static function normal(array $a, array $b, array $c): array
    {
        [$ux, $uy, $uz] = [$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]];
        [$vx, $vy, $vz] = [$c[0] - $a[0], $c[1] - $a[1], $c[2] - $a[2]];
        [$x, $y, $z] = [$uy * $vz - $uz * $vy, $uz * $vx - $ux * $vz, $ux * $vy - $uy * $vx];
        $length = sqrt($x * $x + $y * $y + $z * $z);

        return $length > 0.0 ? [$x / $length, $y / $length, $z / $length] : [0.0, 0.0, 0.0];
    }
}

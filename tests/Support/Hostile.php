<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Models\Build;
use App\Models\DrawerDrive;
use App\Models\RigSession;
use App\Models\Study;
use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Requests that mean no good, the same for the same seed: right ones, with something in them taken away, doubled, or replaced by what nobody would send. */
final class Hostile
{
    private const WORDS = ['', '0', '-1', 'nope', '..', ' ', '９', '1e308', '-0', 'NaN', '9223372036854775808', '0x1F', "'; DROP TABLE builds; --", 'null',
        '<b>', "\u{0}", "\u{202E}x", '1,5', '12 mm', '0 s', '1/0', '5e-324 mm'];

    private const QUERIES = ['goal', 'each', 'rows', 'ratio', 'rpm', 'torque_Nm', 'stages', 'module_mm', 'direction', 'order', 'limit', 'worm_wheel',
        'belt_driver', 'belt_driven', 'kerf_mm', 'flat_mm', 'key_mm', 'bore_mm', 'hole_mm', 'width_mm', 'routine'];

    private readonly Randomizer $random;

    /** @var list<Route> */
    private array $routes;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
        $this->routes = array_values(array_filter(Routes::getRoutes()->getRoutes(), fn (Route $route): bool => str_starts_with($route->uri(), 'api/')));
    }

    /** @return array{string, string, string} method, path with its query, and body */
    public function next(): array
    {
        $route = $this->one($this->routes);
        $method = array_values(array_diff($route->methods(), ['HEAD']))[0];
        $path = (string) preg_replace_callback('/\{(\w+)\}/', fn (array $name): string => rawurlencode($this->chance(0.9) ? $this->id($name[1])
            : $this->word()), $route->uri());
        $query = [];
        for ($i = $method === 'GET' ? $this->random->getInt(0, 4) : 0; $i > 0; $i--) {
            $query[$this->one(self::QUERIES).($this->chance(0.1) ? '[]' : '')] = $this->chance(0.5) ? (string) $this->random->getInt(0, 20) : $this->word();
        }
        $body = $method === 'GET' ? '' : $this->written($this->body($route->uri()));

        return [$method, "/{$path}".($query === [] ? '' : '?'.http_build_query($query)), $body];
    }

    private function id(string $of): string
    {
        $document = Builds::sound()->document;

        return (string) match ($of) {
            'build' => $this->one(Build::query()->toBase()->orderBy('id')->pluck('id')->all() ?: ['none']),
            'motion' => $this->one(['lid', 'jaw', 'lift', 'drawbridge', 'rower', 'tide']),
            'routine' => $this->one(['show', 'wake', 'harbour-show']),
            'sensor' => $this->one(['button', 'beam']),
            'drive' => $this->one(DrawerDrive::query()->toBase()->orderBy('id')->pluck('id')->all() ?: ['1']),
            'table' => $this->one(['gears', 'lines']),
            'study' => $this->one(Study::query()->toBase()->orderBy('id')->pluck('id')->all() ?: ['none']),
            'session' => $this->one(RigSession::query()->toBase()->orderBy('id')->pluck('id')->all() ?: ['none']),
            'name' => $this->one(array_keys(Calculators::all())),
            'file' => $this->one(['gears.svg', 'holes.dxf', 'parts.csv', 'gear-1.stl', 'linkage.svg', 'gear-99.stl']),
            'example' => $this->one(['star-dial', 'piston']),
            default => $document['name'],
        };
    }

    private function body(string $uri): mixed
    {
        $sound = Builds::sound()->document;
        $change = fn (): array => $this->chance(0.5)
            ? ['path' => $this->path($sound), 'text' => $this->word(), 'unit' => $this->one(['mm', 'g', '°', 's', ' ', 'nope', ''])]
            : ['path' => $this->path($sound), 'value' => $this->junk()];

        return match (true) {
            str_ends_with($uri, 'builds/import'), str_ends_with($uri, 'api/assess') => $this->chance(0.7) ? $sound : Builds::demo('heron-wharf')->document,
            str_ends_with($uri, 'edits'), str_ends_with($uri, 'try') => ['version' => 1, 'changes' => array_map(fn (): array => $change(),
                range(1, $this->random->getInt(1, 3))), 'rehearsed' => $this->chance(0.2)],
            str_ends_with($uri, 'complete') => ['changes' => [['path' => 'motions.0.drive.duty', 'value' => 0.5]],
                'does' => ['template' => 'x', 'values' => []]],
            str_ends_with($uri, 'mend-all') => ['dropped' => [$this->word()]],
            str_ends_with($uri, 'undo'), str_ends_with($uri, 'redo') => ['version' => $this->random->getInt(0, 3)],
            str_contains($uri, 'calc/') => array_map(fn (mixed $_): mixed => $this->chance(0.7) ? $this->random->getInt(0, 50_000) / 1000 : $this->junk(),
                array_flip($this->random->pickArrayKeys(array_flip(['mass_kg', 'cg_m', 'angle_deg', 'ratio', 'driver', 'driven', 'inertia_kgm2', 'supply_V',
                    'duty', 'teeth', 'module_mm', 'rocker', 'ground', 'crank', 'coupler']), 6))),
            str_ends_with($uri, 'quantity') => ['text' => $this->word(), 'unit' => $this->one(['mm', 'N·m', '°/s', ' ', 'nope', ''])],
            str_ends_with($uri, 'readings') => ['text' => $this->one(["without,with\n1,9\n2,8", $this->word(), str_repeat('9 ', 500)])],
            str_ends_with($uri, 'studies') => ['kind' => $this->one(['faults', 'drift', 'states']), 'routine' => 'show', 'motion' => 'lift',
                'scenario' => 'pressed', 'cycles' => 20],
            str_ends_with($uri, 'run') => ['scenario' => 'pressed', 'events' => [['what' => 'hold', 'at_s' => 9, 'motion' => 'lid', 'is' => 'on']]],
            str_ends_with($uri, 'say') => ['lines' => [['do' => 'step', 'seconds' => 0.1], ['do' => 'set', 'motion' => 'lid', 'run' => 'up'],
                ['do' => 'event', 'event' => ['sensor' => 'button', 'is' => 'on']], ['do' => 'get']]],
            str_ends_with($uri, 'rig') => ['scenario' => 'nope'],
            str_ends_with($uri, 'api/drawer'), str_contains($uri, 'drawer/{drive}') => ['version' => 1]
                + Drives::write(array_values(iterator_to_array(Drawer::all()))[$this->random->getInt(0, 9)]),
            str_contains($uri, '{table}') && ! str_ends_with($uri, 'import') => ['gears' => [['module_mm' => 1, 'teeth' => 20]], 'lines' => [],
                'version' => $this->random->getInt(1, 3)],
            str_ends_with($uri, 'import') => ['csv' => "code,kind\n{$this->word()},servo"],
            str_ends_with($uri, 'pictures') => ['name' => 'x', 'type' => 'image/png', 'data' => base64_encode($this->random->getBytes(60))],
            default => ['name' => $this->word()],
        };
    }

    /** As it is sent: often with something in it spoilt, now and then no JSON at all. */
    private function written(mixed $body): string
    {
        for ($i = $this->random->getInt(0, 3); $i > 0 && is_array($body); $i--) {
            $body = $this->spoilt($body);
        }

        return $this->chance(0.02) ? $this->one(['', '{', '[]', 'null', '"x"', "\xff", str_repeat('[', 200)])
            : (string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
    }

    /**
     * @param  array<mixed>  $list
     * @return array<mixed>
     */
    private function spoilt(array $list): array
    {
        if ($list === []) {
            return $this->chance(0.5) ? [$this->junk()] : [];
        }
        $key = $this->one(array_keys($list));
        if (is_array($list[$key]) && $list[$key] !== [] && $this->chance(0.85)) {
            $list[$key] = $this->spoilt($list[$key]);
        } elseif ($this->chance(0.15)) {
            unset($list[$key]);
        } elseif (is_int($list[$key]) || is_float($list[$key])) {
            $list[$key] = $this->chance(0.5) ? $list[$key] * $this->one([0, -1, 1e-9, 1e-3, 1e3, 1e9]) : $this->junk();
        } else {
            $list[$key] = $this->junk();
        }

        return $list;
    }

    /** @param  array<mixed>  $document */
    private function path(array $document): string
    {
        $path = [];
        for ($here = $document; is_array($here) && $here !== [] && ! ($path !== [] && $this->chance(0.1)); $here = $here[$key]) {
            $path[] = $key = $this->one(array_keys($here));
        }

        return $this->chance(0.05) ? $this->word() : implode('.', $path);
    }

    private function junk(): mixed
    {
        return $this->one([null, true, false, 0, -1, 1, 1e308, -1e308, 5e-324, PHP_INT_MAX, 0.1, 720, [], [[]], ['a' => 1], [1, 2, 3],
            str_repeat('long ', 300), ...self::WORDS]);
    }

    private function word(): string
    {
        return $this->one(self::WORDS);
    }

    private function chance(float $of): bool
    {
        return $this->random->getInt(0, 999_999) < $of * 1_000_000;
    }

    /**
     * @template T
     *
     * @param  non-empty-array<T>  $of
     * @return T
     */
    private function one(array $of): mixed
    {
        return array_values($of)[$this->random->getInt(0, count($of) - 1)];
    }
}

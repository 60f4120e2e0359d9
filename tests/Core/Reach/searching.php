<?php

declare(strict_types=1);

use Brookstone\Core\Reach\Reached;
use Brookstone\Core\Reach\Search;
use Tests\Support\Builds;

/**
 * The search of small routines on the sound build; nothing of them waits for more than it says.
 *
 * @param  list<array<string, mixed>>  $routines
 * @param  array<string, mixed>  $more
 */
function reached(array $routines, array $more = []): Reached
{
    return Search::of(Builds::planted(['routines' => $routines, 'scenarios' => []] + $more));
}

/** @param  list<array<string, mixed>>  $steps  @param  list<array<string, mixed>>  $starts */
function routineOf(string $id, array $steps, array $starts = [['when' => 'press', 'sensor' => 'button']], bool $alone = false): array
{
    return ['id' => $id, 'name' => ucfirst($id), 'alone' => $alone, 'starts' => $starts, 'steps' => $steps];
}

/** @return array<string, mixed> */
function lamp(): array
{
    return ['do' => 'signal', 'output' => 'lamp'];
}

/** @param  array<string, mixed>  $if  @return list<string> steps of the two branches of that choice that nothing gets to: `then`, `otherwise` */
function neverTaken(array $before, array $if, array $more = []): array
{
    $unreached = array_keys(reached([routineOf('a', [...$before, ['do' => 'choose', 'if' => $if, 'then' => [lamp()], 'otherwise' => [lamp()]]], [['when' => 'power_on']])], $more)->unreached);

    return array_map(fn (string $path): string => explode('.', $path)[4], $unreached);
}

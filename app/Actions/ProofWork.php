<?php

declare(strict_types=1);

namespace App\Actions;

use App\Programs\CannotRun;
use App\Programs\Prover;
use App\Programs\Workbench;
use Brookstone\Core\Bench\Trials;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Program\CannotBeWritten;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Language;

/** A written program tried against its routines, part by part: a study like others. */
final readonly class ProofWork
{
    public function __construct(private Prover $prover, private Workbench $bench)
    {
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return array{int, array<string, mixed>}
     *
     * @throws InvalidInput when it cannot be written, or not be run here
     */
    public function plan(Build $build, array $asked): array
    {
        $language = self::language($asked);
        try {
            $this->bench->start(Composer::of($build), $language);
        } catch (CannotBeWritten $why) {
            throw $why->asInput();
        } catch (CannotRun $why) {
            throw InvalidInput::at('language', $why->getMessage());
        }

        return [Trials::parts($build), ['language' => $language->value, 'word' => $language->word()]];
    }

    /**
     * @param  array<string, mixed>  $asked
     * @return list<array{kind: string, tried: int, differ: int, same: int, most_s: float, first: array<string, mixed>|null}>
     */
    public function part(Build $build, array $asked, int $part): array
    {
        $told = ['kind' => Trials::kindOf($build, $part), 'tried' => 0, 'differ' => 0, 'same' => 0, 'most_s' => 0.0, 'first' => null];
        foreach ($this->prover->prove($build, self::language($asked), Trials::part($build, $part)) as $result) {
            $told['tried']++;
            $told['differ'] += $result['differs'] === null ? 0 : 1;
            $told['same'] += $result['same'];
            $told['most_s'] = max($told['most_s'], $result['most_s']);
            $told['first'] ??= $result['differs'] === null ? null : ['says' => $result['says'], 'same' => $result['same']] + $result['differs'];
        }

        return [$told];
    }

    /**
     * @param  array<string, mixed>  $frame
     * @param  list<mixed>  $parts
     * @return array<string, mixed>
     */
    public function together(array $frame, array $parts): array
    {
        $sum = fn (string $of, ?string $kind = null): int => array_sum(array_column(array_filter($parts, fn (mixed $part): bool => is_array($part)
            && ($kind === null || $part['kind'] === $kind)), $of));
        $firsts = array_values(array_filter(array_column($parts, 'first')));

        $most_s = max([0.0, ...array_column($parts, 'most_s')]);

        return $frame + ['tried' => $sum('tried'), 'differ' => $sum('differ'), 'same' => $sum('same'), 'most_s' => $most_s,
            'scenarios' => $sum('tried', 'scenario'), 'faults' => $sum('tried', 'fault'), 'chance' => $sum('tried', 'chance'), 'first' => $firsts[0] ?? null];
    }

    /** @param  array<string, mixed>  $asked */
    private static function language(array $asked): Language
    {
        return Language::from((string) ($asked['language'] ?? Language::C->value));
    }
}

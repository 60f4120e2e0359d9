<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Build;
use Brookstone\Core\Build\Build as CoreBuild;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Trainer\HiddenFault;
use Brookstone\Core\Trainer\Practice;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Str;

/** Cases to practise on: what is hidden stays here, with the build as it was when the case began. */
final class TrainerCases
{
    private const KEPT_S = 7 * 86400;

    /**
     * @param  list<string>  $hard  kinds of faults that were not found before
     * @return array<string, mixed> the case without what is hidden
     */
    public function begin(Build $build, int $seed, array $hard): array
    {
        $core = CoreBuild::read(['log' => []] + $build->core()->document);
        $practice = Practice::of($core) ?? throw InvalidInput::at('build', 'None of its routines comes to its end yet: mend it first, or take another.');
        $hidden = $practice->hide($seed, $hard) ?? throw InvalidInput::at('build', 'Nothing that can be hidden in it would show.');
        $id = (string) Str::ulid();
        Cache::put(self::key($id), ['document' => $core->toJson(), 'hidden' => $hidden->id], self::KEPT_S);
        $of = $practice->with($hidden);

        return [
            'id' => $id, 'build' => $core->name, 'routine' => $practice->routine->name, 'scenario' => $practice->scenario?->name,
            'usual' => $practice->usual->seen(), 'seen' => $of->seen(),
            'measures' => array_map(fn (string $key, array $each): array => ['id' => $key, 'asks' => $each['asks']], array_keys($of->measured()),
                array_values($of->measured())),
            'faults' => self::listed($practice),
        ];
    }

    /** What one measurement says; null where there is no such case or measurement. */
    public function measure(string $id, string $what): ?Sentence
    {
        $case = $this->case($id);

        return $case === null ? null : $case[0]->with($case[1])->measured()[$what]['says'] ?? null;
    }

    /** @return array<string, mixed>|null whether that is it, and how one sees it; null where there is no such case or fault */
    public function judge(string $id, string $named): ?array
    {
        $case = $this->case($id);
        $fault = $case === null ? null : $case[0]->faults[$named] ?? null;
        if ($case === null || $fault === null) {
            return null;
        }
        [$practice, $hidden] = $case;
        $judged = $practice->judge($hidden, $fault);

        return $judged + ['was' => $judged['right'] ? $hidden->says : null, 'kind' => $hidden->kind()];
    }

    /** @return array{says: Sentence, kind: string, why: list<Sentence>}|null what it was, for who gives up */
    public function tell(string $id): ?array
    {
        $case = $this->case($id);

        return $case === null ? null : ['says' => $case[1]->says, 'kind' => $case[1]->kind(), 'why' => $case[0]->judge($case[1], $case[1])['why']];
    }

    /** @return array{Practice, HiddenFault}|null */
    private function case(string $id): ?array
    {
        $kept = Cache::get(self::key($id));
        $practice = is_array($kept) ? Practice::of(CoreBuild::fromJson($kept['document'])) : null;

        return $practice === null || ! isset($practice->faults[$kept['hidden']]) ? null : [$practice, $practice->faults[$kept['hidden']]];
    }

    /** @return list<array{id: string, says: Sentence}> in an order that tells nothing */
    private static function listed(Practice $practice): array
    {
        $faults = array_map(fn (HiddenFault $fault): array => ['id' => $fault->id, 'says' => $fault->says], array_values($practice->faults));
        usort($faults, fn (array $a, array $b): int => $a['says']->text() <=> $b['says']->text());

        return $faults;
    }

    private static function key(string $id): string
    {
        return "trainer:{$id}";
    }
}

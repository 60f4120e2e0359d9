<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Build;
use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build as CoreBuild;
use Illuminate\Support\Facades\DB;

/** Stores builds: new ones, and each change with a revision to go back to. */
final class KeepBuild
{
    private const MOST_REVISIONS = 300;

    private const ONE_EDIT_SECONDS = 2; // edits of the same field within this time are undone together

    public function __construct(private readonly JudgeBuild $judge)
    {
    }

    public function add(CoreBuild $core, ?string $demoKey = null): Kept
    {
        $assessment = $this->judge->atOnce($core);
        $columns = self::columns($core, $assessment);
        $stored = DB::transaction(function () use ($columns, $demoKey): Build {
            $build = Build::query()->create(['demo_key' => $demoKey] + $columns);
            $build->revisions()->create(['number' => 1, 'edit_key' => 'made', 'document' => $build->document]);

            return $build;
        });

        return new Kept($stored, $core, $assessment);
    }

    /**
     * @param  int  $version  the one that was on the screen
     * @param  string  $editKey  what was edited
     *
     * @throws Overtaken when the build has changed since
     */
    public function change(Build $build, int $version, string $editKey, CoreBuild $core, Assessment $assessment): Kept
    {
        $columns = self::columns($core, $assessment);
        $stored = DB::transaction(function () use ($build, $version, $editKey, $columns): Build {
            if ($columns['document'] === $build->document && $build->version === $version) {
                return $build;
            }
            $last = $build->revisions()->where('number', $build->cursor)->first();
            $same = $last !== null && $last->edit_key === $editKey && $last->number > 1 && $last->updated_at->diffInSeconds(now()) < self::ONE_EDIT_SECONDS;
            $this->store($build, $version, $columns + ['cursor' => $same ? $build->cursor : $build->cursor + 1]);
            $build->revisions()->where('number', '>=', $build->cursor)->delete();
            $build->revisions()->create(['number' => $build->cursor, 'edit_key' => $editKey, 'document' => $columns['document']]);
            $build->revisions()->where('number', '<=', $build->cursor - self::MOST_REVISIONS)->delete();

            return $build;
        });

        return new Kept($stored, $core, $assessment);
    }

    /**
     * One revision back (−1) or forth (1); stays where it is when there is none.
     *
     * @throws Overtaken when the build has changed since
     */
    public function step(Build $build, int $version, int $by): Kept
    {
        return DB::transaction(function () use ($build, $version, $by): Kept {
            $revision = $build->revisions()
                ->where('number', $by < 0 ? '<' : '>', $build->cursor)->orderBy('number', $by < 0 ? 'desc' : 'asc')->first();
            $core = $revision === null ? $build->core() : CoreBuild::fromJson($revision->document);
            $assessment = $this->judge->atOnce($core);
            if ($revision !== null) {
                $this->store($build, $version, self::columns($core, $assessment) + ['cursor' => $revision->number]);
            }

            return new Kept($build, $core, $assessment);
        });
    }

    /** @return array{name: string, document: string, summary: array<string, mixed>} */
    public static function columns(CoreBuild $core, ?Assessment $assessment = null): array
    {
        return ['name' => $core->name, 'document' => $core->toJson(), 'summary' => self::summary($core, $assessment ?? BuildJudge::atOnce($core))];
    }

    /** @return array<string, mixed> what the shelf shows */
    private static function summary(CoreBuild $core, Assessment $assessment): array
    {
        return [
            'note' => $core->document['note'],
            'rehearsed' => $assessment->rehearsed || $core->routines === [],
            'front' => $assessment->stage['front'] ?? [],
            'verdict' => $assessment->verdict->value,
            'says' => json_decode((string) json_encode($assessment->says), true),
            'chains' => array_map(fn ($chain): array => [
                'name' => $chain->name,
                'verdict' => $chain->verdict->value,
                'links' => array_map(fn ($link): string => $link->verdict->value, $chain->links),
            ], $assessment->chains),
        ];
    }

    /** The shelf shows what the whole judgement says, unless the build has been changed in between. */
    public function judged(Build $build, CoreBuild $core, Assessment $assessment): void
    {
        Build::query()->whereKey($build->id)->where('version',
            $build->version)->toBase()->update(['summary' => json_encode(self::summary($core, $assessment))]);
    }

    /**
     * Writes only if nobody else has in between: the version is part of the condition.
     *
     * @param  array<string, mixed>  $columns
     */
    private function store(Build $build, int $version, array $columns): void
    {
        $stored = Build::query()->whereKey($build->id)->where('version', $version)
            ->update(['summary' => json_encode($columns['summary']), 'version' => $version + 1, 'updated_at' => now()] + $columns);
        if ($stored !== 1) {
            throw new Overtaken;
        }
        $build->refresh();
    }
}

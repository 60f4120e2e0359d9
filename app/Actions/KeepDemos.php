<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Build;
use Brookstone\Core\Build\Build as CoreBuild;
use Illuminate\Support\Facades\File;

/** Puts the demo builds on the shelf. What a user made is never touched. */
final class KeepDemos
{
    public function __construct(private readonly KeepBuild $keep)
    {
    }

    /** On an empty shelf only: a demo that was deleted does not come back by itself. */
    public function onFirstStart(): int
    {
        return Build::query()->exists() ? 0 : $this->putBack();
    }

    /** Puts every demo back as it shipped. A demo that was changed stays beside it as the user's own. */
    public function putBack(): int
    {
        $files = File::glob(database_path('demo/*.brookstone.json'));
        foreach ($files as $file) {
            $key = basename($file, '.brookstone.json');
            $core = CoreBuild::fromJson(File::get($file));
            $present = Build::query()->where('demo_key', $key)->first();
            if ($present !== null && $present->document === $core->toJson()) {
                continue;
            }
            $present?->update(['demo_key' => null]);
            $this->keep->add($core, $key);
        }

        return count($files);
    }
}

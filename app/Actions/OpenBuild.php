<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Resources\BuildResource;
use App\Models\Build;
use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Build\Build as CoreBuild;
use Illuminate\Support\Facades\Cache;

/** A build as its pages ask for it. Once all is judged and tried the answer is kept: as long as nothing changes, opening it again costs nothing. */
final class OpenBuild
{
    private const KEPT_S = 86400;

    public function __construct(private readonly JudgeBuild $judge, private readonly OpenDrawer $drawer)
    {
    }

    /** JSON of the build, as BuildResource writes it. */
    public function json(Build $build): string
    {
        $kept = Cache::get("opened:{$build->id}");
        if (is_array($kept) && $kept['as'] === $this->state($build)) {
            return $kept['json'];
        }
        $core = $build->core();

        return $this->written($build, $core, $this->judge->atOnce($core));
    }

    public function written(Build $build, CoreBuild $core, Assessment $assessment): string
    {
        $json = json_encode((new BuildResource($build, $core, $assessment))->resolve(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        if ($assessment->tried) {
            Cache::put("opened:{$build->id}", ['as' => $this->state($build), 'json' => $json], self::KEPT_S);
        }

        return $json;
    }

    private function state(Build $build): string
    {
        return implode(' ', [$build->version, hash('xxh128', $build->document), $this->drawer->fingerprint()]);
    }
}

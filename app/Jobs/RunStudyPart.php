<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\StudyWork;
use App\Models\Study;
use App\Models\StudyPart;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** One part of a study. Done again after a crash it gives the same. */
final class RunStudyPart implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;
    use Queueable;

    public int $tries = 3;

    public int $timeout = 120;

    public function __construct(public readonly string $study, public readonly int $part)
    {
    }

    public function handle(StudyWork $work): void
    {
        $study = Study::query()->find($this->study);
        if ($study === null || $study->isOver() || $study->done()->where('part', $this->part)->exists()) {
            return;
        }
        Study::query()->whereKey($study->id)->where('state', 'queued')->update(['state' => 'running']);
        $result = $work->part($study->core(), $study->kind, $study->asked, $this->part);
        StudyPart::query()->firstOrCreate(['study_id' => $study->id, 'part' => $this->part], ['result' => $result]);
        if ($study->done()->count() === $study->parts) {
            Study::query()->whereKey($study->id)->where('state', 'running')->update(['state' => 'done']);
        }
    }

    public function failed(?\Throwable $failure): void
    {
        Study::query()->whereKey($this->study)->whereNotIn('state', ['done', 'cancelled'])->update(['state' => 'failed',
            'failure' => mb_substr((string) $failure?->getMessage(), 0, 500)]);
    }
}

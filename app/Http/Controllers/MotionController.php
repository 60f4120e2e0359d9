<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\JudgeBuild;
use App\Actions\OpenDrawer;
use App\Http\Requests\ChoiceRequest;
use App\Http\Requests\RunRequest;
use App\Models\Build;
use Brookstone\Core\Assessment\Repair\Counterbalance;
use Brookstone\Core\Assessment\Selection\DriveConcepts;
use Brookstone\Core\Assessment\Selection\DriveRanking;
use Brookstone\Core\Assessment\Sheet\StopsSheet;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build as CoreBuild;
use Brookstone\Core\Build\RoutineLibrary;
use Brookstone\Core\Export\TraceFile;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Rehearsal\Stage;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Study\Concurrency;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What is computed of one motion or one routine on request. */
final class MotionController
{
    public function __construct(private readonly OpenDrawer $drawer)
    {
    }

    public function drives(ChoiceRequest $request, Build $build, string $motion): JsonResponse
    {
        $core = $build->core();

        return new JsonResponse(DriveRanking::of($core, $this->motion($core, $motion), $this->drawer->stock(), $request->goal(), $request->eachDrive(),
            $request->rows()));
    }

    public function schools(Build $build, string $motion): JsonResponse
    {
        $core = $build->core();

        return new JsonResponse(DriveConcepts::of($core, $this->motion($core, $motion), $this->drawer->stock()));
    }

    public function easing(Build $build, string $motion): JsonResponse
    {
        $core = $build->core();

        return new JsonResponse(Counterbalance::of($core, $this->motion($core, $motion)));
    }

    /** Run-on under every supply and load, what can be done about it, and how well it knows where it is. */
    public function stops(Build $build, string $motion): JsonResponse
    {
        $core = $build->core();
        $thing = $this->motion($core, $motion);

        return new JsonResponse((new StopsSheet(new MotionInBuild($core, $thing, new MotionFigures($thing))))->sheet());
    }

    public function run(RunRequest $request, Build $build, string $routine, JudgeBuild $judge): JsonResponse
    {
        return new JsonResponse($this->trace($request, $build->core(), $routine, $judge));
    }

    /** The same run as a file for other programs: a table, or a dump of changes. */
    public function traceFile(RunRequest $request, Build $build, string $routine, string $ending, JudgeBuild $judge): Response
    {
        $file = new TraceFile($this->trace($request, $build->core(), $routine, $judge));

        return new Response($ending === 'csv' ? $file->csv() : $file->vcd(), 200, [
            'Content-Type' => $ending === 'csv' ? 'text/csv; charset=utf-8' : 'text/plain; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="'.(Str::slug($build->name) ?: 'build')."-{$routine}.{$ending}\"",
        ]);
    }

    /** @return array<string, mixed> */
    private function trace(RunRequest $request, CoreBuild $core, string $routine, JudgeBuild $judge): array
    {
        if ($request->input('rehearsal') !== null) {
            return Stage::play($core, $judge->rehearsed($core)->of($routine)[$request->integer('rehearsal')] ?? throw new NotFoundHttpException);
        }
        $id = $request->input('scenario');
        $scenario = $id === null ? null : $core->scenarios[$id] ?? throw new NotFoundHttpException;
        $events = $request->events($core);
        $with = $events === [] ? $scenario : ($scenario ?? new Scenario('', 'Started by hand', 120.0, [], []))->with(...$events);

        return RoutineRun::of($core, $core->routines[$routine] ?? throw new NotFoundHttpException, $with, byHand: $scenario === null);
    }

    /** Ready routines to start from. */
    public function library(Build $build): JsonResponse
    {
        return new JsonResponse(RoutineLibrary::of($build->core()));
    }

    /** Which of its steps could run together, and what that saves. */
    public function beside(Build $build, string $routine): JsonResponse
    {
        $core = $build->core();

        return new JsonResponse(Concurrency::of($core, $core->routines[$routine] ?? throw new NotFoundHttpException));
    }

    private function motion(CoreBuild $core, string $id): Motion
    {
        return $core->motions[$id] ?? throw new NotFoundHttpException;
    }
}

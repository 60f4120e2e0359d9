<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stage;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Machine\Clearance;

/** The machine as a whole: what meets what, what it weighs, whether it stands. */
final readonly class StageJudge
{
    /** Of a document, what all of it hangs on. */
    private const HANGS_ON = ['settings', 'things', 'around', 'rules', 'meetings', 'supplies', 'tanks'];

    /**
     * @param  list<Finding>  $findings  worst first
     * @param  list<array<string, mixed>>  $front  how it looks from the front, as FrontView has it
     * @param  list<string>  $told  pairs of bodies of which it is said that they touch or come near, whatever runs
     */
    private function __construct(public array $findings, public array $told, private int $motions, private ?float $mass_kg,
        private array $front = [])
    {
    }

    /**
     * @param  array<string, MotionInBuild>  $subjects  by motion
     * @param  bool  $thoroughly  what two motions can do to each other in any order is looked for too: that takes longer than an edit may
     * @param  bool  $proposes  and what would mend it
     */
    public static function of(Build $build, array $subjects, bool $thoroughly, bool $proposes): self
    {
        if ($build->stage->motions === []) {
            return new self([], [], 0, null);
        }
        $masses = new Masses($build, $proposes);
        $meetings = (new Meetings($build, $subjects))->findings();
        $findings = [...array_values($meetings), ...(new Encounters($build, $subjects))->findings(), ...$masses->findings(),
            ...(new Wires($build))->findings(), ...(new Room($build, Clearance::of($build->stage)))->findings(), ...(new Magnets($build))->findings(),
            ...($thoroughly ? (new Interlocks($build, Clearance::of($build->stage)))->findings() : [])];
        usort($findings, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());

        return new self($findings, array_keys($meetings), count($build->stage->motions), $masses->mass_kg(),
            FrontView::of($build));
    }

    /** What it hangs on: while that is the same, so is what it says. */
    public static function footing(Build $build, bool $thoroughly, bool $proposes): string
    {
        $motions = array_map(fn (array $said): array => array_diff_key($said, ['marker' => 0, 'units' => 0]), $build->document['motions']);

        return 'stage '.hash('xxh128', json_encode([array_intersect_key($build->document, array_flip(self::HANGS_ON)), $motions, $thoroughly, $proposes],
            JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    /** @return array<string, mixed> as Schemas has it */
    public function written(): array
    {
        return ['verdict' => ($this->motions === 0 ? Verdict::NotSaid : Verdict::ofFindings($this->findings))->value, 'findings' => $this->findings,
            'motions' => $this->motions, 'mass_kg' => $this->mass_kg, 'front' => $this->front];
    }
}

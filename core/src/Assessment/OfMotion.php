<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Assessment\Sheet\DriveSheet;
use Brookstone\Core\Assessment\Sheet\TrainSheet;
use Brookstone\Core\Assessment\Subject\Curves;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;

/** What is said of one motion by itself: the links before the routine, and what is drawn of it. */
final readonly class OfMotion
{
    /**
     * @param  list<Link>  $links
     * @param  array<string, mixed>  $curves
     * @param  array<string, mixed>|null  $drive
     * @param  array<string, mixed>  $train
     */
    private function __construct(public MotionFigures $facts, public array $links, public array $curves, public ?array $drive, public array $train)
    {
    }

    public static function judge(MotionInBuild $subject): self
    {
        return new self($subject->facts, Stations::ofMotion($subject), Curves::of($subject), DriveSheet::of($subject), TrainSheet::of($subject));
    }
}

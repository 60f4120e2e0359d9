<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Subject;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Parts\Motion;

/** One motion of a build, about to be judged. */
final readonly class MotionInBuild
{
    /** Its path in the document: `motions.1`. */
    public string $path;

    /** @param  bool  $proposes  what would mend it is looked for too; without, it is only said what is wrong, which is quicker */
    public function __construct(public Build $build, public Motion $motion, public MotionFigures $facts, private ?Stock $stock = null,
        private bool $proposes = false)
    {
        $this->path = 'motions.'.$build->indexOf($motion->id);
    }

    /** The same motion with something about it changed, with facts of its own. */
    public function with(Motion $motion): self
    {
        return new self($this->build, $motion, new MotionFigures($motion), $this->stock);
    }

    /**
     * What would mend it, where that is looked for.
     *
     * @param  \Closure(): list<Fix>  $mends
     * @return list<Fix>
     */
    public function proposals(\Closure $mends): array
    {
        return $this->proposes ? $mends() : [];
    }

    /** The drawer to choose from: the builder's own, or what comes with Brookstone. */
    public function stock(): Stock
    {
        return $this->stock ?? Stock::shipped();
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Assessment\Sheet\DriveSheet;
use Brookstone\Core\Assessment\Sheet\TrainSheet;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Named;
use Brookstone\Core\Finding\Verdict;

/** The links of one motion. It works only as well as its weakest. */
final readonly class Chain implements \JsonSerializable
{
    use Named;

    public Link $weakest;

    public Verdict $verdict;

    /**
     * @param  non-empty-list<Link>  $links  in the order of the work
     * @param  array<string, mixed>  $curves
     * @param  list<array{code: string, says: string}>  $cautions
     * @param  array<string, mixed>|null  $drive  what is worth knowing of the drive, as DriveSheet gives it
     * @param  array<string, mixed>  $train  the same of the train, as TrainSheet gives it
     */
    public function __construct(public string $motion, public string $name, public array $links, public ?float $margin, public array $curves,
        public array $cautions = [], public ?array $drive = null, public array $train = [])
    {
        $weakest = $links[0];
        foreach ($links as $link) {
            if ($link->verdict->rank() > $weakest->verdict->rank()) {
                $weakest = $link;
            }
        }
        $this->weakest = $weakest;
        $this->verdict = $weakest->verdict;
    }

    /** @param  \Closure(Finding): Finding  $how  the same findings, with other mends */
    public function offering(\Closure $how): self
    {
        return new self($this->motion, $this->name, array_map(fn (Link $link): Link => $link->offering($how), $this->links), $this->margin, $this->curves,
            $this->cautions, $this->drive, $this->train);
    }

    /** Worse first: by verdict, then by the smaller margin. */
    public static function compare(self $a, self $b): int
    {
        return [$b->verdict->rank(), $a->margin ?? INF] <=> [$a->verdict->rank(), $b->margin ?? INF];
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['motion' => $this->motion, 'name' => $this->name, 'verdict' => $this->verdict->value, 'weakest' => $this->weakest->link,
            'margin' => $this->margin, 'links' => $this->links, 'curves' => $this->curves, 'cautions' => $this->cautions, 'drive' => $this->drive,
            'train' => $this->train];
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Verdict;

/** Everything that is judged of a build. */
final readonly class Assessment implements \JsonSerializable
{
    /**
     * @param  Sentence  $says  what gives first, or that everything holds
     * @param  Fix|null  $mend  the shortest way to mend it
     * @param  list<Chain>  $chains  worst first
     * @param  list<array<string, mixed>>  $routines
     * @param  list<array{id: string, computed_s: ?float, difference: ?float}>  $log  what is computed for each measurement
     * @param  list<array{id: string, readings: list<array<string, mixed>>}>  $pictures  what was read off each picture, in metres
     * @param  bool  $rehearsed  its routines have been rehearsed; otherwise this is the first answer, and there may be more to say
     */
    public function __construct(public Verdict $verdict, public Sentence $says, public ?Fix $mend, public ?string $first, public array $chains, public array $routines, public array $log = [], public array $pictures = [], public bool $rehearsed = false)
    {
    }

    /** @param  list<array{id: string, readings: list<array<string, mixed>>}>  $pictures */
    public function with(array $pictures, bool $rehearsed): self
    {
        return new self($this->verdict, $this->says, $this->mend, $this->first, $this->chains, $this->routines, $this->log, $pictures, $rehearsed);
    }

    public function chain(string $motion): Chain
    {
        foreach ($this->chains as $chain) {
            if ($chain->motion === $motion) {
                return $chain;
            }
        }
        throw new \OutOfBoundsException('No motion '.$motion);
    }

    /** @return list<string> codes of all findings, of chains and routines, sorted, each once */
    public function codes(): array
    {
        $codes = [];
        foreach ($this->chains as $chain) {
            foreach ($chain->links as $link) {
                foreach ($link->findings as $finding) {
                    $codes[$finding->code] = true;
                }
            }
        }
        foreach ($this->routines as $routine) {
            foreach ($routine['findings'] as $finding) {
                $codes[$finding->code] = true;
            }
        }
        ksort($codes);

        return array_keys($codes);
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['verdict' => $this->verdict->value, 'says' => $this->says, 'mend' => $this->mend, 'first' => $this->first, 'chains' => $this->chains, 'routines' => $this->routines, 'log' => $this->log, 'pictures' => $this->pictures, 'rehearsed' => $this->rehearsed];
    }
}

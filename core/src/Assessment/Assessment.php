<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;

/** Everything that is judged of a build. */
final readonly class Assessment implements \JsonSerializable
{
    /**
     * @param  Sentence  $says  what gives first, or that everything holds
     * @param  Fix|null  $mend  the best way known to mend that
     * @param  list<Chain>  $chains  worst first
     * @param  list<array<string, mixed>>  $routines
     * @param  array<string, list<array<string, mixed>>>  $log  what was measured beside what is computed, as LogSheet::of()
     * @param  list<array{id: string, readings: list<array<string, mixed>>}>  $pictures  what was read off each picture, in metres
     * @param  list<array<string, mixed>>  $supplies  what the rehearsals ask of each supply, at once and over the day
     * @param  bool  $rehearsed  its routines have been rehearsed; otherwise this is the first answer, and there may be more to say
     * @param  array<string, mixed>  $wiring  of the build as a whole, as WiringJudge::written() gives it
     * @param  array<string, mixed>  $stage  the same of the machine as it stands, as StageJudge::written() gives it
     * @param  Finding|null  $finding  what `says` tells of, where that is one
     * @param  bool  $tried  what mends it has been tried on the whole build, all routines rehearsed, and is offered; before that nothing is
     */
    public function __construct(public Verdict $verdict, public Sentence $says, public ?Fix $mend, public ?string $first, public array $chains,
        public array $routines, public array $log = ['newest' => [], 'repeats' => []], public array $pictures = [], public array $supplies = [],
        public bool $rehearsed = false, private ?Finding $finding = null, public bool $tried = false, public array $wiring = [], public array $stage = [])
    {
    }

    /**
     * @param  list<array{id: string, readings: list<array<string, mixed>>}>  $pictures
     * @param  list<array<string, mixed>>  $supplies
     * @param  array<string, mixed>  $wiring
     * @param  array<string, mixed>  $stage
     */
    public function with(array $pictures, array $supplies, bool $rehearsed, array $wiring, array $stage): self
    {
        return new self($this->verdict, $this->says, $this->mend, $this->first, $this->chains, $this->routines, $this->log, $pictures, $supplies, $rehearsed,
            $this->finding, $this->tried, $wiring, $stage);
    }

    /**
     * The same, with other mends offered.
     *
     * @param  \Closure(Finding): Finding  $how
     */
    public function offering(\Closure $how, bool $tried): self
    {
        return new self(
            $this->verdict, $this->says, $this->finding === null ? null : ($how($this->finding)->fixes[0] ?? null), $this->first,
            array_map(fn (Chain $chain): Chain => $chain->offering($how), $this->chains),
            array_map(fn (array $routine): array => array_merge($routine, ['findings' => array_map($how, $routine['findings'])]), $this->routines),
            $this->log, $this->pictures, $this->supplies, $this->rehearsed, $this->finding, $tried,
            ...array_map(fn (array $part): array => $part === [] ? [] : array_merge($part, ['findings' => array_map($how, $part['findings'])]),
                [$this->wiring, $this->stage]),
        );
    }

    /** @return list<Finding> of all chains and routines, the worst chain first; a routine's stand with its motions too */
    public function findings(): array
    {
        $findings = [];
        foreach ($this->chains as $chain) {
            foreach ($chain->links as $link) {
                array_push($findings, ...$link->findings);
            }
        }
        foreach ($this->routines as $routine) {
            array_push($findings, ...$routine['findings']);
        }
        array_push($findings, ...$this->wiring['findings'] ?? [], ...$this->stage['findings'] ?? []);

        return $findings;
    }

    /** @return list<Finding> what fails or is tight, the worst first, each once */
    public function faults(): array
    {
        $faults = [];
        foreach ($this->findings() as $finding) {
            if ($finding->severity !== Severity::Note) {
                $faults["{$finding->code} {$finding->place}"] ??= $finding;
            }
        }
        usort($faults, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());

        return $faults;
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
        $codes = array_unique(array_map(fn (Finding $finding): string => $finding->code, $this->findings()));
        sort($codes);

        return $codes;
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['verdict' => $this->verdict->value, 'says' => $this->says, 'mend' => $this->mend, 'first' => $this->first, 'chains' => $this->chains,
            'routines' => $this->routines, 'log' => $this->log, 'pictures' => $this->pictures, 'supplies' => $this->supplies,
            'rehearsed' => $this->rehearsed, 'tried' => $this->tried, 'wiring' => $this->wiring, 'stage' => $this->stage];
    }
}

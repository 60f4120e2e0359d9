<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

use Brookstone\Core\Build\BuildShape;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Shape\ErrorList;

/**
 * Checks what motions say of one another: what lets a latch go, and what must stay level with what. And that entries of the log say something.
 *
 * @internal
 */
final readonly class PairReferences
{
    public function __construct(private ErrorList $errors)
    {
    }

    /** @param  array<string, mixed>  $document read by its shape */
    public function check(array $document): void
    {
        $places = array_map(fn (array $motion): array => array_column([...$motion['places'], ...Dial::places($motion)], 'id'),
            array_column($document['motions'], null, 'id'));
        $outputs = array_column($document['outputs'], 'id');
        foreach ($document['log'] as $i => $entry) {
            if (BuildShape::isNothing($entry)) {
                $this->errors->add("log.{$i}.measured_s", BuildShape::NOTHING_MEASURED);
            }
        }
        foreach ($document['motions'] as $i => $motion) {
            $this->level($motion, $document['motions'], "motions.{$i}.level.with");
            $latch = $motion['latch'];
            $path = "motions.{$i}.latch";
            if ($latch === null) {
                continue;
            }
            if (! in_array($latch['place'], $places[$motion['id']], true)) {
                $this->errors->add("{$path}.place", "There is no place {$latch['place']} in this motion.");
            }
            if ($motion['task']['keeps_turning']) {
                $this->errors->add($path, 'What keeps turning is held by no latch.');
            }
            if ($latch['motion'] === null && $latch['output'] === null) {
                $this->errors->add("{$path}.motion", 'Needs a motion or an output that lets it go.');
            } elseif ($latch['motion'] !== null && $latch['output'] !== null) {
                $this->errors->add("{$path}.output", 'Either a motion lets it go or an output.');
            } elseif ($latch['output'] !== null && ! in_array($latch['output'], $outputs, true)) {
                $this->errors->add("{$path}.output", "There is no output {$latch['output']} in this build.");
            } elseif ($latch['motion'] !== null && ($latch['motion'] === $motion['id'] || ! isset($places[$latch['motion']]))) {
                $this->errors->add("{$path}.motion", 'Needs another motion of this build.');
            } elseif ($latch['motion'] !== null && ! in_array($latch['lets_go'], $places[$latch['motion']], true)) {
                $this->errors->add("{$path}.lets_go", "Needs a place of {$latch['motion']}.");
            }
        }
    }

    /**
     * @param  array<string, mixed>  $motion
     * @param  list<array<string, mixed>>  $motions
     */
    private function level(array $motion, array $motions, string $path): void
    {
        $with = $motion['level']['with'] ?? null;
        if ($with === null) {
            return;
        }
        $other = array_column($motions, null, 'id')[$with] ?? null;
        if ($other === null || $with === $motion['id']) {
            $this->errors->add($path, 'Needs another motion of this build.');
        } elseif (Mechanisms::make($other['mechanism'])->positionUnit() !== Mechanisms::make($motion['mechanism'])->positionUnit()) {
            $this->errors->add($path, 'The one turns and the other slides: they are never level.');
        }
    }
}

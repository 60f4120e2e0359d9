<?php

declare(strict_types=1);

namespace Brookstone\Core\Comparison;

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Assessment\Chain;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Making\PartsList;
use Brookstone\Core\Making\PlanReport;
use Brookstone\Core\Quantity\Quantity;

/** One of two builds, or states of a build, that are set side by side: what is worth comparing of it. */
final readonly class Variant
{
    public function __construct(public string $name, public Build $build, public Assessment $assessment)
    {
    }

    /** @return array<string, array{name: string, rows: array<string, Cell>, alone?: Cell}> groups by a key that is the same in both, rows by what they tell */
    public function told(): array
    {
        $told = ['all' => ['name' => 'The whole', 'rows' => $this->whole()]];
        foreach ($this->assessment->chains as $chain) {
            $told["motion {$chain->motion}"] = ['name' => $chain->name, 'rows' => $this->motion($chain),
                'alone' => new Cell($chain->verdict, new Sentence('only here'))];
        }
        $routines = [];
        foreach ($this->assessment->routines as $routine) {
            $takes = $routine['takes_s'] ?? null;
            $routines[$routine['name']] = new Cell(self::verdict($routine['verdict']), $takes === null ? new Sentence('no time known')
                : new Sentence('takes {time}', ['time' => Quantity::of((float) $takes, 's')]), $takes);
        }
        $told['routines'] = ['name' => 'Routines', 'rows' => $routines];
        $supplies = [];
        foreach ($this->assessment->supplies as $supply) {
            $supplies[$supply['name']] = new Cell(null, new Sentence('{most} at once, of {max}', ['most' => Quantity::of((float) $supply['most_A'], 'A'),
                'max' => Quantity::of((float) $supply['max_A'], 'A')]), (float) $supply['most_A']);
        }
        $told['supplies'] = ['name' => 'Supplies', 'rows' => $supplies];

        return $told;
    }

    /** @return array<string, Cell> */
    private function whole(): array
    {
        $parts = PartsList::of($this->build)->written();
        $plan = (new PlanReport($this->build))->written();
        $drives_kg = 0.0;
        foreach ($this->build->motions as $motion) {
            $drives_kg += $motion->drive === null || $motion->drive->shares !== null ? 0.0 : $motion->drive->motor->body()->mass_kg;
        }
        $mass_kg = $this->assessment->stage['mass_kg'] ?? null;

        return [
            'What gives first' => new Cell($this->assessment->verdict, $this->assessment->says),
            ...($mass_kg === null ? [] : ['Mass of what stands' => new Cell(null, new Sentence('{mass}', ['mass' => Quantity::of($mass_kg, 'kg')]), $mass_kg)]),
            'Mass of its drives' => new Cell(null, new Sentence('{mass}', ['mass' => Quantity::of($drives_kg, 'kg')]), $drives_kg),
            'Parts' => new Cell(null, $parts['says'], (float) $parts['cost_all']),
            'Work' => new Cell(null, new Sentence('{hours} h', ['hours' => Quantity::number((float) $plan['hours'])]), (float) $plan['hours']),
        ];
    }

    /** @return array<string, Cell> */
    private function motion(Chain $chain): array
    {
        $rows = [];
        foreach ($chain->links as $link) {
            $rows[ucfirst($link->link)] = new Cell($link->verdict, $link->figure, null, $link->about);
        }
        foreach (['there' => 'Its move there', 'back' => 'Its move back'] as $way => $name) {
            $run = $chain->curves[$way] ?? null;
            if ($run !== null) {
                $rows[$name] = new Cell(null, $run['time_s'] === null ? new Sentence('does not arrive')
                    : new Sentence('{time}', ['time' => Quantity::of($run['time_s'], 's')]), $run['time_s']);
            }
        }

        return $rows;
    }

    private static function verdict(mixed $verdict): Verdict
    {
        return $verdict instanceof Verdict ? $verdict : Verdict::from($verdict);
    }
}

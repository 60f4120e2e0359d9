<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\RecordShape;

/** Branches side by side. Goes on when all have ended, or any; then what the others move is stopped. */
final readonly class TogetherStep implements Step
{
    use HasNoProblems;

    private const MOST = 8;

    /** @param  list<list<Step>>  $branches */
    public function __construct(public array $branches, public string $until)
    {
    }

    public static function shape(): RecordShape
    {
        return new RecordShape([
            'until' => Field::or('all', ChoiceShape::of('all', 'any'), 'Goes on when all have ended, or the first.'),
            'branches' => Field::needed(new ListShape(Steps::shape(), 1, self::MOST, 'branches'), 'Lists of steps, side by side.'),
        ], 'TogetherStep');
    }

    public static function make(array $read): self
    {
        return new self(array_values(array_map(Steps::make(...), $read['branches'])), $read['until']);
    }

    public function motion(): ?string
    {
        return null;
    }

    public function inner(): array
    {
        $inner = [];
        foreach ($this->branches as $i => $branch) {
            $inner["branches.{$i}"] = $branch;
        }

        return $inner;
    }

    public function conditions(): array
    {
        return [];
    }

    public function refersTo(): array
    {
        return [];
    }

    public function effect(Inventory $build): Effect
    {
        return new Effect;
    }

    public function says(Inventory $build): Sentence
    {
        return new Sentence($this->until === 'all' ? 'Together, until all have ended:' : 'Together, until one has ended:');
    }

    public function writes(Script $script): void
    {
        $script->together($this->branches, $this->until === 'any');
    }

    public function run(Controller $controller): \Generator
    {
        $running = array_map($controller->steps(...), $this->branches);
        foreach ($running as $branch) {
            $branch->rewind();
        }
        while (true) {
            $left = array_filter($running, fn (\Generator $branch): bool => $branch->valid());
            if ($left === [] || ($this->until === 'any' && count($left) < count($running))) {
                break;
            }
            $by = INF;
            foreach ($left as $branch) {
                $by = min($by, $branch->current() ?? -INF);
            }
            yield $by;
            foreach ($left as $branch) {
                $branch->next();
            }
        }
        foreach ($running as $i => $branch) {
            if ($branch->valid()) {
                $controller->stop($this->branches[$i]);
            }
        }
    }
}

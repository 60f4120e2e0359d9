<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Go;
use Brookstone\Core\Code\Line;
use Brookstone\Core\Code\Note;
use Brookstone\Core\Code\States;
use Brookstone\Core\Code\Task;
use Brookstone\Core\Code\Type;
use Brookstone\Core\Code\When;

/** One thing after another, as states of a task: those that wait are looked at again at the next scan. */
final class Thread
{
    public const WAITS = 'WAITS';

    public const ENDED = 'ENDED';

    public const FAILED = 'FAILED';

    /** @var array<int, list<Line>> by number */
    private array $states = [[]];

    /** @var list<int> of the states as they were begun, which is how one reads them */
    private array $order = [0];

    private int $now = 0;

    /** @var list<int> numbers of the steps that are under way, the outermost first */
    public array $under = [];

    public function __construct(public readonly int $number, public readonly string $name, private readonly string $note)
    {
    }

    public function where(): string
    {
        return "where[{$this->number}]";
    }

    public function since(): string
    {
        return "since[{$this->number}]";
    }

    public function add(Line ...$lines): void
    {
        array_push($this->states[$this->now], ...$lines);
    }

    /** A state that lines can go on to; it is written when it is begun. */
    public function label(): int
    {
        $this->states[] = [];

        return count($this->states) - 1;
    }

    /** From here on lines are those of this state. */
    public function begin(int $label): void
    {
        $this->now = $label;
        $this->order[] = $label;
    }

    public function goes(int $label): Go
    {
        return new Go($this->where(), $label);
    }

    /** It waits, and goes on at that state at the next look. */
    public function rests(int $label): Go
    {
        return new Go($this->where(), $label, self::WAITS);
    }

    /** On to a state that is begun here: it can be come back to. */
    public function opens(): int
    {
        $label = $this->label();
        $this->add($this->goes($label));
        $this->begin($label);

        return $label;
    }

    /**
     * Waits until something is so.
     *
     * @param  list<Line>  $meanwhile  at each look, where it is not so
     */
    public function waits(string $until, array $meanwhile = []): void
    {
        $this->opens();
        $next = $this->label();
        $this->add(new When($until, [$this->goes($next)]), ...[...$meanwhile, new Gives(self::WAITS)]);
        $this->begin($next);
    }

    public function count(): int
    {
        return count($this->states);
    }

    public function task(): Task
    {
        $order = array_values(array_filter(array_unique($this->order), fn (int $label): bool => $this->states[$label] !== []
            && $this->leads($label) === $label));
        $numbers = array_flip($order);
        foreach (array_keys($this->states) as $label) {
            $numbers += isset($numbers[$this->leads($label)]) ? [$label => $numbers[$this->leads($label)]] : [];
        }

        return new Task($this->name, $this->note, [], Type::Byte, [new States($this->where(),
            array_map(fn (int $label): array => $this->numbered($this->states[$label], $numbers), $order))]);
    }

    /** The state to which one comes in the end: some only lead on, but never the first. */
    private function leads(int $label): int
    {
        for ($i = 0; $i < count($this->states) && $label !== 0; $i++) {
            $only = count($this->states[$label]) === 1 ? $this->states[$label][0] : null;
            if (! $only instanceof Go || $only->gives !== null) {
                break;
            }
            $label = $only->state;
        }

        return $label;
    }

    /**
     * @param  list<Line>  $lines
     * @param  array<int, int>  $numbers  of states, by label
     * @return list<Line>
     */
    private function numbered(array $lines, array $numbers): array
    {
        return array_map(fn (Line $line): Line => match (true) {
            $line instanceof Go => new Go($line->where, $numbers[$line->state] ?? throw new \LogicException("{$this->name} goes where nothing is."),
                $line->gives),
            $line instanceof When => new When($line->if, $this->numbered($line->then, $numbers), $this->numbered($line->otherwise, $numbers)),
            default => $line,
        }, $lines);
    }

    public function note(string $text): void
    {
        $this->add(new Note($text));
    }
}

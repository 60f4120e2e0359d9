<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Subject;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Verdict;

/** One link of a chain: its one number that matters, its verdict, and what was found. */
final readonly class Link implements \JsonSerializable
{
    /**
     * @param  Sentence  $figure  the number that matters
     * @param  Sentence  $about  what the number is, in a few words
     * @param  list<Finding>  $findings  worst first
     */
    private function __construct(
        public string $link,
        public Verdict $verdict,
        public Sentence $figure,
        public Sentence $about,
        public array $findings,
    ) {
    }

    /** @param  list<Finding>  $findings */
    public static function of(string $link, Sentence $figure, Sentence $about, array $findings): self
    {
        return new self($link, Verdict::ofFindings($findings), $figure, $about, self::worstFirst($findings));
    }

    /**
     * A link of which nothing can be said yet; what is wrong all the same still counts.
     *
     * @param  list<Finding>  $findings
     */
    public static function notSaid(string $link, string $why, array $findings = []): self
    {
        $verdict = Verdict::ofFindings($findings);

        return new self($link, $verdict === Verdict::Holds ? Verdict::NotSaid : $verdict, new Sentence('–'), new Sentence($why), self::worstFirst($findings));
    }

    /**
     * With other findings.
     *
     * @param  list<Finding>  $findings
     */
    public function saying(array $findings): self
    {
        $verdict = Verdict::ofFindings($findings);

        return new self($this->link, $verdict === Verdict::Holds && $this->verdict === Verdict::NotSaid ? Verdict::NotSaid : $verdict,
            $this->figure, $this->about, self::worstFirst($findings));
    }

    /** @param  \Closure(Finding): Finding  $how */
    public function offering(\Closure $how): self
    {
        return new self($this->link, $this->verdict, $this->figure, $this->about, array_map($how, $this->findings));
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return ['link' => $this->link, 'verdict' => $this->verdict->value, 'figure' => $this->figure, 'about' => $this->about, 'findings' => $this->findings];
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<Finding>
     */
    private static function worstFirst(array $findings): array
    {
        usort($findings, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());

        return $findings;
    }
}

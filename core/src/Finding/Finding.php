<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

/** Something that is wrong, close to it, or worth knowing: one sentence with the numbers that were compared. */
final readonly class Finding implements \JsonSerializable
{
    /**
     * @param  string  $code  listed in docs/findings.md
     * @param  string  $place  dotted path in the document, or a field of a calculator
     * @param  list<Fix>  $fixes
     */
    public function __construct(
        public string $code,
        public Severity $severity,
        public string $place,
        public Sentence $says,
        public array $fixes = [],
    ) {
    }

    /** @return array{code: string, severity: string, place: string, says: Sentence, fixes: list<Fix>} */
    public function jsonSerialize(): array
    {
        return ['code' => $this->code, 'severity' => $this->severity->value, 'place' => $this->place, 'says' => $this->says, 'fixes' => $this->fixes];
    }
}

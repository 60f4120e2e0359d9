<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

final class NativeClock implements ClockInterface
{
    public function __construct(private readonly \DateTimeZone $timezone = new \DateTimeZone('UTC')) {}

    public function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('now', $this->timezone);
    }

    public function sleep(float|int $seconds): void
    {
        usleep((int) ($seconds * 1_000_000));
    }

    public function withTimeZone(\DateTimeZone|string $timezone): static
    {
        return new self(is_string($timezone) ? new \DateTimeZone($timezone) : $timezone);
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

/** Which way of its task a motion carries its payload. */
enum Payload: string
{
    case Both = 'both';
    case There = 'there';
    case Back = 'back';

    /** @param  bool  $there on the way of the task, not back */
    public function isOn(bool $there): bool
    {
        return $this === self::Both || ($this === self::There) === $there;
    }
}

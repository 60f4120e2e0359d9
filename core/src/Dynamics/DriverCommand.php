<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\TorqueLine;

/** What a driver does once its delay is over. */
final readonly class DriverCommand
{
    /**
     * @param  TorqueLine|null  $line  what the motor does; null with its terminals open
     * @param  int  $command  1 or −1
     * @param  float|null  $target  of a drive that follows, rad of the output shaft; null lets go
     * @param  float  $from  where its command sets out
     * @param  float  $share  of the time that the driver connects it to its supply
     */
    public function __construct(public ?TorqueLine $line, public int $command, public bool $powered, public ?float $target, public float $from,
        public float $share = 1.0)
    {
    }
}

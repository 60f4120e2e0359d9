<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

/** Why a run did not reach its end. */
enum RunEnd: string
{
    case Stuck = 'stuck';
    case RanBack = 'ran_back';
    case GaveUp = 'gave_up';
}

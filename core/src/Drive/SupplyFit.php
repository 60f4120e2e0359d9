<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

enum SupplyFit: string
{
    case Low = 'low';
    case Fits = 'fits';
    case High = 'high';
    case FarTooHigh = 'far_too_high';
}

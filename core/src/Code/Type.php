<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** What a value can be. */
enum Type
{
    case Truth;
    case Byte;    // 0 to 255
    case Word;    // 0 to 65 535
    case Time;    // milliseconds, 0 to 2³² − 1, then from 0 again
    case Number;  // −2³¹ to 2³¹ − 1
}

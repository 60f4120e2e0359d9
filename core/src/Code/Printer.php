<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** A language: the same program in its words. */
interface Printer
{
    /** The whole program as one text that ends with a line end. */
    public function text(Program $program): string;
}

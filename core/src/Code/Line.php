<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/**
 * One line of a program, whatever the language: expressions are texts of names, whole numbers, calls, `[…]`, `(…)` and the signs + - * / == != < > <= >=
 * && || & | !, as most languages write them; a division is of what is not below 0.
 */
interface Line
{
    /** @return list<string> expressions in it, its own and those of the lines inside of it */
    public function expressions(): array;
}

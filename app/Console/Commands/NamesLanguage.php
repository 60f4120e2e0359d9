<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Program\Language;

/** Commands that take the language of a program. */
trait NamesLanguage
{
    /** @throws InvalidInput */
    private function language(): Language
    {
        $named = $this->named('language') ?? '';

        return Language::tryFrom($named) ?? throw InvalidInput::at('language', "“{$named}” is no language here. There are: "
            .implode(', ', array_column(Language::cases(), 'value')).'.');
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** What is sent empty is not said: `?limit=` is the usual limit, and not none that was ever checked. */
trait LeavesOutEmpty
{
    protected function prepareForValidation(): void
    {
        foreach (array_keys($this->rules()) as $field) {
            if ($this->input($field) === '') {
                $this->query->remove($field);
                $this->getInputSource()->remove($field);
            }
        }
    }
}

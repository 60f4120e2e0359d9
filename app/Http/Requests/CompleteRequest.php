<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Illuminate\Foundation\Http\FormRequest;

/** Changes that somebody chose, and what they are called. Values only: what is chosen has been computed, not typed. */
final class CompleteRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'does' => ['required', 'string', 'max:300'],
            'changes' => ['required', 'list', 'min:1', 'max:20'],
            'changes.*' => ['array:path,value'],
            'changes.*.path' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return list<array{path: string, value?: mixed}> */
    public function changes(): array
    {
        $body = JsonBody::of($this);

        return is_array($body) ? $body['changes'] : [];
    }

    public function choice(): Fix
    {
        $changes = array_map(fn (array $change): Change => new Change($change['path'], $change['value'] ?? null), $this->changes());
        assert($changes !== []);

        return new Fix(new Sentence(Sentence::quote($this->string('does')->toString())), $changes);
    }
}

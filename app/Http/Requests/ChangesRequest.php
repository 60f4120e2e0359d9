<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** Changes to a build. Each names a path and carries a value, or the text that was typed. */
final class ChangesRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer', 'min:1'],
            'rehearsed' => ['sometimes', 'boolean'],
            'changes' => ['required', 'list', 'min:1', 'max:50'],
            'changes.*' => ['array:path,value,text,unit'],
            'changes.*.path' => ['required', 'string', 'max:200'],
            'changes.*.text' => ['sometimes', 'string', 'max:20000'],
            'changes.*.unit' => ['sometimes', 'nullable', 'string', 'max:20'],
        ];
    }

    public function version(): int
    {
        return $this->integer('version');
    }

    /** @return list<array{path: string, value?: mixed, text?: string, unit?: ?string}> */
    public function changes(): array
    {
        $body = JsonBody::of($this);

        return is_array($body) ? $body['changes'] : [];
    }

    /** Names what is edited, so that typing in one field is undone as one. */
    public function editKey(): string
    {
        return substr(implode(' ', array_column($this->changes(), 'path')), 0, 250);
    }
}

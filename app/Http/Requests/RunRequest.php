<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Routine\WorldEvents;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\ListShape;
use Illuminate\Foundation\Http\FormRequest;

final class RunRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['scenario' => ['sometimes', 'nullable', 'string', 'max:40'], 'rehearsal' => ['sometimes', 'nullable', 'integer', 'min:0']];
    }

    /** @return list<WorldEvent> what happens besides the scenario */
    public function events(Build $build): array
    {
        $errors = new ErrorList;
        $body = $this->isMethod('GET') ? [] : JsonBody::of($this);
        $read = (new ListShape(WorldEvents::shape(), 0, 50, 'events'))->read(is_array($body) ? $body['events'] ?? [] : [], 'events', $errors) ?? [];
        $errors->throwIfAny();
        foreach ($read as $i => $event) {
            [$field, $kind] = WorldEvents::OF[$event['what'] ?? ''] ?? [null, ''];
            $known = match ($kind) {
                'motion' => $build->motions, 'supply' => $build->supplies, 'outside', 'analog' => $build->sensors, default => null,
            };
            $is = $field === null || ($known === null ? isset($build->sensors[$event[$field]]) || $build->switch($event[$field]) !== null
                : isset($known[$event[$field]]));
            if (! $is) {
                $errors->add("events.{$i}.{$field}", 'There is no such thing in this build.');
            }
        }
        $errors->throwIfAny();

        return array_values(array_map(WorldEvents::make(...), $read));
    }
}

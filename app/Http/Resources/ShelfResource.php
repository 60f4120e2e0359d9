<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Build;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A build as the shelf shows it.
 *
 * @property Build $resource
 */
final class ShelfResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $says = $this->resource->summary['says'];

        return [
            'id' => $this->resource->id,
            'name' => $this->resource->name,
            'is_demo' => $this->resource->demo_key !== null,
            'changed_at' => $this->resource->updated_at->toIso8601String(),
            'front' => [], 'rehearsed' => true, // of what was kept before they were told
            ...$this->resource->summary,
            'says' => ['values' => (object) $says['values']] + $says,
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\DrawerDrive;
use Brookstone\Core\Claims\ClaimCheck;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A drive of the drawer, with what is odd about its figures.
 *
 * @property DrawerDrive $resource
 */
final class DrawerDriveResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['id' => $this->resource->id, 'drive' => $this->resource->document, 'odd' => ClaimCheck::of($this->resource->core())];
    }
}

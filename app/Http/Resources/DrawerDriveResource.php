<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\DrawerDrive;
use Brookstone\Core\Claims\ClaimCheck;
use Brookstone\Core\Drive\DrawerCsv;
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
        $drive = $this->resource->core();

        return ['id' => $this->resource->id, 'version' => $this->resource->version, 'drive' => $this->resource->document,
            'typed' => DrawerCsv::cells($drive), 'odd' => ClaimCheck::of($drive)];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\Kept;
use App\Models\Build;
use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Build\Build as CoreBuild;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * A build as its pages need it: the document, and what is judged of it.
 *
 * @property Build $resource
 */
final class BuildResource extends JsonResource
{
    public function __construct(Build $build, private readonly CoreBuild $core, private readonly Assessment $assessment)
    {
        parent::__construct($build);
    }

    /** What was just stored: it is neither read nor judged again. */
    public static function kept(Kept $kept): self
    {
        return new self($kept->build, $kept->core, $kept->assessment);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->resource->id,
            'version' => $this->resource->version,
            'changed_on' => $this->resource->updated_at->toDateString(),
            'is_demo' => $this->resource->demo_key !== null,
            'can_undo' => $this->resource->canUndo(),
            'can_redo' => $this->resource->canRedo(),
            'document' => $this->core->written(),
            'assessment' => $this->assessment,
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\BuildShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\MapShape;
use Brookstone\Core\Shape\NumberShape;
use Illuminate\Foundation\Http\FormRequest;

/** Where motions are, by motion, in their own units. */
final class PoseRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [];
    }

    /** @return array<string, float> of motions that are on the stage */
    public function pose(Build $build): array
    {
        $errors = new ErrorList;
        $body = JsonBody::of($this);
        $shape = new MapShape(NumberShape::between(-720.0, 720.0), BuildShape::MOST_MOTIONS);
        $pose = $shape->read(is_array($body) ? $body['pose'] ?? [] : [], 'pose', $errors) ?? [];
        foreach (array_keys($pose) as $id) {
            if (! isset($build->stage->motions[$id])) {
                $errors->add("pose.{$id}", 'This motion is not on the stage of this build.');
            }
        }
        $errors->throwIfAny();

        return $pose;
    }
}

<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Quantity\Constants;

/**
 * How two wheels of a stage meet when their shafts stand a distance apart: whether they bind, run, or lose hold of one another.
 * The play is what their teeth were cut thinner by, and what the distance adds or takes: 2a(inv αw − inv α), as in Mesh, with its sign.
 */
final readonly class Meeting
{
    private const PRESSURE_DEG = 20.0;

    private const NEARLY = 0.1 + 1e-9; // modules further apart than this is loose

    private const ON_AXIS_MM = 0.1;

    /** @param  string  $fit  `fits`, `tight`, `binds`, `loose`, `apart`; `free` where any distance does */
    private function __construct(public string $fit, public float $apart_mm, public ?float $off_mm, public ?float $play_mm, public ?float $contact)
    {
    }

    public static function of(Stage $stage, float $apart_mm): self
    {
        $wanted = $stage->shaftsApart_mm();
        if ($wanted === null) {
            $least = $stage->type->runsOver() ? $stage->outside_mm(true) + $stage->outside_mm(false) : 0.0; // the others sit on one shaft, or meet

            return new self($apart_mm >= $least ? 'free' : 'binds', $apart_mm, $apart_mm >= $least ? null : $apart_mm - $least, null, null);
        }
        $off = $apart_mm - $wanted;
        if ($stage->type->isOneToOne()) {
            return new self($off <= self::ON_AXIS_MM ? 'fits' : 'apart', $apart_mm, $off, null, null);
        }
        if ($stage->type === StageType::Worm) {
            // A wheel cut for its worm: the depth of the thread decides, a module up to its root.
            return new self(abs($off) <= self::NEARLY * $stage->module_mm ? 'fits'
                : ($off < 0.0 ? 'binds' : ($off < 0.5 * $stage->module_mm ? 'loose' : 'apart')), $apart_mm, $off,
                max(0.0, $stage->backlash_mm + 2 * $off * tan(self::PRESSURE_DEG * Constants::RAD_PER_DEG)), null);
        }
        $alpha = self::PRESSURE_DEG * Constants::RAD_PER_DEG;
        $bases = $wanted * cos($alpha);
        if ($apart_mm <= $bases) {
            return new self('binds', $apart_mm, $off, -INF, null);
        }
        $play = $stage->backlash_mm + 2 * $apart_mm * (Mesh::involute(acos($bases / $apart_mm)) - Mesh::involute($alpha));
        $contact = (new Mesh($stage->module_mm, $stage->driver, $stage->driven, self::PRESSURE_DEG, $apart_mm))->contact_ratio;

        return new self(match (true) {
            $play < 0.0 => 'binds',
            $contact < Mesh::CONTACT_FAILS => 'apart',
            $contact < Mesh::CONTACT_TIGHT || $off > self::NEARLY * $stage->module_mm => 'loose',
            $play <= 0.0 => 'tight',
            default => 'fits',
        }, $apart_mm, $off, $play, $contact);
    }

    public function runs(): bool
    {
        return in_array($this->fit, ['fits', 'free', 'tight'], true);
    }
}

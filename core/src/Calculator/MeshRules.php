<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\Mesh;

/** What is said of two gears at a distance, by the calculator as by the judge. */
final class MeshRules
{
    private const NO_PLAY_MODULES = 1e-6; // less backlash than this binds

    /**
     * @param  string  $at  path of what could be changed
     * @return list<Finding>
     */
    public static function findings(Mesh $mesh, string $at): array
    {
        $findings = [];
        if ($mesh->contact_ratio < Mesh::CONTACT_TIGHT) {
            $fails = $mesh->contact_ratio < Mesh::CONTACT_FAILS;
            $findings[] = new Finding('train.contact_ratio', $fails ? Severity::Fails : Severity::Tight, $at, new Sentence(
                'These gears stand so far apart that only {contact} pairs of teeth touch on the mean'.($fails ? ': one lets go before the next takes hold.'
                    : ': they run rough and skip under a knock.'),
                ['contact' => Quantity::number($mesh->contact_ratio)],
            ));
        }
        if ($mesh->backlash_mm <= self::NO_PLAY_MODULES * $mesh->module_mm) {
            $findings[] = new Finding('train.no_backlash', Severity::Tight, $at,
                new Sentence('No play is left between the teeth: they bind as soon as one is not perfect. Set the shafts {little} further apart.', [
                    'little' => Quantity::of(0.05 * $mesh->module_mm / 1000, 'm'),
                ]));
        }
        if ($mesh->undercut) {
            $findings[] = new Finding('train.undercut', Severity::Note, $at,
                new Sentence('A gear of '.min($mesh->pinion,
                    $mesh->gear).' teeth is undercut: it runs, but weaker and rougher, and touches less than the contact ratio says.'));
        }

        return $findings;
    }
}

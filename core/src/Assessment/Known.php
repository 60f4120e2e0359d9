<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

/** What has been worked out before, by what it hangs on: an edit leaves most of a judgement as it was. */
interface Known
{
    /** @return object|null what was kept under that; not to be changed */
    public function recall(string $footing): ?object;

    public function keep(string $footing, object $of): void;
}

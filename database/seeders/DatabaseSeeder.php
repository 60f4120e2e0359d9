<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\KeepDemos;
use App\Actions\OpenDrawer;
use Illuminate\Database\Seeder;

final class DatabaseSeeder extends Seeder
{
    public function run(KeepDemos $demos, OpenDrawer $drawer): void
    {
        $drawer->fillIfEmpty();
        $demos->onFirstStart();
    }
}

<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\KeepDemos;
use Illuminate\Database\Seeder;

final class DatabaseSeeder extends Seeder
{
    public function run(KeepDemos $demos): void
    {
        $demos->onFirstStart();
    }
}

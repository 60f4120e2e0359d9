<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What is in the drawers has versions, as builds have: who changes it says which was on the screen. */
return new class extends Migration
{
    private const TABLES = ['drawer_drives', 'drawer_tables'];

    public function up(): void
    {
        foreach (self::TABLES as $name) {
            Schema::table($name, fn (Blueprint $table) => $table->unsignedInteger('version')->default(1));
        }
    }

    public function down(): void
    {
        foreach (self::TABLES as $name) {
            Schema::table($name, fn (Blueprint $table) => $table->dropColumn('version'));
        }
    }
};

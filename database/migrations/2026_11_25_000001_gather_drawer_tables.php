<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** One table for all drawers that are kept whole. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('drawer_tables', function (Blueprint $table): void {
            $table->id();
            $table->string('name')->unique();
            $table->text('lines');
            $table->timestamps();
        });
        $kept = DB::table('drawer_gears')->orderBy('id')->first();
        if ($kept !== null) {
            DB::table('drawer_tables')->insert(['name' => 'gears', 'lines' => $kept->lines, 'created_at' => $kept->created_at,
                'updated_at' => $kept->updated_at]);
        }
        Schema::drop('drawer_gears');
    }

    public function down(): void
    {
        Schema::create('drawer_gears', function (Blueprint $table): void {
            $table->id();
            $table->text('lines');
            $table->timestamps();
        });
        $kept = DB::table('drawer_tables')->where('name', 'gears')->first();
        if ($kept !== null) {
            DB::table('drawer_gears')->insert(['lines' => $kept->lines]);
        }
        Schema::drop('drawer_tables');
    }
};

<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('drawer_gears', function (Blueprint $table): void {
            $table->id();
            $table->text('lines');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('drawer_gears');
    }
};

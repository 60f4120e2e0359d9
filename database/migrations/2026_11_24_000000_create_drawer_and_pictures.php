<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('drawer_drives', function (Blueprint $table): void {
            $table->id();
            $table->string('code', 40)->unique();
            $table->text('document');
            $table->timestamps();
        });
        Schema::create('pictures', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('build_id')->constrained()->cascadeOnDelete();
            $table->string('mime', 40);
            $table->binary('bytes');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('pictures');
        Schema::dropIfExists('drawer_drives');
    }
};

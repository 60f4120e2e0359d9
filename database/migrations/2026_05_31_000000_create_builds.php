<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('builds', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->string('demo_key')->nullable()->unique();
            $table->string('name');
            $table->longText('document');
            $table->text('summary');
            // Counts every change, undo and redo too: who edits says which version was on the screen.
            $table->unsignedBigInteger('version')->default(1);
            // Number of the revision that is shown; later ones can be redone.
            $table->unsignedBigInteger('cursor')->default(1);
            $table->timestamps();
        });
        Schema::create('build_revisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('build_id')->constrained()->cascadeOnDelete();
            $table->unsignedBigInteger('number');
            $table->string('edit_key');
            $table->longText('document');
            $table->timestamps();
            $table->unique(['build_id', 'number']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('build_revisions');
        Schema::dropIfExists('builds');
    }
};

<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Long work that goes on by itself, its parts as they come, and live sessions on simulated hardware. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('studies', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('build_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->string('kind');
            $table->text('asked');
            $table->longText('document');
            $table->string('state')->default('queued');
            $table->unsignedInteger('parts');
            $table->text('frame');
            $table->text('failure')->nullable();
            $table->timestamps();
        });
        Schema::create('study_parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('study_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('part');
            $table->longText('result');
            $table->unique(['study_id', 'part']);
        });
        Schema::create('rig_sessions', function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('build_id')->constrained()->cascadeOnDelete();
            $table->longText('document');
            $table->text('begins')->nullable();
            $table->text('lines');
            $table->timestamps();
        });
        Schema::create('jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
    }

    public function down(): void
    {
        foreach (['failed_jobs', 'jobs', 'rig_sessions', 'study_parts', 'studies'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};

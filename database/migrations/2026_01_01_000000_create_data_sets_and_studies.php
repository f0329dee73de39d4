<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('datasets', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('source')->default('');
            $table->unsignedInteger('version')->default(0);
            $table->timestamps();
        });
        Schema::create('imported_files', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->string('name');
            $table->string('sha256', 64);
            $table->unsignedInteger('rows');
            $table->json('plan');
            $table->timestamps();
        });
        Schema::create('measures', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->string('key');
            $table->string('name');
            $table->string('unit')->default('');
            $table->string('kind');
            $table->string('better');
            $table->string('frequency');
            $table->unique(['dataset_id', 'key']);
        });
        Schema::create('entities', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->string('key');
            $table->string('name');
            $table->boolean('home')->default(false);
            $table->json('about');
            $table->unique(['dataset_id', 'key']);
        });
        // A series is valid from one version of its data set until before another, so a new version only writes what
        // changed.
        Schema::create('series', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('measure_id')->constrained()->cascadeOnDelete();
            $table->foreignId('entity_id')->constrained()->cascadeOnDelete();
            $table->foreignId('imported_file_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('since');
            $table->unsignedInteger('until')->nullable();
            $table->integer('first');
            $table->binary('values');
            $table->binary('statuses')->nullable();
            $table->binary('places');
            $table->index(['measure_id', 'since']);
        });
        Schema::create('uploads', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignId('dataset_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->json('dialect');
            $table->json('plan');
            $table->timestamps();
        });
        Schema::create('studies', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->unsignedBigInteger('revision_id')->nullable();
            $table->timestamps();
        });
        Schema::create('study_revisions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('study_id')->constrained()->cascadeOnDelete();
            $table->foreignId('parent_id')->nullable()->constrained('study_revisions')->nullOnDelete();
            $table->string('said');
            $table->json('document');
            $table->timestamp('created_at')->nullable();
        });
    }

    public function down(): void
    {
        foreach (
            ['study_revisions', 'studies', 'uploads', 'series', 'entities', 'measures', 'imported_files', 'datasets']
            as $table
        ) {
            Schema::dropIfExists($table);
        }
    }
};

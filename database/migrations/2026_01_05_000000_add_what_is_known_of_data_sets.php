<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('datasets', static function (Blueprint $table): void {
            $table->string('licence')->default('');
            $table->string('retrieved')->default('');
            $table->text('notes')->default('');
        });
        Schema::table('measures', static fn(Blueprint $table) => $table->unsignedTinyInteger('decimals')->nullable());
        Schema::table('entities', static fn(Blueprint $table) => $table->string('note')->default(''));
        Schema::table('studies', static fn(Blueprint $table) => $table->unsignedInteger('version')->nullable());
        Schema::table('uploads', static function (Blueprint $table): void {
            $table->string('way')->default('over');
            $table->json('same')->nullable();
        });
        // By which other names files call an entity.
        Schema::create('entity_aliases', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('dataset_id')->constrained()->cascadeOnDelete();
            $table->foreignId('entity_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->unique(['dataset_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('entity_aliases');
        Schema::table('uploads', static fn(Blueprint $table) => $table->dropColumn(['way', 'same']));
        Schema::table('studies', static fn(Blueprint $table) => $table->dropColumn('version'));
        Schema::table('entities', static fn(Blueprint $table) => $table->dropColumn('note'));
        Schema::table('measures', static fn(Blueprint $table) => $table->dropColumn('decimals'));
        Schema::table('datasets', static fn(Blueprint $table) => $table->dropColumn(['licence', 'retrieved', 'notes']));
    }
};

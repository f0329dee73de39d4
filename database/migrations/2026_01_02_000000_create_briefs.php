<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('briefs', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            // The read-only address cannot be guessed from the number.
            $table->string('token')->unique();
            $table->timestamps();
        });
        Schema::create('brief_blocks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('brief_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('place');
            $table->foreignId('study_id')->nullable()->constrained()->cascadeOnDelete();
            $table->text('text')->nullable();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('brief_blocks');
        Schema::dropIfExists('briefs');
    }
};

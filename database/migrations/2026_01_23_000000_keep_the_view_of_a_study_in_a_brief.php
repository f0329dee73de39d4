<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The view that a study has in a brief, whatever it is looked at in later; those from before go with the study. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('brief_blocks', static function (Blueprint $table): void {
            $table->string('view')->nullable();
            $table->string('split')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('brief_blocks', static fn(Blueprint $table) => $table->dropColumn(['view', 'split']));
    }
};

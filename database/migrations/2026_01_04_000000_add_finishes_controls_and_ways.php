<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('house_finishes', static function (Blueprint $table): void {
            $table->id();
            $table->json('finish')->nullable();
            $table->json('hues');
            $table->string('source');
            $table->string('ground');
            $table->timestamps();
        });
        Schema::table('briefs', static function (Blueprint $table): void {
            $table->json('controls')->nullable();
        });
        Schema::table('imported_files', static function (Blueprint $table): void {
            // What was done with it: merged into what was there, put in its place, or a correction.
            $table->string('way')->default('laid over');
            $table->string('note')->default('');
        });
    }

    public function down(): void
    {
        Schema::table('imported_files', static fn(Blueprint $table) => $table->dropColumn(['way', 'note']));
        Schema::table('briefs', static fn(Blueprint $table) => $table->dropColumn('controls'));
        Schema::dropIfExists('house_finishes');
    }
};

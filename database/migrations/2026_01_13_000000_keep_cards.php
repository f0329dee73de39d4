<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // What the first page shows of a study or a data set, and what it was made of. All of it can be made again.
        Schema::create('cards', static function (Blueprint $table): void {
            $table->id();
            $table->string('kind');
            $table->unsignedBigInteger('of');
            $table->string('made_of');
            $table->text('content');
            $table->unique(['kind', 'of']);
        });
        // Counts the changes of names, units and kinds, which make no version.
        Schema::table('datasets', static fn(Blueprint $table) => $table->unsignedInteger('described')->default(0));
    }

    public function down(): void
    {
        Schema::dropIfExists('cards');
        Schema::table('datasets', static fn(Blueprint $table) => $table->dropColumn('described'));
    }
};

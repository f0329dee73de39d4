<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was changed of the guess for a file, by its headings, and the file that an upload is read like. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('file_kinds', static function (Blueprint $table): void {
            $table->id();
            $table->string('kind')->unique();
            $table->string('file');
            $table->json('corrections');
            $table->timestamps();
        });
        Schema::table('uploads', static fn(Blueprint $table) => $table->string('like')->default(''));
    }

    public function down(): void
    {
        Schema::dropIfExists('file_kinds');
        Schema::table('uploads', static fn(Blueprint $table) => $table->dropColumn('like'));
    }
};

<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What is answered of an update: how units of the file become those that are stored, and what withdrawn values do. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('uploads', static function (Blueprint $table): void {
            $table->json('units')->nullable();
            $table->boolean('removes_withdrawn')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('uploads', static fn(Blueprint $table) => $table->dropColumn(['units', 'removes_withdrawn']));
    }
};

<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Of a measure that is calculated from others, how; its values are stored nowhere.
        Schema::table('measures', static fn(Blueprint $table) => $table->string('formula', 300)->default(''));
    }

    public function down(): void
    {
        Schema::table('measures', static fn(Blueprint $table) => $table->dropColumn('formula'));
    }
};

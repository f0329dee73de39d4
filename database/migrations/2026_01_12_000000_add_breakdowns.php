<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('datasets', static fn(Blueprint $table) => $table->json('breakdowns')->default('[]'));
        Schema::table('series', static fn(Blueprint $table) => $table->string('cell')->default(''));
        DB::statement('drop index series_in_force');
        DB::statement(
            'create unique index series_in_force on series (measure_id, entity_id, cell) where until is null',
        );
        // Files that were brought under another plan are brought again.
        DB::table('uploads')->whereNot('state', 'done')->delete();
    }

    public function down(): void
    {
        DB::table('series')->whereNot('cell', '')->delete();
        DB::statement('drop index series_in_force');
        DB::statement('create unique index series_in_force on series (measure_id, entity_id) where until is null');
        Schema::table('series', static fn(Blueprint $table) => $table->dropColumn('cell'));
        Schema::table('datasets', static fn(Blueprint $table) => $table->dropColumn('breakdowns'));
    }
};

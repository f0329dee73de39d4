<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('datasets', static function (Blueprint $table): void {
            $table->text('peer_sets')->default('[]');
        });
    }

    public function down(): void
    {
        Schema::table('datasets', static fn(Blueprint $table) => $table->dropColumn('peer_sets'));
    }
};
